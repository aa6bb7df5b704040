/** The endpoints by the routes' own files, with what they declare. */
import { readdirSync } from 'node:fs'
import { pathToFileURL } from 'node:url'
import type { EndpointSpec } from '../../src/server/endpoint'

export type Route = { readonly name: string; readonly method: string; readonly path: string; readonly declared: EndpointSpec<unknown> }

/** Every endpoint by the routes' own files, with what it declares: a route that declares nothing fails here. */
export async function routes(folder = 'src/pages', path = ''): Promise<Route[]> {
  const found: Route[] = []
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (entry.isDirectory()) found.push(...(await routes(`${folder}/${entry.name}`, `${path}/${entry.name}`)))
    if (!entry.name.endsWith('.ts')) continue
    const own = entry.name === 'index.ts' ? path : `${path}/${entry.name.replace(/\.ts$/, '')}`
    const module = (await import(pathToFileURL(`${folder}/${entry.name}`).href)) as Record<string, { declared?: EndpointSpec<unknown> }>
    for (const [method, handler] of Object.entries(module)) {
      if (!handler.declared) throw new Error(`${method} ${own} declares nothing`)
      found.push({ name: `${method} ${own}`, method, path: own, declared: handler.declared })
    }
  }
  return found
}
