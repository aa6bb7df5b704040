/** The tasks of the browser, in a thread. */
import { parentPort } from 'node:worker_threads'
import { expose } from 'comlink'
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs'
import { taskServer, WORK } from '../../src/workers/tasks'

if (parentPort) expose(taskServer(WORK), nodeEndpoint(parentPort))
