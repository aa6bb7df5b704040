/** A thread: what it is about, its comments, and what can be done with them. */
import { useState } from 'react'
import { initialsOf } from '../../core/access/presence'
import { anyRecord } from '../../core/blueprint/blueprint'
import { type KindName, type RecordRef, specOf } from '../../core/blueprint/kinds'
import { recordName } from '../../core/plan/names'
import { Button } from '../parts/button'
import { Confirm } from '../parts/confirm'
import { LineButton } from '../parts/line-button'
import { NEW_ACTION } from '../review/new-action'
import { writeOver } from '../review/written'
import { newId, useCourse, useCourseStore, useMay } from '../store/course-store'
import { useGo } from '../store/navigation'
import { usePeople } from '../store/people'
import { useUnsent } from '../store/use-unsent'
import { Compose } from './compose'
import type { ShownComment, ShownThread, useComments } from './use-comments'

type Props = {
  readonly thread: ShownThread
  /** What is new to the reader. */
  readonly news: ReadonlySet<string>
  readonly all: ReturnType<typeof useComments>
}

export function CommentThread({ thread, news, all }: Props) {
  const [answering, setAnswering] = useState(false)
  const { first, answers, state, id } = thread
  const about = { kind: first.aboutKind as KindName, id: first.aboutId }
  const done = state === 'resolved'
  const mayWrite = useMay('comment.write')
  return (
    <section className={`thread ${state}`} aria-label={`Thread begun with “${first.words.slice(0, 60)}”`}>
      <About about={about} called={first.aboutName} />
      {[first, ...answers].map((c) => (
        <OneComment key={c.id} comment={c} isNew={news.has(c.id)} all={all} />
      ))}
      {answering ? (
        <Compose
          label="Answer"
          send="Answer"
          keptAs={`answer ${id}`}
          onSend={(words) => {
            all.add(about, first.aboutName, words, id)
            setAnswering(false)
          }}
          onCancel={() => setAnswering(false)}
        />
      ) : mayWrite ? (
        <div className="row">
          <Button rank="rest" onClick={() => setAnswering(true)}>
            Answer
          </Button>
          {first.id === id && (
            <Button rank="rest" onClick={() => all.change(first, { resolvedBy: done ? null : all.me })}>
              {done ? 'Open again' : 'Done'}
            </Button>
          )}
          {!done && <MakeAction thread={thread} />}
          {done && <DoneBy id={first.resolvedBy} />}
        </div>
      ) : (
        done && <DoneBy id={first.resolvedBy} />
      )}
    </section>
  )
}

/** An action of what a thread says: what is to be done, about what the thread is about. */
function MakeAction({ thread: { first, id } }: Pick<Props, 'thread'>) {
  const store = useCourseStore()
  const { waiting } = useUnsent()
  const may = useMay('plan.write-activities')
  if (!may) return null
  const make = () => {
    const about = { kind: first.aboutKind, id: first.aboutId }
    writeOver(waiting, 'reviewAction', newId(), undefined, {
      ...NEW_ACTION,
      ...{ source: 'comment', commentId: id, what: first.words.slice(0, 2000), records: about.kind === 'course' ? [] : [about] },
    })
    store.say('An action was made of it: who does it, and by when, is said under Review, Actions.', false)
  }
  return (
    <Button rank="rest" onClick={make}>
      Make it an action
    </Button>
  )
}

const useName = (id: string | null): string => usePeople().data?.members.find((m) => m.id === id)?.name ?? 'Somebody who left'
const DoneBy = ({ id }: { readonly id: string | null }) => <span className="muted small">Done: {useName(id)}</span>

/** What the thread is about, and the way there; what was removed is named as it was. */
function About({ about, called }: { readonly about: RecordRef; readonly called: string | null }) {
  const { open } = useGo()
  const name = useCourse((s) => {
    const record = anyRecord(s.view, about)
    return record ? recordName(s.view, about, record) : null
  })
  if (about.kind === 'course') return null
  if (name === null)
    return <p className="muted small">About {called ?? `a ${specOf(about.kind).noun}`}, which is not in the plan any more.</p>
  return (
    <LineButton className="plain about" onClick={() => open(about)}>
      {name}
    </LineButton>
  )
}

const WHEN = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })

function OneComment({ comment, isNew, all }: { readonly comment: ShownComment; readonly isNew: boolean; readonly all: Props['all'] }) {
  const [editing, setEditing] = useState(false)
  const [asking, setAsking] = useState(false)
  const name = useName(comment.authorId)
  const designs = useCourse((s) => s.viewer?.role === 'designer')
  const mayWrite = useMay('comment.write')
  const own = comment.authorId === all.me
  return (
    <article className="comment" aria-label={`Comment of ${name}`}>
      <span className="face" aria-hidden>
        {initialsOf(name)}
      </span>
      <div className="said">
        <p className="small">
          <b>{name}</b>{' '}
          <time className="muted" dateTime={comment.at}>
            {WHEN.format(new Date(comment.at))}
          </time>
          {isNew && <span className="count">new</span>}
          {comment.waits && <span className="muted"> · waits to be sent</span>}
        </p>
        {editing ? (
          <Compose
            label="Your comment"
            send="Keep it so"
            keptAs={`edit ${comment.id}`}
            initial={comment.words}
            onSend={(words) => {
              all.change(comment, { words })
              setEditing(false)
            }}
            onCancel={() => setEditing(false)}
          />
        ) : (
          <Words text={comment.words} />
        )}
        {comment.refused && (
          <p className="form-error" role="alert">
            Not sent: {comment.refused} <Button onClick={() => all.letGo(comment.id)}>Let it go</Button>
          </p>
        )}
        {!editing && mayWrite && (own || designs) && (
          <div className="row acts">
            {own && (
              <LineButton className="plain muted small" onClick={() => setEditing(true)}>
                Change
              </LineButton>
            )}
            <LineButton className="plain muted small" onClick={() => setAsking(true)}>
              Remove
            </LineButton>
          </div>
        )}
        {asking && (
          <Confirm heading="Remove this comment?" yes="Remove it" onYes={() => all.remove(comment.id)} onClose={() => setAsking(false)}>
            <p>“{comment.words.length > 120 ? `${comment.words.slice(0, 120)}…` : comment.words}”</p>
            <p>It goes for everybody and cannot be brought back.{comment.replyTo === null && ' Answers to it stay.'}</p>
          </Confirm>
        )}
      </div>
    </article>
  )
}

/** A web address in running text: up to the sign that ends the sentence, not the address. */
const ADDRESS = /(https?:\/\/[^\s<>"]*[^\s<>".,;:!?)\]])/

/** Plain text; addresses are links. */
const Words = ({ text }: { readonly text: string }) => (
  <p className="words">
    {text.split(ADDRESS).map((part, i) =>
      i % 2 === 1 ? (
        <a key={i} href={part} target="_blank" rel="noopener noreferrer nofollow">
          {part}
        </a>
      ) : (
        part
      ),
    )}
  </p>
)
