/** A report as HTML: an article of true headings, lists and tables, without a script. */
import { escapeHtml } from '../blueprint/text'
import type { ReportBlock, ReportDoc, ReportItem } from '../review/report'

const item = ({ lead, text, note }: ReportItem): string =>
  `<li>${lead ? `<b>${escapeHtml(lead)}</b> ` : ''}${lines(text)}${note ? ` <small>${escapeHtml(note)}</small>` : ''}</li>`
const lines = (text: string): string => escapeHtml(text).replaceAll('\n', '<br>')

function block(b: ReportBlock): string {
  switch (b.type) {
    case 'heading':
      return `<h2>${escapeHtml(b.text)}</h2>`
    case 'paragraph':
      return `<p>${b.lead ? `<b>${escapeHtml(b.lead)}</b> ` : ''}${lines(b.text)}</p>`
    case 'list':
      return `<${b.ordered ? 'ol' : 'ul'}>${b.items.map(item).join('')}</${b.ordered ? 'ol' : 'ul'}>`
    case 'table': {
      const of = (i: number) => (b.figures.includes(i) ? ' class="n"' : '')
      const head = b.head.map((h, i) => `<th scope="col"${of(i)}>${escapeHtml(h)}</th>`).join('')
      const cell = (text: string, i: number) => (i === 0 ? `<th scope="row">${lines(text)}</th>` : `<td${of(i)}>${lines(text)}</td>`)
      const rows = b.rows.map((r) => `<tr>${r.map(cell).join('')}</tr>`).join('')
      return `<div class="wide"><table><caption>${escapeHtml(b.caption)}</caption><thead><tr>${head}</tr></thead><tbody>${rows}</tbody></table></div>`
    }
  }
}

/** The article of a report. */
export const reportHtml = ({ title, subtitle, blocks }: ReportDoc): string =>
  `<article class="report-page"><h1>${escapeHtml(title)}</h1><p>${escapeHtml(subtitle)}</p>${blocks.map(block).join('')}</article>`

/** How a report looks where it stands alone. */
export const REPORT_CSS =
  'body{margin:0;font:16px/1.5 "Atkinson Hyperlegible Next Variable",Georgia,serif;color:var(--ink,#20282B);background:var(--surface,#FFF)}main{max-width:900px;margin:0 auto;padding:36px 20px 60px}h1{font-size:1.7rem;line-height:1.2}h2{margin-top:2rem;font-size:1.2rem}small,caption,footer{color:var(--muted,#566166)}caption{text-align:left;padding-bottom:.3rem}.wide{overflow-x:auto}table{border-collapse:collapse;width:100%;font-size:.9rem}th,td{text-align:left;vertical-align:top;padding:.35rem .7rem .35rem 0;border-top:1px solid var(--line,#DDD8CE)}th[scope=row]{font-weight:400}th.n,td.n{text-align:right}@page{margin:18mm}@media print{tr,li{break-inside:avoid}h2{break-after:avoid}}'

/** A page that stands alone. */
export const reportPage = (doc: ReportDoc): string =>
  `<!doctype html>\n<html lang="${languageOf(doc)}">\n<head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>${escapeHtml(doc.title)}</title><style>${REPORT_CSS}</style></head>\n<body><main>${reportHtml(doc)}</main></body>\n</html>\n`

/** The language of a document as pages and readers take it. */
export const languageOf = ({ language }: Pick<ReportDoc, 'language'>): string => (/^[A-Za-z-]{2,35}$/.test(language) ? language : 'en-GB')
