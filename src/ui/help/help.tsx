/** The help page: a picture and ten lines for each workspace, kept with the frame, so that it is there without a line. */
import './help.css'
import { Link } from 'wouter'
import assessment from '../../../docs/screenshots/assessment.png?url'
import brief from '../../../docs/screenshots/brief.png?url'
import calendar from '../../../docs/screenshots/calendar.png?url'
import map from '../../../docs/screenshots/map.png?url'
import outcomes from '../../../docs/screenshots/outcomes.png?url'
import review from '../../../docs/screenshots/review.png?url'
import syllabus from '../../../docs/screenshots/syllabus.png?url'
import { WORKSPACES, type Workspace } from '../../core/workspaces'
import { titleOf } from '../workspaces'
import { HELP_LINES } from './texts'

const PICTURES: Readonly<Record<Workspace, string>> = { brief, outcomes, map, assessment, calendar, syllabus, review }

export const Help = () => (
  <div className="work">
    <div className="scroll-area help">
      <h1>Help</h1>
      <nav aria-label="Workspaces in the help" className="row">
        {WORKSPACES.map((w) => (
          <a key={w} href={`#help-${w}`}>
            {titleOf(w)}
          </a>
        ))}
      </nav>
      <p>
        <kbd>?</kbd> lists the keys of the view that is open. <kbd>Ctrl K</kbd> finds any command and any record. <kbd>F6</kbd> goes round
        the parts of the window. Everything is kept as you type, also while there is no line, and <kbd>Ctrl Z</kbd> takes it back.
      </p>
      {WORKSPACES.map((w) => (
        <section key={w} aria-labelledby={`help-${w}`}>
          <h2 id={`help-${w}`} tabIndex={-1}>
            {titleOf(w)}
          </h2>
          <div className="help-parts">
            <img src={PICTURES[w]} width={1280} height={800} alt={`${titleOf(w)} with a sample course`} loading="lazy" />
            <ul>
              {HELP_LINES[w].map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
          </div>
          <p>
            <Link href={`/${w}`}>Go to {titleOf(w)}</Link>
          </p>
        </section>
      ))}
    </div>
  </div>
)
