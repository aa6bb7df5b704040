/** What another course, or a file of Cairn, has: parts of it or single things, counted before they are added as one change. */
import Autocomplete from '@mui/material/Autocomplete'
import TextField from '@mui/material/TextField'
import { useQuery } from '@tanstack/react-query'
import './bring.css'
import { type ReactNode, useCallback, useMemo, useState } from 'react'
import { useLocation } from 'wouter'
import { applyEffective } from '../../core/blueprint/apply'
import { anyRecord, type Blueprint, blueprintOf, courseOf, type Records, refKey } from '../../core/blueprint/blueprint'
import { MAX_OPERATIONS, type Operation } from '../../core/blueprint/change'
import { editPlan, type PlanEdit } from '../../core/blueprint/edit'
import { type AnyRecord, KIND_NAMES, type KindName, nounsOf, type RecordRef, specOf } from '../../core/blueprint/kinds'
import { addPlan } from '../../core/edits/add-plan'
import type { LostLink } from '../../core/edits/copy'
import { COPY_PART_TITLES, COPY_PARTS, type CopyPart } from '../../core/edits/copy-course'
import { COPIED_IN, copyIn } from '../../core/edits/copy-in'
import { filesOf } from '../../core/files/files-of'
import { countOf, listOf } from '../../core/numbers'
import { recordName } from '../../core/plan/names'
import { indexCourse } from '../../core/plan/plan-index'
import { type Problem, problemText } from '../../core/result'
import type { CourseInList } from '../../server/courses'
import { readPlan } from '../../workers/tasks'
import { fileAddress, sendBytes } from '../files/send-bytes'
import { Button } from '../parts/button'
import { CheckInput, RadioInput } from '../parts/choice-input'
import { FilePicker } from '../parts/file-picker'
import { SelectInput } from '../parts/input'
import { Waiting } from '../parts/waiting'
import { ask, asked, courseAddress } from '../store/api'
import { newId, useCourse, useCourseStore, useModuleWord } from '../store/course-store'
import { useParam } from '../store/navigation'
import { queries } from '../store/queries'
import { runTask } from '../store/run-task'

type Source = {
  readonly name: string
  readonly plan: Blueprint
  /** Brings the files that the plan shows; one sentence where not all came. */
  readonly bringFiles: (ids: readonly string[]) => Promise<string | null>
}

export function FromPlan({ views }: { views: ReactNode }) {
  const { courseId } = useCourseStore()
  const [course, setCourse] = useParam('from')
  const [file, setFile] = useState<Source | null>(null)
  const [problems, setProblems] = useState<readonly Problem[]>([])
  const { data: courses } = useQuery({ queryKey: ['courses'], queryFn: () => asked<readonly CourseInList[]>('/api/courses') }, queries)
  const fetched = useQuery(
    {
      queryKey: ['plan', course],
      enabled: course !== '',
      queryFn: async ({ signal }) => blueprintOf((await asked<{ readonly records: Records }>(courseAddress(course), { signal })).records),
    },
    queries,
  )
  const others = (courses ?? []).filter((c) => c.id !== courseId && c.state !== 'removed')
  const take = async ([chosen]: readonly File[]) => {
    if (!chosen) return
    setProblems([])
    const piece = { name: chosen.name, content: new Uint8Array(await chosen.arrayBuffer()) }
    const read = await runTask(readPlan, piece, { timeout: 60_000 }).catch(() => null)
    if (!read?.ok) return setProblems(read?.error ?? [{ code: 'unreadable', message: 'the file could not be read', at: '' }])
    setCourse('')
    const { files, records } = read.value
    setFile({ name: chosen.name, plan: blueprintOf(records), bringFiles: (ids) => sendAll(courseId, ids, files) })
  }
  const source: Source | null =
    course !== '' && fetched.data
      ? { name: courseOf(fetched.data).title, plan: fetched.data, bringFiles: (ids) => takeFrom(courseId, course, ids) }
      : file
  return (
    <div className="work">
      <div className="bar">
        <h1 className="visually-hidden">Bring in from another course</h1>
        {views}
        <span className="muted small">Nothing is stored before you say so.</span>
      </div>
      <div className="bring-cols">
        <section aria-label="Where from">
          <SelectInput
            label="A course that I can read"
            value={course}
            options={[
              { value: '', label: others.length === 0 ? 'none' : 'choose one' },
              ...others.map((c) => ({ value: c.id, label: [c.code, c.title].filter(Boolean).join(' ') })),
            ]}
            onChoose={(id) => {
              setFile(null)
              setCourse(id)
            }}
          />
          <p className="row">
            <span className="muted">or</span>
            <FilePicker label="Cairn file" accept=".json,.zip" onFiles={(files) => void take(files)}>
              A file that was saved with Cairn…
            </FilePicker>
          </p>
          {file && <p>{file.name}</p>}
          {(problems.length > 0 || fetched.isError) && (
            <ul className="form-error" role="alert">
              {fetched.isError && <li>This course could not be fetched.</li>}
              {problems.slice(0, 5).map((p) => (
                <li key={problemText(p)}>{problemText(p)}</li>
              ))}
            </ul>
          )}
        </section>
        {fetched.isFetching && !source ? (
          <Waiting lines={6} />
        ) : source ? (
          <Chooser key={source.name} source={source} />
        ) : (
          <p className="empty">Here can be chosen what comes along, and what of it is here already.</p>
        )}
      </div>
    </div>
  )
}

/** Files that came in an archive. */
async function sendAll(courseId: string, ids: readonly string[], files: ReadonlyMap<string, Uint8Array>): Promise<string | null> {
  for (const id of ids) {
    const bytes = files.get(id)
    const sent = bytes && (await sendBytes(fileAddress(courseId, id), '', id, new Blob([bytes as BlobPart])))
    if (!sent?.ok) return sent ? sent.error : 'A picture is not in this file.'
  }
  return null
}

/** Files of another course. */
async function takeFrom(courseId: string, from: string, ids: readonly string[]): Promise<string | null> {
  const answer = await ask(courseAddress(courseId, '/files'), { method: 'POST', body: { from, ids } })
  return answer.ok ? null : answer.problem.title
}

type How = 'parts' | 'things'

function Chooser({ source: { name, plan: from, bringFiles } }: { source: Source }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const word = useModuleWord()
  const [, navigate] = useLocation()
  const [how, setHow] = useState<How>('parts')
  const [parts, setParts] = useState<ReadonlySet<CopyPart>>(new Set(COPY_PARTS))
  const [things, setThings] = useState<readonly Thing[]>([])
  const [moduleId, setModuleId] = useState('')
  const all = useMemo(() => thingsOf(from), [from])
  const work = useCallback(
    (edit: PlanEdit) =>
      how === 'parts'
        ? addPlan(
            edit,
            from,
            newId,
            COPY_PARTS.filter((p) => parts.has(p)),
          )
        : copyIn(
            edit,
            from,
            things.map((t) => t.ref),
            newId,
            moduleId || null,
          ),
    [from, how, parts, things, moduleId],
  )
  const { operations, lost } = useMemo(() => {
    let lost: readonly LostLink[] = []
    const operations = editPlan(view, (edit) => {
      lost = work(edit).lost
    })
    return { operations, lost }
  }, [view, work])
  const tooMany = operations.length > MAX_OPERATIONS
  const needsModule = how === 'things' && things.some((t) => t.ref.kind === 'activity')
  const add = async () => {
    const known = new Set(filesOf(view))
    const coming = filesOf(applyEffective(view, operations)).filter((id) => !known.has(id))
    const missed = coming.length > 0 ? await bringFiles(coming) : null
    if (missed) return store.say(`Nothing was added: ${missed}`, true)
    const has = (kind: KindName) => operations.some((o) => o.op === 'create' && o.kind === kind)
    if (!store.edit('copy-in', { what: name }, (edit) => void work(edit))) return store.say('Nothing was added.', false)
    store.say(`Added ${countsText(operations)} from ${name}. Ctrl+Z takes all of it back.`, false)
    navigate(has('activity') || has('module') ? '/map' : has('rubric') ? '/assessment?show=rubrics' : '/outcomes')
  }
  return (
    <section aria-label={`From ${name}`} className="from-plan">
      <h2>{name}</h2>
      <RadioInput
        label="What comes along"
        value={how}
        options={[
          { value: 'parts', label: 'Parts of it: what is here already stays as it is' },
          { value: 'things', label: `Single ${word.many}, activities or rubrics, with all that belongs to them` },
        ]}
        onChoose={setHow}
      />
      {how === 'parts' ? (
        COPY_PARTS.map((part) => (
          <div key={part}>
            <CheckInput
              label={COPY_PART_TITLES[part]}
              checked={parts.has(part)}
              onCheck={(on) => setParts(new Set(COPY_PARTS.filter((p) => (p === part ? on : parts.has(p)))))}
            />
          </div>
        ))
      ) : (
        <>
          <Autocomplete
            multiple
            disableCloseOnSelect
            options={all}
            value={[...things]}
            groupBy={(t) => t.noun}
            getOptionLabel={(t) => t.name}
            getOptionKey={(t) => refKey(t.ref)}
            isOptionEqualToValue={(a, b) => refKey(a.ref) === refKey(b.ref)}
            onChange={(_, chosen) => setThings(chosen)}
            sx={{ my: 1.5 }}
            renderInput={(params) => <TextField {...params} label="What to copy" placeholder="Number or name" />}
          />
          {needsModule && (
            <SelectInput
              label="Activities go into"
              value={moduleId}
              options={[
                { value: '', label: `the ${word.one} of the same name, else the last` },
                ...indexCourse(view).modules.map((m, i) => ({ value: m.id, label: `${i + 1} ${m.title}` })),
              ]}
              onChoose={setModuleId}
            />
          )}
        </>
      )}
      <LostLinks lost={lost} from={from} />
      <div className="bring-foot">
        <span role="status">
          {tooMany
            ? 'This is too much for one change.'
            : operations.length === 0
              ? 'Nothing that is not here already.'
              : `Adds ${countsText(operations)}`}
        </span>
        <span className="grow" />
        <Button rank="main" disabled={operations.length === 0 || tooMany} onClick={() => void add()}>
          Add to the course
        </Button>
      </div>
    </section>
  )
}

type Thing = { readonly ref: RecordRef; readonly name: string; readonly noun: string }
const thingsOf = (from: Blueprint): Thing[] => {
  const index = indexCourse(from)
  const lists = { module: index.modules, activity: index.activities, rubric: index.rubrics }
  return COPIED_IN.flatMap((kind) =>
    lists[kind].map(({ id }) => {
      const ref = { kind, id }
      return { ref, name: recordName(from, ref, anyRecord(from, ref) as AnyRecord), noun: nounsOf(kind) }
    }),
  )
}

/** `1 module, 9 activities, 12 links`: what people count first, links last. */
function countsText(operations: readonly Operation[]): string {
  const made = operations.filter((o) => o.op === 'create')
  const links = made.filter((o) => (specOf(o.kind).ends?.length ?? 0) > 1).length
  const said = KIND_NAMES.filter((k) => (specOf(k).ends?.length ?? 0) < 2).flatMap((kind) => {
    const n = made.filter((o) => o.kind === kind).length
    return n === 0 ? [] : [countOf(n, specOf(kind).noun, nounsOf(kind))]
  })
  return listOf([...said, ...(links > 0 ? [countOf(links, 'link')] : [])])
}

/** What could not be kept, so that nobody looks for it later. */
function LostLinks({ lost, from }: { lost: readonly LostLink[]; from: Blueprint }) {
  if (lost.length === 0) return null
  const nameOf = (ref: RecordRef) => {
    const record = anyRecord(from, ref)
    return record ? recordName(from, ref, record) : specOf(ref.kind).noun
  }
  return (
    <div role="note" className="lost-links">
      <b>{countOf(lost.length, 'link leads', 'links lead')} to what is not in this course</b>
      <ul>
        {lost.slice(0, 6).map((l) => (
          <li key={`${refKey(l.by)} ${refKey(l.to)}`}>
            {nameOf(l.by)} → {nameOf(l.to)}: {l.leftOut ? 'left out' : 'left open'}
          </li>
        ))}
        {lost.length > 6 && <li className="muted">and {lost.length - 6} more</li>}
      </ul>
    </div>
  )
}
