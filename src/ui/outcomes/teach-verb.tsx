/** A verb that a line begins with, as this course uses it: its level, or that nobody can see it. */
import { linkId } from '../../core/blueprint/ids'
import { DOMAINS, LEVELS_OF, type Level } from '../../core/blueprint/kinds/levels'
import { inflectedEntry, verbEntry } from '../../core/objectives/lexicon'
import { readStatement } from '../../core/objectives/statement'
import { Button } from '../parts/button'
import { SelectInput } from '../parts/input'
import { useCourse, useCourseStore } from '../store/course-store'

/** The word of a line that may be taught: its first verb, else its first word; null where none stands there. */
export function wordToTeach(text: string): string | null {
  const [verb] = readStatement(text).verbs
  const word = verb?.text ?? /^[^\p{L}]*(\p{L}[\p{L}’'-]+)/u.exec(text)?.[1]
  return word ? ((verbEntry(word) ?? inflectedEntry(word) ?? verb?.entry)?.lemma.toLowerCase() ?? word.toLowerCase()) : null
}

export function TeachVerb({ text }: { readonly text: string }) {
  const store = useCourseStore()
  const taught = useCourse((s) => s.view.taughtVerb)
  const word = wordToTeach(text)
  if (word === null || word.length > 60 || !store.may('taughtVerb')) return null
  const id = linkId([word], 'taughtVerb')
  const own = taught.get(id)
  const set = (to: { level: Level | null; unseen: boolean } | null) =>
    store.edit('set-field', { what: `“${word}” in this course` }, (edit) => {
      if (to === null) edit.remove({ kind: 'taughtVerb', id })
      else if (edit.now.taughtVerb.has(id)) edit.set('taughtVerb', id, to)
      else edit.create('taughtVerb', { id, word, ...to })
    })
  const levels = DOMAINS.flatMap((domain) => LEVELS_OF[domain].map((value) => ({ value: value as string, label: value as string })))
  const value = own === undefined ? '' : own.unseen ? 'unseen' : (own.level ?? 'none')
  return (
    <p className="teach-verb">
      <SelectInput
        label={`“${word}” in this course`}
        value={value}
        options={[{ value: '', label: 'as Cairn reads it' }, ...levels, { value: 'unseen', label: 'nobody can see it' }]}
        onChoose={(chosen) => {
          if (chosen === '') set(null)
          else if (chosen === 'unseen') set({ level: null, unseen: true })
          else set({ level: chosen as Level, unseen: false })
        }}
      />
      {own && <Button onClick={() => set(null)}>Forget it</Button>}
    </p>
  )
}
