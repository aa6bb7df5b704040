/** A picture: chosen, drawn anew, sent, and said in words for those who do not see it. */
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import LinearProgress from '@mui/material/LinearProgress'
import { useState } from 'react'
import { Button } from '../parts/button'
import { CheckInput } from '../parts/choice-input'
import { FilePicker } from '../parts/file-picker'
import { TextInput } from '../parts/input'
import { useCourseStore } from '../store/course-store'
import './picture.css'
import { sendPicture, useFileAddress } from './use-files'

export type Picture = { readonly fileId: string; readonly alt: string; readonly decorative: boolean }
type Props = {
  readonly heading: string
  readonly begin: Picture | null
  /** Whether it may be one that says nothing. */
  readonly mayDecorate: boolean
  /** The seat of a review whose evidence it is. */
  readonly seatId?: string
  readonly onTake: (picture: Picture) => void
  readonly onClose: () => void
}

export function PictureDialog({ heading, begin, mayDecorate, seatId, onTake, onClose }: Props) {
  const store = useCourseStore()
  const addressOf = useFileAddress()
  const [fileId, setFileId] = useState(begin?.fileId ?? '')
  const [alt, setAlt] = useState(begin?.alt ?? '')
  const [decorative, setDecorative] = useState(begin?.decorative ?? false)
  const [sending, setSending] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  const choose = async ([file]: readonly File[]) => {
    if (!file) return
    setProblem(null)
    setSending(true)
    const sent = await sendPicture(store, file, seatId)
    setSending(false)
    if (sent.ok) setFileId(sent.value)
    else setProblem(sent.error)
  }
  const saysNothing = alt.trim() === '' && !decorative
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="picture-title">
      <DialogTitle id="picture-title">{heading}</DialogTitle>
      <DialogContent>
        <div className="picture-choice">
          {fileId && <img src={addressOf(fileId)} alt={alt} />}
          <FilePicker label="Picture file" accept="image/png,image/jpeg,.png,.jpg,.jpeg" onFiles={(files) => void choose(files)}>
            {fileId ? 'Another picture…' : 'Choose a picture…'}
          </FilePicker>
          <span className="muted small">
            PNG or JPEG. It is drawn anew, at most 2,000 pixels long, without what a camera wrote into it.
          </span>
          {sending && <LinearProgress aria-label="The picture is sent" />}
          {problem && (
            <p className="form-error" role="alert">
              {problem}
            </p>
          )}
        </div>
        <TextInput
          label="What it shows, in words"
          hint="Read out to those who do not see it, and shown where it cannot be."
          value={alt}
          disabled={decorative}
          element={{ maxLength: 300 }}
          onChange={(e) => setAlt(e.target.value)}
        />
        {mayDecorate && (
          <CheckInput label="It decorates: nothing is lost for who does not see it" checked={decorative} onCheck={setDecorative} />
        )}
      </DialogContent>
      <DialogActions>
        <Button rank="rest" onClick={onClose}>
          Cancel
        </Button>
        <Button
          rank="main"
          disabled={fileId === '' || saysNothing}
          onClick={() => {
            onClose()
            onTake({ fileId, alt: decorative ? '' : alt.trim(), decorative })
          }}
        >
          Use it
        </Button>
      </DialogActions>
    </Dialog>
  )
}
