/** What was written as comments in a course and is not at the server: still being typed in this tab, or waiting in this browser. */
import { useState } from 'react'
import { useCourse, useCourseStore } from '../store/course-store'
import { keptTexts } from '../store/kept-state'
import { Unsent } from '../store/unsent'

/** Comments that are being written are kept under this name, and whose or about what they are. */
export const WORDS = 'words'

type Left = { readonly key: string; readonly text: string; readonly letGo: () => void }

function wordsLeft(courseId: string, account: string): readonly Left[] {
  const waiting = new Unsent(courseId, account)
  const sent = waiting.list().map(({ id, values }): Left => {
    const { aboutName, words } = values as unknown as { aboutName: string | null; words: string }
    return { key: id, text: aboutName ? `${aboutName}:\n${words}` : words, letGo: () => waiting.letGo(id) }
  })
  return [...sent, ...keptTexts(WORDS, courseId, account)]
}

/** What is left of this account in the course that is open or was to be opened, and letting it go. */
export function useWordsLeft() {
  const store = useCourseStore()
  const account = useCourse((s) => s.viewer?.id) ?? store.lastAccount
  const [words, setWords] = useState(() => wordsLeft(store.courseId, account))
  const letGo = () => {
    for (const left of words) left.letGo()
    setWords([])
  }
  return { words, letGo }
}
