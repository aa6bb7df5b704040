/**
 * Pictures by their bytes: what they are, how large, and the same without metadata. PNG: W3C Portable Network Graphics, third
 * edition; JPEG: ITU-T T.81. Nothing is decoded: sizes are read from the header, before anything else.
 */
import { err, ok, type Result } from '../result'

export const IMAGE_TYPES = ['image/png', 'image/jpeg'] as const
export type ImageType = (typeof IMAGE_TYPES)[number]
export const IMAGE_ENDINGS: Readonly<Record<ImageType, string>> = { 'image/png': 'png', 'image/jpeg': 'jpg' }
/** Cairn defaults. */
export const MOST_IMAGE_BYTES = 10_000_000
export const MOST_PIXELS = 40_000_000

export type ImageFacts = { readonly type: ImageType; readonly width: number; readonly height: number }
/** A picture with nothing in it but what is seen. */
export type CleanImage = ImageFacts & { readonly bytes: Uint8Array }

const PNG_SIGN = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]
/** What a picture is drawn with; all other chunks are text, times and the like. */
const PNG_KEPT = new Set(['IHDR', 'PLTE', 'IDAT', 'IEND', 'tRNS', 'gAMA', 'cHRM', 'sRGB', 'sBIT'])

const refuse = (message: string): Result<never, string> => err(message)
const begins = (bytes: Uint8Array, sign: readonly number[]): boolean => sign.every((b, i) => bytes[i] === b)

/**
 * Takes PNG and JPEG alone, told by their bytes, of at most 10 MB and 40 megapixels; gives them without metadata and without what
 * follows the end mark. Else one sentence why not.
 */
export function cleanImage(bytes: Uint8Array): Result<CleanImage, string> {
  if (bytes.length === 0) return refuse('This file is empty.')
  if (bytes.length > MOST_IMAGE_BYTES) return refuse(`A picture holds at most ${MOST_IMAGE_BYTES / 1e6} MB.`)
  if (begins(bytes, PNG_SIGN)) return cleanPng(bytes)
  if (bytes[0] === 0xff && bytes[1] === 0xd8) return cleanJpeg(bytes)
  return refuse('Only PNG and JPEG pictures are kept.')
}

const DAMAGED = 'This picture is damaged: it ends before it is whole.'

function sized(type: ImageType, width: number, height: number): Result<ImageFacts, string> {
  if (width === 0 || height === 0) return refuse('This picture has no size.')
  if (width * height > MOST_PIXELS)
    return refuse(`A picture has at most ${MOST_PIXELS / 1e6} megapixels; this one has ${Math.ceil((width * height) / 1e6)}.`)
  return ok({ type, width, height })
}

function cleanPng(bytes: Uint8Array): Result<CleanImage, string> {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  if (bytes.length < 33 || view.getUint32(12) !== 0x49484452) return refuse(DAMAGED)
  const facts = sized('image/png', view.getUint32(16), view.getUint32(20))
  if (!facts.ok) return facts
  const parts: Uint8Array[] = [bytes.subarray(0, 8)]
  for (let at = 8; at + 12 <= bytes.length; ) {
    const length = view.getUint32(at)
    const end = at + 12 + length
    if (end > bytes.length) return refuse(DAMAGED)
    const name = String.fromCharCode(...bytes.subarray(at + 4, at + 8))
    if (PNG_KEPT.has(name)) parts.push(bytes.subarray(at, end))
    if (name === 'IEND') return ok({ ...facts.value, bytes: joined(parts) })
    at = end
  }
  return refuse(DAMAGED)
}

/** Start of frame: the sizes. 0xC4, 0xC8 and 0xCC are tables, not frames. */
const isFrame = (marker: number): boolean => marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker)
/** APP0 says how dense the pixels are, APP14 how colours are kept: both are needed to draw. Other APPn and comments are metadata. */
const isMetadata = (marker: number): boolean => marker === 0xfe || (marker >= 0xe0 && marker <= 0xef && marker !== 0xe0 && marker !== 0xee)

function cleanJpeg(bytes: Uint8Array): Result<CleanImage, string> {
  let facts: ImageFacts | null = null
  const parts: Uint8Array[] = [bytes.subarray(0, 2)]
  let at = 2
  while (at + 1 < bytes.length) {
    if (bytes[at] !== 0xff) return refuse(DAMAGED)
    const marker = bytes[at + 1] as number
    // Any number of 0xFF may stand before a marker.
    if (marker === 0xff) {
      at++
      continue
    }
    if (marker === 0xd9) {
      if (!facts) return refuse(DAMAGED)
      parts.push(bytes.subarray(at, at + 2))
      return ok({ ...facts, bytes: joined(parts) })
    }
    const length = ((bytes[at + 2] as number) << 8) | (bytes[at + 3] as number)
    const end = at + 2 + length
    if (!(length >= 2) || end > bytes.length) return refuse(DAMAGED)
    if (isFrame(marker)) {
      const height = ((bytes[at + 5] as number) << 8) | (bytes[at + 6] as number)
      const width = ((bytes[at + 7] as number) << 8) | (bytes[at + 8] as number)
      const read = sized('image/jpeg', width, height)
      if (!read.ok) return read
      facts = read.value
    }
    if (!isMetadata(marker)) parts.push(bytes.subarray(at, end))
    at = end
    if (marker !== 0xda) continue
    // A scan goes on to the next marker that is no restart and no 0xFF of the data.
    const begin = at
    while (
      at + 1 < bytes.length &&
      !(bytes[at] === 0xff && bytes[at + 1] !== 0 && !((bytes[at + 1] as number) >= 0xd0 && (bytes[at + 1] as number) <= 0xd7))
    )
      at++
    if (at + 1 >= bytes.length) return refuse(DAMAGED)
    parts.push(bytes.subarray(begin, at))
  }
  return refuse(DAMAGED)
}

function joined(parts: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(parts.reduce((n, p) => n + p.length, 0))
  let at = 0
  for (const part of parts) {
    whole.set(part, at)
    at += part.length
  }
  return whole
}
