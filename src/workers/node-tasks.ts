/** The server's worker of tasks, in a thread of its own. */
import { constants, setPriority } from 'node:os'
import { parentPort } from 'node:worker_threads'
import { expose } from 'comlink'
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs'
import { answering } from '../server/answered'
import { HEAVY } from '../server/heavy'
import { taskServer, WORK } from './tasks'

/** On Linux, of this thread alone: who waits for an answer comes first. */
try {
  setPriority(constants.priority.PRIORITY_BELOW_NORMAL)
} catch {
  // Where it may not be lowered, threads are equal.
}
const heavy = Object.fromEntries(Object.entries(HEAVY).map(([name, load]) => [`heavy ${name}`, answering(load)]))
if (parentPort) expose(taskServer({ ...WORK, ...heavy }), nodeEndpoint(parentPort))
