/** What was found in the text that is being written, in words, with what mends it. */
import { LEARNER_PAGE_WORDS } from '../../core/findings/words/learner-texts'
import { isMendable, type Mendable } from '../../core/learner-pages/mend-text'
import type { TextProblem } from '../../core/learner-pages/text-access'
import { useModuleWord } from '../store/course-store'
import { Button } from './button'

/** So many are told at once (Cairn default). */
const SHOWN = 5

type Props = { readonly label: string; readonly problems: readonly TextProblem[]; readonly onMend: (code: Mendable) => void }

export function TextProblemList({ label, problems, onMend }: Props) {
  const word = useModuleWord()
  if (problems.length === 0) return null
  return (
    <ul className="text-problems" aria-label={`Found in ${label}`}>
      {problems.slice(0, SHOWN).map(({ code, at, words }) => (
        <li key={`${code} ${at} ${words}`}>
          <span>{LEARNER_PAGE_WORDS[code].says({ text: 'this text', words, n: 1 }, word)}</span>
          {isMendable(code) && (
            <Button rank="rest" onClick={() => onMend(code)}>
              {LEARNER_PAGE_WORDS[code].fixes.mend()}
            </Button>
          )}
        </li>
      ))}
      {problems.length > SHOWN && <li className="muted">and {problems.length - SHOWN} more</li>}
    </ul>
  )
}
