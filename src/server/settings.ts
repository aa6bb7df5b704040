/** Settings from the environment, read once. What has no safe default has none: the start command sets it. */
function needed(name: string): string {
  const value = process.env[name]
  if (!value) throw new Error(`${name} is not set: start Cairn with its start command, or set it`)
  return value
}

export type Settings = {
  readonly databaseUrl: string
  readonly authSecret: string
  readonly origin: string
  /** Whether demo accounts may be offered: only while bound to loopback. */
  readonly demo: boolean
  readonly rateLimit: boolean
}

let settings: Settings | undefined

export function getSettings(): Settings {
  settings ??= {
    databaseUrl: needed('DATABASE_URL'),
    authSecret: needed('AUTH_SECRET'),
    origin: needed('CAIRN_ORIGIN'),
    demo: process.env['CAIRN_DEMO'] === '1' && ['127.0.0.1', 'localhost', '::1'].includes(process.env['HOST'] ?? '127.0.0.1'),
    rateLimit: process.env['CAIRN_RATE_LIMIT'] !== 'off',
  }
  return settings
}
