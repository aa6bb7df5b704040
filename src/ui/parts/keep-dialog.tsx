/** Keeping what was noticed as it is, with a reason. */

import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import { useState } from 'react'
import { fittedText } from '../../core/blueprint/field-text'
import type { Finding } from '../../core/findings/finding'
import { newId, useCourseStore } from '../store/course-store'
import { todayIso } from '../store/today'
import { Button } from './button'
import { TextInput } from './input'

export function KeepDialog({ finding, onClose }: { finding: Finding; onClose: () => void }) {
  const store = useCourseStore()
  const [reason, setReason] = useState('')
  const keep = () => {
    const text = reason.trim()
    if (!text) return
    store.edit('accept-finding', {}, (edit) => {
      for (const d of edit.now.decision.values()) if (d.findingKey === finding.key) edit.remove({ kind: 'decision', id: d.id })
      edit.create('decision', {
        id: newId(),
        kind: 'finding accepted',
        reason: fittedText('decision', 'reason', text) ?? '',
        author: store.state.viewer?.name ?? '',
        date: todayIso(),
        findingKey: finding.key,
        facts: finding.facts,
      })
    })
    onClose()
  }
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="keep-title">
      <DialogTitle id="keep-title">Keep it as it is</DialogTitle>
      <DialogContent>
        <p style={{ marginTop: 0 }}>{finding.message}</p>
        <TextInput
          label="Why it is right here"
          hint="It leaves the counts and returns when what it stands on changes."
          multiline
          minRows={3}
          autoFocus
          value={reason}
          element={{ maxLength: 2000 }}
          onChange={(e) => setReason(e.target.value)}
          onKeyDown={(e) => e.key === 'Enter' && (e.ctrlKey || e.metaKey) && keep()}
        />
      </DialogContent>
      <DialogActions>
        <Button rank="rest" onClick={onClose}>
          Cancel
        </Button>
        <Button rank="main" disabled={!reason.trim()} onClick={keep}>
          Keep
        </Button>
      </DialogActions>
    </Dialog>
  )
}
