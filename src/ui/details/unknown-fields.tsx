/** A record that a newer version of Cairn made: it is kept, and can be read. */
import type { AnyRecord } from '../../core/blueprint/kinds'
import { fieldTitle } from '../../core/history/describe'
import { Pair } from './pair'

export function UnknownFields({ record }: { record: AnyRecord }) {
  return (
    <>
      <p className="muted small">Made with a newer version of Cairn. It is kept as it is; load the page again to work on it.</p>
      {Object.entries(record).map(([name, value]) =>
        name === 'id' || value === null ? null : (
          <Pair key={name} label={fieldTitle(name)}>
            {typeof value === 'string' ? value : JSON.stringify(value)}
          </Pair>
        ),
      )}
    </>
  )
}
