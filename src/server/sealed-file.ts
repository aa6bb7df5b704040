/**
 * Files that are read with a passphrase alone: AES-256-GCM under a key that scrypt makes of it (RFC 7914; N = 2^17, r = 8, p = 1, the
 * OWASP Password Storage Cheat Sheet's figures). In pieces, so that none of any size is ever whole in memory.
 *
 *     "CAIRNSEAL1" | 16 bytes salt | 12 bytes nonce | what was sealed | 16 bytes tag
 */
import { createCipheriv, createDecipheriv, type Decipher, randomBytes, scrypt } from 'node:crypto'
import { createReadStream, createWriteStream } from 'node:fs'
import { open, stat } from 'node:fs/promises'
import { Readable, Transform, type Writable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { promisify } from 'node:util'

const MARK = Buffer.from('CAIRNSEAL1')
const [SALT, NONCE, TAG] = [16, 12, 16]
const HEAD = MARK.length + SALT + NONCE
const COST = { N: 2 ** 17, r: 8, p: 1, maxmem: 256 * 1024 * 1024 }
const keyOf = (passphrase: string, salt: Buffer): Promise<Buffer> =>
  (promisify(scrypt) as (p: string, s: Buffer, n: number, o: typeof COST) => Promise<Buffer>)(passphrase.normalize('NFKC'), salt, 32, COST)

/** Writes what comes to a file that its owner alone may read; sealed where there is a passphrase. */
export async function writeSealed(from: Readable, file: string, passphrase: string | null): Promise<void> {
  const written = () => createWriteStream(file, { mode: 0o600, flags: 'wx' })
  if (passphrase === null) return pipeline(from, written())
  const head = Buffer.concat([MARK, randomBytes(SALT), randomBytes(NONCE)])
  const cipher = createCipheriv('aes-256-gcm', await keyOf(passphrase, head.subarray(MARK.length, -NONCE)), head.subarray(-NONCE))
  cipher.setAAD(head)
  let begun = false
  const framed = new Transform({
    transform(piece, _, done) {
      if (!begun) this.push(head)
      begun = true
      done(null, piece)
    },
    flush(done) {
      if (!begun) this.push(head)
      done(null, cipher.getAuthTag())
    },
  })
  await pipeline(from, cipher, framed, written())
}

/** Whether a file was sealed. */
export async function isSealed(file: string): Promise<boolean> {
  const opened = await open(file)
  try {
    const { buffer, bytesRead } = await opened.read(Buffer.alloc(MARK.length), 0, MARK.length, 0)
    return bytesRead === MARK.length && buffer.equals(MARK)
  } finally {
    await opened.close()
  }
}

/** Opens what was sealed. Throws, before anything of it is given out, where the passphrase is another or a bit of it was changed. */
export async function readSealed(file: string, passphrase: string, to: () => Writable): Promise<void> {
  const { size } = await stat(file)
  if (size < HEAD + TAG) throw new Error('it ends too early')
  const opened = await open(file)
  const part = async (at: number, length: number) => (await opened.read(Buffer.alloc(length), 0, length, at)).buffer
  const [head, tag] = await Promise.all([part(0, HEAD), part(size - TAG, TAG)]).finally(() => opened.close())
  const key = await keyOf(passphrase, head.subarray(MARK.length, -NONCE))
  const decipher = (): Decipher => createDecipheriv('aes-256-gcm', key, head.subarray(-NONCE)).setAAD(head).setAuthTag(tag)
  const sealed = () => (size === HEAD + TAG ? Readable.from([]) : createReadStream(file, { start: HEAD, end: size - TAG - 1 }))
  // Once to see that it is whole, then once more for what it holds.
  await pipeline(sealed(), decipher(), async (pieces) => {
    for await (const _ of pieces);
  })
  await pipeline(sealed(), decipher(), to())
}
