/** Sums that stay in sight; what does not add up stands out in words and colour. */
import './sum-line.css'
export function SumLine({
  label,
  parts,
}: {
  label: string
  parts: readonly { readonly label: string; readonly value: string; readonly off?: boolean }[]
}) {
  return (
    <div className="sum-line" role="group" aria-label={label}>
      <span>{label}</span>
      <span className="grow" />
      {parts.map((p) => (
        <span key={p.label} className={p.off ? 'off' : ''}>
          {p.value}{' '}
          <span className="small" style={{ fontWeight: 400 }}>
            {p.label}
          </span>
        </span>
      ))}
    </div>
  )
}
