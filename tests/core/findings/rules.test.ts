import { readFileSync } from 'node:fs'
import { expect } from 'chai'
import type { Blueprint } from '../../../src/core/blueprint/blueprint'
import { analyse } from '../../../src/core/findings/analyse'
import type { BesideFacts } from '../../../src/core/findings/beside-facts'
import { applyFix } from '../../../src/core/findings/fix-edits'
import { loadTagger } from '../../../src/core/findings/load-tagger'
import { RULES } from '../../../src/core/findings/registry'
import { ASSESSMENT_WORDS } from '../../../src/core/findings/words/assessment'
import { CALENDAR_WORDS } from '../../../src/core/findings/words/calendar'
import { LEARNER_PAGE_WORDS } from '../../../src/core/findings/words/learner-texts'
import { MAP_WORDS } from '../../../src/core/findings/words/map'
import { OUTCOMES_WORDS } from '../../../src/core/findings/words/outcomes'
import { REVIEW_WORDS } from '../../../src/core/findings/words/review'
import { readNative } from '../../../src/core/formats/native'
import { useTagger } from '../../../src/core/objectives/tagging'
import { comparing } from '../../support/comparing'
import { aBlueprint, aDescriptor, aFramework, anItem, anObjective, anOffering, aPoint, counter, itemOf } from '../../support/course'
import { CASES, edited, sound, withItem } from '../../support/rule-cases'

const found = (b: Blueprint, code: string, day: string | null = null, beside?: BesideFacts) =>
  analyse(b, day, beside).findings.filter((f) => f.code === code)
const fixed = (b: Blueprint, code: string, n = 0): Blueprint => {
  const fix = found(b, code)[0]?.fixes[n]
  if (!fix) throw new Error(`no fix ${n} for ${code}`)
  return edited(b, (e) => applyFix(e, fix.steps, counter('fix')))
}

CASES.push(
  { code: 'item-not-taught', weight: 'check', at: 'i1', work: (e) => withItem(e), fix: [0] },
  { code: 'item-not-practised', weight: 'check', at: 'i1', work: (e) => withItem(e, { statement: 'Measure the velocity' }), fix: [0, 1] },
  { code: 'item-not-assessed', weight: 'check', at: 'i1', work: (e) => withItem(e, { kind: 'performance evidence' }), fix: [0] },
  {
    code: 'evidence-short',
    weight: 'check',
    at: 'i1',
    work: (e) => {
      withItem(e, { kind: 'performance evidence', times: 3 })
      e.create('evidencePoint', aPoint('p1', 'a2', { occasions: 2 }))
      e.create('evidenceItem', itemOf.point('p1', 'i1'))
    },
    fix: [0],
  },
  { code: 'no-condition', weight: 'idea', at: 'o1', work: (e) => e.set('course', 'course', { profile: 'competency' }) },
  { code: 'no-how-well', weight: 'idea', at: 'o1', work: (e) => e.set('course', 'course', { profile: 'competency' }) },
)

describe('findings', () => {
  comparing()
  it('has none in a sound course', () => expect(analyse(sound, null).findings.map((f) => f.message)).to.deep.equal([]))
  it('has none in an empty course', () => expect(analyse(aBlueprint(), '2027-01-01').findings).to.deep.equal([]))
  it('has a rule for all words, and says what was found in the words of its workspace', () => {
    const words = { ...OUTCOMES_WORDS, ...MAP_WORDS, ...ASSESSMENT_WORDS, ...CALENDAR_WORDS, ...LEARNER_PAGE_WORDS, ...REVIEW_WORDS }
    expect(Object.keys(words).sort()).to.deep.equal(RULES.map((r) => r.code).sort())
    const short = found(
      edited(sound, (e) => e.set('gradeCategory', 'g1', { share: 9550 })),
      'shares-not-100',
    )
    expect(short[0]?.message).to.equal('The category shares sum to 95.5 %, 4.5 % short of 100 %.')
    expect(short[0]?.fixes.map((f) => f.label)).to.deep.equal(['Set Labs to 100 %', 'Scale all to 100 %'])
  })
  it('has a case here for every rule', () => expect(CASES.map((c) => c.code).sort()).to.deep.equal(RULES.map((r) => r.code).sort()))

  for (const { code, weight, at, work, fix = [], day, beside } of CASES) {
    it(`${code}: is found where it is, as ${weight}, with its reason`, () => {
      const [finding] = found(edited(sound, work), code, day, beside)
      expect(finding).to.include({ weight })
      expect(finding?.records.map((r) => r.id)).to.include(at)
      expect(finding?.message).to.match(/\w/)
      expect(finding?.why).to.match(/\.$/)
    })
    for (const n of fix)
      it(`${code}: fix ${n + 1} ends it`, () => expect(found(fixed(edited(sound, work), code, n), code)).to.deep.equal([]))
  }

  it('tells a line once, however many are like it, and names the others by number up to five', () => {
    const alike = (n: number) =>
      edited(sound, (e) => {
        e.set('module', 'm2', { role: null })
        for (let i = 2; i <= n; i++) e.create('objective', anObjective(`o${i}`, 'm2', { statement: 'Gauge the velocity' }))
      })
    expect(found(alike(4), 'similar-objectives').map((f) => [f.records[0]?.id, f.message])).to.deep.equal([
      ['o2', '2a asks for much the same as 1a: “Measure velocity”.'],
      ['o3', '2b asks for much the same as 1a: “Measure velocity”. Also 2a.'],
      ['o4', '2c asks for much the same as 1a: “Measure velocity”. Also 2a, 2b.'],
    ])
    const last = found(alike(9), 'similar-objectives').at(-1)
    expect(last?.message).to.equal('2h asks for much the same as 1a: “Measure velocity”. Also 2a, 2b, 2c, 2d, 2e and 2 more.')
  })

  describe('of lines', () => {
    before(loadTagger)
    after(() => useTagger(null))
    it('take the titles of the course’s own work for tasks, in the verbs that one does work with', () => {
      const tasks = (statement: string) =>
        found(
          edited(sound, (e) => {
            e.set('activity', 'a1', { title: 'The market game' })
            e.set('objective', 'o1', { statement })
          }),
          'task-not-result',
        ).map((f) => f.message.includes(statement.replace(' in pairs', '')))
      expect(tasks('Complete the market game in pairs')).to.deep.equal([true])
      expect(tasks('Design the market game')).to.deep.equal([])
      expect(tasks('Complete the marketing plan')).to.deep.equal([])
    })
    it('read what may be a heading as the lines around it are', () => {
      const noVerb = (statements: readonly string[]) =>
        found(
          edited(sound, (e) => {
            for (const [i, statement] of statements.entries())
              e.create('objective', anObjective(`x${i}`, 'm2', { statement, order: `x${i}` }))
            e.remove({ kind: 'objective', id: 'o1' })
          }),
          'no-verb',
        )
          .flatMap((f) => f.records.map((r) => r.id))
          .filter((id) => id.startsWith('x'))
      expect(noVerb(['Market forces', 'Measure flow in a stream', 'Draw a hydrograph of the storm'])).to.deep.equal([])
      expect(noVerb(['Market forces', 'Process control', 'Water management systems'])).to.include('x0')
    })
  })

  it('keeps the links on both halves of a split objective', () => {
    const split = fixed(
      edited(sound, (e) => e.set('objective', 'o1', { statement: 'Collect and interpret a sample' })),
      'double-performance',
    )
    expect([...split.objective.values()].map((o) => o.statement)).to.have.members(['Collect a sample', 'Interpret a sample'])
    expect([split.objectiveOutcome.size, split.alignment.size]).to.deep.equal([2, 4])
  })

  it('says what is not planned yet quietly while the module is a sketch, louder when it is planned or the start is near', () => {
    const sketch = edited(sound, (e) => {
      e.set('module', 'm1', { planning: 'sketch' })
      e.remove({ kind: 'activity', id: 'a2' })
    })
    const weight = (today: string | null) => analyse(sketch, today).findings.find((f) => f.code === 'objective-not-assessed')?.weight
    expect(weight('2027-01-01')).to.equal('open')
    expect(analyse(sketch, '2027-01-01').open.map((o) => o.message)).to.deep.equal(['1 of 1 objective has no assessment yet.'])
    expect(weight('2027-08-20')).to.equal('check')
  })

  it('notes prescribed wording without a fix', () => {
    const prescribed = edited(sound, (e) => e.set('objective', 'o1', { statement: 'Understand flow', origin: 'prescribed' }))
    expect(found(prescribed, 'unobservable-verb')[0]?.fixes).to.deep.equal([])
  })

  it('leaves an accepted finding out of the counts until what it stands on changes', () => {
    const short = edited(sound, (e) => e.set('gradeCategory', 'g1', { share: 9500 }))
    const [finding] = found(short, 'shares-not-100')
    if (!finding) throw new Error('nothing to accept')
    const kept = edited(
      short,
      (e) =>
        void e.create('decision', {
          id: 'd',
          kind: 'finding accepted',
          reason: 'A bonus comes later',
          author: 'Ines',
          date: '2027-01-01',
          findingKey: finding.key,
          facts: finding.facts,
        }),
    )
    expect(analyse(kept, null).counts.fix).to.equal(0)
    expect(found(kept, 'shares-not-100')[0]?.accepted?.reason).to.equal('A bonus comes later')
    const moved = edited(kept, (e) => e.set('gradeCategory', 'g1', { share: 9000 }))
    expect(analyse(moved, null).counts.fix).to.equal(1)
    expect(found(moved, 'shares-not-100')[0]?.accepted).to.equal(null)
  })

  it('finds the flaws that were put into the demo course', () => {
    const demo = readNative(readFileSync('demo/measuring-small-streams.json', 'utf8'))
    if (!demo.ok) throw new Error('the demo does not read')
    const { findings, counts, fixes } = analyse(demo.value, '2027-06-01')
    expect(new Set(findings.map((f) => f.code)).size).to.be.at.least(12)
    expect(counts.fix).to.equal(3)
    expect(fixes).to.include({ assessment: 2, calendar: 1, map: 0 })
  })

  it('does not take levels that differ by one judging word for descriptors, whichever way the levels run', () => {
    const swapped = edited(sound, (e) => e.set('descriptor', aDescriptor('c1', 'l1', '').id, { text: 'Adequate use of five runs' }))
    const both = edited(swapped, (e) => e.set('descriptor', aDescriptor('c1', 'l2', '').id, { text: 'Excellent use of five runs' }))
    expect(found(both, 'descriptor-vague')[0]?.message).to.contain('differ by one judging word')
    // Words of two scales, or a word that is seen, make another text.
    for (const text of ['Frequent use of five runs', 'Excellent use of four runs', 'No use of five runs', 'Clear use of five runs']) {
      const other = edited(swapped, (e) => e.set('descriptor', aDescriptor('c1', 'l2', '').id, { text }))
      expect(found(other, 'descriptor-vague'), text).to.deep.equal([])
    }
    const stronger = edited(swapped, (e) =>
      e.set('descriptor', aDescriptor('c1', 'l2', '').id, { text: 'A very adequate use of five runs' }),
    )
    expect(found(stronger, 'descriptor-vague')).to.have.length(1)
    const falling = edited(sound, (e) => {
      e.set('rubricLevel', 'l1', { value: 10_000 })
      e.set('rubricLevel', 'l2', { value: 0 })
    })
    expect(found(falling, 'rubric-levels-order')).to.deep.equal([])
  })

  it('says of a framework with many gaps that there are many, once for each sort', () => {
    const big = edited(sound, (e) => {
      e.create('framework', aFramework('f1'))
      e.createAll(
        'frameworkItem',
        Array.from({ length: 61 }, (_, i) => anItem(`i${i}`, 'f1')),
      )
    })
    for (const code of ['item-not-taught', 'item-not-practised', 'item-not-assessed'])
      expect(found(big, code).map((f) => [f.records[0]?.id, f.message.startsWith('61 items')])).to.deep.equal([['f1', true]])
  })

  it('resolves without an offering', () => {
    const noTerm = edited(sound, (e) => e.remove({ kind: 'offering', id: anOffering().id }))
    expect(analyse(noTerm, '2027-01-01').findings).to.deep.equal([])
  })
})
