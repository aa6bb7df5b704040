import { expect } from 'chai'
import { specOf } from '../../src/core/blueprint/kinds'
import { fieldTitle } from '../../src/core/history/describe'

describe('a field', () => {
  it('is called as its kind says, else by its name in words, and so of kinds that this version does not know', () => {
    expect([
      fieldTitle('role', 'module'),
      fieldTitle('intendedShare', 'outcome'),
      fieldTitle('seatNumber', 'ferry'),
      fieldTitle('moduleId'),
    ]).to.deep.equal(['place in the course', 'intended share', 'seat number', 'module'])
  })
  it('has no name of another kind', () => {
    for (const kind of ['activity', 'module', 'part', 'series', 'course', 'assessment'] as const)
      for (const field of Object.keys(specOf(kind).called ?? {})) expect(specOf(kind).fields, `${kind}.${field}`).to.have.property(field)
  })
})
