/** Where people paste a text or drop files. */
import { FilePicker } from './file-picker'
import { TextInput } from './input'
import './drop-box.css'
import { type ReactNode, useState } from 'react'

type Props = {
  readonly prompt: string
  readonly text: string
  readonly onText: (text: string) => void
  /** The button that opens the picker, and what may be dropped. */
  readonly choose: string
  readonly hint: string
  readonly filesLabel: string
  readonly accept: string
  readonly several: boolean
  readonly onFiles: (files: readonly File[]) => void
  readonly children: ReactNode
}

export function DropBox({ prompt, text, onText, choose, hint, filesLabel, accept, several, onFiles, children }: Props) {
  const [over, setOver] = useState(false)
  return (
    <section
      aria-label="What you have"
      className={over ? 'drop-zone over' : 'drop-zone'}
      onDragOver={(e) => {
        e.preventDefault()
        setOver(true)
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(e) => {
        e.preventDefault()
        setOver(false)
        onFiles([...e.dataTransfer.files])
      }}
    >
      <p className="muted" aria-hidden="true">
        {prompt}
      </p>
      <TextInput
        label={prompt}
        hideLabel
        multiline
        rows={16}
        value={text}
        element={{ spellCheck: false }}
        onChange={(e) => onText(e.target.value)}
      />
      <div className="row" style={{ flexWrap: 'wrap', gap: 6 }}>
        <FilePicker label={filesLabel} accept={accept} several={several} onFiles={onFiles}>
          {choose}
        </FilePicker>
        <span className="muted small">{hint}</span>
      </div>
      {children}
    </section>
  )
}
