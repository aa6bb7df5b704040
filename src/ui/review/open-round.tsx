/** Opening a round: what is rated, of which state of the plan, by whom, until when. */
import { useState } from 'react'
import { MERGES, ROUND_KINDS } from '../../core/beside/review-records'
import { type RoundWanted, reviewRoundForm } from '../../core/forms/review-round'
import { askedAreas, pointsToAsk } from '../../core/review/asked'
import { planSet, planSets, pointsOfSet } from '../../core/review/plan-sets'
import { KIND_WORDS, MERGE_WORDS } from '../../core/review/words'
import { CheckInput } from '../parts/choice-input'
import { FormDate, FormSelect, FormText, useZodForm } from '../parts/form'
import { FormDialog } from '../parts/form-dialog'
import { useSnapshots } from '../snapshots/use-snapshots'
import { ApiError } from '../store/api'
import { useCourse } from '../store/course-store'
import { usePeople } from '../store/people'
import { useOpenNewRound } from './begin-self-check'
import { ChooseAreas } from './choose-areas'
import type { ShownReview } from './use-review'

const NOTHING_LEFT = 'This choice leaves no point to be rated.'

type Props = { readonly review: ShownReview; readonly onClose: () => void }

export function OpenRound({ review, onClose }: Props) {
  const plan = useCourse((s) => s.view)
  const reviewed = useCourse((s) => s.reviewed)
  const sets = planSets(plan)
  const { snapshots } = useSnapshots()
  const people = usePeople().data?.members ?? []
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const [leftAreas, setLeftAreas] = useState<ReadonlySet<string>>(new Set())
  const open = useOpenNewRound(review)
  const before = review.round
  const { control, submit, problem, watch } = useZodForm(
    reviewRoundForm,
    {
      title: before ? `Round ${review.rounds.length + 1}` : 'First round',
      setId: before && sets.some((s) => s.record.id === before.setId) ? before.setId : (sets[0]?.record.id ?? ''),
      kind: 'peer',
      object: 'plan',
      address: '',
      snapshotId: '',
      follows: before?.id ?? '',
      points: 'all',
      due: '',
      merge: 'strictest',
    },
    async (wanted) => {
      const points = pointsToAsk(planSet(plan, wanted.setId), wanted, { leftAreas, comingBack: comingBack(wanted.setId) })
      if (points === null) return { title: NOTHING_LEFT, problems: [{ at: 'points', message: NOTHING_LEFT }] }
      try {
        const seats = mayRate(wanted.kind).filter((p) => !left.has(p.id))
        await open(
          wanted,
          points,
          seats.map((p) => ({ personId: p.id, name: p.name })),
        )
        onClose()
        return null
      } catch (error) {
        return { title: error instanceof ApiError ? error.problem.title : 'That did not work.' }
      }
    },
  )
  const kind = watch('kind') as RoundWanted['kind']
  const [object, follows] = [watch('object'), watch('follows')]
  /** A designer rates the own course in self-checks only. */
  const mayRate = (of: string) => people.filter((p) => of === 'self-check' || p.role !== 'designer')
  /** The ids of what should come back after the round that is open here. */
  const comingBack = (setId: string): readonly string[] => {
    const set = planSet(plan, setId)
    const codes = new Set(reviewed?.figures.rounds.at(-1)?.next.map((n) => n.code) ?? [])
    return set ? pointsOfSet(set).flatMap((p) => (codes.has(p.code) ? [p.id] : [])) : []
  }
  const chosenSet = planSet(plan, watch('setId'))
  const areas = chosenSet ? askedAreas({ kind, points: [] }, chosenSet) : []
  const all = areas.flatMap((a) => a.points)
  const canFollow = before !== null && follows === before.id && reviewed?.roundId === before.id
  return (
    <FormDialog heading="Open a round" yes="Open it" submit={submit} onClose={onClose} problem={problem}>
      <FormText control={control} name="title" label="Title" autoFocus element={{ maxLength: 200 }} />
      <div className="pair">
        <FormSelect
          control={control}
          name="kind"
          label="Who rates"
          options={ROUND_KINDS.map((k) => ({ value: k as string, label: KIND_WORDS[k] }))}
        />
        <FormSelect control={control} name="setId" label="Set" options={sets.map((s) => ({ value: s.record.id, label: s.record.title }))} />
      </div>
      <div className="pair">
        <FormSelect
          control={control}
          name="snapshotId"
          label="Of the plan"
          options={[{ value: '', label: 'as it is now' }, ...snapshots.map((s) => ({ value: s.id, label: s.name }))]}
        />
        <FormSelect
          control={control}
          name="object"
          label="What is looked at"
          options={[
            { value: 'plan', label: 'the plan' },
            { value: 'built course', label: 'the built course' },
          ]}
        />
      </div>
      {object === 'built course' && <FormText control={control} name="address" label="Its address" />}
      <div className="pair">
        <FormSelect
          control={control}
          name="follows"
          label="Goes on from"
          options={[{ value: '', label: 'no other round' }, ...review.rounds.map((r) => ({ value: r.id, label: r.title }))]}
        />
        <FormSelect
          control={control}
          name="points"
          label="Points"
          options={[
            {
              value: 'all',
              label: kind === 'learners' ? `all with a wording for learners (${all.length})` : `all of the set (${all.length})`,
            },
            { value: 'must', label: `what every course needs (${all.filter((p) => p.priority === 'must').length})` },
            { value: 'areas', label: 'those of some areas' },
            ...(canFollow ? [{ value: 'next', label: `what should come back (${comingBack(watch('setId')).length})` }] : []),
          ]}
        />
      </div>
      {watch('points') === 'areas' && <ChooseAreas areas={areas} left={leftAreas} onLeave={setLeftAreas} label="Areas that are rated" />}
      <div className="pair">
        <FormSelect
          control={control}
          name="merge"
          label="Where they differ"
          options={MERGES.map((m) => ({ value: m as string, label: MERGE_WORDS[m] }))}
        />
        <FormDate control={control} name="due" label="Hand in by" />
      </div>
      <fieldset className="seats">
        <legend>Seats</legend>
        {mayRate(kind).length === 0 && (
          <p className="muted">Nobody yet: invite people under People and roles. A designer rates in self-checks only.</p>
        )}
        {mayRate(kind).map((p) => (
          <CheckInput
            key={p.id}
            label={`${p.name}, ${p.role}`}
            checked={!left.has(p.id)}
            onCheck={(on) => setLeft(new Set([...[...left].filter((id) => id !== p.id), ...(on ? [] : [p.id])]))}
          />
        ))}
      </fieldset>
    </FormDialog>
  )
}
