/** The formats of rich text, the same before and after the editor is there. */
export const TOOLS = ['Bold', 'Italic', 'Heading', 'List', 'Numbers'] as const
export type Tool = (typeof TOOLS)[number]

export function RichTools({ label, on, run }: { label: string; on: (tool: Tool) => boolean; run: (tool: Tool) => void }) {
  return (
    <div className="row" role="toolbar" aria-label={`Format of ${label}`} style={{ marginBottom: 4, gap: 4, flexWrap: 'wrap' }}>
      {TOOLS.map((tool) => (
        <button
          key={tool}
          type="button"
          className="btn"
          aria-pressed={on(tool)}
          onMouseDown={(e) => e.preventDefault()}
          onClick={() => run(tool)}
        >
          {tool}
        </button>
      ))}
    </div>
  )
}
