/** The three first steps of a workspace, for whoever opens it for the first time; put away for good in every browser of the account. */
import './help.css'
import { useState } from 'react'
import type { Workspace } from '../../core/workspaces'
import { toWork } from '../frame/regions'
import { Button } from '../parts/button'
import { useGo } from '../store/navigation'
import { titleOf } from '../workspaces'
import { putAway } from './seen'
import { FIRST_STEPS } from './steps'

export function FirstSteps({ workspace }: { workspace: Workspace }) {
  const [away, setAway] = useState(false)
  const { go } = useGo()
  if (away) return null
  return (
    <section className="first-steps no-print" aria-labelledby="first-steps">
      <h2 id="first-steps">First steps in {titleOf(workspace)}</h2>
      <ol>
        {FIRST_STEPS[workspace].map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      <div className="acts">
        <Button rank="rest" onClick={() => go('/help')}>
          More in the help
        </Button>
        <Button
          onClick={() => {
            putAway(workspace)
            setAway(true)
            // When it is gone: to where work is done.
            requestAnimationFrame(toWork)
          }}
        >
          Got it
        </Button>
      </div>
    </section>
  )
}
