/** Files and text on the left, what was understood of them on the right. */

import RemoveIcon from '@mui/icons-material/DeleteOutlined'
import { Button, IconButton } from '../parts/button'
import './bring.css'
import '../map/map.css'
import { type ReactNode, useEffect, useMemo, useRef, useState } from 'react'
import { useLocation } from 'wouter'
import sample from '../../../examples/bees-on-rooftops-syllabus.txt?raw'
import { MAX_OPERATIONS } from '../../core/blueprint/change'
import { bringIn } from '../../core/edits/bring-in'
import { isCut } from '../../core/intake/cuts'
import type { Understanding } from '../../core/intake/understanding'
import { countOf } from '../../core/numbers'
import type { ModuleWord } from '../../core/plan/module-word'
import type { Piece } from '../../workers/tasks'
import { CheckInput } from '../parts/choice-input'
import { DropBox } from '../parts/drop-box'
import { newId, useCourseStore, useModuleWord } from '../store/course-store'
import { useKeptState } from '../store/kept-state'
import { UnderstoodTree } from './understood-tree'
import { useIntake } from './use-intake'

/** What was understood, with corrections, and the reading that they are of. */
type KeptReading = { readonly tree: Understanding; readonly from: string }

export function BringPieces({ views }: { views: ReactNode }) {
  const store = useCourseStore()
  const word = useModuleWord()
  const [, navigate] = useLocation()
  const [text, setText] = useKeptState('bring-text', '')
  const [files, setFiles] = useState<readonly Piece[]>([])
  const pieces = useMemo(() => [...(text.trim() === '' ? [] : [{ name: 'pasted text', content: text }]), ...files], [text, files])
  const { state, result } = useIntake(pieces)
  const [kept, setKept] = useKeptState<KeptReading | null>('bring-tree', null)
  const reading = useMemo(() => (result ? JSON.stringify(result.understanding) : null), [result])
  const corrected = kept !== null && JSON.stringify(kept.tree) !== kept.from
  const brought = useRef(false)
  // A new reading takes the place of one that nobody corrected; corrections wait for a word.
  useEffect(() => {
    if (reading === null || !result || state !== 'read') return
    if (kept === null || (!corrected && kept.from !== reading)) setKept({ tree: result.understanding, from: reading })
  }, [reading, result, state, kept, corrected, setKept])
  useEffect(() => {
    if (state === 'empty' && !corrected && brought.current) setKept(null)
    brought.current ||= state === 'read'
  }, [state, corrected, setKept])
  const tree = kept?.tree ?? null
  const setTree = (next: Understanding) => kept && setKept({ ...kept, tree: next })
  const outdated = corrected && reading !== null && state === 'read' && kept.from !== reading
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
  const waitsForWord = isLess && without !== kept?.from
  const counts = tree ? countsOf(tree) : null
  const total = counts ? counts.outcomes + counts.modules + counts.objectives + counts.activities + counts.categories : 0
  const add = () => {
    if (!tree || !counts) return
    if (store.edit('bring-in', { n: total }, (edit) => bringIn(edit, tree, newId))) {
      store.say(`Added ${sentence(counts, word)}. Ctrl+Z takes all of it back.`, false)
      setText('')
      setKept(null)
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
                    <IconButton name={`Leave out ${f.name}`} onClick={() => setFiles((before) => before.filter((b) => b.name !== f.name))}>
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
        </DropBox>
        <section aria-label="What was understood" aria-busy={state === 'reading'}>
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
              {outdated && result && reading !== null && (
                <p className="spread-bar" role="status">
                  <span>What you have was read again; your corrections are of the reading before.</span>
                  <Button onClick={() => setKept({ tree: result.understanding, from: reading })}>Take the new reading</Button>
                </p>
              )}
              <UnderstoodTree tree={tree} onChange={setTree} />
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
          <span className="grow" />
          {isLess && (
            <CheckInput
              label="Add it without what is left out"
              checked={!waitsForWord}
              onCheck={(on) => setWithout(on ? (kept?.from ?? null) : null)}
            />
          )}
          {total > MAX_OPERATIONS && <span className="form-error">Too much for one step: bring it in parts.</span>}
          <Button
            onClick={() => {
              setText('')
              setFiles([])
              setKept(null)
            }}
          >
            Start over
          </Button>
          <Button rank="main" disabled={total === 0 || total > MAX_OPERATIONS || state === 'reading' || waitsForWord} onClick={add}>
            Add to the course
          </Button>
        </div>
      )}
    </div>
  )
}

type Counts = ReturnType<typeof countsOf>

const countsOf = (tree: Understanding) => ({
  outcomes: tree.outcomes.length,
  modules: tree.modules.length,
  objectives: tree.modules.reduce((n, m) => n + m.objectives.length, 0),
  activities: tree.modules.reduce((n, m) => n + m.activities.length, 0),
  categories: tree.categories.some((c) => c.share !== null) ? tree.categories.length : 0,
})

/** `4 outcomes, 4 modules, 10 objectives, 17 activities` */
function sentence(counts: Counts, word: ModuleWord): string {
  return [
    counts.outcomes > 0 ? countOf(counts.outcomes, 'outcome') : null,
    counts.modules > 0 ? countOf(counts.modules, word.one, word.many) : null,
    counts.objectives > 0 ? countOf(counts.objectives, 'objective') : null,
    counts.activities > 0 ? countOf(counts.activities, 'activity', 'activities') : null,
    counts.categories > 0 ? countOf(counts.categories, 'grade category', 'grade categories') : null,
  ]
    .filter((t) => t !== null)
    .join(', ')
}
