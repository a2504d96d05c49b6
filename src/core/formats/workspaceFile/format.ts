import { Type, type Static } from '@sinclair/typebox'
import { closed } from '@/core/json/vocabulary'
import { validator } from '@/core/json/validator'

/** Kinds of entries of the log. */
export const LOG_KINDS = ['note', 'visit', 'made', 'sealed', 'imported'] as const

export const WORKSPACE_SCHEMA = 'soft-gale/workspace@5'
/** Version 1 kept the finding of a check as text; version 2 had no notes, signatures and photos; version 3 nothing of its sites but their names; version 4
 *  no time zones of them. */
const FORMER_SCHEMAS = [1, 2, 3, 4].map((version) => `soft-gale/workspace@${version}`)

const Text = (maxLength: number) => Type.String({ maxLength })
const Time = Type.String({ maxLength: 40, pattern: '^\\d{4}-\\d\\d-\\d\\dT' })
const OrNull = <T extends Parameters<typeof Type.Union>[0][number]>(type: T) => Type.Union([type, Type.Null()])

/** `workspace.json` in the zip. */
const Manifest = Type.Object(
  {
    schema: Type.Union([WORKSPACE_SCHEMA, ...FORMER_SCHEMAS].map((schema) => Type.Literal(schema))),
    name: Text(80),
    writtenAt: Time,
    installations: Type.Integer({ minimum: 0 }),
    localRules: Type.Optional(Type.Unknown()),
    /** What whoever goes there wants to know, by the name of the site. */
    sites: Type.Optional(
      Type.Array(
        Type.Object(
          {
            name: Type.String({ minLength: 1, maxLength: 80 }),
            address: Text(500),
            contact: Text(500),
            access: Text(500),
            zone: Type.Optional(Text(80)),
          },
          closed,
        ),
        {
          maxItems: 10_000,
        },
      ),
    ),
  },
  closed,
)

const LogLine = Type.Object(
  {
    id: Type.Optional(Text(36)),
    corrects: Type.Optional(OrNull(Text(36))),
    /** Of a visit; checked where it is read, as a document is. */
    detail: Type.Optional(Type.Unknown()),
    kind: Type.Union(LOG_KINDS.map((kind) => Type.Literal(kind))),
    text: Text(2000),
    writtenBy: Text(200),
    writtenAt: Time,
  },
  closed,
)

/** `installations/ID.json` in the zip: everything about one, as it is stored. Documents are checked when they are opened, as always. */
const InstallationPart = Type.Object(
  {
    id: Text(36),
    site: Text(80),
    createdAt: Time,
    setAsideAt: OrNull(Time),
    setAsideBy: OrNull(Text(200)),
    document: Type.Unknown(),
    version: Type.Integer({ minimum: 1 }),
    savedBy: Text(200),
    savedAt: Time,
    revisions: Type.Array(
      Type.Object(
        {
          id: Text(36),
          number: Type.Integer({ minimum: 1 }),
          reason: Text(300),
          document: Type.Unknown(),
          open: Type.Unknown(),
          fingerprint: Type.Optional(OrNull(Text(64))),
          signedAt: Type.Optional(OrNull(Time)),
          signature: Type.Optional(OrNull(Text(20_000))),
          localRules: Type.Optional(Type.Unknown()),
          sealedBy: Text(200),
          sealedAt: Time,
        },
        closed,
      ),
    ),
    checks: Type.Array(
      Type.Object(
        {
          id: Text(36),
          check: Text(200),
          given: Text(2000),
          reading: Type.Unknown(),
          verdict: Text(40),
          finding: Type.Optional(Type.Unknown()),
          sentence: Type.Optional(Text(2000)),
          note: Type.Optional(Text(1000)),
          takenAt: Type.Optional(OrNull(Time)),
          readBy: Text(200),
          readAt: Time,
        },
        closed,
      ),
    ),
    log: Type.Array(LogLine),
    photos: Type.Optional(
      Type.Array(
        Type.Object(
          {
            id: Text(36),
            about: Text(160),
            caption: Text(300),
            // What it is served as: nothing that a browser would run.
            type: Type.Union([Type.Literal('image/jpeg'), Type.Literal('image/png')]),
            takenBy: Text(200),
            takenAt: Time,
            data: Text(4_000_000),
          },
          closed,
        ),
      ),
    ),
  },
  closed,
)
type InstallationPart = Static<typeof InstallationPart>

/** `controllers/N.json` in the zip. */
const ControllerPart = Type.Object(
  { id: Text(60), document: Type.Unknown(), madeBy: OrNull(Text(200)), setAsideAt: OrNull(Time) },
  closed,
)

/** `readings/ID.json` in the zip; beside it `readings/ID.ndjson`, a line an instant: `[at in ms, value of each column in base units]`. */
const ReadingsPart = Type.Object(
  {
    id: Text(36),
    installationId: Text(36),
    name: Text(200),
    columns: Type.Array(Type.Object({ name: Text(200), quantity: Text(60) }, closed), { maxItems: 100 }),
    zone: Text(80),
    feeds: Type.Unknown(),
  },
  closed,
)

export const readManifest = validator(Manifest)
export const readInstallationPart = validator(InstallationPart)
export const readControllerPart = validator(ControllerPart)
export const readReadingsPart = validator(ReadingsPart)
export const readLogPart = validator(Type.Array(LogLine))
