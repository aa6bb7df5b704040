/** Small marks: Cairn's own, purposes, weights, thinking levels, chips. Never colour alone. */

import './marks.css'
import HelpOutline from '@mui/icons-material/HelpOutlined'
import Lightbulb from '@mui/icons-material/LightbulbOutlined'
import RadioButton from '@mui/icons-material/RadioButtonUncheckedOutlined'
import ErrorOutline from '@mui/icons-material/ReportOutlined'
import type { Purpose } from '../../core/blueprint/kinds/activity'
import { domainOf, LEVELS_OF, type Level, rankOf } from '../../core/blueprint/kinds/levels'
import { WEIGHT_WORD, type Weight } from '../../core/findings/finding'
import { LineButton } from './line-button'

/** Three stacked stones. */
export const CairnMark = ({ size = 26 }: { size?: number }) => (
  <svg width={size} height={size} viewBox="0 0 26 26" aria-hidden="true">
    <ellipse cx="13" cy="21" rx="11" ry="4" fill="var(--ink)" />
    <ellipse cx="14" cy="13.5" rx="7.5" ry="3.6" fill="var(--moss)" />
    <ellipse cx="12.5" cy="6.8" rx="4.4" ry="2.9" fill="var(--ochre)" />
  </svg>
)

export const PURPOSE_COLOUR: Readonly<Record<Purpose, string>> = {
  orient: 'var(--muted)',
  study: 'var(--river)',
  practise: 'var(--ochre)',
  demonstrate: 'var(--moss)',
  reflect: 'var(--plum)',
}

/** The stone of a purpose around the origin, with half-axes in pixels; its area is that of the ellipse they span. */
export function StoneShape({ purpose, rx, ry }: { purpose: Purpose | null; rx: number; ry: number }) {
  const colour = purpose ? PURPOSE_COLOUR[purpose] : 'var(--edge)'
  switch (purpose) {
    case 'orient': {
      const r = Math.sqrt(rx * ry) * 0.72
      return <circle r={r} fill="none" stroke={colour} strokeWidth={Math.max(2, r * 0.45)} />
    }
    case 'study':
      return (
        <rect
          x={-rx * 0.96}
          y={-ry * 0.72}
          width={rx * 1.92}
          height={ry * 1.44}
          rx={ry * 0.5}
          fill={colour}
          fillOpacity=".16"
          stroke={colour}
          strokeWidth="1.6"
        />
      )
    case 'practise':
      return (
        <>
          <ellipse rx={rx * 0.94} ry={ry * 0.94} fill={colour} fillOpacity=".16" stroke={colour} strokeWidth="1.6" />
          <path d={`M${-rx * 0.94} 0 A${rx * 0.94} ${ry * 0.94} 0 0 0 ${rx * 0.94} 0 Z`} fill={colour} />
        </>
      )
    case 'demonstrate':
      return <ellipse rx={rx} ry={ry} fill={colour} />
    case 'reflect':
      return (
        <path
          d={`M${-rx * 0.9} ${ry * 0.15} q${rx * 0.45} ${-ry * 1.3} ${rx * 0.9} 0 t${rx * 0.9} 0`}
          fill="none"
          stroke={colour}
          strokeWidth={Math.max(2.2, ry * 0.42)}
          strokeLinecap="round"
        />
      )
    case null:
      return <circle r={Math.sqrt(rx * ry) * 0.72} fill="none" stroke={colour} strokeWidth="1.4" strokeDasharray="2 2.4" />
  }
}

/** The shape of a purpose; with `label` it carries the name for those who cannot see it. */
export function PurposeShape({ purpose, label }: { purpose: Purpose | null; label?: boolean }) {
  return (
    <svg
      className="shape"
      width="20"
      height="18"
      viewBox="-10 -9 20 18"
      {...(label ? { role: 'img', 'aria-label': purpose ?? 'no purpose yet' } : { 'aria-hidden': true })}
    >
      {label && <title>{purpose ?? 'no purpose yet'}</title>}
      <StoneShape purpose={purpose} rx={7.8} ry={6.2} />
    </svg>
  )
}

const WEIGHT_ICON = { fix: ErrorOutline, check: HelpOutline, idea: Lightbulb, open: RadioButton } as const

export function WeightMark({ weight }: { weight: Weight }) {
  const Icon = WEIGHT_ICON[weight]
  return (
    <span className={`weight ${weight}`}>
      <Icon aria-hidden="true" />
      {WEIGHT_WORD[weight]}
    </span>
  )
}

/** A level: its word and its place among those of its learning domain. `maybe` names what it might be instead. */
export function LevelMark({ level, byHand, maybe = [] }: { level: Level | null; byHand: boolean; maybe?: readonly Level[] }) {
  const at = level === null ? -1 : rankOf(level)
  const steps: readonly Level[] = LEVELS_OF[level === null ? 'cognitive' : domainOf(level)]
  return (
    <span className="level">
      <svg width="50" height="12" aria-hidden="true">
        <line x1="5" x2="45" y1="6" y2="6" stroke="var(--line)" />
        {steps.map((l, i) => (
          <circle key={l} cx={5 + i * 8} cy="6" r={i === at ? 4 : 1.6} fill={i === at ? 'var(--ink)' : 'var(--edge)'} />
        ))}
      </svg>
      {level === null ? (
        <span className="proposed">no level</span>
      ) : (
        <span>
          {level}
          {byHand ? ' *' : ''}
          {maybe.length > 0 && <span className="muted"> or {maybe.join(', ')}?</span>}
        </span>
      )}
    </span>
  )
}

const CHIP_WORD = {
  outcome: 'outcome',
  objective: 'objective',
  activity: 'activity',
  // Its number brings the course's own word.
  module: '',
  frameworkItem: 'framework item',
} as const

/** A number that can be opened, read out as "objective 2a". */
export function Chip({
  kind,
  number,
  suffix,
  onOpen,
  inCell = false,
}: {
  kind: keyof typeof CHIP_WORD
  number: string
  suffix?: string
  onOpen?: () => void
  /** In a cell of a table, which is one stop for Tab with all in it. */
  inCell?: boolean
}) {
  const name = [CHIP_WORD[kind], number, suffix].filter(Boolean).join(' ')
  const text = suffix ? `${number} ${suffix}` : number
  return onOpen ? (
    <LineButton className="chip" aria-label={name} tabIndex={inCell ? -1 : undefined} onClick={onOpen}>
      {text}
    </LineButton>
  ) : (
    <span className="chip">
      <span className="visually-hidden">{CHIP_WORD[kind]} </span>
      {text}
    </span>
  )
}
