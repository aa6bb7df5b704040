/** How a report looks as PDF. What it says comes in as data, never as part of this text. */
export const REPORT_TEMPLATE = `
#let doc = json(bytes(sys.inputs.doc))
#let ink = rgb("#20282B")
#let quiet = rgb("#566166")
#set document(title: doc.title, author: "Cairn")
#set page(
  paper: "a4",
  margin: (x: 20mm, top: 20mm, bottom: 22mm),
  footer: context align(right, text(size: 9pt, fill: quiet, counter(page).display("1 / 1", both: true))),
)
#set text(font: "Atkinson Hyperlegible Next", size: 10pt, fill: ink, lang: doc.lang, region: doc.region)
#set par(leading: 0.6em)
#show heading: set block(above: 1.5em, below: 0.7em)
#show heading.where(level: 1): set text(size: 19pt)
#show heading.where(level: 2): set text(size: 12.5pt)
#show table: set text(size: 8.5pt)
#let words(it) = it.split("\\n").map(line => [#line]).join(linebreak())
#let lead(b) = if b.at("lead", default: none) != none [*#b.lead* ]
#let note(b) = if b.at("note", default: none) != none [ #text(fill: quiet, b.note)]
= #doc.title
#text(fill: quiet, doc.subtitle)
#for b in doc.blocks {
  if b.type == "heading" [== #b.text]
  if b.type == "paragraph" [#par[#lead(b)#words(b.text)]]
  if b.type == "list" {
    let items = b.items.map(i => [#lead(i)#words(i.text)#note(i)])
    if b.at("ordered", default: false) { enum(..items) } else { list(..items) }
  }
  if b.type == "table" {
    let rule = 0.5pt + rgb("#B9B4AA")
    figure(
      kind: table,
      alt: b.caption,
      table(
        columns: b.widths.map(w => w * 1fr),
        align: range(b.head.len()).map(i => if b.figures.contains(i) { right } else { left }),
        stroke: (x, y) => (top: if y == 0 { none } else { rule }, bottom: none),
        inset: (x: 4pt, y: 4pt),
        table.header(repeat: true, ..b.head.map(h => strong(h))),
        ..b.rows.flatten().map(c => words(c)),
      ),
    )
  }
}
`
