/** A framework comes in: pasted or as a file on the left, the tree that was understood to correct on the right, then one change. */

import { Button } from '../parts/button'
import { CheckInput } from '../parts/choice-input'
import { Progress } from '../parts/progress'
import './frameworks.css'
import '../bring/bring.css'
import { useEffect, useMemo, useRef, useState } from 'react'
import sample from '../../../examples/rooftop-solar-specification.txt?raw'
import { bringFramework } from '../../core/frameworks/edits'
import { EMPTY_TREE, type FrameworkTree } from '../../core/frameworks/tree'
import { rowsOfTree, type TreeRow, treeCounts, treeOfRows } from '../../core/frameworks/tree-rows'
import { isCut } from '../../core/intake/cuts'
import { countOf, formatWhole } from '../../core/numbers'
import { indexFrameworks } from '../../core/plan/framework-index'
import { LedgerView } from '../bring/ledger-view'
import { DropBox } from '../parts/drop-box'
import { newId, useCourse, useCourseStore } from '../store/course-store'
import { useKeptState } from '../store/kept-state'
import { TreeEditor } from './tree-editor'
import { useFrameworkReading } from './use-framework-reading'

/** Most items that one framework may bring (Cairn default): one change holds them with their relations. */
const MOST = 50_000
/** So that a text being pasted in parts is read once (Cairn default). */
const SETTLE_MS = 200

const NO_ROWS: readonly TreeRow[] = []

export function BringFramework({ onDone }: { onDone: (frameworkId: string) => void }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const [text, setText] = useKeptState('framework-text', '')
  const { reading, read, cancel } = useFrameworkReading()
  // The tree with its corrections, and what it was read from.
  const [facts, setFacts] = useKeptState<FrameworkTree>('framework-facts', EMPTY_TREE)
  const [rows, setRows] = useKeptState<readonly TreeRow[]>('framework-rows', NO_ROWS)
  const [from, setFrom] = useKeptState('framework-from', '')
  const [file, setFile] = useState<string | null>(null)
  const [asks, setAsks] = useState(false)
  /** Path of the item that is looked at, on either side. */
  const [lit, setLit] = useState<string | null>(null)
  /** The text that is being read: it may be another by the time it is. */
  const asked = useRef('')
  useEffect(() => {
    // What stands in the tree was read from this text: it is not read again over the corrections.
    if (text.trim() === '' || text === from) return
    setFile(null)
    const timer = setTimeout(() => {
      asked.current = text
      read('pasted text', text)
    }, SETTLE_MS)
    return () => clearTimeout(timer)
  }, [text, from, read])
  useEffect(() => {
    if (reading.state !== 'read') return
    setFrom(asked.current)
    setWithout(false)
    setFacts(reading.tree)
    setRows(rowsOfTree(reading.tree.items))
  }, [reading])
  const take = async (files: readonly File[]) => {
    const chosen = files[0]
    if (!chosen) return
    setText('')
    asked.current = ''
    setFile(chosen.name)
    read(chosen.name, new Uint8Array(await chosen.arrayBuffer()))
  }
  const startOver = () => {
    cancel()
    setAsks(false)
    setText('')
    setFile(null)
    setFrom('')
    setFacts(EMPTY_TREE)
    setRows(NO_ROWS)
  }
  // Who adds less than what was brought says so, for each reading anew.
  const [without, setWithout] = useState(false)
  const isLess = facts.problems.some(isCut)
  const counts = useMemo(() => [...treeCounts({ items: treeOfRows(rows) })], [rows])
  const known = indexFrameworks(view).frameworks.some(
    (f) => f.title === facts.title && (facts.sourceId === null || f.sourceId === facts.sourceId),
  )
  const add = () => {
    let brought = { frameworkId: '', items: 0, relationsLeft: 0 }
    const tree = { ...facts, items: treeOfRows(rows) }
    if (
      !store.edit(
        'bring-framework',
        { what: tree.title ?? 'framework', n: rows.length },
        (edit) => void (brought = bringFramework(edit, tree, newId)),
      )
    )
      return
    store.say(
      `Added ${tree.title ?? 'the framework'} with ${countOf(brought.items, 'item')}. Ctrl+Z takes all of it back.${brought.relationsLeft > 0 ? ` ${countOf(brought.relationsLeft, 'relation')} to items that this course does not have ${brought.relationsLeft === 1 ? 'was' : 'were'} left out.` : ''}`,
      false,
    )
    startOver()
    onDone(brought.frameworkId)
  }
  return (
    <>
      <div className="bring-cols">
        {asks ? (
          <section aria-label="Where it went">
            <Button onClick={() => setAsks(false)}>Back to what you have</Button>
            <LedgerView ledger={facts.ledger} lit={lit} onLit={setLit} />
          </section>
        ) : (
          <DropBox
            prompt="Paste a specification: numbered elements with criteria, skills, evidence, conditions"
            text={text}
            onText={setText}
            choose="Choose a file…"
            hint="or drop it here: competency JSON, CSV, XLSX, DOCX, text"
            filesLabel="Framework file"
            accept=".json,.csv,.tsv,.xlsx,.docx,.txt,.md"
            several={false}
            onFiles={(list) => void take(list)}
          >
            {file && <p style={{ margin: 0 }}>{file}</p>}
            {text === '' && file === null && (
              <p className="muted small">
                Nothing at hand? <Button onClick={() => setText(sample)}>Try it with a sample specification</Button>
              </p>
            )}
            {facts.ledger.length > 0 && (
              <div>
                <Button onClick={() => setAsks(true)}>Where did this go?</Button>
              </div>
            )}
          </DropBox>
        )}
        <section aria-label="What was understood" aria-busy={reading.state === 'reading'} className="tree-side">
          {reading.state === 'reading' && (
            <p className="row" role="status">
              {reading.of > 0 ? `Reading ${formatWhole(reading.done)} of ${formatWhole(reading.of)} items …` : 'Reading …'}
              {reading.of > 0 && <Progress label="Items read" done={reading.done} of={reading.of} />}
              <Button onClick={cancel}>Stop</Button>
            </p>
          )}
          {reading.state === 'refused' && (
            <p className="form-error" role="alert">
              {reading.message}
            </p>
          )}
          {rows.length === 0 && facts.notUnderstood.length === 0 ? (
            reading.state === 'idle' && (
              <p className="empty">
                Here appears the tree that Cairn understands: elements, their criteria, skills, evidence and conditions. You correct it,
                then it becomes part of the course in one step. Lines that were not understood are listed below it.
              </p>
            )
          ) : (
            <TreeEditor facts={facts} rows={rows} onFacts={setFacts} onRows={setRows} lit={lit} onLit={setLit} />
          )}
        </section>
      </div>
      {(rows.length > 0 || facts.notUnderstood.length > 0) && (
        <div className="bring-foot">
          <span role="status">
            <b>
              {counts.length === 0
                ? 'Nothing to add yet'
                : counts.map(([kind, n]) => countOf(n, kind, PLURAL[kind] ?? `${kind}s`)).join(', ')}
            </b>
            {facts.problems.length > 0 && <span className="weight check"> · {countOf(facts.problems.length, 'thing')} to look at</span>}
            {facts.notUnderstood.length > 0 && (
              <span className="muted"> · {countOf(facts.notUnderstood.length, 'line')} not understood</span>
            )}
            {known && <span className="weight check"> · a framework of this name is in the course already</span>}
          </span>
          <span className="grow" />
          {rows.length > MOST && <span className="form-error">More than {formatWhole(MOST)} items: bring it in parts.</span>}
          {isLess && <CheckInput label="Add it without what is left out" checked={without} onCheck={setWithout} />}
          <Button onClick={startOver}>Start over</Button>
          <Button
            rank="main"
            disabled={rows.length === 0 || rows.length > MOST || reading.state === 'reading' || (isLess && !without)}
            onClick={add}
          >
            Add to the course
          </Button>
        </div>
      )}
    </>
  )
}

const PLURAL: Readonly<Partial<Record<string, string>>> = {
  'performance criterion': 'performance criteria',
  'performance evidence': 'pieces of performance evidence',
  'knowledge evidence': 'pieces of knowledge evidence',
}
