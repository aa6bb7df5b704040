/** The server's worker of tasks, in a thread of its own. */
import { parentPort } from 'node:worker_threads'
import { expose } from 'comlink'
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs'
import { taskServer } from './tasks'

if (parentPort) expose(taskServer, nodeEndpoint(parentPort))
