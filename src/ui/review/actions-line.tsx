/** One line in each workspace: what is to be done there. */
import { useState } from 'react'
import { Link, useLocation } from 'wouter'
import { isOpenAction } from '../../core/beside/review-records'
import { isKindName } from '../../core/blueprint/kinds'
import { shortDate } from '../../core/calendar/plain-date'
import { countOf } from '../../core/numbers'
import { isWorkspace } from '../../core/workspaces'
import { kindView } from '../kind-views'
import { Button } from '../parts/button'
import { LineButton } from '../parts/line-button'
import { useGo } from '../store/navigation'
import { useActions } from './use-actions'

export function ActionsLine() {
  const { actions } = useActions(true)
  const [location] = useLocation()
  const { open } = useGo()
  const [away, setAway] = useState<readonly string[]>([])
  const workspace = location.split('/')[1] ?? ''
  const here = actions
    .filter((a) => isOpenAction(a) && a.records.some((r) => isKindName(r.kind) && kindView(r.kind).workspace === workspace))
    .toSorted((a, b) => (a.by ?? '9999').localeCompare(b.by ?? '9999'))
  const [next] = here
  if (!next || !isWorkspace(workspace) || away.includes(workspace)) return null
  const record = next.records.find((r) => isKindName(r.kind) && kindView(r.kind).workspace === workspace)
  return (
    <p className="actions-line no-print" role="note">
      <span>
        {countOf(here.length, 'action')} of the review here{here.length > 1 ? ', first' : ''}:{' '}
        <LineButton className="plain" onClick={() => record && isKindName(record.kind) && open({ kind: record.kind, id: record.id })}>
          {next.what}
        </LineButton>
        {next.by && `, by ${shortDate(next.by)}`}
      </span>
      <Link href="/review?show=actions&which=open">All open actions</Link>
      <Button rank="rest" onClick={() => setAway([...away, workspace])}>
        Close
      </Button>
    </p>
  )
}
