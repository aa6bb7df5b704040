/** The parts of a zipped office file, within limits that no honest file reaches. */
import { XMLParser } from 'fast-xml-parser'
import { strFromU8, unzipSync } from 'fflate'
import { err, ok, type Result } from '../result'
import { LIMITS } from './blocks'

/** Why a file cannot be read, as one sentence. */
export type Unreadable = { readonly code: string; readonly message: string }

/** An XML element in document order: its name is the only key beside `:@` (attributes) and `#text`. */
export type Node = { readonly [name: string]: unknown }

/**
 * Unpacks the XML parts that `wanted` takes. Refused: what is no zip archive, too many parts, and more unpacked bytes than the
 * limit, which is judged before anything is unpacked and again by what comes out.
 */
export function unpack(bytes: Uint8Array, wanted: (path: string) => boolean): Result<ReadonlyMap<string, string>, Unreadable> {
  let [unpacked, files] = [0, 0]
  try {
    const parts = unzipSync(bytes, {
      filter: (file) => {
        files++
        if (files > LIMITS.files) throw new TooLarge('it holds more parts than any document')
        // The name is only a key here: nothing is ever written under it.
        if (!wanted(file.name)) return false
        unpacked += file.originalSize
        if (unpacked > LIMITS.unpackedBytes || file.originalSize > LIMITS.unpackedBytes / 2)
          throw new TooLarge(`unpacked it would be larger than ${LIMITS.unpackedBytes / 1e6} MB`)
        return true
      },
    })
    const total = Object.values(parts).reduce((sum, p) => sum + p.length, 0)
    if (total > LIMITS.unpackedBytes) throw new TooLarge(`unpacked it is larger than ${LIMITS.unpackedBytes / 1e6} MB`)
    return ok(new Map(Object.entries(parts).map(([path, part]) => [path, strFromU8(part)])))
  } catch (error) {
    if (error instanceof TooLarge) return err({ code: 'too-large', message: `This file is not read: ${error.message}.` })
    return err({ code: 'damaged', message: 'This file is damaged or protected by a password: it cannot be unpacked.' })
  }
}

class TooLarge extends Error {}

const parser = new XMLParser({
  preserveOrder: true,
  ignoreAttributes: false,
  attributeNamePrefix: '',
  trimValues: false,
  parseTagValue: false,
  parseAttributeValue: false,
  removeNSPrefix: true,
  htmlEntities: true,
})

/** Parses one XML part. Document types are refused: they are how entities that grow without end come in. */
export function parseXml(text: string): Result<readonly Node[], Unreadable> {
  if (/<!DOCTYPE|<!ENTITY/i.test(text))
    return err({
      code: 'forbidden-entities',
      message: 'This file defines entities of its own, which no office program does: it is not read.',
    })
  try {
    return ok(parser.parse(text) as Node[])
  } catch {
    return err({ code: 'damaged', message: 'A part of this file is no readable XML.' })
  }
}

export const nameOf = (node: Node): string => Object.keys(node).find((k) => k !== ':@') ?? ''
export const childrenOf = (node: Node): readonly Node[] => {
  const inner = node[nameOf(node)]
  return Array.isArray(inner) ? (inner as Node[]) : []
}
export const attributeOf = (node: Node, name: string): string | undefined =>
  (node[':@'] as Readonly<Record<string, string>> | undefined)?.[name]

/** All elements of a name inside, in document order; what is found is not searched further. Walks without recursion. */
export function findAll(nodes: readonly Node[], name: string): Node[] {
  const found: Node[] = []
  const stack = nodes.toReversed()
  for (let node = stack.pop(); node; node = stack.pop()) {
    if (nameOf(node) === name) found.push(node)
    else stack.push(...childrenOf(node).toReversed())
  }
  return found
}

/** The text inside, joined. */
export function textOf(node: Node): string {
  let text = ''
  const stack: Node[] = [node]
  for (let at = stack.pop(); at; at = stack.pop()) {
    if ('#text' in at) text += String(at['#text'])
    else stack.push(...childrenOf(at).toReversed())
  }
  return text
}
