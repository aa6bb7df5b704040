/** Comments: who may write what, threads, what is new, and who is named. */
import { expect } from 'chai'
import { type Comment, comment, commentsSeen, mention } from '../../../src/core/beside/comment'
import { mentionedIn, threadsOf, unreadOf } from '../../../src/core/beside/threads'
import { ROLES, type Role } from '../../../src/core/roles'

const said = (id: string, more: Partial<Comment> = {}): Comment => ({
  id,
  aboutKind: 'activity',
  aboutId: 'a1',
  aboutName: '1.1 Floods',
  field: null,
  quote: null,
  words: 'Too long?',
  replyTo: null,
  resolvedBy: null,
  authorId: 'marek',
  at: `2027-01-01T00:00:0${id.at(-1)}.000Z`,
  revision: Number(id.at(-1)),
  ...more,
})
const viewer = (id: string, role: Role = 'commenter') => ({ id, role })
/** Policies of comments look at nothing else. */
const alone = () => []

describe('who may write a comment', () => {
  const { mayWrite, mayRead } = comment.policy
  it('everybody in the course writes and reads', () => {
    for (const role of ROLES) {
      expect(mayRead(viewer('x', role), said('c1'), alone)).to.equal(true)
      expect(mayWrite(viewer('marek', role), null, said('c1'), alone)).to.equal(true)
    }
  })
  for (const [what, by, to, allowed] of [
    ['the author changes the words', viewer('marek'), { words: 'Too short?' }, true],
    ['nobody else does', viewer('ines', 'designer'), { words: 'Fine.' }, false],
    ['anybody calls a thread done, in their own name', viewer('ines'), { resolvedBy: 'ines' }, true],
    ['nobody does in another name', viewer('ines'), { resolvedBy: 'tove' }, false],
    ['what it is about stays', viewer('marek'), { aboutId: 'a2' }, false],
    ['what it answers stays', viewer('marek'), { replyTo: 'c0' }, false],
    ['the author removes it', viewer('marek'), null, true],
    ['a designer removes it', viewer('ines', 'designer'), null, true],
    ['another person does not', viewer('tove', 'expert'), null, false],
  ] as const)
    it(what, () => expect(mayWrite(by, said('c1'), to && said('c1', to), alone)).to.equal(allowed))
  it('anybody opens a thread again', () =>
    expect(mayWrite(viewer('tove'), said('c1', { resolvedBy: 'ines' }), said('c1'), alone)).to.equal(true))
  it('an answer is not done by itself, and nothing is made done', () => {
    const answer = said('c2', { replyTo: 'c1' })
    expect(mayWrite(viewer('ines'), answer, { ...answer, resolvedBy: 'ines' }, alone)).to.equal(false)
    expect(mayWrite(viewer('marek'), null, said('c1', { resolvedBy: 'marek' }), alone)).to.equal(false)
  })
  it('nobody writes mentions, and each their own mark of what was read', () => {
    expect(mention.policy.mayWrite(viewer('ines', 'designer'), null, { id: 'm' } as never, alone)).to.equal(false)
    const own = { id: 'ines', upTo: 3 } as never
    expect(commentsSeen.policy.mayWrite(viewer('ines'), null, own, alone)).to.equal(true)
    expect(commentsSeen.policy.mayWrite(viewer('tove'), null, own, alone)).to.equal(false)
    expect(commentsSeen.policy.mayRead(viewer('tove', 'designer'), own, alone)).to.equal(false)
  })
})

describe('threads of comments', () => {
  const shape = (comments: readonly Comment[]) => threadsOf(comments).map((t) => [t.id, t.state, [t.first, ...t.answers].map((c) => c.id)])
  it('hold the first and its answers in the order of time', () =>
    expect(shape([said('c3', { replyTo: 'c1' }), said('c2'), said('c1'), said('c4', { replyTo: 'c1' })])).to.deep.equal([
      ['c1', 'open', ['c1', 'c3', 'c4']],
      ['c2', 'open', ['c2']],
    ]))
  it('are done when somebody says so, and open again at a later answer', () => {
    const answer = said('c2', { replyTo: 'c1' })
    expect(shape([said('c1', { resolvedBy: 'ines', revision: 3 }), answer])).to.deep.equal([['c1', 'resolved', ['c1', 'c2']]])
    // Both at once: the answer came in after it was called done.
    expect(shape([said('c1', { resolvedBy: 'ines', revision: 3 }), { ...answer, revision: 4 }])[0]?.[1]).to.equal('open')
  })
  it('go on where the first comment was removed', () =>
    expect(shape([said('c3', { replyTo: 'c1' }), said('c2', { replyTo: 'c1' })])).to.deep.equal([['c1', 'open', ['c2', 'c3']]]))
  it('are new where others wrote since', () =>
    expect(unreadOf([said('c1'), said('c2'), said('c3', { authorId: 'ines' })], 1, 'ines').map((c) => c.id)).to.deep.equal(['c2']))
})

describe('people named in a comment', () => {
  const people = ['Ines Okafor', 'Ines', 'Tove Rasmussen', 'Marek Havel', 'Marek Havel'].map((name, n) => ({ name, n }))
  const named = (words: string) => mentionedIn(words, people).map((p) => p.n)
  for (const [words, wanted] of [
    ['@Ines Okafor, what do you think?', [0]],
    ['@ines, and @TOVE RASMUSSEN.', [1, 2]],
    ['a mail to ines@tove rasmussen.example', []],
    ['@Ineson and @Tove alone', []],
    ['(@Marek Havel)', [3, 4]],
    ['@Tove Rasmussen @Tove Rasmussen', [2]],
    ['@', []],
  ] as const)
    it(`“${words}” names ${wanted.length}`, () => expect(named(words)).to.deep.equal(wanted))
})
