/** Pictures drawn anew before they are sent: smaller, and with nothing in them but what is seen. */
import { cleanImage, MOST_IMAGE_BYTES } from '../../core/files/image'
import { err, ok, type Result } from '../../core/result'

/** The longer side, in pixels (Cairn default): enough for a page on a fine screen. */
const LONGEST = 2000
const JPEG_QUALITY = 0.88
/** A picture of a camera may be larger than what is kept of it. */
const MOST_READ_BYTES = 60_000_000

/** A picture of the user's, at most 2,000 pixels long, as PNG or JPEG; or one sentence why not. */
export async function drawnAnew(file: Blob): Promise<Result<Blob, string>> {
  if (file.size > MOST_READ_BYTES) return err(`A picture of ${Math.round(file.size / 1e6)} MB is too large to be read here.`)
  const bytes = new Uint8Array(await file.arrayBuffer())
  // What it is is told by its bytes; how large, before anything of it is unpacked.
  if (bytes.length <= MOST_IMAGE_BYTES) {
    const known = cleanImage(bytes)
    if (!known.ok) return known
  } else if (!(bytes[0] === 0xff && bytes[1] === 0xd8) && bytes[0] !== 0x89) return err('Only PNG and JPEG pictures are kept.')
  const isPhoto = bytes[0] === 0xff
  try {
    const bitmap = await createImageBitmap(new Blob([bytes], { type: isPhoto ? 'image/jpeg' : 'image/png' }))
    const scale = Math.min(1, LONGEST / Math.max(bitmap.width, bitmap.height))
    const canvas = new OffscreenCanvas(Math.max(1, Math.round(bitmap.width * scale)), Math.max(1, Math.round(bitmap.height * scale)))
    canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
    bitmap.close()
    const drawn = await canvas.convertToBlob(isPhoto ? { type: 'image/jpeg', quality: JPEG_QUALITY } : { type: 'image/png' })
    if (drawn.size <= MOST_IMAGE_BYTES) return ok(drawn)
    return ok(await canvas.convertToBlob({ type: 'image/jpeg', quality: JPEG_QUALITY }))
  } catch {
    return err('This picture is damaged: it cannot be drawn.')
  }
}
