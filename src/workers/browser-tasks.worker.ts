/** The browser's worker of tasks. */
import { expose } from 'comlink'
import { taskServer, WORK } from './tasks'

expose(taskServer(WORK))
