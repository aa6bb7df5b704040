// The tasks of the browser, in a thread.
import { register } from 'tsx/esm/api'

register()
await import('./task-worker.ts')
