/** Every rule, why it looks, and how loud it is in this course. */
import { linkId } from '../../core/blueprint/ids'
import type { Course } from '../../core/blueprint/kinds'
import { RULE_WEIGHTS } from '../../core/blueprint/kinds/rule-setting'
import { WEIGHT_WORD } from '../../core/findings/finding'
import { profileWeight, type RuleWeight, ruleTitle } from '../../core/findings/profiles'
import { RULES } from '../../core/findings/registry'
import { whyOf } from '../../core/findings/words'
import { SelectInput } from '../parts/input'
import { useCourse, useCourseStore, useModuleWord } from '../store/course-store'

const word = (weight: RuleWeight): string => (weight === 'off' ? 'off' : WEIGHT_WORD[weight])

export function RuleTable({ course }: { course: Course }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const moduleWord = useModuleWord()
  const may = store.may('ruleSetting')
  const set = (code: string, weight: RuleWeight | '') =>
    store.edit('set-field', { what: ruleTitle(code).toLowerCase() }, (edit) => {
      const id = linkId([code], 'ruleSetting')
      if (weight === '') edit.remove({ kind: 'ruleSetting', id })
      else if (edit.now.ruleSetting.has(id)) edit.set('ruleSetting', id, { weight })
      else edit.create('ruleSetting', { id, code, weight })
    })
  return (
    <table className="sheet" style={{ marginTop: 6 }}>
      <thead>
        <tr>
          <th scope="col">Rule</th>
          <th scope="col" style={{ width: 150 }}>
            In this course
          </th>
        </tr>
      </thead>
      <tbody>
        {RULES.map((rule) => {
          const profile = profileWeight(course.profile, rule.code)
          return (
            <tr key={rule.code}>
              <th scope="row">
                {ruleTitle(rule.code)}
                <div className="muted small">{whyOf(rule.words, moduleWord)}</div>
              </th>
              <td>
                <SelectInput
                  label={`Weight of ${ruleTitle(rule.code)}`}
                  hideLabel
                  disabled={!may}
                  value={view.ruleSetting.get(linkId([rule.code], 'ruleSetting'))?.weight ?? ''}
                  options={[
                    { value: '' as const, label: profile === null ? 'as usual' : `as usual: ${word(profile)}` },
                    ...RULE_WEIGHTS.filter((w) => w !== 'open').map((w) => ({ value: w, label: word(w) })),
                  ]}
                  onChoose={(weight) => set(rule.code, weight)}
                />
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
