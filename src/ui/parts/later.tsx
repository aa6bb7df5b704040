/** Parts of the interface whose files are fetched when they are first needed, and what is shown when they do not come or fail. */
import { type ComponentType, type ReactNode, useCallback, useEffect, useState } from 'react'
import { ErrorBoundary } from 'react-error-boundary'
import { fetched } from './fetched'

export type Later<P extends object> = ComponentType<P> & {
  /** Fetches the files ahead; a failure is told when the part is drawn. */
  readonly fetch: () => Promise<void>
}

/** A part of a file, fetched when it is first needed: `laterFrom(() => import('./hours'), (m) => m.Hours)`. */
export const laterFrom = <M, P extends object>(file: () => Promise<M>, part: (module: M) => ComponentType<P>, waiting: ReactNode = null) =>
  later(fetched(file, part), waiting)

/**
 * A part that is drawn as soon as its files are there, at once when they were fetched before (what React suspends it holds back
 * for 300 ms). `waiting` stands in its place until then. Files that do not come can be asked for again.
 */
export function later<P extends object>(load: () => Promise<ComponentType<P>>, waiting: ReactNode = null): Later<P> {
  let loaded: ComponentType<P> | null = null
  const fetchIt = async () => {
    loaded ??= await load()
  }
  function Part(props: P) {
    const [Shown, setShown] = useState<ComponentType<P> | null>(() => loaded)
    const [failed, setFailed] = useState(false)
    const ask = useCallback(() => {
      setFailed(false)
      fetchIt().then(
        () => setShown(() => loaded),
        () => setFailed(true),
      )
    }, [])
    useEffect(() => {
      if (!loaded) ask()
      else setShown(() => loaded)
    }, [ask])
    if (Shown)
      return (
        <Guard>
          <Shown {...props} />
        </Guard>
      )
    return failed ? <Failed text="This part of Cairn could not be fetched. What you did is kept." onAgain={ask} /> : waiting
  }
  return Object.assign(Part, { fetch: fetchIt })
}

/** Keeps an error in one part from taking the others away. */
const Guard = ({ children }: { children: ReactNode }) => (
  <ErrorBoundary
    fallbackRender={({ resetErrorBoundary }) => (
      <Failed text="Something here could not be shown. What you did is kept." onAgain={resetErrorBoundary} />
    )}
  >
    {children}
  </ErrorBoundary>
)

const Failed = ({ text, onAgain }: { text: string; onAgain: () => void }) => (
  <div className="empty" role="alert">
    <p>{text}</p>
    <p className="row">
      <button type="button" className="btn" onClick={onAgain}>
        Try again
      </button>
      <button type="button" className="btn" onClick={() => window.location.reload()}>
        Load the page again
      </button>
    </p>
  </div>
)
