import type { Blueprint } from '../blueprint/blueprint'
import { escapeHtml } from '../blueprint/text'
import { filesOf } from '../files/files-of'
import { colourCss } from '../learner-pages/palette'
import { assembleSyllabus } from '../syllabus/assemble'
import { syllabusHtml } from '../syllabus/html'
import type { Made } from './formats'

/** In pieces: a call takes only so many arguments. */
function base64(bytes: Uint8Array): string {
  let text = ''
  for (let at = 0; at < bytes.length; at += 8192) text += String.fromCharCode(...bytes.subarray(at, at + 8192))
  return btoa(text)
}

/** The syllabus as a page that stands alone, readable and printing well without anything else: pictures are in it. */
export async function syllabusPage(blueprint: Blueprint, { file }: Made): Promise<string> {
  const pictures = new Map<string, string>()
  for (const id of filesOf(blueprint)) {
    const found = await file?.(id)
    if (found) pictures.set(id, `data:${found.type};base64,${base64(found.bytes)}`)
  }
  const syllabus = assembleSyllabus(blueprint)
  const title = escapeHtml(syllabus.title)
  const style =
    'body{font:16px/1.5 Georgia,serif;max-width:820px;margin:2rem auto;padding:0 1rem;color:var(--ink,#20282B);background:var(--surface,#FFF)}h1,h2,h3{color:var(--heading,inherit)}a{color:var(--link,#2C6A4F)}small,.over,.under,dt{color:var(--muted,#566166)}table{border-collapse:collapse;width:100%}th,td{text-align:left;vertical-align:top;padding:.3rem .6rem .3rem 0;border-top:1px solid var(--line,#DDD8CE)}img{max-width:100%;height:auto}@page{margin:18mm}@media print{tr{break-inside:avoid}h2,h3{break-after:avoid}}'
  return `<!doctype html>\n<html lang="${/^[A-Za-z-]{2,35}$/.test(syllabus.language ?? '') ? syllabus.language : 'en-GB'}">\n<head><meta charset="utf-8"><title>${title}</title><style>${syllabus.colours ? colourCss(syllabus.colours) : ''}${style}</style></head>\n<body>\n${syllabusHtml(syllabus, (id) => pictures.get(id) ?? '')}\n</body>\n</html>\n`
}
