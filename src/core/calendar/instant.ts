/** A plain date and time in a named zone, as an instant. The zone is always an argument: the machine's never matters. */

const formats = new Map<string, Intl.DateTimeFormat>()

/** Minutes that a zone is ahead of UTC at an instant, in milliseconds since 1970. */
function offsetAt(instant: number, zone: string): number {
  let format = formats.get(zone)
  if (!format) {
    const digits = '2-digit'
    format = new Intl.DateTimeFormat('en-GB', {
      timeZone: zone,
      hourCycle: 'h23',
      year: 'numeric',
      month: digits,
      day: digits,
      hour: digits,
      minute: digits,
      second: digits,
    })
    formats.set(zone, format)
  }
  const parts = Object.fromEntries(format.formatToParts(instant).map((p) => [p.type, Number(p.value)]))
  const local = Date.UTC(parts['year'] ?? 0, (parts['month'] ?? 1) - 1, parts['day'], parts['hour'], parts['minute'], parts['second'])
  return (local - instant) / 60_000
}

/**
 * The instant of a date and time in a zone, as `2027-09-12T22:59:00Z`. A time that the clocks skip is taken as long after the
 * skip as it lies in it; one that comes twice is the first. Throws on an unknown zone (a bug: parsers check first).
 */
export function instantOf(date: string, time: string, zone: string): string {
  const local = Date.parse(`${date}T${time}:00Z`)
  const day = 86_400_000
  const [before, after] = [offsetAt(local - day, zone), offsetAt(local + day, zone)]
  // Where both offsets fit (an overlap) the earlier instant is that of the larger one; where neither does (a gap) the one from
  // before the skip leads past it.
  const candidates = [before, after].map((offset) => local - offset * 60_000)
  const fitting = candidates.filter((t) => t + offsetAt(t, zone) * 60_000 === local)
  const instant = fitting.length > 0 ? Math.min(...fitting) : local - before * 60_000
  return new Date(instant).toISOString().replace('.000Z', 'Z')
}
