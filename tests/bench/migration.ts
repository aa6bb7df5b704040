/** Bringing a filled database of an earlier release up to date: every course of it many times over. */
import pg from 'pg'
import { cairn, releaseDatabase } from '../support/server'
import { judged, type Line, type Section } from './measure'

const COURSES = 5000
const AIM_SECONDS = 60

/** Columns that hold what must differ between courses, beside `course_id`. */
const OWN: Readonly<Record<string, string>> = { course_head: 'id', publication: 'slug' }

/** Copies the course of a release until there are so many, table by table, those first that others refer to. Returns the rows. */
async function fill(url: string, courses: number): Promise<number> {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  try {
    const { rows } = await client.query<{ name: string; columns: string[] }>(`
      select table_name as name, array_agg(column_name::text order by ordinal_position) as columns
      from information_schema.columns where table_schema = 'public' group by table_name`)
    let waiting = rows.filter((t) => t.columns.includes('course_id') || t.name === 'course_head')
    let written = 0
    while (waiting.length > 0) {
      const later: typeof waiting = []
      for (const table of waiting) {
        const values = table.columns.map((c) => (c === 'course_id' || c === OWN[table.name] ? `t."${c}" || '-' || n` : `t."${c}"`))
        const columns = table.columns.map((c) => `"${c}"`).join()
        const own = OWN[table.name] === 'id' ? 'id' : 'course_id'
        try {
          const { rowCount } = await client.query(
            `insert into "${table.name}" (${columns}) select ${values.join()} from "${table.name}" t, generate_series(2, $1) n
             where t."${own}" = (select id from course_head order by length(id), id limit 1)`,
            [courses],
          )
          written += rowCount ?? 0
        } catch (error) {
          // It refers to a table that comes later.
          if ((error as { code?: string }).code !== '23503') throw error
          later.push(table)
        }
      }
      if (later.length === waiting.length) throw new Error(`cannot fill ${later.map((t) => t.name).join()}`)
      waiting = later
    }
    await client.query('analyze')
    return written
  } finally {
    await client.end()
  }
}

export async function benchMigration(): Promise<Section> {
  const lines: Line[] = []
  for (const release of ['0.1', '0.2']) {
    const database = await releaseDatabase(release)
    try {
      const rows = await fill(database.url, COURSES)
      const begun = performance.now()
      const done = await cairn(['migrate'], { DATABASE_URL: database.url })
      const taken = (performance.now() - begun) / 1000
      if (done.code !== 0) throw new Error(done.stderr)
      lines.push(judged(`Release ${release}: ${(rows / 1e6).toFixed(1)} million rows`, taken, AIM_SECONDS, (n) => `${n.toFixed(1)} s`))
    } finally {
      await database.drop()
    }
  }
  return {
    title: 'Bringing an older database up to date',
    how: `\`bin/cairn migrate\` on the database of an earlier release with ${COURSES} courses, each as full as the demo course that the release came with.`,
    lines,
  }
}
