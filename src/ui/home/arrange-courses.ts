/** Which courses of the list are shown, and in which order. */
import type { Role } from '../../core/roles'
import type { CourseInList } from '../../server/courses'

type Filter = { readonly words: string; readonly role: Role | ''; readonly term: string }

/** What the columns are sorted by; text, or numbers of which a missing one comes last. */
const SORTS = {
  code: (c) => c.code ?? '',
  title: (c) => c.title,
  term: (c) => c.standing?.firstDay ?? '',
  role: (c) => c.role,
  objectives: (c) => share(c.standing?.objectives.assessed, c.standing?.objectives.all),
  modules: (c) => share(c.standing?.modules.planned, c.standing?.modules.all),
  grade: (c) => c.standing?.gradeGiven ?? -1,
  fix: (c) => c.fix ?? -1,
  changed: (c) => c.changedAt,
} satisfies Readonly<Record<string, (course: CourseInList) => string | number>>

const share = (part: number | undefined, of: number | undefined): number => (part === undefined || !of ? -1 : part / of)

export type SortedBy = { readonly by: keyof typeof SORTS; readonly down: boolean }

export const HEADS: readonly { readonly by: SortedBy['by']; readonly title: string; readonly right?: true }[] = [
  { by: 'code', title: 'Code' },
  { by: 'title', title: 'Title' },
  { by: 'term', title: 'Term' },
  { by: 'role', title: 'My role' },
  { by: 'objectives', title: 'Objectives assessed', right: true },
  { by: 'modules', title: 'Modules planned', right: true },
  { by: 'grade', title: 'Grade given', right: true },
  { by: 'fix', title: 'To fix', right: true },
  { by: 'changed', title: 'Last change', right: true },
]
/** What one looks for the most of first. */
export const FALLS_FIRST: ReadonlySet<SortedBy['by']> = new Set(['fix', 'changed'])

const COMPARE = new Intl.Collator('en', { numeric: true, sensitivity: 'base' }).compare
const compare = (a: string | number, b: string | number): number =>
  typeof a === 'number' && typeof b === 'number' ? a - b : COMPARE(String(a), String(b))

/** The courses that fit, sorted; those alike by title. Words are found in title and code, each of them. */
export function arranged(courses: readonly CourseInList[], { words, role, term }: Filter, { by, down }: SortedBy): CourseInList[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean)
  const fits = (c: CourseInList): boolean => {
    const text = `${c.code ?? ''} ${c.title}`.toLowerCase()
    return (role === '' || c.role === role) && (term === '' || c.term === term) && wanted.every((w) => text.includes(w))
  }
  const value = SORTS[by]
  return courses
    .filter(fits)
    .sort((a, b) => (down ? compare(value(b), value(a)) : compare(value(a), value(b))) || COMPARE(a.title, b.title))
}
