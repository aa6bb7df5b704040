/** Takes a title that was typed, or says what needs one. */
export function named(text: string, what: string, write: (title: string) => void): string | null {
  const title = text.trim()
  if (title === '') return `${what} needs a title.`
  write(title)
  return null
}
