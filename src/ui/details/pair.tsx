import type { ReactNode } from 'react'

/** A word and its value on one line. */
export const Pair = ({ label, children }: { label: string; children: ReactNode }) => (
  <div className="row" style={{ justifyContent: 'space-between', marginTop: 5 }}>
    <span className="muted">{label}</span>
    <span style={{ textAlign: 'right' }}>{children}</span>
  </div>
)
