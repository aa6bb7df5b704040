/** Which mails somebody wants, as one text of the account. What may be sent is declared here; a new sort is wanted until it is put off. */

export const MAILS = ['invitations', 'mentions'] as const
export type Mail = (typeof MAILS)[number]
export const MAIL_WORDS: Readonly<Record<Mail, string>> = {
  invitations: 'Invitations to courses',
  mentions: 'Comments that name me',
}

/** The sorts that are put off, as an account keeps them; words that name none are left out. */
export const mailsOffOf = (text: string): Mail[] => MAILS.filter((m) => text.split(',').includes(m))
export const mailsOffText = (off: readonly Mail[]): string => MAILS.filter((m) => off.includes(m)).join(',')
