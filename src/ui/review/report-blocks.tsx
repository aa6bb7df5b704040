/** A report, block by block. */
import type { ReportBlock, ReportItem } from '../../core/review/report'

const Item = ({ lead, text, note }: ReportItem) => (
  <li>
    {lead && <b>{lead} </b>}
    {text} {note && <span className="muted">{note}</span>}
  </li>
)

export const ReportBlocks = ({ blocks }: { readonly blocks: readonly ReportBlock[] }) =>
  // Blocks follow from the figures as a whole, and have no names of their own.
  blocks.map((b, i) => <Block key={`${i} ${b.type}`} {...b} />)

function Block(b: ReportBlock) {
  if (b.type === 'heading') return <h3>{b.text}</h3>
  if (b.type === 'paragraph')
    return (
      <p>
        {b.lead && <b>{b.lead} </b>}
        {b.text}
      </p>
    )
  if (b.type === 'list') {
    const List = b.ordered ? 'ol' : 'ul'
    return (
      <List>
        {b.items.map((item, i) => (
          <Item key={`${i} ${item.lead ?? ''}`} {...item} />
        ))}
      </List>
    )
  }
  const cell = (i: number) => (b.figures.includes(i) ? 'r' : undefined)
  return (
    <table className="sheet">
      <caption className="visually-hidden">{b.caption}</caption>
      <thead>
        <tr>
          {b.head.map((title, i) => (
            <th scope="col" key={title} className={cell(i)}>
              {title}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {b.rows.map((row) => (
          <tr key={row.slice(0, 2).join(' ')}>
            {row.map((text, i) =>
              i === 0 ? (
                <th scope="row" key={b.head[i]}>
                  {text}
                </th>
              ) : (
                <td key={b.head[i]} className={cell(i)}>
                  {text}
                </td>
              ),
            )}
          </tr>
        ))}
      </tbody>
    </table>
  )
}
