/** Giving a seat of a round: to a member, or by a link to somebody without an account; of the whole round, or of some areas. */
import { useState } from 'react'
import type { ReviewRound } from '../../core/beside/review-records'
import { seatForm } from '../../core/forms/seat'
import { askedAreas } from '../../core/review/asked'
import type { BesideRecord } from '../../server/beside'
import { Button } from '../parts/button'
import { Form, FormProblem, FormText, useZodForm } from '../parts/form'
import { SelectInput, TextInput } from '../parts/input'
import { Segments } from '../parts/segments'
import { ask, courseAddress } from '../store/api'
import { newId, useCourse, useCourseStore } from '../store/course-store'
import { usePeople } from '../store/people'
import { queries } from '../store/queries'
import { NEW_SEAT } from './begin-self-check'
import { ChooseAreas } from './choose-areas'
import type { OpenRound, ShownReview } from './use-review'

/** A link that was just made: it is shown this once. */
export type MadeLink = { readonly name: string; readonly link: string; readonly mailed: boolean }
type Props = {
  readonly review: ShownReview
  readonly round: ReviewRound
  readonly open: OpenRound | null
  readonly onLink: (made: MadeLink) => void
  readonly onError: (error: unknown) => void
}

export function GiveSeat({ review, round, open, onLink, onError }: Props) {
  const [to, setTo] = useState<'member' | 'link'>(round.kind === 'self-check' ? 'member' : 'link')
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const asked = open ? askedAreas(round, open.set) : []
  const taken = asked.filter((a) => !left.has(a.id))
  const points = taken.length === asked.length ? [] : taken.flatMap((a) => a.points.map((p) => p.id))
  return (
    <fieldset className="seats give-seat">
      <legend>Give a seat</legend>
      <Segments
        label="To whom"
        value={to}
        options={[
          { value: 'link', label: 'By a link, without an account' },
          { value: 'member', label: 'To a member of the course' },
        ]}
        onChoose={setTo}
      />
      {asked.length > 1 && <ChooseAreas areas={asked} left={left} onLeave={setLeft} label="Areas that it rates" />}
      {taken.length === 0 && asked.length > 0 && <p className="form-error">A seat rates at least one area.</p>}
      {(taken.length > 0 || asked.length === 0) &&
        (to === 'link' ? (
          <ByLink round={round} points={points} onLink={onLink} />
        ) : (
          <ToMember review={review} round={round} points={points} onError={onError} />
        ))}
    </fieldset>
  )
}

type Points = { readonly points: readonly string[] }

function ByLink({ round, points, onLink }: Pick<Props, 'round' | 'onLink'> & Points) {
  const { courseId } = useCourseStore()
  const account = useCourse((s) => s.viewer?.id ?? '')
  const { control, submit, problem, reset } = useZodForm(seatForm, { name: '', email: '' }, async ({ name, email }) => {
    const body = { roundId: round.id, name, email, points }
    const answer = await ask<{ seat: BesideRecord; link: string }>(courseAddress(courseId, '/seats'), { method: 'POST', body, account })
    if (!answer.ok) return answer.problem
    await queries.invalidateQueries({ queryKey: ['beside', courseId, 'reviewSeat'] })
    onLink({ name, link: answer.value.link, mailed: email !== '' })
    reset({ name: '', email: '' })
    return null
  })
  return (
    <Form submit={submit}>
      <div className="pair">
        <FormText control={control} name="name" label="Name that is shown" element={{ maxLength: 120 }} />
        <FormText control={control} name="email" label="Mail address, if it is to be sent" />
      </div>
      <FormProblem>{problem}</FormProblem>
      <Button type="submit">Make the link</Button>
    </Form>
  )
}

function ToMember({ review, round, points, onError }: Omit<Props, 'open' | 'onLink'> & Points) {
  const people = usePeople().data?.members ?? []
  const seats = review.records.seats.filter((s) => s.roundId === round.id)
  const free = people.filter((p) => seats.every((s) => s.personId !== p.id) && (round.kind === 'self-check' || p.role !== 'designer'))
  const give = (personId: string) => {
    const person = people.find((p) => p.id === personId)
    const values = { ...NEW_SEAT, roundId: round.id, personId, name: person?.name ?? '', points }
    if (person) review.writes.seat.put.mutate({ id: newId(), values, base: null }, { onError })
  }
  if (free.length === 0)
    return (
      <p className="muted">Every member who may rate has a seat. A designer rates in self-checks only; others are invited under People.</p>
    )
  return (
    <SelectInput
      label="Give a seat to"
      value=""
      options={[{ value: '', label: 'Choose somebody' }, ...free.map((p) => ({ value: p.id, label: `${p.name}, ${p.role}` }))]}
      onChoose={give}
    />
  )
}

/** The link, to be copied and handed on; nobody sees it again. */
export function LinkMade({ name, link, mailed }: MadeLink) {
  const store = useCourseStore()
  const copy = () =>
    void navigator.clipboard.writeText(link).then(
      () => store.say('Copied.', false),
      () => store.say('This browser does not let it be copied. Mark it and copy it by keys.', true),
    )
  return (
    <div className="made-link" role="status">
      <TextInput label={`The link of ${name}`} value={link} readOnly onFocus={(e) => e.target.select()} />
      <Button onClick={copy}>Copy</Button>
      <p className="muted small">
        {mailed ? 'It was put into the outbox too. ' : 'Hand it on yourself. '}It is shown this once: whoever has it rates as {name}.
      </p>
    </div>
  )
}
