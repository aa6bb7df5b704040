/** Sending the bytes of a file to a course. */
import { err, ok, type Result } from '../../core/result'
import { courseAddress } from '../store/api'

export const fileAddress = (courseId: string, id: string) => courseAddress(courseId, `/files/${encodeURIComponent(id)}`)

/** Sends a picture as it is, to an address that ends in its id. */
export async function sendBytes(address: string, account: string, name: string, body: Blob): Promise<Result<string, string>> {
  try {
    const response = await fetch(`${address}?name=${encodeURIComponent(name)}`, {
      method: 'PUT',
      body,
      ...(account ? { headers: { 'x-cairn-account': account } } : {}),
    })
    if (response.ok) return ok(decodeURIComponent(address.slice(address.lastIndexOf('/') + 1)))
    const said = (await response.json().catch(() => ({}))) as { title?: string }
    return err(said.title ?? 'The server did not take this picture.')
  } catch {
    return err('The server was not reached. A picture needs the line: try again when it is back.')
  }
}
