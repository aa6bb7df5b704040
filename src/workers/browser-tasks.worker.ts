/** The browser's worker of tasks. */
import { expose } from 'comlink'
import { taskServer } from './tasks'

expose(taskServer)
