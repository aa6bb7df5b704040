/** The syllabus as HTML: one rendering for the workspace's preview and for the public page. Everything is escaped here. */

import { type FileAddress, NO_FILES, richToHtml } from '../blueprint/rich-text'
import { escapeHtml as esc } from '../blueprint/text'
import { pluralOf } from '../plan/module-word'
import type { Syllabus } from './assemble'

const each = <T>(list: readonly T[], html: (item: T) => string): string => list.map(html).join('')
const multiline = (text: string): string => esc(text).replaceAll('\n', '<br>')

/** The article element of a syllabus, headings from `h1`. */
export function syllabusHtml(s: Syllabus, addressOf: FileAddress = NO_FILES): string {
  return [
    '<article class="syllabus">',
    head(s, addressOf),
    section('facts', 'At a glance', facts(s)),
    s.description ? section('about', 'About this course', richToHtml(s.description, addressOf)) : '',
    s.outcomes.length ? section('outcomes', 'What you will be able to do', outcomes(s)) : '',
    s.modules.length ? section('modules', `${esc(pluralOf(s.moduleWord))} and their objectives`, modules(s)) : '',
    s.schedule.length ? section('schedule', 'Schedule', schedule(s)) : '',
    s.grades ? section('grades', 'How the grade is made up', grades(s)) : '',
    each(s.sections, (x) => `<section><h2>${esc(x.title)}</h2>${richToHtml(x.body, addressOf)}</section>`),
    '</article>',
  ].join('\n')
}

const section = (id: string, title: string, body: string): string =>
  body ? `<section aria-labelledby="syllabus-${id}"><h2 id="syllabus-${id}">${title}</h2>${body}</section>` : ''

function head(s: Syllabus, addressOf: FileAddress): string {
  const source = s.cover && addressOf(s.cover.fileId)
  const cover = source ? `<img class="cover" src="${esc(source)}" alt="${esc(s.cover?.alt ?? '')}">` : ''
  const above = [s.institution, s.code].flatMap((t) => (t ? [esc(t)] : [])).join(' · ')
  return `<header>${cover}${above ? `<p class="over">${above}</p>` : ''}<h1>${esc(s.title)}</h1>${s.subtitle ? `<p class="under">${esc(s.subtitle)}</p>` : ''}</header>`
}

const facts = (s: Syllabus): string =>
  `<dl class="facts">${each(s.facts, (f) => `<div><dt>${esc(f.label)}</dt><dd>${multiline(f.value)}</dd></div>`)}</dl>`

const outcomes = (s: Syllabus): string =>
  `<ul class="numbered">${each(s.outcomes, (o) => `<li><b>${esc(o.number)}</b> <span>${esc(o.statement)}</span></li>`)}</ul>`

const modules = (s: Syllabus): string =>
  each(
    s.modules,
    (m) =>
      `<h3>${esc(m.number)} ${esc(m.title)}${m.weeks ? ` <small>${esc(m.weeks)}</small>` : ''}</h3>${m.subtitle ? `<p class="under">${esc(m.subtitle)}</p>` : ''}${
        m.objectives.length
          ? `<ul class="numbered">${each(m.objectives, (o) => `<li><b>${esc(o.number)}</b> <span>${esc(o.statement)}${o.outcomes.length ? ` <small>(${esc(o.outcomes.join(', '))})</small>` : ''}</span></li>`)}</ul>`
          : ''
      }`,
  )

function schedule(s: Syllabus): string {
  const rows = each(s.schedule, (w) => {
    const due = each(w.due, (d) => `<li><b>${esc(d.when)}</b> ${esc(d.number)} ${esc(d.title)}${d.share ? ` (${esc(d.share)})` : ''}</li>`)
    const closed = each(w.closed, (c) => `<li class="closed">${esc(c)}</li>`)
    return `<tr><th scope="row">${esc(w.label)}<small>${esc(w.dates)}</small></th><td>${each(w.modules, (m) => `<div>${esc(m)}</div>`)}</td><td>${due || closed ? `<ul>${closed}${due}</ul>` : ''}</td></tr>`
  })
  const undated = s.undated.length ? `<p>Without a date yet: ${esc(s.undated.map((u) => `${u.number} ${u.title}`).join('; '))}.</p>` : ''
  return `<div class="scroll"><table><thead><tr><th scope="col">Week</th><th scope="col">${esc(s.moduleWord)}</th><th scope="col">Due</th></tr></thead><tbody>${rows}</tbody></table></div>${undated}`
}

function grades(s: Syllabus): string {
  if (!s.grades) return ''
  const rows = each(
    s.grades.rows,
    (r) =>
      `<tr><th scope="row">${esc(r.title)}${r.items ? `<small>${esc(r.items)}</small>` : ''}</th><td class="n">${esc(r.points)}</td><td class="n">${esc(r.share)}</td></tr>`,
  )
  return `<div class="scroll"><table><thead><tr><th scope="col">${s.grades.byShares ? 'Category' : 'Assessment'}</th><th scope="col" class="n">Points</th><th scope="col" class="n">Share of the grade</th></tr></thead><tbody>${rows}</tbody><tfoot><tr><th scope="row">Sum</th><td class="n">${esc(s.grades.total.points)}</td><td class="n">${esc(s.grades.total.share)}</td></tr></tfoot></table></div>`
}
