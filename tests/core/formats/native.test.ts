import { readFileSync } from 'node:fs'
import { expect } from 'chai'
import fc from 'fast-check'
import { readNative, sameBlueprint, writeNative } from '../../../src/core/formats/native'
import { aBlueprint, aCategory, aModule, anObjective } from '../../support/course'

const demo = readFileSync('demo/measuring-small-streams.json', 'utf8')
const read = (text: string) => {
  const result = readNative(text)
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  return result.value
}
const problem = (text: string) => {
  const result = readNative(text)
  return result.ok ? null : result.error[0]
}
const changed = (edit: (file: Record<string, never>) => void) => {
  const file = JSON.parse(demo)
  edit(file)
  return JSON.stringify(file)
}

describe('the native file', () => {
  it('comes back as it went out', () => {
    const blueprint = read(demo)
    expect(sameBlueprint(read(writeNative(blueprint)), blueprint)).to.equal(true)
    expect(writeNative(read(writeNative(blueprint)))).to.equal(writeNative(blueprint))
  })

  it('is read as the release before this wrote it, every list of it', () => {
    const text = readFileSync('tests/fixtures/releases/0.2.json', 'utf8')
    const old = JSON.parse(text) as Record<string, unknown>
    const now = JSON.parse(writeNative(read(text))) as Record<string, unknown>
    expect(now).to.deep.equal({ ...old, formatVersion: now['formatVersion'] })
  })

  it('is read with the words that later versions renamed, its values as a file writes them', () => {
    const old = {
      format: 'cairn-blueprint',
      formatVersion: 3,
      course: JSON.parse(demo).course,
      modules: [{ id: 'm1', title: 'One', planning: 'sketch' }],
      activities: [{ id: 'a1', moduleId: 'm1', title: 'Chapter', pace: 'study', difficulty: 'dense' }],
      // 75 minutes for 250 words are 200 words an hour.
      assumptions: [
        { name: 'argued-250', value: 75 },
        { name: 'page-words', value: 380.5 },
        { name: 'reply', value: 12 },
      ],
    }
    const b = read(JSON.stringify(old))
    expect([b.activity.get('a1')?.pace, b.activity.get('a1')?.difficulty]).to.deep.equal(['learn', 'hard'])
    expect([...b.assumption.values()].map((a) => [a.id, a.name, a.value])).to.deep.equal([
      ['argued-words--assumption', 'argued-words', 20_000],
      ['textbook--assumption', 'textbook', 38_050],
      ['reply--assumption', 'reply', 1200],
    ])
    for (const bad of [7, 'x', { activities: 3 }, { activities: [null, 5, [], 'x'] }, { assumptions: [{ name: '__proto__', value: 1 }] }])
      expect(readNative(JSON.stringify({ ...old, ...(typeof bad === 'object' ? bad : { assumptions: bad }) })).ok).to.equal(false)
  })

  it('holds the demo course: 6 outcomes, 10 modules, 30 objectives, 75 activities, 5 categories', () => {
    const b = read(demo)
    expect([b.outcome.size, b.module.size, b.objective.size, b.activity.size, b.gradeCategory.size]).to.deep.equal([6, 10, 30, 75, 5])
  })

  it('writes points and shares as decimals and leaves out what is not set', () => {
    const text = writeNative(aBlueprint({ gradeCategory: [aCategory('g', 1250, { title: 'Labs' })] }))
    expect(JSON.parse(text).gradeCategories).to.deep.equal([{ id: 'g', title: 'Labs', share: 12.5 }])
    expect(text).to.not.include('null')
  })

  it('takes order from the position in the list', () => {
    const b = aBlueprint({
      module: [aModule('m2', { order: 'a2' }), aModule('m1', { order: 'a1' })],
      objective: [anObjective('o2', 'm1'), anObjective('o1', 'm1')],
    })
    expect(JSON.parse(writeNative(b)).modules.map((m: { id: string }) => m.id)).to.deep.equal(['m1', 'm2'])
  })

  for (const [what, text, code, at] of [
    ['text that is no JSON', '{"format": }', 'not-json', 'line 1, column 12'],
    ['an empty file', '', 'not-json', 'line 1, column 1'],
    ['a list', '[]', 'not-a-blueprint', ''],
    ['a newer format', changed((f) => Object.assign(f, { formatVersion: 99 })), 'newer-version', 'formatVersion'],
    ['no version', '{}', 'no-version', 'formatVersion'],
    [
      'a reference to nothing',
      changed((f) => Object.assign(f['activities']?.[3] ?? {}, { moduleId: 'm99' })),
      'dangling-reference',
      'activities[3].moduleId',
    ],
    ['an unknown key', changed((f) => Object.assign(f['course'] as unknown as object, { mood: 'good' })), 'invalid-value', 'course'],
    ['a wrong value', changed((f) => Object.assign(f['activities']?.[0] ?? {}, { minutes: -5 })), 'invalid-value', 'activities[0].minutes'],
    [
      'three decimals of a share',
      changed((f) => Object.assign(f['gradeCategories']?.[0] ?? {}, { share: 1.234 })),
      'invalid-value',
      'gradeCategories[0].share',
    ],
    [
      'an id that comes twice',
      changed((f) => (f['parts'] as unknown as object[]).push((f['parts'] as unknown as object[])[0] as object)),
      'id-twice',
      'parts[5]',
    ],
    [
      'text of control characters',
      changed((f) => Object.assign(f['modules']?.[0] ?? {}, { title: '\u0001' })),
      'empty-text',
      'modules[0].title',
    ],
    ['a __proto__ key', demo.replace('"course": {', '"course": {"__proto__": {"polluted": true},'), 'forbidden-key', 'course.__proto__'],
  ] as const)
    it(`refuses ${what} and names the place`, () => expect(problem(text)).to.include({ code, at }))

  it('refuses a file nested absurdly deep without running out of stack', () => {
    expect(problem(`{"formatVersion":1,"x":${'['.repeat(50_000)}${']'.repeat(50_000)}}`)?.code).to.equal('too-deep')
    expect(({} as { polluted?: boolean }).polluted).to.equal(undefined)
  })

  it('refuses a file that is too large', () => expect(problem(' '.repeat(20_000_001))?.code).to.equal('too-large'))

  it('answers any JSON with a problem, never with a throw', () => {
    fc.assert(
      fc.property(fc.json(), (text) => {
        expect(readNative(text).ok).to.equal(false)
      }),
      { seed: 214, numRuns: 300 },
    )
  })
})
