import { Type, type Static } from '@sinclair/typebox'
import { closed } from '@/core/json/vocabulary'
import { validator } from '@/core/json/validator'
import { LOG_KINDS } from '@/db/queries/log'

export const WORKSPACE_SCHEMA = 'soft-gale/workspace@2'
/** Version 1 kept the finding of a check as text. */
const FORMER_SCHEMA = 'soft-gale/workspace@1'

const Text = (maxLength: number) => Type.String({ maxLength })
const Time = Type.String({ maxLength: 40, pattern: '^\\d{4}-\\d\\d-\\d\\dT' })
const OrNull = <T extends Parameters<typeof Type.Union>[0][number]>(type: T) => Type.Union([type, Type.Null()])

/** `workspace.json` in the zip. */
const Manifest = Type.Object(
  {
    schema: Type.Union([Type.Literal(WORKSPACE_SCHEMA), Type.Literal(FORMER_SCHEMA)]),
    name: Text(80),
    writtenAt: Time,
    installations: Type.Integer({ minimum: 0 }),
  },
  closed,
)

const LogLine = Type.Object(
  {
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
          readBy: Text(200),
          readAt: Time,
        },
        closed,
      ),
    ),
    log: Type.Array(LogLine),
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
