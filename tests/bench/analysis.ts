/** The whole analysis on the demo course and on one ten times larger, in this process. */
import { type Blueprint, patchBlueprint, recordMap } from '../../src/core/blueprint/blueprint'
import type { AnyRecord, KindName } from '../../src/core/blueprint/kinds'
import { Analyser, analyse } from '../../src/core/findings/analyse'
import { readNative } from '../../src/core/formats/native'
import { demoFile, enlarge } from './enlarge'
import { byTurns, judged, median, ms, ratio, type Section } from './measure'

const read = (text: string) => {
  const result = readNative(text)
  if (!result.ok) throw new Error(JSON.stringify(result.error[0]))
  return result.value
}

/** The same plan with maps of its own: what is derived is kept by what it read, and a kept value would be measured as nothing. */
const copyOf = (plan: Blueprint): Blueprint =>
  Object.fromEntries(
    Object.entries(plan).map(([kind, records]) => [kind, new Map(records as ReadonlyMap<string, unknown>)]),
  ) as unknown as Blueprint
const afresh = (plan: Blueprint) => () => analyse(copyOf(plan), '2027-01-01')

/** One edit after the other of one field, each analysed by who analysed the one before. */
function edited(plan: Blueprint, kind: KindName, field: string, value: (n: number) => unknown): (n: number) => unknown {
  const analyser = new Analyser()
  let now = copyOf(plan)
  analyser.analyse(now, '2027-01-01')
  const [id] = recordMap(now, kind).keys()
  return (n) => {
    const record = { ...(recordMap(now, kind).get(id as string) as AnyRecord), [field]: value(n) }
    now = patchBlueprint(now, { set: [{ kind, record }], removed: [] })
    return analyser.analyse(now, '2027-01-01')
  }
}

/** What one edit asks for in the course of 2,030 activities, against everything anew. */
export async function benchOneEdit(): Promise<Section> {
  const plan = read(enlarge(demoFile(), 29))
  const times = await byTurns(40, {
    all: afresh(plan),
    decision: edited(plan, 'decision', 'reason', (n) => `Reason ${n}`),
    title: edited(plan, 'module', 'title', (n) => `Module ${n}`),
    minutes: edited(plan, 'activity', 'minutes', (n) => 20 + (n & 15)),
    statement: edited(plan, 'objective', 'statement', (n) => `Explain case ${n}`),
  })
  const of = (name: string) => median(times[name] ?? [])
  const part = (what: string, name: string) => [
    { what, value: ms(of(name)) },
    judged(`${what}, against all anew`, of(name) / of('all'), 0.5, ratio),
  ]
  return {
    title: 'One edit',
    how: `Indexes, sums and findings after an edit of one field in a course of ${plan.activity.size.toLocaleString('en')} activities, medians of 40 edits by turns, beside the same with nothing kept, as every edit asked for before values were kept by what they read.`,
    lines: [
      { what: 'All anew', value: ms(of('all')) },
      ...part('A decision', 'decision'),
      ...part('Title of a module', 'title'),
      ...part('Minutes of an activity', 'minutes'),
      ...part('An objective', 'statement'),
    ],
  }
}

export async function benchAnalysis(): Promise<Section> {
  const small = demoFile()
  const large = enlarge(small, 10)
  const [runSmall, runLarge] = [afresh(read(small)), afresh(read(large))]
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
