import { expect } from 'chai'
import type { Upgrade } from '../../../src/core/blueprint/upgrades'
import { assembleSyllabus } from '../../../src/core/syllabus/assemble'
import { syllabusHtml } from '../../../src/core/syllabus/html'
import { readSyllabus, SYLLABUS_VERSION, storedSyllabus } from '../../../src/core/syllabus/stored'
import { demoCourse } from '../../support/demo'

const syllabus = assembleSyllabus(demoCourse('measuring-small-streams'))
const asStored = (value: unknown): unknown => JSON.parse(JSON.stringify(value))

describe('a syllabus that is published', () => {
  for (const name of ['measuring-small-streams', 'writing-museum-labels', 'inspecting-rooftop-solar-arrays'])
    it(`is stored with its version and comes back as it was: ${name}`, () => {
      const of = assembleSyllabus(demoCourse(name))
      const stored = asStored(storedSyllabus(of))
      expect(stored).to.include({ formatVersion: SYLLABUS_VERSION })
      expect(readSyllabus(stored)).to.deep.equal({ ok: true, value: asStored(of) })
    })
  it('was stored without a version at first, which is the first', () => {
    expect(readSyllabus(asStored(syllabus))).to.deep.equal({ ok: true, value: asStored(syllabus) })
  })
  it('still shows after a later version adds to it, and moves what it has', () => {
    // A step such as a later release will bring: sections get a kind, facts are renamed.
    const next: Upgrade = {
      from: 1,
      lift: ({ facts, ...rest }) => ({ ...rest, facts: [...(facts as object[]), { label: 'Kinds of sections', value: 'all' }] }),
    }
    const read = readSyllabus(asStored(syllabus), [next], 2)
    if (!read.ok) throw new Error(read.error.message)
    expect(read.value.facts.at(-1)).to.deep.equal({ label: 'Kinds of sections', value: 'all' })
    expect(syllabusHtml(read.value)).to.contain('Kinds of sections').and.contain('Measuring Small Streams')
  })
  it('of a newer Cairn, or what is none, is refused with the place', () => {
    const problem = (stored: unknown) => {
      const read = readSyllabus(stored)
      return read.ok ? null : [read.error.code, read.error.at]
    }
    expect(problem({ ...syllabus, formatVersion: SYLLABUS_VERSION + 1 })).to.deep.equal(['newer-version', 'formatVersion'])
    expect(problem(null)).to.deep.equal(['no-syllabus', ''])
    expect(problem('text')).to.deep.equal(['no-syllabus', ''])
    expect(problem({ ...syllabus, modules: [{ number: '1' }] })).to.deep.equal(['no-syllabus', 'modules.0.title'])
    expect(problem({ ...syllabus, sections: [{ title: 'x', body: { type: 'doc', content: [{ type: 'script' }] } }] })?.[0]).to.equal(
      'no-syllabus',
    )
  })
})
