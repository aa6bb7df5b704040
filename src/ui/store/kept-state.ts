/** State of a view that is in no plan and yet should be there after a reload: kept in this tab, per course. */
import { useEffect, useState } from 'react'
import { useCourseStore } from './course-store'

/** Like useState; the value comes back after a reload of this tab. What cannot be kept (full storage) lives as long as the page. */
export function useKeptState<T>(name: string, initial: T): [T, (value: T) => void] {
  const key = `cairn ${name} ${useCourseStore().courseId}`
  const [value, setValue] = useState<T>(() => {
    try {
      const kept = sessionStorage.getItem(key)
      return kept === null ? initial : (JSON.parse(kept) as T)
    } catch {
      return initial
    }
  })
  useEffect(() => {
    try {
      if (value === initial) sessionStorage.removeItem(key)
      else sessionStorage.setItem(key, JSON.stringify(value))
    } catch {
      sessionStorage.removeItem(key)
    }
  }, [key, value, initial])
  return [value, setValue]
}
