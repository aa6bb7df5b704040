/** Tables in the editor of rich text, and what can be done with the one that the caret is in. */
import { type Editor, mergeAttributes, Node } from '@tiptap/core'
import type { Command } from '@tiptap/pm/state'
import {
  addColumnAfter,
  addRowAfter,
  deleteColumn,
  deleteRow,
  deleteTable,
  goToNextCell,
  tableEditing,
  toggleHeader,
} from '@tiptap/pm/tables'

/** What the table package knows a node as. */
const ROLES: Readonly<Record<string, string>> = { table: 'table', tableRow: 'row', tableHeader: 'header_cell', tableCell: 'cell' }
const spanOf = (element: HTMLElement, name: string): number => Math.max(1, Math.min(50, Number(element.getAttribute(name)) || 1))

const run = (editor: Editor, command: Command): boolean => {
  editor.view.focus()
  return command(editor.state, editor.view.dispatch)
}

const table = Node.create({
  name: 'table',
  group: 'block',
  content: 'tableRow+',
  isolating: true,
  parseHTML: () => [{ tag: 'table' }],
  renderHTML: () => ['table', ['tbody', 0]],
  extendNodeSchema: ({ name }: { readonly name: string }) => ({ tableRole: ROLES[name] }),
  addProseMirrorPlugins: () => [tableEditing()],
  addKeyboardShortcuts() {
    const go = (step: 1 | -1) => {
      if (!this.editor.isActive('table')) return false
      if (run(this.editor, goToNextCell(step))) return true
      // Behind the last cell a row begins; before the first one goes on to what stands before the text.
      return step === 1 && run(this.editor, addRowAfter) && run(this.editor, goToNextCell(1))
    }
    return { Tab: () => go(1), 'Shift-Tab': () => go(-1) }
  },
})
const tableRow = Node.create({
  name: 'tableRow',
  content: '(tableCell | tableHeader)*',
  parseHTML: () => [{ tag: 'tr' }],
  renderHTML: () => ['tr', 0],
})
const cell = (name: 'tableCell' | 'tableHeader', tag: 'td' | 'th') =>
  Node.create({
    name,
    content: 'block+',
    isolating: true,
    addAttributes: () => ({
      colspan: { default: 1, parseHTML: (element) => spanOf(element, 'colspan') },
      rowspan: { default: 1, parseHTML: (element) => spanOf(element, 'rowspan') },
    }),
    parseHTML: () => [{ tag }],
    renderHTML: ({ HTMLAttributes }) => [tag, mergeAttributes(HTMLAttributes), 0],
  })

export const TABLE_NODES = [table, tableRow, cell('tableHeader', 'th'), cell('tableCell', 'td')]

/** A table of three rows and two columns with a header row, where the caret is, which goes into its first cell. */
export function insertTable(editor: Editor): void {
  const row = (type: string) => ({ type: 'tableRow', content: [1, 2].map(() => ({ type, content: [{ type: 'paragraph' }] })) })
  const from = editor.state.selection.from
  editor
    .chain()
    .focus()
    .insertContent({ type: 'table', content: [row('tableHeader'), row('tableCell'), row('tableCell')] })
    .run()
  // What was put in begins at the caret or, in an empty line, in its place.
  let first: number | null = null
  editor.state.doc.nodesBetween(Math.max(0, from - 1), editor.state.doc.content.size, (node, pos) => {
    if (first === null && node.type.name === 'tableHeader') first = pos + 2
    return first === null
  })
  if (first !== null) editor.commands.setTextSelection(first)
}

/** What can be done with the table around the caret. */
export const tableEntries = (editor: Editor) =>
  (
    [
      ['row', 'Add a row below', addRowAfter],
      ['column', 'Add a column to the right', addColumnAfter],
      ['header-row', 'First row is a header, or not', toggleHeader('row')],
      ['header-column', 'First column is a header, or not', toggleHeader('column')],
      ['less-row', 'Remove this row', deleteRow],
      ['less-column', 'Remove this column', deleteColumn],
      ['none', 'Remove the table', deleteTable],
    ] as const
  ).map(([key, label, command]) => ({ key, label, run: () => void run(editor, command) }))
