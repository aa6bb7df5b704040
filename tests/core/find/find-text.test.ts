import { expect } from 'chai'
import { editPlan, type PlanEdit } from '../../../src/core/blueprint/edit'
import { richFromPlain } from '../../../src/core/blueprint/rich-text'
import { findTexts, MOST_HITS, replaceTexts } from '../../../src/core/find/find-text'
import { aBlueprint, aCourse, aModule, anActivity, anObjective } from '../../support/course'

const ask = (words: string, over: object = {}) => ({ words, whole: false, exact: false, names: false, ...over })
const plan = () =>
  aBlueprint({
    course: [aCourse({ title: 'Streams', description: richFromPlain('A stream runs.\nStreamlets join the stream.') })],
    module: [aModule('m1', { title: 'The stream bed' })],
    objective: [
      anObjective('o1', 'm1', { statement: 'Measure a stream' }),
      anObjective('o2', 'm1', { statement: 'Name a stream', origin: 'prescribed' }),
    ],
    activity: [anActivity('a1', 'm1', { title: 'Visit (a stream)', notes: 'By the STREAM' })],
  })
const where = (hits: ReturnType<typeof findTexts>) => hits.map((h) => `${h.ref.id} ${h.field} ${h.text.slice(h.start, h.end)}`)

describe('finding in all texts', () => {
  it('finds whatever the capitals, within words and in rich text, in the order of the plan', () =>
    expect(where(findTexts(plan(), ask('stream')))).to.deep.equal([
      'course title Stream',
      'course description stream',
      'course description Stream',
      'course description stream',
      'm1 title stream',
      'o1 statement stream',
      'o2 statement stream',
      'a1 title stream',
      'a1 notes STREAM',
    ]))
  it('finds whole words, capitals as written, and names alone', () => {
    expect(where(findTexts(plan(), ask('stream', { whole: true }))).filter((w) => w.startsWith('course'))).to.deep.equal([
      'course description stream',
      'course description stream',
    ])
    expect(where(findTexts(plan(), ask('STREAM', { exact: true })))).to.deep.equal(['a1 notes STREAM'])
    expect(where(findTexts(plan(), ask('stream', { names: true }))).map((w) => w.split(' ')[0])).to.deep.equal([
      'course',
      'm1',
      'o1',
      'o2',
      'a1',
    ])
  })
  it('takes signs for themselves, any blanks for blanks, letters of any script for parts of a word', () => {
    expect(findTexts(plan(), ask('(a  stream)')).length).to.equal(1)
    expect(findTexts(plan(), ask('.*')).length).to.equal(0)
    expect(findTexts(plan(), ask('   ')).length).to.equal(0)
    const accents = aBlueprint({ module: [aModule('m1', { title: 'Étude d’étude, études' })] })
    expect(findTexts(accents, ask('étude', { whole: true })).length).to.equal(2)
  })
  it('stops at its limit', () => {
    const many = aBlueprint({
      module: [aModule('m1')],
      activity: Array.from({ length: 60 }, (_, i) => anActivity(`a${i}`, 'm1', { notes: 'x'.repeat(100) })),
    })
    expect(findTexts(many, ask('x')).length).to.equal(MOST_HITS)
  })
})

describe('replacing', () => {
  const edited = (work: (edit: PlanEdit) => void) => editPlan(plan(), work)

  it('changes all of a text at once, in rich text too, and leaves what is prescribed', () => {
    edited((edit) => {
      const hits = findTexts(edit.now, ask('stream'))
      // Nine places, one of them prescribed.
      expect(replaceTexts(edit, hits, 'brook')).to.equal(8)
      expect(where(findTexts(edit.now, ask('stream')))).to.deep.equal(['o2 statement stream'])
      expect(JSON.stringify(edit.now.course.get('course')?.description)).to.include('brooklets join the brook.')
      expect(edit.now.activity.get('a1')?.title).to.equal('Visit (a brook)')
    })
  })

  it('leaves a text that changed since it was found, and one that would be empty or too long', () => {
    edited((edit) => {
      const hits = findTexts(edit.now, ask('The stream bed'))
      expect(hits.length).to.equal(1)
      expect(replaceTexts(edit, hits, '')).to.equal(0)
      expect(replaceTexts(edit, hits, 'x'.repeat(5000))).to.equal(0)
      edit.set('module', 'm1', { title: 'Another bed' })
      expect(replaceTexts(edit, hits, 'bank')).to.equal(0)
      expect(edit.now.module.get('m1')?.title).to.equal('Another bed')
    })
  })
})
