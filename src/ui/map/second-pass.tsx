/** A chain of activities once more in a later module, each building on its first form. */
import { useMemo, useState } from 'react'
import { recordsOf } from '../../core/blueprint/blueprint'
import { chainOf, secondPass } from '../../core/design/copy-module'
import { countOf } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { CheckInput } from '../parts/choice-input'
import { FormDialog } from '../parts/form-dialog'
import { SelectInput } from '../parts/input'
import { newId, useCourse, useCourseStore, useModuleWord } from '../store/course-store'
import { useGo } from '../store/navigation'

type Props = { /** An activity of the chain; null lets it be chosen. */ readonly from: string | null; readonly onClose: () => void }

export function SecondPass({ from, onClose }: Props) {
  const store = useCourseStore()
  const word = useModuleWord()
  const { select } = useGo()
  const plan = useCourse((s) => s.view)
  const index = indexCourse(plan)
  const linked = useMemo(() => {
    const ids = new Set(recordsOf(plan, 'buildsOn').flatMap((l) => [l.activityId, l.earlierId]))
    return index.activities.filter((a) => ids.has(a.id))
  }, [plan])
  const [start, setStart] = useState(from ?? linked[0]?.id ?? '')
  const chain = useMemo(() => (start === '' ? [] : chainOf(plan, start)), [plan, start])
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const [moduleId, setModuleId] = useState(index.modules.at(-1)?.id ?? '')
  const [problem, setProblem] = useState<string | null>(null)
  const chosen = chain.filter((id) => !left.has(id))
  const label = (id: string) => `${index.numberOf(id)} ${index.activity(id)?.title ?? ''}`
  return (
    <FormDialog
      heading="A chain as a second pass"
      yes={`Add ${countOf(chosen.length, 'activity', 'activities')}`}
      problem={problem}
      onClose={onClose}
      submit={(event) => {
        event.preventDefault()
        if (chosen.length === 0) return setProblem('Choose at least one activity.')
        let made: readonly string[] = []
        store.edit('second-pass', { n: chosen.length }, (edit) => {
          made = secondPass(edit, chosen, moduleId, newId)
        })
        const [first] = made
        if (!first) return setProblem(`This ${word.one} is gone.`)
        select({ kind: 'activity', id: first })
        store.say('Each builds on its first form. Ctrl+Z takes them back.', false)
        onClose()
      }}
    >
      {linked.length === 0 && from === null ? (
        <p>Nothing builds on anything yet: write it in the column “Builds on”, in Details, or in Chains.</p>
      ) : (
        <>
          {from === null && (
            <SelectInput
              label="The chain of"
              value={start}
              options={linked.map((a) => ({ value: a.id, label: label(a.id) }))}
              onChoose={(id) => {
                setStart(id)
                setLeft(new Set())
              }}
            />
          )}
          <div role="group" aria-label="Activities of the chain">
            {chain.map((id) => (
              <div key={id}>
                <CheckInput
                  label={label(id)}
                  checked={!left.has(id)}
                  onCheck={(on) => setLeft((all) => new Set(on ? [...all].filter((l) => l !== id) : [...all, id]))}
                />
              </div>
            ))}
          </div>
          <SelectInput
            label={`Once more in ${word.one}`}
            value={moduleId}
            options={index.modules.map((m) => ({ value: m.id, label: `${index.numberOf(m.id)} ${m.title}` }))}
            onChoose={setModuleId}
          />
        </>
      )}
    </FormDialog>
  )
}
