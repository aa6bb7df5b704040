/** Outcomes, modules, objectives and grade categories of the preview. */
import RemoveIcon from '@mui/icons-material/DeleteOutlined'
import SwapIcon from '@mui/icons-material/SwapHoriz'
import { article, capital, fitted } from '../../core/blueprint/text'
import { pathOfRow, type RowAt } from '../../core/intake/correct'
import { PIECE_SAYS, pieceText } from '../../core/intake/pieces'
import { readWeekSpan } from '../../core/intake/quantities'
import type { IntakeGuess, Understanding, UnderstoodModule } from '../../core/intake/understanding'
import { countOf, formatHundredths } from '../../core/numbers'
import { IconButton } from '../parts/button'
import { DraftField } from '../parts/draft-field'
import { LineButton } from '../parts/line-button'
import { useModuleWord } from '../store/course-store'
import { Guesses } from './activity-row'
import { named } from './named'
import type { Change } from './preview'

type At = { readonly tree: Understanding; readonly at: number; readonly onChange: Change }
type Guessed = At & { readonly guesses: readonly IntakeGuess[] }
/** A value that is a guess is muted. */
const isGuess = (guesses: readonly IntakeGuess[], field: string): string =>
  guesses.some((g) => g.path.endsWith(`.${field}`)) ? 'guessed' : ''

type MarkProps = Pick<Guessed, 'guesses' | 'onChange'> & { readonly of: string; readonly path: string }
const Mark = ({ guesses, onChange, of, path }: MarkProps) =>
  guesses.length > 0 && <Guesses {...{ of, guesses }} onRight={() => onChange({ do: 'right', path })} />

const Remove = ({ what, onRemove }: { what: string; onRemove: () => void }) => (
  <IconButton name={`Take out ${what}`} onClick={onRemove}>
    <RemoveIcon />
  </IconButton>
)
export function OutcomeRow({ tree, at, onChange, guesses }: Guessed) {
  const outcome = tree.outcomes[at]
  if (!outcome) return null
  return (
    <div className="understood-line">
      <b>{outcome.code}</b>
      <DraftField
        label={`Outcome ${outcome.code}`}
        hideLabel
        boxed={false}
        value={outcome.statement}
        onCommit={(text) => named(text, 'An outcome', (statement) => onChange({ do: 'set', path: `outcomes[${at}]`, to: { statement } }))}
      />
      <Mark {...{ guesses, onChange }} of={outcome.statement} path={`outcomes[${at}]`} />
      <Remove
        what={`outcome ${outcome.code}`}
        onRemove={() => onChange({ do: 'take out', path: `outcomes[${at}]`, text: outcome.statement })}
      />
    </div>
  )
}

export function CategoryRow({ tree, at, onChange, guesses }: Guessed) {
  const category = tree.categories[at]
  if (!category) return null
  return (
    <div className="understood-line">
      <b className={isGuess(guesses, 'share')}>{category.share === null ? '' : `${formatHundredths(category.share)} %`}</b>
      <span className="grow">{category.title}</span>
      <Mark {...{ guesses, onChange }} of={category.title} path={`categories[${at}]`} />
      <Remove what={category.title} onRemove={() => onChange({ do: 'take out', path: `categories[${at}]`, text: category.title })} />
    </div>
  )
}

/** A rubric, the letters of the grade, or a text of the syllabus. */
export function PieceRow({ tree, at, onChange }: At) {
  const piece = tree.pieces[at]
  if (!piece) return null
  const text = pieceText(piece)
  return (
    <div className="understood-line">
      <span className="muted nowrap" style={{ width: 150, flex: 'none' }}>
        {capital(PIECE_SAYS[piece.kind][0])}
      </span>
      <span className="grow">{text}</span>
      <Remove what={fitted(text, 40)} onRemove={() => onChange({ do: 'take out', path: `pieces[${at}]`, text })} />
    </div>
  )
}

export function ModuleRow({ tree, at, onChange, guesses }: Guessed) {
  const word = useModuleWord()
  const module = tree.modules[at]
  if (!module) return null
  const name = `${word.one} ${module.number ?? ''}`.trim()
  const set = (to: Pick<Partial<UnderstoodModule>, 'title' | 'weeks'>) => onChange({ do: 'set', path: `modules[${at}]`, to })
  const takeOut = () =>
    onChange({
      do: 'take out',
      path: `modules[${at}]`,
      text: `${module.title} (${countOf(module.activities.length, 'activity', 'activities')})`,
    })
  return (
    <div className="understood-line understood-head">
      <b>{module.number}</b>
      <DraftField
        label={`Title of ${name}`}
        hideLabel
        boxed={false}
        value={module.title}
        onCommit={(text) => named(text, capital(article(word.one)), (title) => set({ title }))}
      />
      <span className={isGuess(guesses, 'weeks')} style={{ width: 110, flex: 'none' }}>
        <DraftField
          label={`Weeks of ${name}`}
          hideLabel
          boxed={false}
          value={module.weeks ? `week ${module.weeks.first}${module.weeks.last > module.weeks.first ? `–${module.weeks.last}` : ''}` : ''}
          placeholder="no weeks"
          onCommit={(text) => {
            const weeks = text.trim() === '' ? null : readWeekSpan(text)
            if (text.trim() !== '' && weeks === null) return 'Write 5 or 5–6.'
            set({ weeks })
            return null
          }}
        />
      </span>
      <Mark {...{ guesses, onChange }} of={module.title} path={`modules[${at}]`} />
      <Remove what={`${name} with all in it`} onRemove={takeOut} />
    </div>
  )
}

type ObjectiveProps = {
  readonly tree: Understanding
  readonly row: RowAt
  readonly onChange: Change
  readonly guesses: readonly IntakeGuess[]
}
export function ObjectiveRow({ tree, row, onChange, guesses }: ObjectiveProps) {
  const objective = tree.modules[row.module]?.objectives[row.at]
  if (!objective) return null
  const { code, statement, outcomes } = objective
  return (
    <div className="understood-line">
      <b>{code}</b>
      <DraftField
        label={`Objective ${code}`}
        hideLabel
        boxed={false}
        value={statement}
        onCommit={(text) => named(text, 'An objective', (to) => onChange({ do: 'set', path: pathOfRow(row), to: { statement: to } }))}
      />
      <span className="muted small nowrap">{outcomes.join(' ')}</span>
      <Mark {...{ guesses, onChange }} of={statement} path={pathOfRow(row)} />
      <LineButton
        className="plain more"
        aria-label={`Objective ${code} is an activity`}
        tip="It is an activity"
        onClick={() => onChange({ do: 'swap', row })}
      >
        <SwapIcon fontSize="small" />
      </LineButton>
      <Remove what={`objective ${code}`} onRemove={() => onChange({ do: 'take out', path: pathOfRow(row), text: statement })} />
    </div>
  )
}
