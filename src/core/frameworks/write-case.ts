/** A framework as competency exchange JSON (1EdTech CASE 1.1, CFPackage). */

import { validate as isUuid, v5 as uuidFrom } from 'uuid'
import { fitted } from '../blueprint/text'
import { type FrameworkTree, walkTree } from './tree'

/** The namespace of identifiers that are made here (RFC 9562, version 5). */
const CAIRN = '0b8a5d0e-5a1c-5c51-9e55-3f6d7a3f2c11'

/**
 * Writes the package. Identifiers that came with the framework go back; others are made from what is in the course, the same
 * each time. `stamp` is an ISO instant; `base` tells courses apart.
 */
export function writeCase(tree: FrameworkTree, made: { readonly base: string; readonly stamp: string }): string {
  const identifierOf = (id: string) => (isUuid(id) ? id : uuidFrom(`${made.base} ${id}`, CAIRN))
  const uriOf = (identifier: string) => `urn:uuid:${identifier}`
  const documentId = identifierOf(tree.sourceId ?? 'document')
  const title = tree.title ?? 'Untitled framework'
  const node = (identifier: string, text: string) => ({ title: fitted(text, 200), identifier, uri: uriOf(identifier) })
  const document = node(documentId, title)
  const all = walkTree(tree.items).map(({ item }) => item)
  const idOf = new Map(all.map((item) => [item, identifierOf(item.sourceId ?? item.at)]))
  const child = (item: (typeof all)[number]) => node(idOf.get(item) as string, item.code ?? item.statement)
  const association = (type: string, origin: ReturnType<typeof node>, destination: ReturnType<typeof node>, sequenceNumber?: number) => {
    const identifier = uuidFrom(`${type} ${origin.identifier} ${destination.identifier}`, CAIRN)
    return {
      identifier,
      uri: uriOf(identifier),
      associationType: type,
      ...(sequenceNumber === undefined ? {} : { sequenceNumber }),
      originNodeURI: origin,
      destinationNodeURI: destination,
      CFDocumentURI: document,
      lastChangeDateTime: made.stamp,
    }
  }
  const byId = new Map(all.map((item) => [item.sourceId ?? item.at, item]))
  const placed = [
    ...tree.items.map((item, i) => association('isChildOf', child(item), document, i + 1)),
    ...all.flatMap((parent) => parent.children.map((item, i) => association('isChildOf', child(item), child(parent), i + 1))),
  ]
  const related = tree.relations.flatMap(({ from, to, relation }) => {
    const origin = byId.get(from)
    const target = byId.get(to)
    const destination = target ? child(target) : node(identifierOf(to), to)
    return origin ? [association(relation === 'same' ? 'exactMatchOf' : 'isRelatedTo', child(origin), destination)] : []
  })
  const value = {
    CFDocument: {
      identifier: documentId,
      uri: uriOf(documentId),
      creator: tree.issuer ?? 'not stated',
      title,
      ...(tree.version ? { version: tree.version } : {}),
      ...(tree.source && /^https?:/.test(tree.source) ? { officialSourceURL: tree.source } : {}),
      lastChangeDateTime: made.stamp,
      CFPackageURI: document,
    },
    CFItems: all.map((item) => {
      const own = {
        ...(item.required ? {} : { required: false }),
        ...(item.anyOf === null ? {} : { anyOf: item.anyOf }),
        ...(item.times === null ? {} : { times: item.times }),
      }
      const identifier = idOf.get(item) as string
      return {
        identifier,
        uri: uriOf(identifier),
        fullStatement: item.statement,
        CFItemType: item.kind,
        ...(item.code === null ? {} : { humanCodingScheme: item.code }),
        ...(item.notes === null ? {} : { notes: item.notes }),
        CFDocumentURI: document,
        lastChangeDateTime: made.stamp,
        ...(Object.keys(own).length > 0 ? { extensions: { cairn: own } } : {}),
      }
    }),
    CFAssociations: [...placed, ...related],
  }
  return `${JSON.stringify(value, null, 1)}\n`
}
