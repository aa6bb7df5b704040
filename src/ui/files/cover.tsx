/** The picture that the syllabus begins with. */
import { useState } from 'react'
import type { Course } from '../../core/blueprint/kinds'
import { Button } from '../parts/button'
import { laterFrom } from '../parts/later'
import { useCourseStore, useMay } from '../store/course-store'
import './picture.css'
import { useFileAddress } from './use-files'

const PictureDialog = laterFrom(
  () => import('./picture-dialog'),
  (m) => m.PictureDialog,
)

export function Cover({ course: { coverFileId, coverAlt } }: { course: Course }) {
  const store = useCourseStore()
  const addressOf = useFileAddress()
  const mayFile = useMay('file.write')
  const [open, setOpen] = useState(false)
  const may = store.may('course') && mayFile
  if (!may && coverFileId === null) return null
  const set = (to: Pick<Course, 'coverFileId' | 'coverAlt'>) =>
    store.edit('set-field', { what: 'cover picture' }, (edit) => edit.set('course', 'course', to))
  return (
    <div className="cover">
      {coverFileId && <img src={addressOf(coverFileId)} alt={coverAlt ?? ''} />}
      {may && (
        <span className="row">
          <Button onClick={() => setOpen(true)}>{coverFileId ? 'Cover picture…' : 'Add a cover picture…'}</Button>
          {coverFileId && (
            <Button rank="rest" onClick={() => set({ coverFileId: null, coverAlt: null })}>
              Take it off
            </Button>
          )}
        </span>
      )}
      {open && (
        <PictureDialog
          heading="Cover picture"
          begin={coverFileId ? { fileId: coverFileId, alt: coverAlt ?? '', decorative: false } : null}
          mayDecorate={false}
          onTake={({ fileId, alt }) => void set({ coverFileId: fileId, coverAlt: alt })}
          onClose={() => setOpen(false)}
        />
      )}
    </div>
  )
}
