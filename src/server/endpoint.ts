/**
 * Endpoints by what they declare: who may ask, for which ability, how often, and what the body is. The handler gets what was
 * checked; the access test enumerates the declarations.
 */
import type { APIContext } from 'astro'
import type { z } from 'zod'
import { ABILITIES, type Ability, may } from '../core/access/abilities'
import type { Viewer } from '../core/beside/beside'
import { ID_PATTERN } from '../core/blueprint/id-pattern'
import type { Role } from '../core/roles'
import type { SpaceState } from '../core/spaces'
import type { Person } from './auth'
import { type Database, getDatabase } from './db/client'
import { type LimitName, limit } from './limits'
import { thisRequest } from './log'
import { Refusal } from './problem'
import { parsedBody, signedIn } from './request'
import { noSuchSeat, type SeatVisitor, visitorOf } from './seats'
import { needsState, roleIn } from './space-state'

/**
 * `anyone`: without an account; `account`: whoever is signed in; `course`: who has a role in the course `[id]`; `seat`: who came by the
 * link of the seat `[seat]` of a review.
 */
export type Access = 'anyone' | 'account' | 'course' | 'seat'

export type EndpointSpec<B> = {
  readonly access: Access
  /**
   * What the role must allow. `service`: the service finds the role in the statement in which it works, and refuses by itself.
   * Only of courses.
   */
  readonly may?: Ability | 'service'
  /** The states of a course in which it is served; open: to read it, also where it is put away, to change it only live. */
  readonly states?: readonly SpaceState[]
  /** What is counted against; `write` for everything that is no GET. */
  readonly limit?: LimitName
  /** Bytes of a body at most; a form's unless given, `whole`: what the server takes at all. */
  readonly bytes?: number | 'whole'
  /** The shape of a JSON body. */
  readonly body?: z.core.$ZodType<B>
  /** A body that is right in form, for documents and tests. */
  readonly example?: NoInfer<B>
}

/** What a handler is given, by access. */
export type Asked<A extends Access, B> = {
  readonly db: Database
  readonly params: Readonly<Record<string, string | undefined>>
  readonly url: URL
  readonly request: Request
  readonly redirect: APIContext['redirect']
  /** Settles when the answer is sent, or its reader is gone. */
  readonly answered: Promise<void>
  readonly body: B
} & (A extends 'account' | 'course' ? { readonly person: Person } : object) &
  (A extends 'course' ? { readonly role: Role } : object) &
  (A extends 'course' | 'seat' ? { readonly courseId: string; readonly state: SpaceState; readonly viewer: Viewer } : object) &
  (A extends 'seat' ? Pick<SeatVisitor, 'seat' | 'round'> : object)

export type Endpoint = ((context: APIContext) => Promise<Response>) & { readonly declared: EndpointSpec<unknown> }

/** What a form holds, in bytes (Cairn defaults): whoever is known may write texts of many pages, a stranger an address and a password. */
const FORM_BYTES: Readonly<Record<Access, number>> = { anyone: 16_000, account: 256_000, course: 256_000, seat: 256_000 }

/** Refuses a body that is too long, before any of it is read. */
function needsShort(request: Request, { access, bytes = FORM_BYTES[access] }: EndpointSpec<never>): void {
  if (bytes === 'whole' || Number(request.headers.get('content-length') ?? 0) <= bytes) return
  throw new Refusal(413, 'too-large', `This takes at most ${bytes / 1000} kB.`)
}

const READ: readonly SpaceState[] = ['live', 'archived']
const LIVE: readonly SpaceState[] = ['live']

/** An endpoint from its declaration and what it does. Refusals that are thrown are answered by the middleware. */
export function endpoint<A extends Access, B = undefined>(
  spec: EndpointSpec<B> & { readonly access: A },
  handler: (asked: Asked<A, B>) => Response | Promise<Response>,
): Endpoint {
  const answer = async (context: APIContext): Promise<Response> => {
    const { params, url, request } = context
    const db = getDatabase()
    const answered = context.locals.answered ?? Promise.resolve()
    const states = spec.states ?? (request.method === 'GET' ? READ : LIVE)
    if (spec.access === 'seat') {
      const visitor = await visitorOf(db, request.headers, params['seat'] ?? '')
      if (!visitor) throw noSuchSeat()
      if (request.method !== 'GET') await limit(spec.limit ?? 'write', visitor.viewer.id)
      needsState(visitor.state, states)
      needsShort(request, spec as EndpointSpec<never>)
      const body = spec.body ? await parsedBody(request, spec.body) : undefined
      return handler({ db, params, url, request, answered, body, ...visitor } as unknown as Asked<A, B>)
    }
    const person = spec.access === 'anyone' ? context.locals.person : signedIn(context.locals)
    if (person && request.method !== 'GET') await limit(spec.limit ?? 'write', person.id)
    const courseId = params['id'] ?? ''
    const about = thisRequest()
    // An id of ours; what else stands in an address was typed.
    if (about && spec.access === 'course' && ID_PATTERN.test(courseId)) about.course = courseId
    let [role, state]: [Role?, SpaceState?] = []
    if (spec.access === 'course' && spec.may !== 'service') {
      ;({ role, state } = await roleIn(db, courseId, person?.id ?? '', states))
      if (spec.may && !may(role, spec.may)) throw new Refusal(403, 'role-may-not', ABILITIES[spec.may].refusal)
    }
    needsShort(request, spec as EndpointSpec<never>)
    const body = spec.body ? await parsedBody(request, spec.body) : undefined
    const redirect = context.redirect.bind(context)
    const viewer = { id: person?.id ?? '', role }
    return handler({ db, params, url, request, redirect, answered, body, person, courseId, role, state, viewer } as unknown as Asked<A, B>)
  }
  return Object.assign(answer, { declared: spec as EndpointSpec<unknown> })
}
