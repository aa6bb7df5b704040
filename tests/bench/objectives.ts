/** How well objectives are read, by labelled statements, and how fast. */
import { rewordings } from '../../src/core/objectives/rewrite'
import { isUndecided, readStatement, useTagger } from '../../src/core/objectives/statement'
import { type Evaluation, evaluate, labelled } from '../core/objectives/labelled'
import { atLeast, judged, type Line, median, ms, percent, type Section, timed } from './measure'

const SETS = [
  ['tuned', 'two thirds, which the analysis was tuned on'],
  ['aside', 'a third, kept aside'],
  ['fresh', 'written when the analysis stood'],
] as const

export async function benchObjectives(): Promise<Section[]> {
  // Cold: the first statements of a process, without and with loading the tagger.
  const coldStart = performance.now()
  readStatement('Explain how tides form')
  const cold = performance.now() - coldStart
  const all = [...labelled(), ...labelled('fresh')].map((l) => l.text)
  const undecided = all.filter(isUndecided)
  // A memory keeps what was read; setting a tagger empties it.
  const warm = await timed(30, () => {
    useTagger(null)
    for (const t of all) readStatement(t)
  })
  const wordings = await timed(10, () => {
    useTagger(null)
    for (const t of all) rewordings(t)
  })
  const loadStart = performance.now()
  const { TAGGER } = await import('../../src/core/objectives/tagger')
  useTagger(TAGGER)
  readStatement('Flambé bananas')
  const loading = performance.now() - loadStart
  const tagged = await timed(10, () => {
    useTagger(TAGGER)
    for (const t of undecided) readStatement(t)
  })
  const each = (times: readonly number[], n: number) => median(times) / Math.max(1, n)
  return [
    ...SETS.map(([set, words]) => quality(evaluate(set), words)),
    {
      title: 'Objectives: speed',
      how: `${all.length} labelled statements, a time for each. The tagger is asked only where lexicon and position leave it open: ${undecided.length} of them.`,
      lines: [
        { what: 'First statement of a process', value: ms(cold) },
        judged('A statement by lexicon and position', each(warm, all.length), 0.2, ms),
        { what: 'Loading the tagger, with its first statement', value: ms(loading) },
        { what: 'A statement that asks the tagger', value: ms(each(tagged, undecided.length)) },
        { what: 'All other wordings of a statement', value: ms(each(wordings, all.length)) },
      ],
    },
  ]
}

function quality(e: Evaluation, words: string): Section {
  const rates = (name: string, rate: Evaluation['verbs'], aim: number | null): Line[] =>
    (['precision', 'recall'] as const).map((m) => {
      const what = `${name}, ${m} (${m === 'precision' ? rate.found : rate.expected})`
      return aim === null ? { what, value: percent(rate[m]) } : atLeast(what, rate[m], aim, percent)
    })
  return {
    title: `Objectives read as experts read them: ${words}`,
    how: `${e.statements} statements labelled by hand; in brackets, of how many. A level counts for the ${e.levels.counted} without a flaw that have one.`,
    lines: [
      atLeast('Level right at first choice', e.levels.first, 0.85, percent),
      atLeast('Level among those marked', e.levels.within, 0.92, percent),
      judged('Marked uncertain', e.levels.uncertain, 0.2, percent),
      ...rates('Verbs', e.verbs, null).slice(0, 1),
      ...rates('Condition', e.condition, null),
      ...rates('How well', e.criterion, null),
      ...Object.entries(e.flaws).flatMap(([code, rate]) =>
        rates(code.replaceAll('-', ' '), rate, ['unobservable-verb', 'double-performance'].includes(code) ? 0.95 : null),
      ),
    ],
  }
}
