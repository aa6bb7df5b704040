/** A button that asks for files. */
import { type ReactNode, useRef } from 'react'
import { Button } from './button'

type Props = {
  readonly children: ReactNode
  /** What the files are, for those who do not see the button. */
  readonly label: string
  readonly accept: string
  readonly several?: boolean
  readonly onFiles: (files: readonly File[]) => void
}

export function FilePicker({ children, label, accept, several = false, onFiles }: Props) {
  const picker = useRef<HTMLInputElement>(null)
  return (
    <>
      <Button onClick={() => picker.current?.click()}>{children}</Button>
      <input
        ref={picker}
        type="file"
        multiple={several}
        hidden
        aria-label={label}
        accept={accept}
        onChange={(e) => {
          const files = [...(e.target.files ?? [])]
          // The same file again is asked for again.
          e.target.value = ''
          if (files.length > 0) onFiles(files)
        }}
      />
    </>
  )
}
