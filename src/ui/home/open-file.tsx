/** A course from Cairn's own file: chosen or dropped on the list; what is wrong with it is said with the place. */
import { useState } from 'react'
import { type Problem, problemText } from '../../core/result'
import { readPlan } from '../../workers/tasks'
import { fileAddress, sendBytes } from '../files/send-bytes'
import { FilePicker } from '../parts/file-picker'
import { ask } from '../store/api'
import { runTask } from '../store/run-task'

/** So many problems are told (Cairn default). */
const MOST_TOLD = 5
type State =
  | { readonly says: 'ready' }
  | { readonly says: 'reading'; readonly name: string }
  | { readonly says: 'failed'; readonly name: string; readonly problems: readonly Problem[] }

export function OpenFile() {
  const [state, setState] = useState<State>({ says: 'ready' })
  const open = async (file: File) => {
    const { name } = file
    setState({ says: 'reading', name })
    const failed = (...problems: readonly Problem[]) => setState({ says: 'failed', name, problems })
    try {
      const read = await runTask(readPlan, { name, content: new Uint8Array(await file.arrayBuffer()) }, { timeout: 60_000 })
      if (!read.ok) return failed(...read.error)
      const answer = await ask<{ readonly id: string }>('/api/courses/import', { method: 'POST', body: JSON.parse(read.value.text) })
      if (!answer.ok) return failed({ code: answer.problem.code, message: answer.problem.title, at: '' })
      for (const [id, bytes] of read.value.files) {
        const sent = await sendBytes(fileAddress(answer.value.id, id), '', id, new Blob([bytes as BlobPart]))
        if (!sent.ok) return failed({ code: 'picture', message: `${id}: ${sent.error}`, at: 'files' })
      }
      window.location.assign(`/courses/${answer.value.id}/brief`)
    } catch {
      failed({ code: 'unreadable', message: 'the file could not be read', at: '' })
    }
  }
  return (
    <>
      <FilePicker label="Cairn file" accept=".json,.zip" onFiles={([file]) => file && void open(file)}>
        {state.says === 'reading' ? `Reading ${state.name} …` : 'Open a Cairn file…'}
      </FilePicker>
      {state.says === 'failed' && (
        <div className="form-error open-failed" role="alert">
          {state.name} was not opened:
          <ul>
            {state.problems.slice(0, MOST_TOLD).map((p) => (
              <li key={`${p.at} ${p.message}`}>{problemText(p)}</li>
            ))}
            {state.problems.length > MOST_TOLD && <li>and {state.problems.length - MOST_TOLD} more like these</li>}
          </ul>
        </div>
      )}
    </>
  )
}
