import {
  bigserial,
  boolean,
  customType,
  doublePrecision,
  bigint,
  foreignKey,
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
  type AnyPgColumn,
} from 'drizzle-orm/pg-core'

const bytea = customType<{ data: Buffer }>({ dataType: () => 'bytea' })
const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })
const now = (name: string) => at(name).notNull().defaultNow()

export const workspace = pgTable('workspace', {
  id: uuid('id').primaryKey().defaultRandom(),
  name: text('name').notNull(),
  /** Cautions and rules of its own; src/core/record/localRule.ts. */
  localRules: jsonb('local_rules').notNull().default([]),
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
  /** The workspace that was chosen last; a session begins in it. */
  workspaceId: uuid('workspace_id').references(() => workspace.id),
  twoFactorEnabled: boolean('two_factor_enabled').notNull().default(false),
  temperatureUnit: text('temperature_unit').notNull().default('C'),
  flowUnit: text('flow_unit').notNull().default('l/s'),
  /** Units of other kinds by their symbols, as JSON; what is not named is read in its usual one. */
  units: text('units').notNull().default('{}'),
  /** Text size, hand and dates, as JSON; what is not named is as usual. */
  display: text('display').notNull().default('{}'),
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
    /** The workspace this session works in; whether its person may still is looked up with each request. */
    workspaceId: uuid('workspace_id'),
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

/** A second factor of a person: secret and spare codes, both encrypted by the sign-in service. */
export const secondFactor = pgTable(
  'second_factor',
  {
    id: text('id').primaryKey(),
    secret: text('secret').notNull(),
    backupCodes: text('backup_codes').notNull(),
    personId: text('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    verified: boolean('verified').notNull().default(true),
    failedVerificationCount: integer('failed_verification_count').notNull().default(0),
    lockedUntil: at('locked_until'),
  },
  (table) => [index('second_factor_person').on(table.personId)],
)

/** A passkey of a person: the public half only. */
export const passkey = pgTable(
  'passkey',
  {
    id: text('id').primaryKey(),
    name: text('name'),
    publicKey: text('public_key').notNull(),
    personId: text('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    credentialID: text('credential_id').notNull(),
    counter: integer('counter').notNull(),
    deviceType: text('device_type').notNull(),
    backedUp: boolean('backed_up').notNull(),
    transports: text('transports'),
    createdAt: at('created_at'),
    aaguid: text('aaguid'),
  },
  (table) => [index('passkey_person').on(table.personId), index('passkey_credential').on(table.credentialID)],
)

/** How often something was tried from an address or on an account; kept by rate-limiter-flexible. */
export const tryCount = pgTable('try_count', {
  key: text('key').primaryKey(),
  points: integer('points').notNull().default(0),
  expire: bigint('expire', { mode: 'number' }),
})

/** Who belongs to a workspace, and as what. Read to learn which workspaces a person has, so it stands outside row security. */
export const member = pgTable(
  'member',
  {
    workspaceId: ofWorkspace(),
    personId: text('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    role: text('role').notNull(),
    since: now('since'),
  },
  (table) => [primaryKey({ columns: [table.workspaceId, table.personId] }), index('member_person').on(table.personId)],
)

/** What was deleted and when it goes for good, for the job that serves all workspaces: only ids, outside row security. */
export const bin = pgTable(
  'bin',
  {
    workspaceId: uuid('workspace_id').notNull(),
    kind: text('kind').notNull(),
    id: text('id').notNull(),
    goneAt: at('gone_at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.workspaceId, table.kind, table.id] }), index('bin_gone').on(table.goneAt)],
)

// The work itself. Every table below is under row security by workspace, and every key begins with the workspace.

export const site = pgTable(
  'site',
  {
    id: uuid('id').notNull().defaultRandom(),
    workspaceId: ofWorkspace(),
    name: text('name').notNull(),
    /** What whoever goes there wants to know, in words. */
    address: text('address').notNull().default(''),
    contact: text('contact').notNull().default(''),
    access: text('access').notNull().default(''),
    /** IANA name of its time zone; empty where nobody named one. */
    zone: text('zone').notNull().default(''),
    createdAt: now('created_at'),
  },
  (table) => [
    primaryKey({ columns: [table.workspaceId, table.id] }),
    unique('site_name').on(table.workspaceId, table.name),
  ],
)

export const installation = pgTable(
  'installation',
  {
    id: uuid('id').notNull(),
    workspaceId: ofWorkspace(),
    siteId: uuid('site_id').notNull(),
    createdAt: now('created_at'),
    /** Set aside: out of the yard, nothing of it lost. */
    setAsideAt: at('set_aside_at'),
    setAsideBy: text('set_aside_by'),
    /** Set aside to be deleted: gone for good from then on. Never where something was sealed. */
    goneAt: at('gone_at'),
    lastSealNumber: integer('last_seal_number'),
    lastSealedAt: at('last_sealed_at'),
  },
  (table) => [
    primaryKey({ columns: [table.workspaceId, table.id] }),
    foreignKey({ columns: [table.workspaceId, table.siteId], foreignColumns: [site.workspaceId, site.id] }),
    index('installation_of_site').on(table.workspaceId, table.siteId, table.createdAt),
    index('installation_sealed').on(table.workspaceId, table.lastSealedAt),
  ],
)

const ofInstallation = () => uuid('installation_id').notNull()

type OfInstallation = Record<'workspaceId' | 'installationId', AnyPgColumn>

/** The row belongs to an installation of its own workspace. */
const belongsToInstallation = ({ workspaceId, installationId }: OfInstallation) =>
  foreignKey({ columns: [workspaceId, installationId], foreignColumns: [installation.workspaceId, installation.id] })

/** The documents as they are now. `version` rises by one with each change; a save that names another is behind. */
export const workingCopy = pgTable(
  'working_copy',
  {
    installationId: ofInstallation(),
    workspaceId: ofWorkspace(),
    version: integer('version').notNull(),
    document: jsonb('document').notNull(),
    /** The client-made id of the save that made this version: the same save sent twice is one save. */
    saveId: uuid('save_id').notNull(),
    savedBy: text('saved_by').notNull(),
    savedAt: now('saved_at'),
  },
  (table) => [primaryKey({ columns: [table.workspaceId, table.installationId] }), belongsToInstallation(table)],
)

/** What a list shows of an installation, derived when its working copy or a seal was written. */
export const installationLine = pgTable(
  'installation_line',
  {
    workspaceId: ofWorkspace(),
    installationId: ofInstallation(),
    name: text('name').notNull(),
    duty: text('duty'),
    /** 0 nothing, 1 wants a look, 2 can hurt. */
    needs: smallint('needs').notNull(),
    /** The seal it was compared with; null where there was none. */
    sealNumber: integer('seal_number'),
    /** Whether the working copy is what was sealed last. */
    isAsSealed: boolean('is_as_sealed').notNull(),
    line: jsonb('line').notNull(),
    /** The version of the derivation that made it: an older one is made anew. */
    madeBy: integer('made_by').notNull(),
    /** The version of the working copy it was made from. */
    version: integer('version').notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.workspaceId, table.installationId] }),
    belongsToInstallation(table),
    index('installation_line_needs').on(table.workspaceId, table.needs),
  ],
)

/** Sealed for good: a trigger refuses update, delete and truncate. */
export const revision = pgTable(
  'revision',
  {
    id: uuid('id').notNull(),
    workspaceId: ofWorkspace(),
    installationId: ofInstallation(),
    number: integer('number').notNull(),
    reason: text('reason').notNull(),
    document: jsonb('document').notNull(),
    /** What was open when it was sealed, with the reason of each danger; null from before that was asked. */
    open: jsonb('open'),
    /** SHA-256 of the canonical text of the document as it is stored, in hexadecimal; null from before it was kept. */
    fingerprint: text('fingerprint'),
    /** When it was signed, by the clock of whoever signed: earlier than `sealedAt` where there was no line. */
    signedAt: at('signed_at'),
    /** The signature as a path of an SVG picture of 600 by 200; null where none was given. */
    signature: text('signature'),
    /** The workspace’s own rules for this duty as they stood then; null from before there were any. */
    localRules: jsonb('local_rules'),
    sealedBy: text('sealed_by').notNull(),
    sealedAt: now('sealed_at'),
  },
  (table) => [
    primaryKey({ columns: [table.workspaceId, table.id] }),
    belongsToInstallation(table),
    unique('revision_number').on(table.workspaceId, table.installationId, table.number),
  ],
)

/** What was read and judged for one check; the newest row of a check counts. */
export const checkResult = pgTable(
  'check_result',
  {
    id: uuid('id').notNull(),
    workspaceId: ofWorkspace(),
    installationId: ofInstallation(),
    check: text('check').notNull(),
    /** What was to be proved, so that a result is known to be out of date when the setting changes. */
    given: text('given').notNull(),
    reading: jsonb('reading').notNull(),
    verdict: text('verdict').notNull(),
    /** Why, by code with figures; src/core/prove/finding.ts. */
    finding: jsonb('finding').notNull(),
    /** What was said of it, in the words of whoever read. */
    note: text('note').notNull().default(''),
    /** When it was read, by the clock of whoever read: earlier than `readAt` where there was no line. */
    takenAt: at('taken_at'),
    readBy: text('read_by').notNull(),
    readAt: now('read_at'),
    /** The order in which they came: a clock may be set back. */
    seq: bigserial('seq', { mode: 'number' }).notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.workspaceId, table.id] }),
    belongsToInstallation(table),
    index('check_result_of').on(table.workspaceId, table.installationId, table.seq),
  ],
)

/** A picture that was taken on site: of a plate, of wiring, of what a check found. */
export const photo = pgTable(
  'photo',
  {
    id: uuid('id').notNull(),
    workspaceId: ofWorkspace(),
    installationId: ofInstallation(),
    /** What it shows, by place: a part of the document, or `check` and its id. */
    about: text('about').notNull(),
    caption: text('caption').notNull().default(''),
    type: text('type').notNull(),
    bytes: bytea('bytes').notNull(),
    takenBy: text('taken_by').notNull(),
    takenAt: at('taken_at').notNull(),
    keptAt: now('kept_at'),
  },
  (table) => [
    primaryKey({ columns: [table.workspaceId, table.id] }),
    belongsToInstallation(table),
    index('photo_of').on(table.workspaceId, table.installationId, table.takenAt),
  ],
)

/** A way to read one installation’s record without an account. Only a hash of its token is kept. */
export const shareLink = pgTable(
  'share_link',
  {
    id: uuid('id').notNull(),
    workspaceId: ofWorkspace(),
    installationId: ofInstallation(),
    tokenHash: text('token_hash').notNull(),
    /** Who it is for, in the words of whoever made it. */
    forWhom: text('for_whom').notNull(),
    madeBy: text('made_by').notNull(),
    madeAt: now('made_at'),
    expiresAt: at('expires_at').notNull(),
    endedAt: at('ended_at'),
    endedBy: text('ended_by'),
    openedAt: at('opened_at'),
    openedCount: integer('opened_count').notNull().default(0),
  },
  (table) => [
    primaryKey({ columns: [table.workspaceId, table.id] }),
    belongsToInstallation(table),
    unique('share_link_token').on(table.workspaceId, table.tokenHash),
    index('share_link_of').on(table.workspaceId, table.installationId, table.madeAt),
  ],
)

/** Append-only: a trigger refuses update, delete and truncate. */
export const logEntry = pgTable(
  'log_entry',
  {
    id: uuid('id').notNull(),
    workspaceId: ofWorkspace(),
    /** What it is about; its entries stay when an installation was deleted. */
    installationId: uuid('installation_id'),
    kind: text('kind').notNull(),
    text: text('text').notNull(),
    /** The entry this one puts right: that one is struck through, and stays. */
    corrects: uuid('corrects'),
    /** Of a visit: when, why, weather, readings; src/core/record/visit.ts. */
    detail: jsonb('detail'),
    writtenBy: text('written_by').notNull(),
    writtenAt: now('written_at'),
    /** The order in which they came: a clock may be set back. */
    seq: bigserial('seq', { mode: 'number' }).notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.workspaceId, table.id] }),
    index('log_entry_of').on(table.workspaceId, table.seq),
    index('log_entry_of_installation').on(table.workspaceId, table.installationId, table.seq),
  ],
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
    goneAt: at('gone_at'),
  },
  (table) => [primaryKey({ columns: [table.workspaceId, table.id] })],
)

export const readingFile = pgTable(
  'reading_file',
  {
    id: uuid('id').notNull(),
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
    /** Taken out of the lists to be deleted: gone for good from then on. */
    goneAt: at('gone_at'),
  },
  (table) => [
    primaryKey({ columns: [table.workspaceId, table.id] }),
    belongsToInstallation(table),
    index('reading_file_of').on(table.workspaceId, table.installationId, table.importedAt),
  ],
)

/** A readings file on its way in: sent, waiting, being read, and how that ended. Its id becomes the file's. */
export const importJob = pgTable(
  'import_job',
  {
    id: uuid('id').notNull(),
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
  (table) => [
    primaryKey({ columns: [table.workspaceId, table.id] }),
    belongsToInstallation(table),
    index('import_job_of').on(table.workspaceId, table.installationId, table.askedAt),
  ],
)

/** The bytes of a file that waits to be read, piece by piece. */
export const importPiece = pgTable(
  'import_piece',
  {
    workspaceId: ofWorkspace(),
    jobId: uuid('job_id').notNull(),
    no: integer('no').notNull(),
    bytes: bytea('bytes').notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.workspaceId, table.jobId, table.no] }),
    foreignKey({
      columns: [table.workspaceId, table.jobId],
      foreignColumns: [importJob.workspaceId, importJob.id],
    }).onDelete('cascade'),
  ],
)

/** Which jobs wait, for the worker that serves all workspaces: it holds nothing but their ids, and stands outside row security. */
export const importQueue = pgTable(
  'import_queue',
  {
    jobId: uuid('job_id').notNull(),
    workspaceId: uuid('workspace_id').notNull(),
    queuedAt: now('queued_at'),
  },
  (table) => [primaryKey({ columns: [table.workspaceId, table.jobId] }), index('import_queue_next').on(table.queuedAt)],
)

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
  (table) => [primaryKey({ columns: [table.workspaceId, table.fileId, table.columnNo, table.atMs] })],
)

/** Lowest, highest and mean of each whole minute, hour and day of a file, made at import, so that a year is shown without reading it all. */
export const readingLevel = pgTable(
  'reading_level',
  {
    workspaceId: uuid('workspace_id').notNull(),
    fileId: uuid('file_id').notNull(),
    columnNo: smallint('column_no').notNull(),
    /** Width of the stretch, ms. */
    widthMs: integer('width_ms').notNull(),
    /** Time of the stretch’s first reading. */
    atMs: bigint('at_ms', { mode: 'number' }).notNull(),
    low: doublePrecision('low').notNull(),
    high: doublePrecision('high').notNull(),
    mean: doublePrecision('mean').notNull(),
    count: integer('count').notNull(),
  },
  (table) => [primaryKey({ columns: [table.workspaceId, table.fileId, table.widthMs, table.columnNo, table.atMs] })],
)

/** Who has an installation open: a row a page, touched while it is open. What is old means nobody. */
export const presence = pgTable(
  'presence',
  {
    pageId: uuid('page_id').notNull(),
    workspaceId: ofWorkspace(),
    installationId: ofInstallation(),
    personName: text('person_name').notNull(),
    seenAt: now('seen_at'),
  },
  (table) => [
    primaryKey({ columns: [table.workspaceId, table.pageId] }),
    belongsToInstallation(table),
    index('presence_of').on(table.workspaceId, table.installationId, table.seenAt),
  ],
)

/** A way into the workspace for whoever holds the link; only the hash of its token is kept. */
export const invite = pgTable(
  'invite',
  {
    id: uuid('id').notNull(),
    workspaceId: ofWorkspace(),
    tokenHash: text('token_hash').notNull(),
    role: text('role').notNull(),
    /** To whom it was written; empty where it was only shown. */
    email: text('email').notNull().default(''),
    madeBy: text('made_by').notNull(),
    madeAt: now('made_at'),
    expiresAt: at('expires_at').notNull(),
    usedBy: text('used_by'),
    usedAt: at('used_at'),
    withdrawnAt: at('withdrawn_at'),
  },
  (table) => [
    primaryKey({ columns: [table.workspaceId, table.id] }),
    index('invite_token').on(table.workspaceId, table.tokenHash),
  ],
)

/** Who did what, from where. Append-only: a trigger refuses update, delete and truncate. */
export const audit = pgTable(
  'audit',
  {
    workspaceId: ofWorkspace(),
    seq: bigserial('seq', { mode: 'number' }).notNull(),
    personId: text('person_id').notNull(),
    /** What the person was called then. */
    personName: text('person_name').notNull(),
    action: text('action').notNull(),
    what: text('what').notNull(),
    installationId: uuid('installation_id'),
    address: text('address').notNull(),
    at: now('at'),
  },
  (table) => [
    primaryKey({ columns: [table.workspaceId, table.seq] }),
    index('audit_of').on(table.workspaceId, table.personId, table.action, table.at),
  ],
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
  'installation_line',
  'reading_level',
  'invite',
  'audit',
  'photo',
  'share_link',
] as const

/** Tables of people and of the program, not of a workspace: by name, so that a test knows that each was meant. */
export const OTHER_TABLES = [
  'workspace',
  'person',
  'session',
  'sign_in',
  'verification',
  'second_factor',
  'passkey',
  'try_count',
  'member',
  'bin',
  'import_queue',
] as const
