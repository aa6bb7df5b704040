import { randomInt } from 'node:crypto'
import { idSource } from '../core/blueprint/ids'

/** Fresh ids from the system's random source. */
export const serverId = idSource(() => randomInt(2 ** 47) / 2 ** 47)
