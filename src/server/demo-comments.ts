/** What is said about the demo course: three threads, one of them done, one begun by a commenter. */
import { comment } from '../core/beside/comment'
import { putBeside } from './beside'
import type { Database } from './db/client'
import type { DemoPerson } from './demo-people'

type Said = { readonly by: string; readonly words: string }
type DemoThread = {
  readonly id: string
  readonly about: readonly [kind: string, id: string, name: string]
  readonly said: readonly [Said, ...Said[]]
  readonly doneBy?: string
}

const THREADS: readonly DemoThread[] = [
  {
    id: 'talk-lab',
    about: ['activity', 'a4-8', '4.8 Lab 2: Reading the bed'],
    said: [
      { by: 'Marek', words: 'This is due on a day when the institute is closed. Is it meant to be handed in before?' },
      { by: 'Ines', words: 'It should move to the day after. @Tove Rasmussen, does the river allow that in week 5?' },
      { by: 'Tove', words: 'It does, unless it rains for three days. Levels are at https://levels.larkfield.example/aldbeck' },
    ],
  },
  {
    id: 'talk-verb',
    about: ['objective', 'o5c', '5c Understand how field readings can mislead'],
    said: [{ by: 'Nadia', words: 'Last year nobody could say what passing this looked like. A list of the four usual errors would do.' }],
  },
  {
    id: 'talk-title',
    about: ['course', 'course', ''],
    said: [
      { by: 'Marek', words: 'The council calls them becks. Should the title say so?' },
      { by: 'Ines', words: 'Learners from elsewhere look for streams; the first page explains becks.' },
    ],
    doneBy: 'Marek',
  },
]

/** Puts the threads in, in the order in which they were said. */
export async function loadDemoComments(db: Database, courseId: string, people: readonly (DemoPerson & { readonly id: string })[]) {
  const person = (first: string) => {
    const found = people.find((p) => p.name.startsWith(first))
    if (!found) throw new Error(`nobody in the demo is called ${first}`)
    return { id: found.id, role: found.role }
  }
  const put = (by: string, id: string, values: object, base: number | null) =>
    putBeside(db, comment.spec.name, courseId, person(by), id, values, base)
  for (const { id, about, said, doneBy } of THREADS) {
    const [aboutKind, aboutId, aboutName] = about
    const rest = { aboutKind, aboutId, aboutName: aboutName || null, field: null, quote: null, resolvedBy: null }
    let base = 0
    for (const [n, { by, words }] of said.entries()) {
      const { revision } = await put(by, n === 0 ? id : `${id}-${n}`, { ...rest, words, replyTo: n === 0 ? null : id }, null)
      if (n === 0) base = revision
    }
    if (doneBy) await put(doneBy, id, { ...rest, words: said[0].words, replyTo: null, resolvedBy: person(doneBy).id }, base)
  }
}
