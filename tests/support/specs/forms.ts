/** The forms in which specifications reach a designer: typed, pasted from tables, from pages, from mail, as files. */
import type { ItemKind } from '../../../src/core/blueprint/kinds/framework'
import { type Table, workbookOf } from '../messy/pieces'
import { pick } from '../messy/truth'
import type { SpecHabit } from './habits'
import type { TrueSpec } from './truth'

type Random = () => number
export type TrueItem = {
  readonly kind: ItemKind
  readonly code: string | null
  readonly statement: string
  readonly parent: string | null
  /** What its notes hold. */
  readonly notes: readonly string[]
}
export type RenderedSpec = {
  readonly text?: string
  readonly sheets?: readonly Table[]
  readonly items: readonly TrueItem[]
  /** Texts that stand in no item. */
  readonly foreign: readonly string[]
  /** Headings that must be asked about. */
  readonly ask: readonly string[]
}
type Form = { readonly name: string; readonly make: (spec: TrueSpec, habit: SpecHabit, random: Random) => RenderedSpec }

/** Where no number stands, no number is kept. */
type Numbers = 'own' | 'none'
const itemsOf = (s: TrueSpec, h: SpecHabit, o: { numbers?: Numbers; ranges?: boolean; leads?: boolean } = {}): TrueItem[] => {
  const list = (kind: ItemKind, texts: readonly string[], lead: string | null): TrueItem[] =>
    texts.map((statement) => ({ kind, code: null, statement, parent: null, notes: o.leads && lead ? [lead] : [] }))
  return [
    ...s.elements.flatMap((e, i): TrueItem[] => [
      {
        kind: 'element',
        code: o.numbers === 'none' ? null : h.element(i + 1)[1],
        statement: e.statement,
        parent: null,
        notes: [],
      },
      ...e.criteria.map(
        (c, k): TrueItem => ({
          kind: 'performance criterion',
          code: o.numbers === 'none' ? null : h.criterion(i + 1, k + 1)[1],
          statement: c.statement,
          parent: e.statement,
          notes: o.ranges ? c.range : [],
        }),
      ),
    ]),
    ...list(
      'foundation skill',
      s.skills.map((k) => `${k.name}: ${k.what}`),
      null,
    ),
    ...list('performance evidence', s.performance, h.leads.performance),
    ...list('knowledge evidence', s.knowledge, h.leads.knowledge),
    ...list('assessment condition', s.conditions, h.leads.conditions),
  ]
}
const listed = (kind: ItemKind, statement: string, parent: string | null): TrueItem => ({ kind, code: null, statement, parent, notes: [] })
const foreignOf = (s: TrueSpec, h: SpecHabit): string[] => [
  s.issuer,
  ...s.about,
  ...Object.values(h.heads).filter((x) => x.includes(' ')),
  h.leads.performance,
  h.leads.knowledge,
]

/** The lists below the elements, each under its heading. */
function lists(s: TrueSpec, h: SpecHabit, o: { bullet?: string; gap?: string; leads?: boolean; skills?: string } = {}): string[] {
  const bullet = o.bullet ?? `${h.bullet} `
  const block = (head: string, lead: string | null, lines: readonly string[]) => [
    ...(o.gap === undefined ? [''] : []),
    head,
    ...(lead && o.leads !== false ? [lead] : []),
    ...lines.map((l) => `${bullet}${l}`),
  ]
  return [
    ...block(
      h.heads.skills,
      null,
      s.skills.map((k) => `${k.name}${o.skills ?? ': '}${k.what}`),
    ),
    ...block(h.heads.performance, h.leads.performance, s.performance),
    ...block(h.heads.knowledge, h.leads.knowledge, s.knowledge),
    ...block(h.heads.conditions, h.leads.conditions, s.conditions),
  ]
}
const top = (s: TrueSpec, random: Random): string[] =>
  pick(random, [
    [`${s.code} ${s.title}`, s.issuer, ''],
    [s.issuer, '', `Unit code: ${s.code}`, `Unit title: ${s.title}`, ''],
    [`${s.title} (${s.code})`, '', `Issued by: ${s.issuer}`, 'Version: 2', ''],
  ])
const about = (s: TrueSpec): string[] => ['Application', ...s.about, '']

/** Lines of at most a width; a word at the end of a line may be divided. */
function wrapped(text: string, width: number, random: Random, divide: boolean, indent = ''): string[] {
  const lines: string[] = []
  let line = ''
  for (const word of text.split(' ')) {
    if (line !== '' && line.length + 1 + word.length > width) {
      const room = width - line.length - 2
      // A word with a hyphen is divided at it; another where a syllable may end.
      const at = word.includes('-')
        ? word.indexOf('-') + 1
        : (/^\p{L}{2,6}?[aeiou](?=[bcdfglmnprstv]\p{Ll}{2})/u.exec(word)?.[0].length ?? 0)
      if (divide && at > 2 && at <= room && word.length - at > 2 && random() < 0.8) {
        lines.push(`${line} ${word.slice(0, at)}${word[at - 1] === '-' ? '' : '-'}`)
        line = indent + word.slice(at)
      } else {
        lines.push(line)
        line = indent + word
      }
    } else line = line === '' ? word : `${line} ${word}`
  }
  return [...lines, line]
}

/** Lines as pages with a head and a foot each. */
function paged(
  lines: readonly string[],
  height: number,
  head: (page: number, of: number) => string[],
  foot: (page: number, of: number) => string[],
) {
  const pages = Math.ceil(lines.length / height)
  return Array.from({ length: pages }, (_, p) => [
    ...head(p + 1, pages),
    ...lines.slice(p * height, (p + 1) * height),
    ...foot(p + 1, pages),
  ]).flat()
}

const numbered = (
  s: TrueSpec,
  h: SpecHabit,
  between: string,
  o: { blank?: boolean; range?: (label: string, range: readonly string[]) => string[] } = {},
) =>
  s.elements.flatMap((e, i) => [
    ...(o.blank ? [''] : []),
    `${h.element(i + 1)[0]}${between}${e.statement}`,
    ...(h.lead ? [h.lead] : []),
    ...e.criteria.flatMap((c, k) => [
      `${h.criterion(i + 1, k + 1)[0]}${between}${c.statement}`,
      ...(c.range.length > 0 && o.range ? o.range(h.heads.range, c.range) : []),
    ]),
  ])

export const FORMS: readonly Form[] = [
  {
    name: 'typed with empty lines',
    make: (s, h, random) => ({
      text: [...top(s, random), ...about(s), h.heads.elements, ...numbered(s, h, ' ', { blank: true }), ...lists(s, h)].join('\n'),
      items: itemsOf(s, h, { leads: true }),
      foreign: foreignOf(s, h),
      ask: [],
    }),
  },
  {
    name: 'typed without empty lines, bullets with tabs',
    make: (s, h, random) => ({
      text: [
        ...top(s, random).filter(Boolean),
        h.heads.elements,
        ...numbered(s, h, '\t'),
        ...lists(s, h, { bullet: `${h.bullet}\t`, gap: '' }),
      ].join('\n'),
      items: itemsOf(s, h, { leads: true }),
      foreign: foreignOf(s, h),
      ask: [],
    }),
  },
  {
    name: 'table of elements and criteria',
    make: (s, h, random) => ({
      text: [
        ...top(s, random),
        ...about(s),
        'ELEMENT\tPERFORMANCE CRITERIA',
        ...s.elements.flatMap((e, i) =>
          e.criteria.map(
            (c, k) => `${k === 0 ? `${h.element(i + 1)[0]} ${e.statement}` : ''}\t${h.criterion(i + 1, k + 1)[0]} ${c.statement}`,
          ),
        ),
        '',
        h.heads.skills,
        'SKILL\tDESCRIPTION',
        ...s.skills.map((k) => `${k.name}\t${k.what}`),
        ...lists({ ...s, skills: [] }, h).slice(2),
      ].join('\n'),
      items: itemsOf(s, h, { leads: true }),
      foreign: foreignOf(s, h),
      ask: [],
    }),
  },
  {
    name: 'several criteria in one cell',
    make: (s, h, random) => ({
      text: [
        ...top(s, random),
        'Element\tPerformance criteria',
        ...s.elements.map(
          (e, i) =>
            `${h.element(i + 1)[0]} ${e.statement}\t"${e.criteria.map((c, k) => `${h.criterion(i + 1, k + 1)[0]} ${c.statement}`).join('\n')}"`,
        ),
        ...lists(s, h),
      ].join('\n'),
      items: itemsOf(s, h, { leads: true }),
      foreign: foreignOf(s, h),
      ask: [],
    }),
  },
  {
    name: 'pages with heads that begin with the code',
    make: (s, h, random) => {
      const divide = random() < 0.6
      const width = pick(random, [58, 66, 74])
      const body = [...about(s), h.heads.elements, ...numbered(s, h, ' '), ...lists(s, h, { gap: random() < 0.5 ? '' : undefined })]
      const lines = body.flatMap((l) => wrapped(l, width, random, divide))
      return {
        text: [
          `${s.code} ${s.title}`,
          ...paged(
            lines,
            pick(random, [14, 19, 23]),
            (p, n) => (p === 1 ? [s.issuer] : pick(random, [[`${s.code} ${s.title}`, `${s.issuer}      Page ${p} of ${n}`]])),
            (p) => pick(random, [[`${s.code}   ${p}`], [`© ${s.issuer} 2031`, String(p)]]),
          ),
        ].join('\n'),
        items: itemsOf(s, h, { leads: true }),
        foreign: [...foreignOf(s, h), '2031', `${s.code} `],
        ask: [],
      }
    },
  },
  {
    name: 'ranges below criteria, an unknown heading',
    make: (s, h, random) => {
      const bullets = random() < 0.5
      return {
        text: [
          ...top(s, random),
          h.heads.elements,
          ...numbered(s, h, ' ', {
            blank: true,
            range: (label, range) => (bullets ? [`${label}:`, ...range.map((r) => `${h.bullet} ${r}`)] : [`${label}: ${range.join(', ')}`]),
          }),
          ...lists(s, h),
          '',
          'Tools and gear',
          `${h.bullet} a bench with good light`,
          `${h.bullet} gloves in three sizes`,
        ].join('\n'),
        items: itemsOf(s, h, { leads: true, ranges: true }),
        foreign: [...foreignOf(s, h), 'a bench with good light', 'gloves in three sizes', `${h.heads.range}:`],
        ask: ['Tools and gear'],
      }
    },
  },
  {
    name: 'without numbers',
    make: (s, h, random) => ({
      text: [
        ...top(s, random),
        h.heads.elements,
        ...s.elements.flatMap((e) => [
          '',
          e.statement,
          ...(h.lead ? [h.lead] : []),
          ...e.criteria.map((c) => `${h.bullet} ${c.statement}`),
        ]),
        ...lists(s, h),
      ].join('\n'),
      items: itemsOf(s, h, { numbers: 'none', leads: true }),
      foreign: foreignOf(s, h),
      ask: [],
    }),
  },
  {
    name: 'a workbook of one table',
    make: (s, h) => ({
      sheets: [
        {
          name: s.code,
          rows: [
            [s.title],
            [h.heads.elements, 'Performance criteria'],
            ...s.elements.map((e, i) => [
              `${h.element(i + 1)[0]} ${e.statement}`,
              e.criteria.map((c, k) => `${h.criterion(i + 1, k + 1)[0]} ${c.statement}`).join('\n'),
            ]),
            [h.heads.skills, s.skills.map((k) => `${h.bullet} ${k.name}: ${k.what}`).join('\n')],
            [h.heads.performance, s.performance.map((k) => `${h.bullet} ${k}`).join('\n')],
            [h.heads.knowledge, s.knowledge.map((k) => `${h.bullet} ${k}`).join('\n')],
            [h.heads.conditions, s.conditions.map((k) => `${h.bullet} ${k}`).join('\n')],
          ],
        },
      ],
      items: itemsOf(s, h),
      foreign: foreignOf(s, h),
      ask: [],
    }),
  },
  {
    name: 'plain lists, parts within parts',
    make: (s, h, random) => {
      const [whole = '', ...parts] = s.performance
      const opening = 'carry out each of the following under supervision:'
      return {
        text: [
          ...top(s, random),
          h.heads.elements,
          ...numbered(s, h, ' ', { blank: random() < 0.5 }),
          '',
          h.heads.performance,
          `${h.bullet} ${whole}`,
          `${h.bullet} ${opening}`,
          ...parts.map((x) => `   ${h.bullet} ${x}`),
          '',
          h.heads.knowledge,
          ...s.knowledge,
          '',
          `${h.heads.conditions}:`,
          ...s.conditions,
        ].join('\n'),
        items: [
          ...itemsOf(s, h).filter((i) => i.kind === 'element' || i.kind === 'performance criterion'),
          ...([whole, opening] as const).map((statement): TrueItem => listed('performance evidence', statement, null)),
          ...parts.map((statement): TrueItem => listed('performance evidence', statement, opening)),
          ...s.knowledge.map((statement): TrueItem => listed('knowledge evidence', statement, null)),
          ...s.conditions.map((statement): TrueItem => listed('assessment condition', statement, null)),
        ],
        foreign: [s.issuer],
        ask: [],
      }
    },
  },
  {
    name: 'a list of contents, numbers on lines of their own',
    make: (s, h, random) => ({
      text: [
        s.title.toUpperCase(),
        `Code: ${s.code}`,
        '',
        'Contents',
        ...s.elements.map((e, i) => `${h.element(i + 1)[0]} ${e.statement} ${'.'.repeat(30 - i)} ${i + 2}`),
        '',
        ...about(s),
        h.heads.elements,
        ...s.elements.flatMap((e, i) => [
          h.element(i + 1)[0],
          e.statement,
          ...e.criteria.flatMap((c, k) => [h.criterion(i + 1, k + 1)[0], c.statement]),
        ]),
        ...lists(s, h, { skills: pick(random, [': ', ' – ']) }),
      ].join('\r\n'),
      items: itemsOf(s, h, { leads: true }),
      foreign: foreignOf(s, h),
      ask: [],
    }),
  },
  {
    name: 'criteria as bullets in one cell, the rest in a second document',
    make: (s, h, random) => ({
      text: [
        `${s.code} ${s.title}`,
        '',
        'Modification history',
        'Release\tComments',
        '1\tNew unit',
        '',
        ...about(s),
        'Element\tCriteria',
        ...s.elements.map((e) => `${e.statement}\t"${e.criteria.map((c) => `${h.bullet} ${c.statement}`).join('\n')}"`),
        '',
        `Assessment requirements for ${s.code} ${s.title}`,
        '',
        ...lists(s, h, { bullet: pick(random, ['• ', '- ', '\u2022\t']) }),
        '',
        'Links',
        'https://units.example/',
      ].join('\n'),
      items: itemsOf(s, h, { numbers: 'none', leads: true }),
      foreign: foreignOf(s, h),
      ask: [],
    }),
  },
  // Held back from here on.
  {
    name: 'quoted mail',
    make: (s, h, random) => ({
      text: [
        'Hi Ines,',
        '',
        'here is what they sent us.',
        '',
        ...[...top(s, random), ...about(s), h.heads.elements, ...numbered(s, h, ' '), ...lists(s, h)]
          .flatMap((l) => wrapped(l, 64, random, false))
          .map((l) => `> ${l}`),
        '',
        'Best wishes',
        'Odile',
      ].join('\n'),
      items: itemsOf(s, h, { leads: true }),
      foreign: [...foreignOf(s, h), 'Odile'],
      ask: [],
    }),
  },
  {
    name: 'marked text',
    make: (s, h, random) => ({
      text: [
        `# ${s.code} ${s.title}`,
        '',
        s.issuer,
        '',
        '## Application',
        '',
        ...s.about,
        '',
        `## ${h.heads.elements}`,
        ...s.elements.flatMap((e, i) => [
          '',
          `### ${h.element(i + 1)[0]} ${e.statement}`,
          '',
          ...e.criteria.flatMap((c, k) => [
            `- **${h.criterion(i + 1, k + 1)[0]}** ${c.statement}`,
            ...(c.range.length > 0 ? [`  - ${h.heads.range}: ${c.range.join(', ')}`] : []),
          ]),
        ]),
        '',
        ...lists(s, h, { bullet: random() < 0.5 ? '* ' : '- ' }).map((l) => (Object.values(h.heads).includes(l) ? `## ${l}\n` : l)),
      ].join('\n'),
      items: itemsOf(s, h, { leads: true, ranges: true }),
      foreign: foreignOf(s, h),
      ask: [],
    }),
  },
  {
    name: 'two columns of a page',
    make: (s, h, random) => {
      const left = 34
      const rows = s.elements.flatMap((e, i) => {
        const a = wrapped(`${h.element(i + 1)[0]} ${e.statement}`, left - 4, random, false)
        const b = e.criteria.flatMap((c, k) => wrapped(`${h.criterion(i + 1, k + 1)[0]} ${c.statement}`, 48, random, true))
        return Array.from({ length: Math.max(a.length, b.length) }, (_, y) => `${(a[y] ?? '').padEnd(left)}${b[y] ?? ''}`.trimEnd())
      })
      const lines = [
        `${'ELEMENT'.padEnd(left)}PERFORMANCE CRITERIA`,
        ...rows,
        ...lists(s, h).flatMap((l) => wrapped(l, left + 48, random, true)),
      ]
      return {
        text: [
          `${s.code} ${s.title}`,
          '',
          ...paged(
            lines,
            20,
            () => [],
            (p, n) => ['', `${`${s.issuer}`.padEnd(60)}Page ${p} of ${n}`, `${s.code} ${s.title}`],
          ),
        ].join('\n'),
        items: itemsOf(s, h, { leads: true }),
        foreign: [...foreignOf(s, h), 'Page '],
        ask: [],
      }
    },
  },
  {
    name: 'statements and knowledge with one letter each',
    make: (s, h, random) => {
      let p = 0
      let k = 0
      const criteria = s.elements.flatMap((e) => e.criteria.map((c) => c.statement))
      return {
        text: [
          ...top(s, random),
          'You must be able to:',
          ...criteria.map((c) => `P${++p} ${c}`),
          '',
          'You need to know and understand:',
          ...s.knowledge.map((c) => `K${++k} ${c}`),
          '',
          h.heads.performance,
          h.leads.performance,
          ...s.performance.map((c) => `${h.bullet} ${c}`),
        ].join('\n'),
        items: [
          ...criteria.map(
            (statement, i): TrueItem => ({ kind: 'performance criterion', code: `P${i + 1}`, statement, parent: null, notes: [] }),
          ),
          ...s.knowledge.map(
            (statement, i): TrueItem => ({ kind: 'knowledge evidence', code: `K${i + 1}`, statement, parent: null, notes: [] }),
          ),
          ...s.performance.map((statement): TrueItem => ({ kind: 'performance evidence', code: null, statement, parent: null, notes: [] })),
        ],
        foreign: [s.issuer, h.leads.performance],
        ask: [],
      }
    },
  },
  {
    name: 'letters below elements, sentences that go over lines',
    make: (s, h, random) => ({
      text: [
        ...top(s, random),
        ...about(s),
        ...s.elements.flatMap((e, i) => [
          '',
          `Element ${i + 1}`,
          e.statement,
          ...e.criteria.flatMap((c, k) => wrapped(`(${'abcdefgh'[k]}) ${c.statement}`, 50, random, true, '    ')),
        ]),
        ...lists(s, h).flatMap((l) => wrapped(l, 56, random, true, '  ')),
      ].join('\n'),
      items: itemsOf(s, h, { leads: true }).map((item) => {
        const e = s.elements.findIndex((x) => x.statement === item.parent)
        const k = s.elements[e]?.criteria.findIndex((c) => c.statement === item.statement) ?? -1
        if (item.kind === 'element') return { ...item, code: String(s.elements.findIndex((x) => x.statement === item.statement) + 1) }
        return item.kind === 'performance criterion' ? { ...item, code: `${e + 1}${'abcdefgh'[k]}` } : item
      }),
      foreign: foreignOf(s, h),
      ask: [],
    }),
  },
]
/** What nobody looked at while the reading was made: places in the lists of forms, of units and of habits. */
export const SPECS_HELD_BACK = { forms: [11, 12, 13, 14, 15], units: [6, 7, 8], habits: [5, 6] } as const

/** What a form gives to be read: a text, or a workbook's bytes. */
export const contentOf = async (r: RenderedSpec): Promise<string | Uint8Array> => r.text ?? (await workbookOf(r.sheets ?? []))
