/**
 * Zod as the core uses it: its functions alone, since the browser fetches the core twice (page and worker) and the schemas with
 * methods weigh as much as everything else together. With the English sentences, which the functions do not bring by themselves.
 */
import { en } from 'zod/locales'
import * as z from 'zod/mini'

z.config(en())

export { z }
