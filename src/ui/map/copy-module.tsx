/** How a module is copied: whole or its structure alone, with objectives of its own or serving the old ones. */
import { useState } from 'react'
import { copyModule, type ModuleCopy } from '../../core/design/copy-module'
import { indexCourse } from '../../core/plan/plan-index'
import { RadioInput } from '../parts/choice-input'
import { FormDialog } from '../parts/form-dialog'
import { newId, useCourse, useCourseStore, useModuleWord } from '../store/course-store'
import { useGo } from '../store/navigation'

export function CopyModule({ id, onClose }: { readonly id: string; readonly onClose: () => void }) {
  const store = useCourseStore()
  const word = useModuleWord()
  const { select } = useGo()
  const module = useCourse((s) => s.view.module.get(id))
  const number = useCourse((s) => indexCourse(s.view).numberOf(id))
  const [what, setWhat] = useState<ModuleCopy['what']>('whole')
  const [objectives, setObjectives] = useState<ModuleCopy['objectives']>('copied')
  const [problem, setProblem] = useState<string | null>(null)
  return (
    <FormDialog
      heading={`Copy ${word.one} ${number} ${module?.title ?? ''}`}
      yes="Copy"
      width="xs"
      problem={problem}
      onClose={onClose}
      submit={(event) => {
        event.preventDefault()
        let made: string | null = null
        store.edit('copy-module', { what: `${word.one} ${number}` }, (edit) => {
          made = copyModule(edit, id, { what, objectives }, newId)
        })
        if (made === null) return setProblem(`This ${word.one} is gone.`)
        select({ kind: 'module', id: made })
        store.say(`The copy stands behind it, without weeks. Ctrl+Z takes it back.`, false)
        onClose()
      }}
    >
      <RadioInput
        label="What is copied"
        value={what}
        options={[
          { value: 'whole', label: 'All of it: texts, activities, assessments, links' },
          { value: 'structure', label: 'Its structure: parts, titles, kinds and series, no texts' },
        ]}
        onChoose={setWhat}
      />
      {what === 'whole' && (
        <RadioInput
          label="Objectives"
          value={objectives}
          options={[
            { value: 'copied', label: 'Copied too' },
            { value: 'served', label: 'The activities serve those that are there' },
          ]}
          onChoose={setObjectives}
        />
      )}
    </FormDialog>
  )
}
