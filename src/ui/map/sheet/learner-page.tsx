/** A module as its learners read it: the overview, what they will be able to do, and the tasks as a list to work through. */
import { learnerSheet } from '../../../core/design/sheet'
import { RichView } from '../../parts/rich-view'
import { useCourseData } from '../../store/course-store'

export function LearnerPage({ id }: { readonly id: string }) {
  const sheet = useCourseData((s) => learnerSheet(s.view, id))
  if (!sheet) return null
  return (
    // Read by keys: it scrolls, and nothing in it need be pressed.
    <section className="scroll-area sheet-page learner-page" aria-label={`${sheet.number} ${sheet.title}`} tabIndex={0}>
      <h2 className="learner-title">
        {sheet.number} {sheet.title}
      </h2>
      {sheet.overview && (
        <div className="rich">
          <RichView value={sheet.overview} links />
        </div>
      )}
      {sheet.whatIsNew && <p>{sheet.whatIsNew}</p>}
      {sheet.objectives.length > 0 && (
        <>
          <h3>What you will be able to do</h3>
          <ul>
            {sheet.objectives.map((o) => (
              <li key={o.number}>
                <b>{o.number}</b> {o.statement}
              </li>
            ))}
          </ul>
        </>
      )}
      <h3>Tasks</h3>
      {sheet.tasks.length === 0 && <p className="muted">No tasks yet.</p>}
      <ul className="learner-tasks">
        {sheet.tasks.map((t) => (
          <li key={t.id}>
            <span aria-hidden="true" className="learner-box" />
            <div>
              <b>
                {t.number} {t.title}
              </b>{' '}
              {t.isOptional && <span className="muted">(optional)</span>}
              <div className="muted small">
                {[t.minutes, t.points, t.date && `due ${t.date}`, t.serves.length > 0 && `for ${t.serves.join(', ')}`]
                  .filter(Boolean)
                  .join(' · ')}
              </div>
              {t.instructions && (
                <div className="rich">
                  <RichView value={t.instructions} links />
                </div>
              )}
              {t.materials.length > 0 && (
                <ul>
                  {t.materials.map((m) => (
                    <li key={`${m.title}${m.use}`}>
                      {m.address ? (
                        <a href={m.address} rel="noopener">
                          {m.title}
                        </a>
                      ) : (
                        m.title
                      )}{' '}
                      <span className="muted">({m.use})</span>
                    </li>
                  ))}
                </ul>
              )}
            </div>
          </li>
        ))}
      </ul>
      {sheet.closing && (
        <div className="rich">
          <RichView value={sheet.closing} links />
        </div>
      )}
    </section>
  )
}
