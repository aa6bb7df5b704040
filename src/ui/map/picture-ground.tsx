/** The ground of the course picture: columns, lanes, and the bands of hours and shares under them. */
import { max } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { formatHundredths } from '../../core/numbers'
import { LEFT, type Picture, TOP } from '../../core/picture/layout'

/** What hangs together with a stone. */
export type Chain = {
  readonly outcomes: ReadonlySet<string>
  readonly modules: ReadonlySet<string>
  readonly activities: ReadonlySet<string>
}

/** Lengths of a lane's bar and of the band of hours, in pixels of the picture. */
const BAR = 92
const HOURS = 46

type GroundProps = {
  readonly picture: Picture
  readonly chain: Chain | null
  readonly target: { readonly min: number; readonly max: number } | null
}

export function Ground({ picture, chain, target }: GroundProps) {
  const { bottom, columns, lanes, width } = picture
  const most = max([20_00, ...lanes.map((l) => Math.max(l.graded, l.intended ?? 0))]) ?? 20_00
  const bar = scaleLinear([0, most], [0, BAR])
  const tall = scaleLinear([0, picture.mostHours], [0, HOURS])
  const base = bottom + 60
  return (
    <>
      {columns.map((c, i) => (
        <g key={c.moduleId}>
          <rect
            x={c.x}
            y="0"
            width={c.width}
            height={bottom}
            fill={chain?.modules.has(c.moduleId) ? 'var(--moss-soft)' : i % 2 === 0 ? 'var(--soft)' : 'var(--paper)'}
          />
          <text x={c.x + 8} y="17" fontWeight="700" fontSize="13" fill="var(--ink)">
            {c.number}
          </text>
          <text x={c.x + c.width - 8} y="17" textAnchor="end" fontSize="12" fill="var(--muted)">
            {c.weeks}
          </text>
          {c.title.map((t, k) => (
            <text key={t} x={c.x + 8} y={34 + k * 15} fontSize="12.5" fill="var(--ink)">
              {t}
            </text>
          ))}
        </g>
      ))}
      <text x="34" y={TOP - 8} fontSize="12" fill="var(--muted)">
        share of grade · mark: intended
      </text>
      {lanes.map((l) => (
        <g key={l.laneId}>
          {chain?.outcomes.has(l.laneId) && <rect x="0" y={l.y} width={LEFT} height={l.height} fill="var(--moss-soft)" />}
          <line x1="0" x2={width} y1={l.y} y2={l.y} stroke="var(--line)" />
          <text x="0" y={l.y + 18} fontWeight="700" fontSize="13" fill="var(--ink)">
            {l.number}
          </text>
          {l.statement.map((t, k) => (
            <text key={t} x="34" y={l.y + 18 + k * 15} fontSize="12.5" fill="var(--ink)">
              {t}
            </text>
          ))}
          <rect x="34" y={l.y + 52} width={Math.max(0.5, bar(l.graded))} height="6" rx="1" fill={l.off ? 'var(--ochre)' : 'var(--ink)'} />
          {l.intended !== null && (
            <line x1={34 + bar(l.intended)} x2={34 + bar(l.intended)} y1={l.y + 48} y2={l.y + 62} stroke="var(--ink)" strokeWidth="2" />
          )}
          <text x={LEFT - 16} y={l.y + 60} textAnchor="end" fontSize="12.5" fill={l.off ? 'var(--ochre)' : 'var(--muted)'}>
            {formatHundredths(Math.round(l.graded / 10) * 10, 1)} %
          </text>
        </g>
      ))}
      <line x1="0" x2={width} y1={bottom} y2={bottom} stroke="var(--ink)" />
      <text x="0" y={bottom + 22} fontWeight="700" fontSize="13" fill="var(--ink)">
        Hours a week
      </text>
      {target && (
        <>
          <text x="0" y={bottom + 38} fontSize="12" fill="var(--muted)">
            target {target.min}–{target.max}
          </text>
          <rect
            x={LEFT}
            y={base - tall(target.max)}
            width={width - LEFT}
            height={tall(target.max - target.min)}
            fill="var(--moss)"
            opacity=".16"
          />
        </>
      )}
      {columns.map((c) =>
        c.hours === null ? (
          <text key={c.moduleId} x={c.x + c.width / 2} y={base - 6} textAnchor="middle" fontSize="12" fill="var(--muted)">
            –
          </text>
        ) : (
          <g key={c.moduleId}>
            <rect
              x={c.x + 3}
              y={base - tall(c.hours)}
              width={c.width - 6}
              height={tall(c.hours)}
              fill={c.over ? 'var(--ochre)' : 'var(--edge)'}
              fillOpacity={c.over ? 1 : 0.35}
            />
            <text
              x={c.x + c.width / 2}
              y={base - 5}
              textAnchor="middle"
              fontSize="12"
              fontWeight="700"
              fill={c.over ? 'var(--paper)' : 'var(--ink)'}
            >
              {c.hours.toFixed(1)}
            </text>
          </g>
        ),
      )}
      <line x1="0" x2={width} y1={bottom + 68} y2={bottom + 68} stroke="var(--line)" />
      <text x="0" y={bottom + 90} fontWeight="700" fontSize="13" fill="var(--ink)">
        Share of grade
      </text>
      {columns.map((c) => (
        <text key={c.moduleId} x={c.x + c.width / 2} y={bottom + 90} textAnchor="middle" fontSize="12.5" fill="var(--ink)">
          {c.share > 0 ? `${formatHundredths(Math.round(c.share / 10) * 10)} %` : '–'}
        </text>
      ))}
    </>
  )
}
