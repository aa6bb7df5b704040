/** The list of keys: of commands, and of the places where keys mean something; those of the open view first. */
import Dialog from '@mui/material/Dialog'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import { Fragment } from 'react'
import { Button } from '../parts/button'
import { commandsIn, keyGroups } from '../workspaces'
import type { CommandReach } from './command'

export function KeyList({ reach, onClose }: { reach: CommandReach; onClose: () => void }) {
  const commands = commandsIn(reach.view).filter((c) => c.keys)
  const groups = [
    ...keyGroups(reach.view),
    { title: 'Everywhere', keys: commands.map((c) => ({ keys: (c.keys ?? []).join(' · '), does: c.title })) },
  ]
  return (
    <Dialog open onClose={onClose} aria-labelledby="keys-title" fullWidth>
      <DialogTitle id="keys-title">Keys</DialogTitle>
      <DialogContent>
        <p style={{ margin: 0 }}>
          <Button
            rank="rest"
            onClick={() => {
              onClose()
              reach.navigate('/help')
            }}
          >
            The help page
          </Button>
        </p>
        <table className="sheet">
          <tbody>
            {groups.map((group) => (
              <Fragment key={group.title}>
                <tr>
                  <th scope="rowgroup" colSpan={2} style={{ textAlign: 'left', paddingTop: 18 }}>
                    <b>{group.title}</b>
                  </th>
                </tr>
                {group.keys.map(({ keys, does }) => (
                  <tr key={keys + does}>
                    <th scope="row" style={{ width: 190 }}>
                      {keys}
                    </th>
                    <td>{does}</td>
                  </tr>
                ))}
              </Fragment>
            ))}
          </tbody>
        </table>
      </DialogContent>
    </Dialog>
  )
}
