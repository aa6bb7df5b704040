import type { Blueprint } from '../blueprint/blueprint'
import { escapeHtml } from '../blueprint/text'
import { assembleSyllabus } from '../syllabus/assemble'
import { syllabusHtml } from '../syllabus/html'

/** The syllabus as a page that stands alone, readable and printing well without anything else. */
export function syllabusPage(blueprint: Blueprint): string {
  const syllabus = assembleSyllabus(blueprint)
  const title = escapeHtml(syllabus.title)
  const style =
    'body{font:16px/1.5 Georgia,serif;max-width:820px;margin:2rem auto;padding:0 1rem;color:#20282B}table{border-collapse:collapse;width:100%}th,td{text-align:left;vertical-align:top;padding:.3rem .6rem .3rem 0;border-top:1px solid #DDD8CE}@page{margin:18mm}@media print{tr{break-inside:avoid}h2,h3{break-after:avoid}}'
  return `<!doctype html>\n<html lang="${/^[A-Za-z-]{2,35}$/.test(syllabus.language ?? '') ? syllabus.language : 'en-GB'}">\n<head><meta charset="utf-8"><title>${title}</title><style>${style}</style></head>\n<body>\n${syllabusHtml(syllabus)}\n</body>\n</html>\n`
}
