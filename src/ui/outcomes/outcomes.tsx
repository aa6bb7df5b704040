/** Outcomes and objectives: as lines, counted by level, one outcome beside all that supports it, and the frameworks behind them. */

import './outcomes.css'
import { countOf } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { laterFrom } from '../parts/later'
import { Segments } from '../parts/segments'
import { useCourse } from '../store/course-store'
import { useChoice, useGo, useSelected } from '../store/navigation'
import { NO_FILTER, useFilter } from './filter'
import { Lines } from './lines'

const SupportTable = laterFrom(
  () => import('./support'),
  (m) => m.SupportTable,
)

const Frameworks = laterFrom(
  () => import('../frameworks/frameworks'),
  (m) => m.Frameworks,
  <p className="empty">Loading …</p>,
)

const ObjectiveSpread = laterFrom(
  () => import('./spread'),
  (m) => m.ObjectiveSpread,
)

export function Outcomes() {
  const view = useCourse((s) => s.view)
  const index = indexCourse(view)
  const selected = useSelected()
  const { select } = useGo()
  const [show, choose] = useChoice('show', ['lines', 'spread', 'support', 'frameworks'])
  const [filter, setFilter] = useFilter()
  return (
    <div className="work">
      <div className="bar">
        <h1 className="visually-hidden">Outcomes and objectives</h1>
        <Segments
          label="Views of the outcomes"
          value={show}
          options={[
            { value: 'lines', label: 'Lines' },
            { value: 'spread', label: 'Spread' },
            { value: 'support', label: 'Side by side' },
            { value: 'frameworks', label: 'Frameworks' },
          ]}
          onChoose={choose}
        />
        <span className="muted small">
          {countOf(index.outcomes.length, 'outcome')} · {countOf(index.objectives.length, 'objective')}
        </span>
        <span className="grow" />
        {show === 'lines' && (
          <span className="muted small no-print">
            <kbd>Enter</kbd> next line · <kbd>Tab</kbd> level, outcomes · <kbd>Alt Enter</kbd> take the wording · <kbd>Alt V</kbd> verbs
          </span>
        )}
      </div>
      {show === 'lines' && <Lines filter={filter} onFilter={setFilter} />}
      {show === 'frameworks' && <Frameworks />}
      {show === 'spread' && (
        <div className="scroll-area">
          <ObjectiveSpread onShow={(module, level) => setFilter({ ...NO_FILTER, module, level }, { show: '' })} />
        </div>
      )}
      {show === 'support' && (
        <div className="scroll-area">
          <SupportTable outcomeId={selected?.kind === 'outcome' ? selected.id : null} onChoose={(id) => select({ kind: 'outcome', id })} />
        </div>
      )}
    </div>
  )
}
