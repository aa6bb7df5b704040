/** A small editor for rich text: only the node set that the core knows. Commits after a pause and on leaving, never before somebody typed. */
import { EditorContent, useEditor } from '@tiptap/react'
import StarterKit from '@tiptap/starter-kit'
import { useEffect, useRef } from 'react'
import type { RichText } from '../../core/blueprint/rich-text'
import { sameValue } from '../../core/blueprint/values'

const PAUSE_MS = 1000
const EMPTY: RichText = { type: 'doc', content: [{ type: 'paragraph' }] }

export default function RichEditor({
  label,
  value,
  nonce,
  readOnly,
  onCommit,
}: {
  label: string
  value: RichText | null
  nonce: string
  readOnly: boolean
  onCommit: (value: RichText | null) => void
}) {
  const typed = useRef(false)
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined)
  const latest = useRef({ value, onCommit })
  latest.current = { value, onCommit }
  const editor = useEditor({
    extensions: [
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
    editable: !readOnly,
    immediatelyRender: false,
    injectNonce: nonce,
    editorProps: {
      attributes: { 'aria-label': label, role: 'textbox', 'aria-multiline': 'true', class: 'field boxed rich', style: 'min-height:120px' },
    },
    onUpdate: ({ transaction }) => {
      if (!transaction.docChanged) return
      typed.current = true
      clearTimeout(timer.current)
      timer.current = setTimeout(() => commit.current(), PAUSE_MS)
    },
    onBlur: () => commit.current(),
  })
  const commit = useRef(() => {})
  commit.current = () => {
    clearTimeout(timer.current)
    if (!editor || !typed.current) return
    typed.current = false
    const doc = tidy(editor.getJSON()) as RichText
    const next = editor.isEmpty ? null : doc
    if (!sameValue(next, latest.current.value)) latest.current.onCommit(next)
  }
  useEffect(() => () => commit.current(), [])
  // What somebody else wrote is shown, unless something is being typed here.
  useEffect(() => {
    if (editor && !typed.current && !sameValue(tidy(editor.getJSON()), value ?? EMPTY))
      editor.commands.setContent((value ?? EMPTY) as object, { emitUpdate: false })
  }, [editor, value])
  if (!editor) return <div style={{ minHeight: 150 }} />
  const tool = (name: string, on: boolean, run: () => void) => (
    <button type="button" className="btn" aria-pressed={on} onMouseDown={(e) => e.preventDefault()} onClick={run}>
      {name}
    </button>
  )
  return (
    <div>
      {!readOnly && (
        <div className="row" role="toolbar" aria-label={`Format of ${label}`} style={{ marginBottom: 4, gap: 4 }}>
          {tool('Bold', editor.isActive('bold'), () => editor.chain().focus().toggleBold().run())}
          {tool('Italic', editor.isActive('italic'), () => editor.chain().focus().toggleItalic().run())}
          {tool('Heading', editor.isActive('heading'), () => editor.chain().focus().toggleHeading({ level: 3 }).run())}
          {tool('List', editor.isActive('bulletList'), () => editor.chain().focus().toggleBulletList().run())}
          {tool('Numbers', editor.isActive('orderedList'), () => editor.chain().focus().toggleOrderedList().run())}
        </div>
      )}
      <EditorContent editor={editor} />
    </div>
  )
}

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
  const kept =
    type === 'heading'
      ? { level: attrs?.['level'] }
      : type === 'orderedList' && typeof attrs?.['start'] === 'number'
        ? { start: attrs['start'] }
        : type === 'link'
          ? { href: attrs?.['href'] ?? '' }
          : null
  return {
    type,
    ...(kept ? { attrs: kept } : {}),
    ...(content ? { content: tidy(content) } : {}),
    ...(marks && marks.length > 0 ? { marks: tidy(marks) } : {}),
    ...(text !== undefined ? { text } : {}),
  }
}
