/** The tables that are no records of the plan, by name, for drizzle-kit and for the auth library. Those of kinds come from tables.ts. */

import { bigint, boolean, customType, index, integer, jsonb, pgTable, primaryKey, text, timestamp, unique } from 'drizzle-orm/pg-core'
import type { ReportDoc } from '../../core/review/report'
import type { SpaceState, SpaceType } from '../../core/spaces'
import type { Standing } from '../../core/standing/standing'

const bytes = customType<{ data: Buffer }>({ dataType: () => 'bytea' })
const stamp = (name: string) => timestamp(name, { withTimezone: true }).notNull().defaultNow()

/** A narrow row a course: locked first by every change, it puts them in order. */
export const courseHead = pgTable('course_head', {
  id: text('id').primaryKey(),
  type: text('type').$type<SpaceType>().notNull().default('course'),
  revision: integer('revision').notNull().default(0),
  createdAt: stamp('created_at'),
  state: text('state').$type<SpaceState>().notNull().default('live'),
  /** Since when it is in this state, where it is not live. */
  stateAt: timestamp('state_at', { withTimezone: true }),
})

/**
 * The bytes of files: once each, by their SHA-256, in pieces, so that none of any size is ever whole in memory. Those that no course
 * has any more go with the purge.
 */
export const fileContent = pgTable('file_content', {
  hash: text('hash').primaryKey(),
  size: bigint('size', { mode: 'number' }).notNull(),
})
export const fileChunk = pgTable(
  'file_chunk',
  { hash: text('hash').notNull(), n: integer('n').notNull(), body: bytes('body').notNull() },
  (t) => [primaryKey({ columns: [t.hash, t.n] })],
)

/** What snapshots hold: once each, by the SHA-256 of the text, compressed. Those that no snapshot has any more go with the purge. */
export const snapshotContent = pgTable('snapshot_content', {
  hash: text('hash').primaryKey(),
  /** The plan in record form as canonical JSON, gzip. */
  body: bytes('body').notNull(),
  /** Bytes of the text. */
  size: integer('size').notNull(),
})

/** The revision of each kind of data beside the plan, by course. */
export const besideHead = pgTable(
  'beside_head',
  {
    courseId: text('course_id')
      .notNull()
      .references(() => courseHead.id, { onDelete: 'cascade' }),
    kind: text('kind').notNull(),
    revision: integer('revision').notNull(),
    /** Who knows less than this revision asks for everything anew: somebody may see more or less since then. */
    anew: integer('anew').notNull().default(0),
  },
  (t) => [primaryKey({ columns: [t.courseId, t.kind] })],
)

/** What was removed of a kind of data beside the plan, and when: windows that ask for what came since hear of it. */
export const besideRemoved = pgTable(
  'beside_removed',
  {
    courseId: text('course_id')
      .notNull()
      .references(() => courseHead.id, { onDelete: 'cascade' }),
    kind: text('kind').notNull(),
    id: text('id').notNull(),
    revision: integer('revision').notNull(),
  },
  (t) => [primaryKey({ columns: [t.courseId, t.kind, t.id] })],
)

export const membership = pgTable(
  'membership',
  {
    courseId: text('course_id')
      .notNull()
      .references(() => courseHead.id, { onDelete: 'cascade' }),
    userId: text('user_id')
      .notNull()
      .references(() => user.id, { onDelete: 'cascade' }),
    role: text('role').notNull(),
  },
  (t) => [primaryKey({ columns: [t.courseId, t.userId] }), index('membership_user_idx').on(t.userId)],
)

export const changeLog = pgTable(
  'change_log',
  {
    courseId: text('course_id')
      .notNull()
      .references(() => courseHead.id, { onDelete: 'cascade' }),
    revision: integer('revision').notNull(),
    authorId: text('author_id').notNull(),
    changeId: text('change_id').notNull(),
    contentHash: text('content_hash').notNull(),
    formatVersion: integer('format_version').notNull(),
    code: text('code').notNull(),
    params: jsonb('params').notNull(),
    /** What was written: the log alone rebuilds the course. */
    operations: jsonb('operations').notNull(),
    skipped: jsonb('skipped').notNull(),
    at: stamp('at'),
  },
  (t) => [primaryKey({ columns: [t.courseId, t.revision] }), unique('change_log_once').on(t.courseId, t.authorId, t.changeId)],
)

/** A frozen public syllabus. Withdrawing keeps the row, so that the address answers 410. */
export const publication = pgTable('publication', {
  slug: text('slug').primaryKey(),
  courseId: text('course_id')
    .notNull()
    .unique()
    .references(() => courseHead.id, { onDelete: 'cascade' }),
  revision: integer('revision').notNull(),
  /** The offering that it was made of; null for the first. */
  offeringId: text('offering_id'),
  syllabus: jsonb('syllabus'),
  version: integer('version').notNull().default(1),
  publishedAt: stamp('published_at'),
})

/** The report of a round of review, frozen as published. Withdrawing keeps the row, so that the address answers 410. */
export const reportPage = pgTable(
  'report_page',
  {
    slug: text('slug').primaryKey(),
    courseId: text('course_id')
      .notNull()
      .references(() => courseHead.id, { onDelete: 'cascade' }),
    roundId: text('round_id').notNull(),
    doc: jsonb('doc').$type<ReportDoc>(),
    publishedAt: stamp('published_at'),
  },
  (t) => [unique('report_page_once').on(t.courseId, t.roundId)],
)

/** Counts for the list of courses; may be dropped at any time. */
export const analysisCache = pgTable('analysis_cache', {
  courseId: text('course_id')
    .primaryKey()
    .references(() => courseHead.id, { onDelete: 'cascade' }),
  revision: integer('revision').notNull(),
  fix: integer('fix').notNull(),
  check: integer('check').notNull(),
  /** Where the course stands; null where it was counted before this was asked. */
  standing: jsonb('standing').$type<Standing>(),
  at: stamp('at'),
})

/** Somebody asked by mail to take a role. The secret of the link is stored hashed, and stands in the mail alone. */
export const invitation = pgTable(
  'invitation',
  {
    id: text('id').primaryKey(),
    courseId: text('course_id')
      .notNull()
      .references(() => courseHead.id, { onDelete: 'cascade' }),
    email: text('email').notNull(),
    role: text('role').notNull(),
    tokenHash: text('token_hash').notNull().unique(),
    invitedBy: text('invited_by').notNull(),
    createdAt: stamp('created_at'),
    expiresAt: timestamp('expires_at', { withTimezone: true }).notNull(),
  },
  (t) => [unique('invitation_once').on(t.courseId, t.email)],
)

/** A browser that came by the link of a seat of a review: the secret of its cookie, hashed. */
export const seatVisit = pgTable('seat_visit', {
  hash: text('hash').primaryKey(),
  courseId: text('course_id')
    .notNull()
    .references(() => courseHead.id, { onDelete: 'cascade' }),
  seatId: text('seat_id').notNull(),
  at: stamp('at'),
})

/** Mail on its way out. No mail server ships with Cairn: the demo shows what would be sent. */
export const outbox = pgTable('outbox', {
  id: text('id').primaryKey(),
  recipient: text('recipient').notNull(),
  subject: text('subject').notNull(),
  body: text('body').notNull(),
  at: stamp('at'),
})

// What the auth library keeps; names are its own.
export const rateLimit = pgTable('rate_limit', {
  id: text('id').primaryKey(),
  key: text('key').notNull().unique(),
  count: integer('count').notNull(),
  lastRequest: bigint('last_request', { mode: 'number' }).notNull(),
})
export const user = pgTable('user', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  email: text('email').notNull().unique(),
  emailVerified: boolean('email_verified').notNull().default(false),
  image: text('image'),
  /** Light, dark, or as the system has it. */
  scheme: text('scheme').notNull().default('system'),
  /** Sorts of mail that were put off. */
  mailsOff: text('mails_off').notNull().default(''),
  /** Since when it may not sign in, where it may not. */
  lockedAt: timestamp('locked_at', { withTimezone: true }),
  /** Workspaces whose first steps were put away. */
  seen: text('seen').notNull().default(''),
  createdAt: stamp('created_at'),
  updatedAt: stamp('updated_at'),
})
export const session = pgTable('session', {
  id: text('id').primaryKey(),
  expiresAt: timestamp('expires_at', { withTimezone: true }).notNull(),
  token: text('token').notNull().unique(),
  createdAt: stamp('created_at'),
  updatedAt: stamp('updated_at'),
  ipAddress: text('ip_address'),
  userAgent: text('user_agent'),
  userId: text('user_id')
    .notNull()
    .references(() => user.id, { onDelete: 'cascade' }),
})
export const account = pgTable('account', {
  id: text('id').primaryKey(),
  accountId: text('account_id').notNull(),
  providerId: text('provider_id').notNull(),
  userId: text('user_id')
    .notNull()
    .references(() => user.id, { onDelete: 'cascade' }),
  accessToken: text('access_token'),
  refreshToken: text('refresh_token'),
  idToken: text('id_token'),
  accessTokenExpiresAt: timestamp('access_token_expires_at', { withTimezone: true }),
  refreshTokenExpiresAt: timestamp('refresh_token_expires_at', { withTimezone: true }),
  scope: text('scope'),
  password: text('password'),
  createdAt: stamp('created_at'),
  updatedAt: stamp('updated_at'),
})
export const verification = pgTable('verification', {
  id: text('id').primaryKey(),
  identifier: text('identifier').notNull(),
  value: text('value').notNull(),
  expiresAt: timestamp('expires_at', { withTimezone: true }).notNull(),
  createdAt: stamp('created_at'),
  updatedAt: stamp('updated_at'),
})
