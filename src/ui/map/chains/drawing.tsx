/** The drawing of chains: a button for each activity in the column of its module, strokes between them. */
import { linkHorizontal } from 'd3-shape'
import { type KeyboardEvent, useEffect, useMemo, useRef, useState } from 'react'
import type { ChainLayout, ChainLink, Chains } from '../../../core/design/chains'
import { NODE } from '../../../core/design/chains'
import { indexCourse } from '../../../core/plan/plan-index'
import { layOutChains } from '../../../workers/tasks'
import { Button } from '../../parts/button'
import { LineButton } from '../../parts/line-button'
import { useCourse } from '../../store/course-store'
import { useGo } from '../../store/navigation'
import { runTask } from '../../store/run-task'

type Props = {
  readonly chains: Chains
  readonly onAdd: ((id: string) => void) | null
  readonly onSecondPass: ((id: string) => void) | null
  readonly onCut: (link: ChainLink) => void
}

/** The places that the worker finds; those of before until the new ones are there. */
function useLayout({ moduleIds, nodes, links }: Chains) {
  const [laid, setLaid] = useState<ChainLayout | null>(null)
  const [failed, setFailed] = useState(false)
  const shape = useMemo(
    () => ({ columns: moduleIds.length, nodes, links: links.map((l) => ({ from: l.earlierId, to: l.laterId })) }),
    [moduleIds, nodes, links],
  )
  const text = JSON.stringify(shape)
  useEffect(() => {
    const stop = new AbortController()
    runTask(layOutChains, shape, { signal: stop.signal }).then(
      (found) => {
        setLaid(found)
        setFailed(false)
      },
      () => !stop.signal.aborted && setFailed(true),
    )
    return () => stop.abort()
  }, [text])
  return { laid, failed }
}

const HEAD = 34
const stroke = linkHorizontal<unknown, readonly [number, number]>()

export function ChainDrawing({ chains, onAdd, onSecondPass, onCut }: Props) {
  const { laid, failed } = useLayout(chains)
  const { select, panel } = useGo()
  const place = useRef<HTMLDivElement>(null)
  const [at, setAt] = useState<string | null>(null)
  const [followed, setFollowed] = useState<ChainLink | null>(null)
  if (failed) return <p className="empty">The drawing could not be made. The table says the same.</p>
  if (!laid) return <p className="empty">Drawing …</p>
  const placed = new Map(laid.nodes.map((n) => [n.id, n]))
  const active = at !== null && placed.has(at) ? at : (chains.nodes[0]?.id ?? null)
  const linksOf = (id: string) => chains.links.filter((l) => l.earlierId === id || l.laterId === id)
  const focus = (id: string) => {
    setAt(id)
    const node = place.current?.querySelector<HTMLElement>(`[data-node="${CSS.escape(id)}"]`)
    node?.focus()
  }
  const onKeyDown = (event: KeyboardEvent, id: string) => {
    const forward = { ArrowRight: true, ArrowLeft: false }[event.key]
    if (forward !== undefined) {
      const link = chains.links.find((l) => (forward ? l.earlierId : l.laterId) === id && placed.has(forward ? l.laterId : l.earlierId))
      if (link) {
        setFollowed(link)
        focus(forward ? link.laterId : link.earlierId)
      }
    } else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      const order = laid.nodes.toSorted((a, b) => columnOf(chains, a.id) - columnOf(chains, b.id) || a.y - b.y).map((n) => n.id)
      const next = order[order.indexOf(id) + (event.key === 'ArrowDown' ? 1 : -1)]
      setFollowed(null)
      if (next) focus(next)
    } else if (event.key === 'Enter') {
      select({ kind: 'activity', id })
      panel('details')
    } else if (event.key.toLowerCase() === 'b' && !event.ctrlKey && !event.metaKey && onAdd) onAdd(id)
    else if (event.key === 'Delete' || event.key === 'Backspace') {
      const own = linksOf(id)
      const link = followed && own.includes(followed) ? followed : own.length === 1 ? own[0] : null
      if (link) {
        onCut(link)
        setFollowed(null)
      }
    } else return
    event.preventDefault()
  }
  return (
    <>
      <div className="scroll-area chains" ref={place}>
        <div className="chain-ground" style={{ width: laid.width, height: laid.height + HEAD }}>
          {laid.columns.map((c, i) => (
            <ModuleColumn key={chains.moduleIds[i]} id={chains.moduleIds[i] ?? ''} x={c.x} width={c.width} />
          ))}
          <svg width={laid.width} height={laid.height + HEAD} aria-hidden="true">
            <defs>
              <marker id="chain-end" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="7" markerHeight="7" orient="auto-start-reverse">
                <path d="M0 0 8 4 0 8z" />
              </marker>
            </defs>
            {chains.links.map((l) => {
              const [from, to] = [placed.get(l.earlierId), placed.get(l.laterId)]
              if (!from || !to) return null
              const path = stroke({
                source: [from.x + NODE.width, from.y + NODE.height / 2 + HEAD],
                target: [to.x, to.y + NODE.height / 2 + HEAD],
              } as never)
              const isOn = followed === l || (active !== null && (l.earlierId === active || l.laterId === active))
              const looks = ['stroke', l.kind === 'unlockTerm' && 'opens', isOn && 'on'].filter(Boolean).join(' ')
              return <path key={`${l.kind} ${l.id}`} className={looks} d={path ?? ''} markerEnd="url(#chain-end)" />
            })}
          </svg>
          {laid.nodes.map((n) => (
            <Node
              key={n.id}
              id={n.id}
              x={n.x}
              y={n.y + HEAD}
              isActive={n.id === active}
              onFocus={() => setAt(n.id)}
              onKeyDown={(e) => onKeyDown(e, n.id)}
              onOpen={() => {
                select({ kind: 'activity', id: n.id })
                panel('details')
              }}
            />
          ))}
        </div>
      </div>
      <div className="mx-status row chain-status">
        {active !== null && onAdd && <Button onClick={() => onAdd(active)}>Builds on… (B)</Button>}
        {active !== null && onSecondPass && <Button onClick={() => onSecondPass(active)}>Second pass…</Button>}
        <span aria-live="polite" className="grow">
          {active !== null && <Words id={active} links={linksOf(active)} />}
        </span>
        <span className="muted small">← → follow a link · Delete cuts it</span>
      </div>
    </>
  )
}

const columnOf = (chains: Chains, id: string): number => chains.nodes.find((n) => n.id === id)?.column ?? 0

function ModuleColumn({ id, x, width }: { readonly id: string; readonly x: number; readonly width: number }) {
  const name = useCourse((s) => `${indexCourse(s.view).numberOf(id)} ${s.view.module.get(id)?.title ?? ''}`)
  return (
    <div className="chain-column" style={{ left: x, width }}>
      <span data-tip={name}>{name}</span>
    </div>
  )
}

type NodeProps = {
  readonly id: string
  readonly x: number
  readonly y: number
  readonly isActive: boolean
  readonly onFocus: () => void
  readonly onKeyDown: (event: KeyboardEvent) => void
  readonly onOpen: () => void
}

function Node({ id, x, y, isActive, onFocus, onKeyDown, onOpen }: NodeProps) {
  const number = useCourse((s) => indexCourse(s.view).numberOf(id))
  const title = useCourse((s) => indexCourse(s.view).activity(id)?.title ?? '')
  return (
    <LineButton
      className={isActive ? 'chain-node active' : 'chain-node'}
      style={{ left: x, top: y, width: NODE.width, height: NODE.height }}
      data-node={id}
      tabIndex={isActive ? 0 : -1}
      tip={title}
      onFocus={onFocus}
      onKeyDown={onKeyDown}
      onClick={onOpen}
    >
      <span className="two-lines">
        <b>{number}</b> {title}
      </span>
    </LineButton>
  )
}

/** What an activity builds on and what builds on it, in words. */
function Words({ id, links }: { readonly id: string; readonly links: readonly ChainLink[] }) {
  const { numberOf } = useCourse((s) => indexCourse(s.view))
  const told = links.map((l) => {
    const more = l.words === '' ? '' : ` (${l.words})`
    if (l.kind === 'unlockTerm')
      return l.laterId === id ? `opens after ${numberOf(l.earlierId)}${more}` : `opens ${numberOf(l.laterId)}${more}`
    return l.laterId === id ? `builds on ${numberOf(l.earlierId)}${more}` : `${numberOf(l.laterId)} builds on it${more}`
  })
  return `${numberOf(id)}: ${told.join('; ') || 'not linked'}.`
}
