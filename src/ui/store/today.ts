/** Today as an ISO date in the reader's zone. */
export const todayIso = (): string => {
  const now = new Date()
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 10)
}
