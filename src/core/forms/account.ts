/** Forms of accounts: what is refused, in the words of the form. The page and the server read the same. */
import { isCleanText } from '../blueprint/text'
import { z } from '../zod'

/** Shortest and longest; any characters, none demanded (OWASP ASVS 5.0, 6.2.1, 6.2.5, 6.2.9). */
export const PASSWORD_MIN = 10
export const PASSWORD_MAX = 128

const ADDRESS = 'That is no mail address.'
/** A mail address; the longest that an invitation takes too. */
export const mailAddress = z.email(ADDRESS).check(z.maxLength(200, 'A mail address has at most 200 characters.'))

const long = (text: string): number => [...text].length
/** A password that somebody chooses. Common ones are refused by the server, which has the lists. */
export const newPassword = z.string().check(
  z.refine((p) => long(p) >= PASSWORD_MIN, `A password has at least ${PASSWORD_MIN} characters.`),
  z.refine((p) => long(p) <= PASSWORD_MAX, `A password has at most ${PASSWORD_MAX} characters.`),
)

/** A name as others see it: one line, without what turns or hides text. */
export const personName = z.string().check(
  z.trim(),
  z.minLength(1, 'Your name is shown to those you work with: it is needed.'),
  z.refine((n) => n.length <= 100 && isCleanText(n, false), 'A name is one line of at most 100 characters.'),
)

const typedAddress = z.pipe(z.string().check(z.trim()), mailAddress)

export const signInForm = z.object({ email: typedAddress, password: z.string() })
export const signUpForm = z.object({ name: personName, email: typedAddress, password: newPassword })
export const nameForm = z.object({ name: personName })
export const passwordForm = z.object({ current: z.string().check(z.minLength(1, 'Your present password is needed.')), wanted: newPassword })
