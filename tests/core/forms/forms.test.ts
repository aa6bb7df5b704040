/** What forms refuse, in their words; the server reads the same schemas. */
import { expect } from 'chai'
import { passwordForm, signInForm, signUpForm } from '../../../src/core/forms/account'
import { inviteForm } from '../../../src/core/forms/invite'
import { newCourse, newCourseForm, proposedCourse } from '../../../src/core/forms/new-course'
import { z } from '../../../src/core/zod'

const said = (schema: Parameters<typeof z.safeParse>[0], input: unknown): readonly string[] => {
  const read = z.safeParse(schema, input)
  return read.success ? [] : read.error.issues.map((i) => `${i.path.join('.')}: ${i.message}`)
}

describe('the forms', () => {
  it('of accounts take names of one line, mail addresses with blanks round them, and passwords of 10 to 128 characters', () => {
    const good = { name: ' Lena Quast ', email: ' lena@quarrybrook.example ', password: 'a'.repeat(10) }
    expect(z.parse(signUpForm, good)).to.deep.equal({ name: 'Lena Quast', email: 'lena@quarrybrook.example', password: 'a'.repeat(10) })
    expect(said(signUpForm, { ...good, password: 'a'.repeat(9) })).to.deep.equal(['password: A password has at least 10 characters.'])
    expect(said(signUpForm, { ...good, password: 'a'.repeat(128) })).to.deep.equal([])
    expect(said(signUpForm, { ...good, password: 'a'.repeat(129) })).to.deep.equal(['password: A password has at most 128 characters.'])
    // Nine letters outside the first plane are nine characters, though eighteen units.
    expect(said(signUpForm, { ...good, password: '🪨'.repeat(9) })).to.deep.equal(['password: A password has at least 10 characters.'])
    expect(said(signUpForm, { ...good, name: '  ' })[0]).to.match(/^name: Your name is shown/)
    expect(said(signUpForm, { ...good, name: 'a\u202eb' })).to.deep.equal(['name: A name is one line of at most 100 characters.'])
    expect(said(signInForm, { email: 'nobody', password: '' })).to.deep.equal(['email: That is no mail address.'])
    expect(said(passwordForm, { current: '', wanted: 'long enough it is' })).to.deep.equal(['current: Your present password is needed.'])
  })

  it('of invitations take addresses with commas, semicolons, blanks or lines between, 30 at most', () => {
    const read = (emails: string) => z.parse(inviteForm, { emails, role: 'expert' }).emails
    expect(read('a@b.example, c@d.example;e@f.example\ng@h.example')).to.deep.equal([
      'a@b.example',
      'c@d.example',
      'e@f.example',
      'g@h.example',
    ])
    expect(said(inviteForm, { emails: ' ; ', role: 'expert' })).to.deep.equal(['emails: Name at least one mail address.'])
    expect(said(inviteForm, { emails: 'a@b.example nobody', role: 'expert' })).to.deep.equal(['emails: nobody is no mail address.'])
    const many = (n: number) => Array.from({ length: n }, (_, i) => `p${i}@b.example`).join(' ')
    expect(read(many(30)).length).to.equal(30)
    expect(said(inviteForm, { emails: many(31), role: 'expert' })).to.deep.equal(['emails: At most 30 addresses at once.'])
  })

  it('of a new course propose all but the title; what they read the server takes', () => {
    const proposed = proposedCourse('2027-09-06', 'Europe/London')
    expect(said(newCourseForm, proposed)).to.deep.equal(['title: A course needs a title.'])
    const read = z.parse(newCourseForm, { ...proposed, title: ' Baking ', credits: '2.5', weeks: ' 6 ' })
    expect(read).to.include({ title: 'Baking', weeks: 6, credits: 250, term: 'First offering', firstDay: '2027-09-06' })
    expect(z.safeParse(newCourse, read).success).to.equal(true)
    // No system, no credits.
    expect(z.parse(newCourseForm, { ...proposed, title: 'Baking', creditSystem: 'none' }).credits).to.equal(null)
  })

  it('of a new course refuse weeks, credits and days that are none, each at its field', () => {
    const form = { ...proposedCourse('2027-09-06', 'UTC'), title: 'Baking' }
    for (const [weeks, refused] of [
      ['1', false],
      ['60', false],
      ['0', true],
      ['61', true],
      ['2.5', true],
      ['many', true],
    ] as const)
      expect(said(newCourseForm, { ...form, weeks }), weeks).to.deep.equal(refused ? ['weeks: From 1 to 60 weeks.'] : [])
    expect(said(newCourseForm, { ...form, credits: 'three' })[0]).to.match(/^credits: Credits are a number/)
    expect(said(newCourseForm, { ...form, firstDay: '' })[0]).to.match(/^firstDay: The first offering needs its first day/)
    expect(said(newCourseForm, { ...form, timeZone: 'Atlantis' }).length).to.equal(1)
  })
})
