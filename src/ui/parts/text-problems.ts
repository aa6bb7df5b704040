/** What in a text keeps some of its readers out, marked under the words while somebody writes. */
import { Extension } from '@tiptap/core'
import type { Node } from '@tiptap/pm/model'
import { type EditorState, Plugin, PluginKey } from '@tiptap/pm/state'
import { Decoration, DecorationSet } from '@tiptap/pm/view'
import type { TextProblem } from '../../core/learner-pages/text-access'

const KEY = new PluginKey<DecorationSet>('text problems')

/** The block at an index path such as `0.1.0`, with where it begins; null where the text has none there any more. */
function blockAt(doc: Node, path: string): { readonly node: Node; readonly from: number } | null {
  let [node, from] = [doc, 0]
  for (const index of path.split('.').map(Number)) {
    if (index >= node.childCount) return null
    // Within the node begins one after it, but for the document itself.
    if (node !== doc) from += 1
    for (let i = 0; i < index; i++) from += node.child(i).nodeSize
    node = node.child(index)
  }
  return { node, from }
}

/** Where the words of a problem stand in its block; the whole block where they are spread over several texts of it. */
function marked(doc: Node, { at, words, code }: TextProblem): readonly Decoration[] {
  const block = blockAt(doc, at)
  if (!block) return []
  const found: Decoration[] = []
  const attrs = { class: 'text-problem', 'data-problem': code }
  block.node.descendants((node, offset) => {
    const start = words === '' || !node.isText ? -1 : (node.text ?? '').indexOf(words)
    const from = block.from + 1 + offset + start
    if (start >= 0 && found.length === 0) found.push(Decoration.inline(from, from + words.length, attrs))
  })
  return found.length > 0 ? found : [Decoration.node(block.from, block.from + block.node.nodeSize, attrs)]
}

/** Draws what {@link showProblems} was told last, moved along with the text. */
export const textProblemMarks = Extension.create({
  name: 'textProblems',
  addProseMirrorPlugins: () => [
    new Plugin<DecorationSet>({
      key: KEY,
      state: {
        init: () => DecorationSet.empty,
        apply: (change, before) => (change.getMeta(KEY) as DecorationSet | undefined) ?? before.map(change.mapping, change.doc),
      },
      props: { decorations: (state) => KEY.getState(state) },
    }),
  ],
})

/** A change of the text's looks alone, that marks these problems. */
export const showProblems = (state: EditorState, problems: readonly TextProblem[]) =>
  state.tr
    .setMeta(
      KEY,
      DecorationSet.create(
        state.doc,
        problems.flatMap((p) => marked(state.doc, p)),
      ),
    )
    .setMeta('addToHistory', false)
