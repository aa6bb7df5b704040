/** So long a browser may take to read what was made for a download (Cairn default). */
const READ_MS = 10_000

/** Saves a file that the server makes, without leaving the page; `name`: where it is not the server's to say. */
export function download(address: string, name = ''): void {
  const link = document.createElement('a')
  link.href = address
  link.download = name
  link.click()
}

/** Saves what was made here. */
export function downloadBlob(blob: Blob, name: string): void {
  const address = URL.createObjectURL(blob)
  download(address, name)
  setTimeout(() => URL.revokeObjectURL(address), READ_MS)
}
