/** What learners get: the colours of their pages, and the texts that keep some of them out. */
import type { ReactNode } from 'react'
import { TEXT_CODES } from '../../core/learner-pages/text-codes'
import { countOf } from '../../core/numbers'
import { FindingCard } from '../parts/findings'
import { Waiting } from '../parts/waiting'
import { useCourse } from '../store/course-store'
import { Colours } from './colours'

const CODES: ReadonlySet<string> = new Set(TEXT_CODES)

export function ColoursAndTexts({ views }: { readonly views: ReactNode }) {
  return (
    <div className="work">
      <div className="bar">
        <h1 className="visually-hidden">Colours and texts</h1>
        {views}
        <span className="muted small">What learners see on the syllabus and the pages made from the plan.</span>
      </div>
      <div className="scroll-area">
        <div className="colours-and-texts">
          <Colours />
          <Texts />
        </div>
      </div>
    </div>
  )
}

function Texts() {
  const analysis = useCourse((s) => s.analysis)
  const found = analysis?.findings.filter((f) => CODES.has(f.code) && f.accepted === null) ?? []
  return (
    <section className="card" aria-labelledby="texts">
      <h2 id="texts">Texts that learners read</h2>
      {!analysis ? (
        <Waiting lines={4} />
      ) : found.length === 0 ? (
        <p className="muted">
          Headings, lists, links, tables and pictures in these texts keep nobody out, as far as this can be read from them.
        </p>
      ) : (
        <>
          <p className="muted small">{countOf(found.length, 'finding')}. What can be mended without asking has a button.</p>
          {found.map((f) => (
            <FindingCard key={f.key} finding={f} />
          ))}
        </>
      )}
    </section>
  )
}
