/** Inviting people to a course by their mail addresses. */
import { ROLES } from '../roles'
import { z } from '../zod'
import { mailAddress } from './account'

/** So many addresses at once. */
const MOST = 30

/** What the server is asked. */
export const invite = z.strictObject({
  emails: z
    .array(mailAddress)
    .check(z.minLength(1, 'Name at least one mail address.'), z.maxLength(MOST, `At most ${MOST} addresses at once.`)),
  role: z.enum(ROLES),
})

/** Addresses as people type them: with commas, semicolons, spaces or lines between. */
const addresses = z.pipe(
  z.string(),
  z.transform((typed, ctx) => {
    const emails = typed.split(/[\s,;]+/).filter(Boolean)
    const wrong = emails.find((e) => !z.safeParse(mailAddress, e).success)
    if (wrong) ctx.issues.push({ code: 'custom', message: `${wrong} is no mail address.`, input: typed })
    return emails
  }),
)
/** What is typed; `emails` becomes a list. */
export const inviteForm = z.object({ emails: z.pipe(addresses, invite.shape.emails), role: invite.shape.role })
