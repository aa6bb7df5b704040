/** The whole analysis on the demo course and on one ten times larger, in this process. */
import { analyse } from '../../src/core/findings/analyse'
import { readNative } from '../../src/core/formats/native'
import { demoFile, enlarge } from './enlarge'
import { byTurns, judged, median, ms, ratio, type Section } from './measure'

const read = (text: string) => {
  const result = readNative(text)
  if (!result.ok) throw new Error(JSON.stringify(result.error[0]))
  return result.value
}

export async function benchAnalysis(): Promise<Section> {
  const small = demoFile()
  const large = enlarge(small, 10)
  // A blueprint of its own each time: indexes are kept by identity, and a kept one would be measured as nothing.
  const fresh = (text: string) => {
    const records = read(text)
    return () => analyse({ ...records }, '2027-01-01')
  }
  const [runSmall, runLarge] = [fresh(small), fresh(large)]
  const times = await byTurns(60, {
    small: runSmall,
    large: runLarge,
    parseSmall: () => JSON.parse(small),
    parseLarge: () => JSON.parse(large),
    readLarge: () => read(large),
  })
  const of = (name: string) => median(times[name] ?? [])
  return {
    title: 'Analysis',
    how: 'All rules over the demo course (70 activities, 30 objectives) and over one ten times larger, medians of 60 runs by turns, beside `JSON.parse` of the same file.',
    lines: [
      judged('Analysis, demo course', of('small'), 10, ms),
      judged('Analysis, ten times larger', of('large'), 100, ms),
      judged('Growth', of('large') / of('small'), 12, ratio),
      { what: '`JSON.parse`, demo course', value: ms(of('parseSmall')) },
      { what: '`JSON.parse`, ten times larger', value: ms(of('parseLarge')) },
      { what: 'Analysis against `JSON.parse`, ten times larger', value: ratio(of('large') / of('parseLarge')) },
      { what: 'Reading and checking the larger file', value: ms(of('readLarge')) },
    ],
  }
}
