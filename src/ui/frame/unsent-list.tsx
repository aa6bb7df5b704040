/** What cannot be sent any more, as text to take along: changes of the plan, and words about it. */
import './frame.css'
import type { Blueprint } from '../../core/blueprint/blueprint'
import { isKindName } from '../../core/blueprint/kinds'
import { labelOf } from '../../core/edits/registry'
import { describeChange, fieldTitle, wholeValueText } from '../../core/history/describe'
import { countOf } from '../../core/numbers'
import { useWordsLeft } from '../comments/words-left'
import { Button } from '../parts/button'
import { downloadBlob } from '../parts/download'
import { useCourse, useCourseStore } from '../store/course-store'
import { letDraftsGo } from '../store/drafts'
import type { LeftDraft } from '../store/left-draft'
import type { Unsent } from '../store/shelf'

/** A change in words, as far as it can be read. */
function unsentText({ change, why }: Unsent, view: Blueprint): string {
  try {
    const lines = change.operations.map((o) => {
      if (o.op === 'update')
        return Object.keys(o.to)
          .map(
            (f) => `${fieldTitle(f, o.kind)}: ${isKindName(o.kind) ? wholeValueText(view, o.kind, f, o.to[f]) : JSON.stringify(o.to[f])}`,
          )
          .join('\n')
      const [said] = describeChange([o], view, view)
      return `${said?.text ?? o.op}\n${Object.entries(o.record)
        .filter(([name, v]) => v !== null && !['id', 'order'].includes(name) && !/Id$/.test(name))
        .map(
          ([name, v]) => `  ${fieldTitle(name, o.kind)}: ${isKindName(o.kind) ? wholeValueText(view, o.kind, name, v) : JSON.stringify(v)}`,
        )
        .join('\n')}`
    })
    return `${labelOf(change)} (${why})\n${lines.join('\n')}`
  } catch {
    return `${JSON.stringify(change, null, 2)}\n(${why})`
  }
}

/** Changes of the plan that no server takes. */
export function UnsentList({ unsent, view }: { unsent: readonly Unsent[]; view: Blueprint }) {
  const store = useCourseStore()
  return (
    <KeptAsText
      id="unsent-title"
      heading={`Could not be sent: ${countOf(unsent.length, 'change')}, kept here as text`}
      texts={unsent.map((u) => ({ key: u.change.id, text: unsentText(u, view) }))}
      file="not-sent.txt"
      onLetGo={() => store.letGo(unsent.map((u) => u.change.id))}
    />
  )
}

/** What was being typed when a window went away at once, and did not go where it was typed. */
export function DraftList({ drafts }: { drafts: readonly LeftDraft[] }) {
  const store = useCourseStore()
  return (
    <KeptAsText
      id="drafts-title"
      heading={`Being typed when a window was closed: ${countOf(drafts.length, 'text')}, kept here`}
      texts={drafts.map(({ key, label, text }) => ({ key, text: `${label}:\n${text}` }))}
      file="being-typed.txt"
      onLetGo={() => void letDraftsGo(store, drafts)}
    />
  )
}

/** Everything that was written in a course that one is no longer in. */
export function LeftBehind() {
  const unsent = useCourse((s) => s.unsent)
  const drafts = useCourse((s) => s.leftDrafts)
  const view = useCourse((s) => s.view)
  const { words, letGo } = useWordsLeft()
  return (
    <>
      {unsent.length > 0 && (
        <section className="conflicts page" aria-labelledby="unsent-title">
          <UnsentList unsent={unsent} view={view} />
        </section>
      )}
      {drafts.length > 0 && (
        <section className="conflicts page" aria-labelledby="drafts-title">
          <DraftList drafts={drafts} />
        </section>
      )}
      {words.length > 0 && (
        <section className="conflicts page" aria-labelledby="words-title">
          <KeptAsText
            id="words-title"
            heading={`Not sent: ${countOf(words.length, 'comment')}, kept here as text`}
            texts={words}
            file="comments-not-sent.txt"
            onLetGo={letGo}
          />
        </section>
      )}
    </>
  )
}

type KeptProps = {
  readonly id: string
  readonly heading: string
  readonly texts: readonly { readonly key: string; readonly text: string }[]
  readonly file: string
  readonly onLetGo: () => void
}

/** Texts to read, copy, save, and then let go. */
function KeptAsText({ id, heading, texts, file, onLetGo }: KeptProps) {
  const store = useCourseStore()
  const all = texts.map((t) => t.text).join('\n\n')
  return (
    <>
      <div className="row">
        <h2 id={id}>{heading}</h2>
        <span className="grow" />
        <Button
          onClick={() =>
            void navigator.clipboard.writeText(all).then(
              () => store.say('Copied.', false),
              () => store.say('The browser did not let it be copied. Save it instead.', true),
            )
          }
        >
          Copy
        </Button>
        <Button onClick={() => downloadBlob(new Blob([all], { type: 'text/plain;charset=utf-8' }), file)}>Save as text</Button>
        <Button onClick={onLetGo}>Let go</Button>
      </div>
      <ul>
        {texts.map(({ key, text }) => (
          <li key={key}>
            <pre>{text}</pre>
          </li>
        ))}
      </ul>
    </>
  )
}
