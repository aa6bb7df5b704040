/** What follows from one more format, command and view, and that nothing is left when they go. */
import { expect } from 'chai'
import { FORMATS, type Format, formatNames, formatOf, writeFile } from '../../../src/core/formats/formats'
import { COMMANDS, run, usage } from '../../../src/server/cli'
import { defineCommand as defineCliCommand } from '../../../src/server/commands/command'
import { pressedKeys } from '../../../src/ui/commands/command'
import { type CourseView, commandsIn, keyGroups, STRIP, VIEWS, viewOf } from '../../../src/ui/workspaces'
import { aBlueprint } from '../../support/course'

/** Puts something on a list until the function that comes back is called. */
function put<T>(list: readonly T[], thing: T): () => void {
  const open = list as T[]
  open.push(thing)
  return () => void open.splice(open.indexOf(thing), 1)
}
const pressed = (key: string, held: object = {}) => ({ key, ctrlKey: false, metaKey: false, shiftKey: false, altKey: false, ...held })

describe('one more', () => {
  it('format is in menus, palette, addresses and the words for people', async () => {
    const before = [formatNames(), commandsIn('brief').map((c) => c.id)]
    const kites: Format = {
      key: 'kites',
      title: 'Save the course as kites',
      ending: 'kites.txt',
      type: 'text/plain; charset=utf-8',
      of: 'course',
      write: async (blueprint) => `kites of ${blueprint.module.size}`,
    }
    const remove = put(FORMATS, kites)
    expect(formatNames()).to.match(/ or kites$/)
    const made = await writeFile(aBlueprint({}), formatOf('kites') as Format, { courseId: 'c', stamp: '2027-01-01T00:00:00Z' })
    expect(made).to.deep.equal({ name: 'Test-course.kites.txt', type: 'text/plain; charset=utf-8', body: 'kites of 0' })
    expect(commandsIn('brief').find((c) => c.id === 'save-kites')?.title).to.equal('Save the course as kites')
    remove()
    expect([formatNames(), commandsIn('brief').map((c) => c.id)]).to.deep.equal(before)
    expect(formatOf('kites')).to.equal(undefined)
  })
  it('command of the command line is in the usage, and its operands and options are read', async () => {
    const calls: unknown[] = []
    const fly = defineCliCommand({
      name: 'fly',
      usage: 'FILE [--high]',
      does: ['Flies a course.', 'Far away.'],
      operands: [1, 2],
      options: { high: { type: 'boolean' } },
      run: ({ operands, values }) => {
        calls.push([operands, values['high'] ?? false])
        return 1
      },
    })
    const commands = [...COMMANDS, fly]
    expect(usage(commands)).to.match(/cairn fly FILE \[--high\] +Flies a course\.\n +Far away\./)
    expect(usage()).to.not.contain('fly')
    expect(await run(['fly', 'a.json', '--high'], commands)).to.equal(1)
    expect(calls).to.deep.equal([[['a.json'], true]])
    const write = process.stderr.write
    process.stderr.write = (() => true) as never
    try {
      for (const wrong of [['fly'], ['fly', 'a', 'b', 'c'], ['fly', 'a', '--low'], ['flee']])
        expect(await run(wrong, commands), wrong.join(' ')).to.equal(2)
    } finally {
      process.stderr.write = write
    }
    expect(calls).to.have.length(1)
  })
  it('workspace is in the strip, has its address, its commands and its keys', () => {
    const before = [commandsIn('kites').map((c) => c.id), keyGroups('brief').map((g) => g.title)]
    const part = (() => null) as unknown as CourseView['part']
    const kites: CourseView = {
      key: 'kites',
      title: 'Kites',
      load: async () => () => null,
      part,
      keys: [{ title: 'Kites', keys: [{ keys: 'Space', does: 'lets one go' }] }],
      commands: [{ id: 'let-go', title: 'Let a kite go', keys: ['Ctrl+Shift+L'], run: () => {} }],
    }
    const remove = [put(STRIP, kites), put(VIEWS, kites)]
    expect(viewOf('kites')?.title).to.equal('Kites')
    const commands = commandsIn('kites')
    expect(commands.find((c) => c.id === 'go-kites')?.keys).to.deep.equal([`Ctrl+Alt+${STRIP.length}`])
    const letGo = commands.find((c) => c.id === 'let-go')
    expect(letGo && pressedKeys(letGo, pressed('L', { ctrlKey: true, shiftKey: true }))).to.equal(true)
    expect(letGo && pressedKeys(letGo, pressed('l', { ctrlKey: true }))).to.equal(false)
    expect(commandsIn('brief').some((c) => c.id === 'let-go')).to.equal(false)
    expect(keyGroups('kites')[0]?.title).to.equal('Kites')
    for (const undo of remove) undo()
    expect([commandsIn('kites').map((c) => c.id), keyGroups('brief').map((g) => g.title)]).to.deep.equal(before)
  })
})
