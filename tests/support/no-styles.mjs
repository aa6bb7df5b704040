// Parts of the interface import their styles, which mean nothing where there is no browser.
import { register } from 'node:module'

const hooks = `export const load = (url, context, next) =>
  url.endsWith('.css') ? { format: 'module', source: '', shortCircuit: true } : next(url, context)`
register(`data:text/javascript,${encodeURIComponent(hooks)}`)
