/** The syllabus as it will be published, assembled from the model; one text of one's own; publishing. */

import RemoveIcon from '@mui/icons-material/DeleteOutlined'
import { useFileAddress } from '../files/use-files'
import { Button, IconButton } from '../parts/button'
import { Waiting } from '../parts/waiting'
import './syllabus.css'
import { useQuery } from '@tanstack/react-query'
import { type CSSProperties, useMemo, useState } from 'react'
import { type Blueprint, courseOf, recordsOf } from '../../core/blueprint/blueprint'
import type { SyllabusSection } from '../../core/blueprint/kinds'
import { byOrder, keyIn } from '../../core/blueprint/order'
import { colourProperties, coloursOf } from '../../core/learner-pages/palette'
import { countOf } from '../../core/numbers'
import { offeringsOf } from '../../core/plan/offering'
import { assembleSyllabus } from '../../core/syllabus/assemble'
import { syllabusHtml } from '../../core/syllabus/html'
import type { PublicationState } from '../../server/publication'
import { useNonce } from '../frame/nonce'
import { Confirm } from '../parts/confirm'
import { PlanField } from '../parts/plan-field'
import { RichField } from '../parts/rich-field'
import { ask, asked, courseAddress } from '../store/api'
import { newId, useCourse, useCourseStore, useMay } from '../store/course-store'
import { useRevealSelected } from '../store/navigation'
import { queries } from '../store/queries'
import '../theme/syllabus.css'

export function SyllabusWorkspace() {
  const view = useCourse((s) => s.view)
  useRevealSelected(true)
  const addressOf = useFileAddress()
  const colours = useMemo(() => coloursOf(courseOf(view)), [view])
  const html = useMemo(() => syllabusHtml(assembleSyllabus(view), addressOf), [view, addressOf])
  return (
    <div className="work">
      <div className="bar">
        <h1>Syllabus</h1>
        <span className="muted small">Assembled from the plan: change a thing where it belongs and it changes here.</span>
      </div>
      <div className="scroll-area">
        <div className="two">
          <div
            className="paper"
            style={colours ? (colourProperties(colours) as CSSProperties) : undefined}
            dangerouslySetInnerHTML={{ __html: html }}
          />
          <aside aria-label="Texts and publishing">
            <Publishing />
            <Sections />
          </aside>
        </div>
      </div>
    </div>
  )
}

function Publishing() {
  const store = useCourseStore()
  const waiting = useCourse((s) => s.session.queue.length)
  const revision = useCourse((s) => s.session.revision)
  const fixes = useCourse((s) => s.analysis?.counts.fix ?? 0)
  const isPale = useCourse((s) => s.analysis?.findings.some((f) => f.code === 'contrast-low' && f.accepted === null) ?? false)
  const offering = useCourse((s) => s.offering)
  const view = useCourse((s) => s.view)
  const [busy, setBusy] = useState(false)
  const [asking, setAsking] = useState(false)
  const address = courseAddress(store.courseId, '/publication')
  const queryKey = ['publication', store.courseId]
  const { data, isPending } = useQuery({ queryKey, queryFn: () => asked<PublicationState | null>(address) }, queries)
  const state = isPending ? 'loading' : (data ?? null)
  const call = async (method: 'POST' | 'DELETE') => {
    if (busy) return
    setBusy(true)
    const of = method === 'POST' && offering !== null ? `?offering=${encodeURIComponent(offering)}` : ''
    const answer = await ask<PublicationState | null>(address + of, { method })
    setBusy(false)
    if (!answer.ok) return store.say(answer.problem.status === 0 ? 'That did not reach the server. Try again.' : answer.problem.title, true)
    queries.setQueryData(queryKey, answer.value)
    store.say(method === 'POST' ? 'Published.' : 'Withdrawn. The address now says so.', false)
  }
  const live = state !== 'loading' && state !== null && !state.withdrawn ? state : null
  const mayPublish = useMay('syllabus.publish')
  return (
    <section className="card">
      <h2>Public page</h2>
      {state === 'loading' ? (
        <Waiting lines={2} />
      ) : live ? (
        <>
          <p>
            <a href={`/p/${live.slug}`} target="_blank" rel="noopener">
              /p/{live.slug}
            </a>
          </p>
          <p className="muted small">
            Version {live.version}, {new Date(live.publishedAt).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}.{' '}
            {offeringText(view, live.offeringId)}{' '}
            {revision > live.revision ? 'The plan has changed since; the page has not.' : 'It is as the plan is now.'}
          </p>
        </>
      ) : (
        <p className="muted">
          {state?.withdrawn
            ? 'Withdrawn. Publishing again uses the same address.'
            : 'Not published. Publishing freezes the syllabus as it is now at an address of its own.'}
        </p>
      )}
      {asking && (
        <Confirm heading="Publish it as it is?" yes="Publish" onYes={() => void call('POST')} onClose={() => setAsking(false)}>
          <p>
            {countOf(fixes, 'finding')} {fixes === 1 ? 'says' : 'say'} that something does not fit together yet. Learners will read it as it
            stands.
          </p>
          {isPale && (
            <p>Its colours stand out too little: some learners cannot read it. They are mended under Review, Colours and texts.</p>
          )}
        </Confirm>
      )}
      {mayPublish && state !== 'loading' && (
        <div className="row">
          <Button rank="main" disabled={waiting > 0} onClick={() => (fixes > 0 ? setAsking(true) : void call('POST'))}>
            {live ? 'Publish again' : 'Publish'}
          </Button>
          {live && <Button onClick={() => void call('DELETE')}>Withdraw</Button>}
        </div>
      )}
    </section>
  )
}

/** Of which offering the page is, where a course has several; and where that is gone. */
function offeringText(view: Blueprint, id: string | null): string {
  if (id !== null && !view.offering.has(id)) return 'It is of an offering that is not in the plan any more.'
  const all = offeringsOf(view)
  return all.length < 2 ? '' : `It shows ${(id === null ? all[0] : view.offering.get(id))?.term}.`
}

function Sections() {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const sections = recordsOf(view, 'syllabusSection').sort(byOrder)
  return (
    <section className="card">
      <h2>Texts of your own</h2>
      {sections.length === 0 && (
        <p className="muted">Late work, where to ask, what to expect of each other: what the plan cannot say for you.</p>
      )}
      {sections.map((s) => (
        <SectionForm key={s.id} section={s} />
      ))}
      {store.may('syllabusSection') && (
        <Button
          onClick={() =>
            store.edit('add-section', {}, (edit) => {
              const order = keyIn(edit, 'syllabusSection', sections)
              edit.create('syllabusSection', {
                id: newId(),
                title: 'Late work and questions',
                body: null,
                order,
              })
            })
          }
        >
          Add a text
        </Button>
      )}
    </section>
  )
}

function SectionForm({ section }: { section: SyllabusSection }) {
  const store = useCourseStore()
  const nonce = useNonce()
  const may = store.may('syllabusSection')
  return (
    <div data-record={`syllabusSection ${section.id}`} style={{ marginBottom: 14 }}>
      <div className="row" style={{ alignItems: 'flex-end', marginBottom: 6 }}>
        <span className="grow">
          <PlanField kind="syllabusSection" record={section} field="title" label="Heading" what={section.title} />
        </span>
        {may && (
          <IconButton
            style={{ marginBottom: 10 }}
            name={`Remove ${section.title}`}
            onClick={() =>
              store.edit('remove', { what: section.title }, (edit) => edit.remove({ kind: 'syllabusSection', id: section.id }))
            }
          >
            <RemoveIcon />
          </IconButton>
        )}
      </div>
      <RichField
        label={`Text of ${section.title}`}
        forLearners
        value={section.body}
        nonce={nonce}
        readOnly={!may}
        onCommit={(body) =>
          void store.edit('edit-text', { what: section.title }, (edit) => edit.set('syllabusSection', section.id, { body }))
        }
      />
    </div>
  )
}
