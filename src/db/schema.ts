import {
  bigserial,
  boolean,
  customType,
  doublePrecision,
  bigint,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  smallint,
  text,
  timestamp,
  unique,
  uuid,
} from 'drizzle-orm/pg-core'

const bytea = customType<{ data: Buffer }>({ dataType: () => 'bytea' })
const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })
const now = (name: string) => at(name).notNull().defaultNow()

export const workspace = pgTable('workspace', {
  id: uuid('id').primaryKey().defaultRandom(),
  name: text('name').notNull(),
  createdAt: now('created_at'),
})

/** A row that belongs to a workspace. The migrations put row security on every table that has this column. */
const ofWorkspace = () =>
  uuid('workspace_id')
    .notNull()
    .references(() => workspace.id)

// Sign-in: the tables of better-auth, in our words. They are read before anyone is known, so they stand outside row security.

export const person = pgTable('person', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  email: text('email').notNull().unique(),
  emailVerified: boolean('email_verified').notNull().default(false),
  image: text('image'),
  workspaceId: uuid('workspace_id').references(() => workspace.id),
  temperatureUnit: text('temperature_unit').notNull().default('C'),
  flowUnit: text('flow_unit').notNull().default('l/s'),
  createdAt: now('created_at'),
  updatedAt: now('updated_at'),
})

export const session = pgTable(
  'session',
  {
    id: text('id').primaryKey(),
    token: text('token').notNull().unique(),
    personId: text('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    expiresAt: at('expires_at').notNull(),
    ipAddress: text('ip_address'),
    userAgent: text('user_agent'),
    createdAt: now('created_at'),
    updatedAt: now('updated_at'),
  },
  (table) => [index('session_person').on(table.personId)],
)

export const signIn = pgTable(
  'sign_in',
  {
    id: text('id').primaryKey(),
    accountId: text('account_id').notNull(),
    providerId: text('provider_id').notNull(),
    personId: text('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    accessToken: text('access_token'),
    refreshToken: text('refresh_token'),
    idToken: text('id_token'),
    accessTokenExpiresAt: at('access_token_expires_at'),
    refreshTokenExpiresAt: at('refresh_token_expires_at'),
    scope: text('scope'),
    password: text('password'),
    createdAt: now('created_at'),
    updatedAt: now('updated_at'),
  },
  (table) => [index('sign_in_person').on(table.personId)],
)

export const verification = pgTable('verification', {
  id: text('id').primaryKey(),
  identifier: text('identifier').notNull(),
  value: text('value').notNull(),
  expiresAt: at('expires_at').notNull(),
  createdAt: now('created_at'),
  updatedAt: now('updated_at'),
})

// The work itself. Every table below is under row security by workspace.

export const site = pgTable(
  'site',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    workspaceId: ofWorkspace(),
    name: text('name').notNull(),
    createdAt: now('created_at'),
  },
  (table) => [unique('site_name').on(table.workspaceId, table.name)],
)

export const installation = pgTable('installation', {
  id: uuid('id').primaryKey(),
  workspaceId: ofWorkspace(),
  siteId: uuid('site_id')
    .notNull()
    .references(() => site.id),
  createdAt: now('created_at'),
  /** Set aside: out of the yard, nothing of it lost. */
  setAsideAt: at('set_aside_at'),
  setAsideBy: text('set_aside_by'),
})

/** A row that belongs to an installation. */
const ofInstallation = () =>
  uuid('installation_id')
    .notNull()
    .references(() => installation.id)

/** The documents as they are now. `version` rises by one with each change; a save that names another is behind. */
export const workingCopy = pgTable('working_copy', {
  installationId: uuid('installation_id')
    .primaryKey()
    .references(() => installation.id),
  workspaceId: ofWorkspace(),
  version: integer('version').notNull(),
  document: jsonb('document').notNull(),
  /** The client-made id of the save that made this version: the same save sent twice is one save. */
  saveId: uuid('save_id').notNull(),
  savedBy: text('saved_by').notNull(),
  savedAt: now('saved_at'),
})

/** Sealed for good: a trigger refuses update, delete and truncate. */
export const revision = pgTable(
  'revision',
  {
    id: uuid('id').primaryKey(),
    workspaceId: ofWorkspace(),
    installationId: ofInstallation(),
    number: integer('number').notNull(),
    reason: text('reason').notNull(),
    document: jsonb('document').notNull(),
    /** What was open when it was sealed, with the reason of each danger; null from before that was asked. */
    open: jsonb('open'),
    sealedBy: text('sealed_by').notNull(),
    sealedAt: now('sealed_at'),
  },
  (table) => [unique('revision_number').on(table.installationId, table.number)],
)

/** What was read and judged for one check; the newest row of a check counts. */
export const checkResult = pgTable(
  'check_result',
  {
    id: uuid('id').primaryKey(),
    workspaceId: ofWorkspace(),
    installationId: ofInstallation(),
    check: text('check').notNull(),
    /** What was to be proved, so that a result is known to be out of date when the setting changes. */
    given: text('given').notNull(),
    reading: jsonb('reading').notNull(),
    verdict: text('verdict').notNull(),
    sentence: text('sentence').notNull(),
    readBy: text('read_by').notNull(),
    readAt: now('read_at'),
    /** The order in which they came: a clock may be set back. */
    seq: bigserial('seq', { mode: 'number' }).notNull(),
  },
  (table) => [index('check_result_of').on(table.installationId, table.readAt)],
)

/** Append-only: a trigger refuses update, delete and truncate. */
export const logEntry = pgTable(
  'log_entry',
  {
    id: uuid('id').primaryKey(),
    workspaceId: ofWorkspace(),
    installationId: uuid('installation_id').references(() => installation.id),
    kind: text('kind').notNull(),
    text: text('text').notNull(),
    writtenBy: text('written_by').notNull(),
    writtenAt: now('written_at'),
    /** The order in which they came: a clock may be set back. */
    seq: bigserial('seq', { mode: 'number' }).notNull(),
  },
  (table) => [index('log_entry_of').on(table.workspaceId, table.writtenAt)],
)

export const controllerModel = pgTable(
  'controller_model',
  {
    workspaceId: ofWorkspace(),
    id: text('id').notNull(),
    document: jsonb('document').notNull(),
    /** Who wrote it; null for the examples that come with the program. */
    madeBy: text('made_by'),
    createdAt: now('created_at'),
    setAsideAt: at('set_aside_at'),
  },
  (table) => [primaryKey({ columns: [table.workspaceId, table.id] })],
)

export const readingFile = pgTable('reading_file', {
  id: uuid('id').primaryKey(),
  workspaceId: ofWorkspace(),
  installationId: ofInstallation(),
  name: text('name').notNull(),
  /** Name and quantity of each column, in the order of `reading.column_no`. */
  columns: jsonb('columns').notNull(),
  lineCount: integer('line_count').notNull(),
  fromMs: bigint('from_ms', { mode: 'number' }).notNull(),
  toMs: bigint('to_ms', { mode: 'number' }).notNull(),
  /** IANA name of the zone the logger's clock stood in; `as-written` where its times are kept as they are, as if in UTC. */
  zone: text('zone').notNull().default('as-written'),
  /** Which input takes which column, as a person said; null where it is still as proposed. */
  feeds: jsonb('feeds'),
  importedAt: now('imported_at'),
})

/** A readings file on its way in: sent, waiting, being read, and how that ended. Its id becomes the file's. */
export const importJob = pgTable(
  'import_job',
  {
    id: uuid('id').primaryKey(),
    workspaceId: ofWorkspace(),
    installationId: ofInstallation(),
    name: text('name').notNull(),
    layout: jsonb('layout').notNull(),
    feeds: jsonb('feeds'),
    state: text('state').notNull(),
    cancelAsked: boolean('cancel_asked').notNull().default(false),
    bytesTotal: bigint('bytes_total', { mode: 'number' }).notNull(),
    bytesDone: bigint('bytes_done', { mode: 'number' }).notNull().default(0),
    lineCount: integer('line_count').notNull().default(0),
    problems: jsonb('problems').notNull().default([]),
    askedAt: now('asked_at'),
  },
  (table) => [index('import_job_of').on(table.installationId, table.askedAt)],
)

/** The bytes of a file that waits to be read, piece by piece. */
export const importPiece = pgTable(
  'import_piece',
  {
    workspaceId: ofWorkspace(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => importJob.id, { onDelete: 'cascade' }),
    no: integer('no').notNull(),
    bytes: bytea('bytes').notNull(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.no] })],
)

/** Which jobs wait, for the worker that serves all workspaces: it holds nothing but their ids, and stands outside row security. */
export const importQueue = pgTable('import_queue', {
  jobId: uuid('job_id').primaryKey(),
  workspaceId: uuid('workspace_id').notNull(),
  queuedAt: now('queued_at'),
})

/** Partitioned by month of `at_ms`; `reading_month()` makes a month's part when it is first needed. */
export const reading = pgTable(
  'reading',
  {
    // No references of its own: the file has them, a check a row would cost a third of an import, and a reference would make each new
    // month wait for every import that is under way.
    workspaceId: uuid('workspace_id').notNull(),
    fileId: uuid('file_id').notNull(),
    columnNo: smallint('column_no').notNull(),
    atMs: bigint('at_ms', { mode: 'number' }).notNull(),
    value: doublePrecision('value').notNull(),
  },
  (table) => [primaryKey({ columns: [table.fileId, table.columnNo, table.atMs] })],
)

/** Who has an installation open: a row a page, touched while it is open. What is old means nobody. */
export const presence = pgTable(
  'presence',
  {
    pageId: uuid('page_id').primaryKey(),
    workspaceId: ofWorkspace(),
    installationId: uuid('installation_id')
      .notNull()
      .references(() => installation.id),
    personName: text('person_name').notNull(),
    seenAt: now('seen_at'),
  },
  (table) => [index('presence_of').on(table.installationId, table.seenAt)],
)

/** Tables under row security, by name: the migration and its test both go by this list. */
export const WORKSPACE_TABLES = [
  'site',
  'installation',
  'working_copy',
  'revision',
  'check_result',
  'log_entry',
  'controller_model',
  'reading_file',
  'reading',
  'import_job',
  'import_piece',
  'presence',
] as const
