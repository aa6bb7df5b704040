/** A small editor for rich text: only the node set that the core knows. Commits on leaving and every so often, never before somebody typed. */
import './rich-field.css'
import { type Editor, EditorContent, useEditor, useEditorState } from '@tiptap/react'
import StarterKit from '@tiptap/starter-kit'
import { useEffect, useLayoutEffect, useRef, useState } from 'react'
import { RICH_ATTRS, type RichText } from '../../core/blueprint/rich-text'
import { storable } from '../../core/blueprint/text'
import { sameValue } from '../../core/blueprint/values'
import { type Mendable, mendText } from '../../core/learner-pages/mend-text'
import { type TextProblem, textProblems } from '../../core/learner-pages/text-access'
import { type Picture, PictureDialog } from '../files/picture-dialog'
import { pictureNode } from '../files/picture-node'
import { useFileAddress } from '../files/use-files'
import { MenuButton } from './menu-button'
import type { RichFieldProps } from './rich-field'
import { RichTools, type Tool } from './rich-tools'
import { insertTable, TABLE_NODES, tableEntries } from './table-nodes'
import { TextProblemList } from './text-problem-list'
import { showProblems, textProblemMarks } from './text-problems'

/** A document is logged whole at each commit: while somebody writes, not more often than this (Cairn default). */
const EVERY_MS = 15_000
/** What was found is told when somebody has paused for so long (Cairn default). */
const LOOK_MS = 400
const EMPTY: RichText = { type: 'doc', content: [{ type: 'paragraph' }] }

export type RichEditorProps = RichFieldProps & {
  /** How somebody came to write: where the caret goes, what was typed before the editor was there, which format was asked for. */
  readonly start: {
    readonly at: { readonly left: number; readonly top: number } | 'end'
    readonly focus: boolean
    readonly typed: string
    readonly tool: Tool | null
  }
}

/** What each tool does; a picture is asked for first. */
const RUN: Readonly<Record<Tool, (editor: Editor, ask: () => void) => void>> = {
  Bold: (editor) => editor.chain().focus().toggleBold().run(),
  Italic: (editor) => editor.chain().focus().toggleItalic().run(),
  Heading: (editor) => editor.chain().focus().toggleHeading({ level: 2 }).run(),
  List: (editor) => editor.chain().focus().toggleBulletList().run(),
  Numbers: (editor) => editor.chain().focus().toggleOrderedList().run(),
  Table: (editor) => (editor.isActive('table') ? editor.view.focus() : insertTable(editor)),
  Picture: (_, ask) => ask(),
}
const MARK: Readonly<Record<Tool, string>> = {
  Bold: 'bold',
  Italic: 'italic',
  Heading: 'heading',
  List: 'bulletList',
  Numbers: 'orderedList',
  Table: 'table',
  Picture: 'image',
}

export default function RichEditor({ label, value, nonce, start, forLearners = false, onCommit }: RichEditorProps) {
  const typed = useRef(false)
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined)
  const latest = useRef({ value, onCommit })
  latest.current = { value, onCommit }
  const addressOf = useFileAddress()
  const [asking, setAsking] = useState(false)
  const ask = () => setAsking(true)
  const editor = useEditor({
    extensions: [
      pictureNode(addressOf),
      textProblemMarks,
      ...TABLE_NODES,
      StarterKit.configure({
        blockquote: false,
        code: false,
        codeBlock: false,
        horizontalRule: false,
        strike: false,
        underline: false,
        heading: { levels: [2, 3, 4] },
        link: { openOnClick: false, protocols: ['http', 'https', 'mailto'], HTMLAttributes: { target: null, rel: null, class: null } },
      }),
    ],
    content: (value ?? EMPTY) as object,
    // Only ever drawn in the browser, when somebody comes to write: it stands where the text stood, within one frame.
    immediatelyRender: true,
    injectNonce: nonce,
    editorProps: {
      attributes: { 'aria-label': label, role: 'textbox', 'aria-multiline': 'true', class: 'rich' },
    },
    onUpdate: ({ transaction }) => {
      if (!transaction.docChanged) return
      typed.current = true
      timer.current ??= setTimeout(() => commit.current(), EVERY_MS)
      clearTimeout(looking.current)
      looking.current = setTimeout(() => look.current(), LOOK_MS)
    },
    onBlur: () => commit.current(),
  })
  const inTable = useEditorState({ editor, selector: (now) => now.editor.isActive('table') })
  const [problems, setProblems] = useState<readonly TextProblem[]>([])
  const looking = useRef<ReturnType<typeof setTimeout> | undefined>(undefined)
  const look = useRef(() => {})
  look.current = () => {
    if (!forLearners || editor.isDestroyed) return
    const found = textProblems(tidy(editor.getJSON()) as RichText)
    editor.view.dispatch(showProblems(editor.state, found))
    setProblems((before) => (sameValue(before, found) ? before : found))
  }
  useEffect(() => {
    look.current()
    return () => clearTimeout(looking.current)
  }, [])
  const mend = (code: Mendable) => {
    editor.commands.setContent(mendText(tidy(editor.getJSON()) as RichText, code) as object, { emitUpdate: true })
    look.current()
    editor.commands.focus()
  }
  const commit = useRef(() => {})
  commit.current = () => {
    clearTimeout(timer.current)
    timer.current = undefined
    if (!typed.current) return
    typed.current = false
    const doc = tidy(editor.getJSON()) as RichText
    const next = editor.isEmpty ? null : doc
    if (!sameValue(next, latest.current.value)) latest.current.onCommit(next)
  }
  // Before it leaves the page: what was written in a text that somebody else removed is a conflict, not lost.
  useLayoutEffect(() => () => commit.current(), [])
  // What somebody else wrote is shown, unless something is being typed here.
  useEffect(() => {
    if (!typed.current && !sameValue(tidy(editor.getJSON()), value ?? EMPTY))
      editor.commands.setContent((value ?? EMPTY) as object, { emitUpdate: false })
    look.current()
  }, [editor, value])
  // In the frame in which it takes the place of the text, so that no key falls between them.
  useLayoutEffect(() => {
    if (!start.focus && !start.typed) return
    const at = start.at === 'end' ? null : editor.view.posAtCoords(start.at)
    editor.commands.setTextSelection(at ? at.pos : editor.state.doc.content.size)
    for (const [n, line] of start.typed.split('\n').entries()) {
      if (n > 0) editor.commands.splitBlock()
      if (line) editor.commands.insertContent({ type: 'text', text: line })
    }
    if (start.focus) editor.view.focus()
    if (start.tool) RUN[start.tool](editor, ask)
  }, [])
  return (
    <div>
      <RichTools
        label={label}
        on={(tool) => editor.isActive(MARK[tool])}
        run={(tool) => RUN[tool](editor, ask)}
        more={
          inTable && (
            <MenuButton className="btn small" entries={() => tableEntries(editor)}>
              Rows and columns
            </MenuButton>
          )
        }
      />
      <EditorContent editor={editor} />
      <TextProblemList label={label} problems={problems} onMend={mend} />
      {asking && (
        <PictureDialog
          heading="Picture"
          begin={pictureAt(editor)}
          mayDecorate
          onTake={(picture) => putPicture(editor, picture)}
          onClose={() => setAsking(false)}
        />
      )}
    </div>
  )
}

/** The picture that is selected; null where none is. */
function pictureAt(editor: Editor): Picture | null {
  if (!editor.isActive('image')) return null
  const { fileId, alt, decorative } = editor.getAttributes('image') as { fileId?: string; alt?: string; decorative?: boolean }
  return fileId ? { fileId, alt: alt ?? '', decorative: decorative === true } : null
}

/** Puts a picture where the caret is, in the place of one that is selected. */
const putPicture = (editor: Editor, { fileId, alt, decorative }: Picture) =>
  editor
    .chain()
    .focus()
    .insertContent({ type: 'image', attrs: { fileId, alt: alt || null, decorative: decorative || null } })
    .run()

const SPANS: ReadonlySet<string> = new Set(['colspan', 'rowspan'])

/** Leaves out what the core's node set does not store: empty attributes and those the editor adds for itself. */
function tidy(node: unknown): unknown {
  if (Array.isArray(node)) return node.map(tidy)
  if (typeof node !== 'object' || node === null) return node
  const { type, attrs, content, marks, text } = node as {
    type: string
    attrs?: Record<string, unknown>
    content?: unknown[]
    marks?: unknown[]
    text?: string
  }
  const known = Object.entries(RICH_ATTRS[type] ?? {}).flatMap(([name, { type: wanted, optional }]): [string, unknown][] => {
    const value = attrs?.[name]
    if (optional && (value === null || value === undefined)) return []
    if (wanted === 'yes') return value === true ? [[name, true]] : []
    // One column or row is what every cell goes over.
    if (value === 1 && SPANS.has(name)) return []
    if (wanted === 'int') return typeof value === 'number' ? [[name, value]] : []
    return [[name, storable(String(value ?? ''))]]
  })
  const kept = known.length > 0 ? Object.fromEntries(known) : null
  return {
    type,
    ...(kept ? { attrs: kept } : {}),
    ...(content ? { content: tidy(content) } : {}),
    ...(marks && marks.length > 0 ? { marks: tidy(marks) } : {}),
    ...(text !== undefined ? { text: storable(text) } : {}),
  }
}
