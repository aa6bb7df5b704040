/** Pictures in the editor of rich text: blocks of their own, shown from where the course's files are. */
import { Node } from '@tiptap/core'
import { type FileAddress, imageSource, type RichAttrs } from '../../core/blueprint/rich-text'

export const pictureNode = (addressOf: FileAddress) =>
  Node.create({
    name: 'image',
    group: 'block',
    atom: true,
    draggable: true,
    addAttributes: () => ({ fileId: { default: null }, src: { default: null }, alt: { default: null }, decorative: { default: null } }),
    // Pictures of other pages are not taken along: they come in as files.
    parseHTML: () => [],
    renderHTML: ({ node }) => {
      const attrs = node.attrs as RichAttrs
      return ['img', { src: imageSource(attrs, addressOf) ?? '', alt: attrs.alt ?? '' }]
    },
  })
