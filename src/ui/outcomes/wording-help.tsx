/** Wording help at a line: verbs of its level and of the next ones, each with the statement as it would read. */

import { Button } from '../parts/button'
import { LineButton } from '../parts/line-button'
import './outcomes.css'
import { useEffect, useRef } from 'react'
import { domainOf, LEVELS_OF, type Level, rankOf } from '../../core/blueprint/kinds/levels'
import { verbsOf } from '../../core/objectives/offered'
import { offersAt } from '../../core/objectives/offers'
import { readStatement } from '../../core/objectives/statement'
import { useWordTable } from '../parts/word-table'
import { TeachVerb } from './teach-verb'

type Props = {
  readonly text: string
  readonly level: Level | null
  readonly number: string
  readonly onTake: (statement: string) => void
  readonly onLevel: (level: Level) => void
  readonly onClose: () => void
}

export function WordingHelp({ text, level, number, onTake, onLevel, onClose }: Props) {
  const box = useRef<HTMLElement>(null)
  useEffect(() => box.current?.querySelector('button')?.focus(), [])
  useWordTable()
  const read = readStatement(text)
  const at = level ?? read.level ?? 'understand'
  const steps: readonly Level[] = LEVELS_OF[domainOf(at)]
  // Its own level, the next two above, and one below.
  const near = [rankOf(at), rankOf(at) + 1, rankOf(at) + 2, rankOf(at) - 1].flatMap((i) => steps[i] ?? [])
  return (
    <section
      ref={box}
      className="wording-help"
      aria-label={`Verbs for ${number}`}
      onKeyDown={(e) => {
        if (e.key !== 'Escape') return
        e.stopPropagation()
        onClose()
      }}
    >
      {read.alternatives.length > 0 && (
        <p>
          The verb may stand for several levels. Read it as{' '}
          {[read.level as Level, ...read.alternatives].map((l) => (
            <Button key={l} onClick={() => onLevel(l)}>
              {l}
            </Button>
          ))}
        </p>
      )}
      {read.heading === 'perhaps' && <p>Is this a heading? Its first word may be a noun here. If it is a verb, say what it stands for.</p>}
      <TeachVerb text={text} />
      {near.map((l) => (
        <div key={l} className="offers">
          <span className="muted">{l}</span>
          <span>
            {offersAt(text, l).length === 0 && <span className="muted">{verbsOf(l).join(', ')}</span>}
            {offersAt(text, l).map((offer) => (
              <LineButton
                key={offer.verb}
                className="plain offer"
                tip={offer.statement}
                onClick={() => {
                  onTake(offer.statement)
                  onClose()
                }}
              >
                {offer.verb}
              </LineButton>
            ))}
          </span>
        </div>
      ))}
      <p className="muted small">
        {[
          read.knowledge ? `${read.knowledge} knowledge` : null,
          read.conditions[0] ? `under: ${text.slice(read.conditions[0].start, read.conditions[0].end)}` : 'no condition said',
          read.criteria[0] ? `how well: ${text.slice(read.criteria[0].start, read.criteria[0].end)}` : 'how well is not said',
        ]
          .filter(Boolean)
          .join(' · ')}
        {' · '}
        <LineButton className="plain" onClick={onClose}>
          Close
        </LineButton>
      </p>
    </section>
  )
}
