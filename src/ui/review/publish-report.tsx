/** Publishing a report: frozen at an address of its own, withdrawn again. */
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import type { ReportChoices } from '../../core/review/report'
import type { ReportState } from '../../server/report-publication'
import { Button } from '../parts/button'
import { Confirm } from '../parts/confirm'
import { ask, asked, courseAddress } from '../store/api'
import { useCourse, useCourseStore } from '../store/course-store'
import { queries } from '../store/queries'

export function PublishReport({ roundId, choices }: { readonly roundId: string; readonly choices: ReportChoices }) {
  const store = useCourseStore()
  const account = useCourse((s) => s.viewer?.id ?? '')
  const [asking, setAsking] = useState<'publish' | 'withdraw' | null>(null)
  const address = courseAddress(store.courseId, `/reports/${encodeURIComponent(roundId)}`)
  const queryKey = ['report', store.courseId, roundId]
  const { data: state } = useQuery({ queryKey, queryFn: () => asked<ReportState | null>(address) }, queries)
  const call = async (method: 'PUT' | 'DELETE') => {
    const answer = await ask<ReportState | null>(address, { method, account, ...(method === 'PUT' ? { body: choices } : {}) })
    if (!answer.ok) return store.say(answer.problem.title, true)
    queries.setQueryData(queryKey, answer.value)
    store.say(method === 'PUT' ? 'Published.' : 'Withdrawn. The address now says so.', false)
  }
  const live = state && !state.withdrawn ? state : null
  return (
    <>
      {live && (
        <a href={`/p/review/${live.slug}`} target="_blank" rel="noopener">
          As published
        </a>
      )}
      <Button onClick={() => setAsking('publish')}>{live ? 'Publish again…' : 'Publish…'}</Button>
      {live && <Button onClick={() => setAsking('withdraw')}>Withdraw…</Button>}
      {asking === 'publish' && (
        <Confirm heading="Publish the report?" yes="Publish" onClose={() => setAsking(null)} onYes={() => void call('PUT')}>
          <p>
            Whoever has its address reads it as it is now{choices.who === 'names' ? ', with the names of reviewers' : ', without names'}.{' '}
            {live && 'The address stays; what stood there is replaced.'}
          </p>
        </Confirm>
      )}
      {asking === 'withdraw' && (
        <Confirm heading="Withdraw the report?" yes="Withdraw" onClose={() => setAsking(null)} onYes={() => void call('DELETE')}>
          <p>Its address then says that it was withdrawn. Published again, it is the same address.</p>
        </Confirm>
      )}
    </>
  )
}
