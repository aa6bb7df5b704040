import { LineButton } from '../parts/line-button'
import './frame.css'
import { useEffect } from 'react'
import { useCourse, useCourseStore } from '../store/course-store'

/** The live region, and the notice that others see. */
export function Notice() {
  const notice = useCourse((s) => s.notice)
  const store = useCourseStore()
  useEffect(() => {
    if (!notice) return
    const timer = setTimeout(() => store.clearNotice(), notice.alert ? 12_000 : 5000)
    return () => clearTimeout(timer)
  }, [notice, store])
  return (
    <div aria-live={notice?.alert ? 'assertive' : 'polite'} role="log" aria-label="Notices">
      {notice && (
        <div className="notice" key={notice.n}>
          <span>{notice.text}</span>
          <LineButton onClick={() => store.clearNotice()}>Close</LineButton>
        </div>
      )}
    </div>
  )
}
