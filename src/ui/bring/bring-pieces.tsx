/** Files and text on the left, what was understood of them on the right. */

import RemoveIcon from '@mui/icons-material/DeleteOutlined'
import { Button, IconButton } from '../parts/button'
import './bring.css'
import '../map/map.css'
import { type ComponentProps, type ReactNode, useCallback, useMemo, useRef, useState } from 'react'
import { useLocation } from 'wouter'
import sample from '../../../examples/bees-on-rooftops-syllabus.txt?raw'
import { MAX_OPERATIONS } from '../../core/blueprint/change'
import { bringIn } from '../../core/edits/bring-in'
import { rowMatches } from '../../core/edits/bring-matches'
import type { Answers } from '../../core/intake/answers'
import { type Correction, corrected } from '../../core/intake/corrections'
import { isCut } from '../../core/intake/cuts'
import { PIECE_SAYS, type UnderstoodPiece } from '../../core/intake/pieces'
import type { Understanding } from '../../core/intake/understanding'
import { countOf } from '../../core/numbers'
import type { ModuleWord } from '../../core/plan/module-word'
import type { Brought, Piece } from '../../workers/tasks'
import { CheckInput } from '../parts/choice-input'
import { downloadBlob } from '../parts/download'
import { DropBox } from '../parts/drop-box'
import { newId, useCourse, useCourseStore, useModuleWord } from '../store/course-store'
import { useKeptState } from '../store/kept-state'
import { guessSteps } from './guess-steps'
import { LedgerView } from './ledger-view'
import { Left } from './left'
import { type Change, Preview } from './preview'
import { Questions } from './questions'
import { answersSoFar, remember } from './remembered'
import { useIntake, useLedger } from './use-intake'

/** What was understood, as somebody has corrected it, and the reading that it is of. */
type KeptReading = { readonly tree: Understanding; readonly steps: readonly Correction[]; readonly from: string }

const NO_STEPS: readonly Correction[] = []

export function BringPieces({ views }: { views: ReactNode }) {
  const store = useCourseStore()
  const word = useModuleWord()
  const [, navigate] = useLocation()
  const [text, setText] = useKeptState('bring-text', '')
  const [files, setFiles] = useState<readonly Piece[]>([])
  const [kept, setKept] = useKeptState<KeptReading | null>('bring-tree', null)
  const [given, setGiven] = useKeptState<Answers | null>('bring-answers', null)
  const answers = useMemo(() => given ?? answersSoFar(), [given])
  const brought = useMemo(
    () => ({ pieces: [...(text.trim() === '' ? [] : [{ name: 'pasted text', content: text }]), ...files], answers }),
    [text, files, answers],
  )
  const { pieces } = brought
  const { state, result } = useIntake(brought)
  const tree = kept?.tree ?? result?.understanding ?? null
  // A new reading takes the place of one that nobody corrected; corrections wait for a word.
  const outdated = kept !== null && result !== null && state === 'read' && kept.from !== result.key
  const now = { tree, steps: kept?.steps ?? NO_STEPS, from: kept?.from ?? result?.key ?? '' }
  const latest = useRef(now)
  latest.current = now
  const change = useCallback<Change>(
    (step) => {
      const { tree: before, steps, from } = latest.current
      const next = before && corrected(before, step)
      if (!next) return
      const kept = { tree: next, steps: [...steps, step], from }
      latest.current = kept
      setKept(kept)
    },
    [setKept],
  )
  const { steps } = now
  const corrections = useMemo(() => ({ ...brought, answers: { ...answers, steps } }), [brought, answers, steps])
  const plan = useCourse((s) => s.view)
  const matches = useMemo(() => (tree ? rowMatches(plan, tree.modules) : new Map()), [plan, tree])
  const [lit, setLit] = useState<string | null>(null)
  const [asks, setAsks] = useState(false)
  const scroller = useRef<HTMLElement>(null)
  const startOver = () => {
    setText('')
    setFiles([])
    setKept(null)
    setGiven(null)
    setAsks(false)
  }
  const take = async (given: readonly File[]) => {
    const own = given.filter((f) => /\.(json|zip)$/i.test(f.name))
    if (own.length > 0) store.say(`${own[0]?.name} is brought in under “Another course”: as a file that was saved with Cairn.`, true)
    const list = given.filter((f) => !own.includes(f))
    const taken = await Promise.all(list.map(async (f) => ({ name: f.name, content: new Uint8Array(await f.arrayBuffer()) })))
    setFiles((before) => [...before.filter((b) => !taken.some((t) => t.name === b.name)), ...taken])
  }
  // Who adds less than what was brought says so, for each reading anew.
  const [without, setWithout] = useState<string | null>(null)
  const isLess = tree?.problems.some(isCut) ?? false
  const from = kept?.from ?? result?.key ?? null
  const waitsForWord = isLess && without !== from
  const counts = tree ? countsOf(tree) : null
  const total = counts
    ? counts.outcomes + counts.modules + counts.objectives + counts.activities + counts.categories + counts.pieces.length
    : 0
  const add = () => {
    if (!tree || !counts) return
    if (store.edit('bring-in', { n: total }, (edit) => bringIn(edit, tree, newId))) {
      store.say(`Added ${sentence(counts, word)}. Ctrl+Z takes all of it back.`, false)
      startOver()
      navigate('/map?show=picture')
    } else store.say('The course has all of this already: nothing was added.', false)
  }
  return (
    <div className="work">
      <div className="bar">
        <h1 className="visually-hidden">Bring what you have</h1>
        {views}
        <span className="muted small">Nothing is stored before you say so.</span>
      </div>
      <div className="bring-cols">
        {asks ? (
          <section aria-label="Where it went">
            <Button onClick={() => setAsks(false)}>Back to what you have</Button>
            <PiecesLedger brought={corrections} lit={lit} onLit={setLit} />
          </section>
        ) : (
          <DropBox
            prompt="Paste a syllabus, a schedule, a grade table, objectives or rows of activities"
            text={text}
            onText={setText}
            choose="Choose files…"
            hint="or drop them here: text, CSV, XLSX, DOCX"
            filesLabel="Files"
            accept=".txt,.md,.csv,.tsv,.xlsx,.docx"
            several
            onFiles={(list) => void take(list)}
          >
            <ul className="pieces" aria-label="Files brought">
              {files.map((f) => {
                const bad = result?.unreadable.find((u) => u.name === f.name)
                return (
                  <li key={f.name}>
                    <span className="row">
                      <b>{f.name}</b>
                      <span className="grow" />
                      <IconButton
                        name={`Leave out ${f.name}`}
                        onClick={() => setFiles((before) => before.filter((b) => b.name !== f.name))}
                      >
                        <RemoveIcon />
                      </IconButton>
                    </span>
                    {bad && (
                      <span className="form-error" role="alert">
                        {bad.message}
                      </span>
                    )}
                  </li>
                )
              })}
            </ul>
            {pieces.length === 0 && (
              <p className="muted small">
                Nothing at hand? <Button onClick={() => setText(sample)}>Try it with a sample syllabus</Button>
              </p>
            )}
            {tree !== null && (
              <div>
                <Button onClick={() => setAsks(true)}>Where did this go?</Button>
              </div>
            )}
          </DropBox>
        )}
        <section ref={scroller} aria-label="What was understood" aria-busy={state === 'reading'}>
          {state === 'given-up' && (
            <p className="form-error" role="alert">
              This takes too long to read and was given up. Bring it in smaller pieces.
            </p>
          )}
          {tree === null ? (
            state !== 'given-up' && (
              <p className="empty">
                {state === 'reading'
                  ? 'Reading …'
                  : `Here appears what Cairn understands: outcomes, ${word.many}, objectives, activities with minutes and points, and where your pieces disagree. You correct it, then it becomes part of the course in one step.`}
              </p>
            )
          ) : (
            <>
              {outdated && (
                <p className="spread-bar" role="status">
                  <span>What you have was read again; your corrections are of the reading before.</span>
                  <Button onClick={() => setKept(null)}>Take the new reading</Button>
                </p>
              )}
              <Questions
                tree={tree}
                answers={answers}
                onAnswer={(next, header) => setGiven(header ? { ...next, headers: remember(header.text, header.role) } : next)}
              />
              <Preview
                tree={tree}
                onChange={change}
                matches={matches}
                lit={lit}
                onLit={setLit}
                scroller={scroller}
                nextGuess={guessSteps.next}
              />
              {tree.notUnderstood.length > 0 && <Left tree={tree} onChange={change} />}
            </>
          )}
        </section>
      </div>
      {tree && counts && (
        <div className="bring-foot">
          <span role="status">
            <b>{total === 0 ? 'Nothing to add yet' : sentence(counts, word)}</b>
            {tree.problems.length > 0 && (
              <>
                {'\u00a0·\u00a0'}
                <span className="weight check">{countOf(tree.problems.length, 'thing')} to look at</span>
              </>
            )}
            {tree.notUnderstood.length > 0 && (
              <>
                {'\u00a0·\u00a0'}
                <span className="muted">{countOf(tree.notUnderstood.length, 'line')} not understood</span>
              </>
            )}
          </span>
          {tree.guesses.length > 0 && (
            <Button onClick={() => guessSteps.next.current()} tip="To the next of them: F8">
              {countOf(tree.guesses.length, 'guess', 'guesses')}
            </Button>
          )}
          <span className="grow" />
          {isLess && (
            <CheckInput label="Add it without what is left out" checked={!waitsForWord} onCheck={(on) => setWithout(on ? from : null)} />
          )}
          {total > MAX_OPERATIONS && <span className="form-error">Too much for one step: bring it in parts.</span>}
          <Button
            onClick={() => downloadBlob(new Blob([answersText({ ...answers, steps })], { type: 'application/json' }), 'answers.json')}
            tip="For cairn map --answers"
          >
            Save the answers
          </Button>
          <Button onClick={startOver}>Start over</Button>
          <Button rank="main" disabled={total === 0 || total > MAX_OPERATIONS || state === 'reading' || waitsForWord} onClick={add}>
            Add to the course
          </Button>
        </div>
      )}
    </div>
  )
}

/** Answers and corrections, with which the same pieces are read again in the same way. */
const answersText = (answers: Answers): string => `${JSON.stringify(answers, null, 2)}\n`

type Counts = ReturnType<typeof countsOf>

const countsOf = (tree: Understanding) => ({
  outcomes: tree.outcomes.length,
  modules: tree.modules.length,
  objectives: tree.modules.reduce((n, m) => n + m.objectives.length, 0),
  activities: tree.modules.reduce((n, m) => n + m.activities.length, 0),
  categories: tree.categories.some((c) => c.share !== null) ? tree.categories.length : 0,
  pieces: tree.pieces,
})

/** `4 outcomes, 4 modules, 10 objectives, 17 activities` */
function sentence(counts: Counts, word: ModuleWord): string {
  return [
    counts.outcomes > 0 ? countOf(counts.outcomes, 'outcome') : null,
    counts.modules > 0 ? countOf(counts.modules, word.one, word.many) : null,
    counts.objectives > 0 ? countOf(counts.objectives, 'objective') : null,
    counts.activities > 0 ? countOf(counts.activities, 'activity', 'activities') : null,
    counts.categories > 0 ? countOf(counts.categories, 'grade category', 'grade categories') : null,
    ...(Object.keys(PIECE_SAYS) as UnderstoodPiece['kind'][]).map((kind) => {
      const n = counts.pieces.filter((p) => p.kind === kind).length
      return n > 0 ? countOf(n, ...PIECE_SAYS[kind]) : null
    }),
  ]
    .filter((t) => t !== null)
    .join(', ')
}

/** The ledger of the pieces; it is made when somebody asks for it. */
function PiecesLedger({ brought, ...shown }: { brought: Brought } & Omit<ComponentProps<typeof LedgerView>, 'ledger'>) {
  return <LedgerView ledger={useLedger(brought)} {...shown} />
}
