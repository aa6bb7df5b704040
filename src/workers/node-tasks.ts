/** The server's worker of tasks, in a thread of its own. */
import { parentPort } from 'node:worker_threads'
import { expose } from 'comlink'
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs'
import { taskServer, WORK } from './tasks'
import { WORK_OF_NODE } from './tasks-of-node'

if (parentPort) expose(taskServer({ ...WORK, ...WORK_OF_NODE }), nodeEndpoint(parentPort))
