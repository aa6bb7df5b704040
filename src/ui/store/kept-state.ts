/** State of a view that is in no plan and yet should be there after a reload: kept in this tab, by course and account. */
import { useEffect, useRef, useState } from 'react'
import { useCourse, useCourseStore } from './course-store'

const keyOf = (name: string, courseId: string, account: string) => `cairn ${courseId} ${account} ${name}`

/** A value is written down this long after the last change, or when the page is left (Cairn default). */
const KEEP_MS = 400
/** Shorter texts are written down at once (Cairn default). */
const SHORT = 20_000

function write(key: string, value: unknown): void {
  try {
    if (value === null) sessionStorage.removeItem(key)
    else sessionStorage.setItem(key, JSON.stringify(value))
  } catch {
    sessionStorage.removeItem(key)
  }
}

/** Like useState; the value comes back after a reload of this tab. What cannot be kept (full storage) lives as long as the page. */
export function useKeptState<T>(name: string, initial: T): [T, (value: T) => void] {
  const account = useCourse((s) => s.viewer?.id ?? '')
  const key = keyOf(name, useCourseStore().courseId, account)
  const [value, setValue] = useState<T>(() => {
    try {
      const kept = sessionStorage.getItem(key)
      return kept === null ? initial : (JSON.parse(kept) as T)
    } catch {
      return initial
    }
  })
  const pending = useRef<(() => void) | null>(null)
  useEffect(() => {
    // Writing down what is large takes its time: not between two keys.
    const keep = () => {
      pending.current = null
      write(key, value === initial ? null : value)
    }
    // A text is there at once for whoever looks for it.
    if (typeof value === 'string' && value.length < SHORT) return keep()
    pending.current = keep
    const timer = setTimeout(keep, KEEP_MS)
    return () => clearTimeout(timer)
  }, [key, value, initial])
  useEffect(() => {
    const keepNow = () => pending.current?.()
    window.addEventListener('pagehide', keepNow)
    return () => {
      window.removeEventListener('pagehide', keepNow)
      keepNow()
    }
  }, [])
  return [value, setValue]
}

/** Texts of an account that are kept in this tab under names that begin with a word, and how to let each go. */
export function keptTexts(word: string, courseId: string, account: string) {
  try {
    return Object.keys(sessionStorage)
      .filter((key) => key.startsWith(keyOf(`${word} `, courseId, account)))
      .map((key) => ({ key, text: String(JSON.parse(sessionStorage.getItem(key) ?? '""')), letGo: () => sessionStorage.removeItem(key) }))
  } catch {
    return []
  }
}
