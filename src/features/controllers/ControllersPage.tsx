import Box from '@mui/material/Box'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import type { ControllerModel, Setting } from '@/core/controller/schema'
import { settingStepText, settingValueText } from '@/core/controller/settingText'
import type { Problem } from '@/core/json/problem'
import type { UnitPreference } from '@/core/quantity/format'
import { problemLine } from '@/core/words/problems'
import { placeAction } from '@/server/actions'
import { DayThere } from '@/ui/DayThere'
import { LinkBox } from '@/ui/LinkBox'
import { Caution, Notice } from '@/ui/Notice'
import { PlaceButton } from '@/ui/PlaceButton'

type Away = { readonly id: string; readonly name: string; readonly goneAt: string | null }
type Props = {
  models: readonly ControllerModel[]
  unreadable: readonly { readonly id: string; readonly name: string; readonly problems: readonly Problem[] }[]
  /** Ids of the models that people here wrote. */
  own: readonly string[]
  /** Models that were taken out of the list, and when each is gone for good. */
  away: readonly Away[]
  mayArchive: boolean
  preference: UnitPreference
}

/** The controllers that can be chosen under Kit: what each can be set to, and what it forgets. */
export const ControllersPage = ({ models, unreadable, own, away, mayArchive, preference }: Props) => (
  <Box component="main" sx={{ bgcolor: 'ground.sheet', minHeight: 'calc(100vh - 44px)', px: 2.5, py: 2 }}>
    <Typography variant="h1">Controllers</Typography>
    <Typography sx={{ color: 'text.secondary', mb: 2 }}>
      Invented examples of each class of ability, and your own; choose one under Kit. Make your own from the nearest.
    </Typography>
    {unreadable.map(({ id, name, problems }) => (
      <Notice key={id} title={`“${name}” cannot be read, and cannot be chosen until it is mended.`}>
        {problems.slice(0, 3).map(problemLine).join(' ')}{' '}
        <LinkBox href={`/controllers/${encodeURIComponent(id)}`}>Open it as text</LinkBox>{' '}
        {mayArchive && <TakeAway id={id} name={name} />}
      </Notice>
    ))}
    {models.map((model) => (
      <OneModel
        key={model.id}
        model={model}
        isOwn={own.includes(model.id)}
        mayArchive={mayArchive}
        preference={preference}
      />
    ))}
    {away.length > 0 && <OutOfTheList away={away} mayArchive={mayArchive} />}
  </Box>
)

type ModelProps = { model: ControllerModel; isOwn: boolean; mayArchive: boolean; preference: UnitPreference }

const OneModel = ({ model, isOwn, mayArchive, preference }: ModelProps) => (
  <Box component="section" aria-label={model.name} sx={{ mb: 4, maxWidth: 980 }}>
    <Typography variant="h2">{model.name}</Typography>
    <Typography sx={{ mb: 1 }}>
      {model.about}{' '}
      <LinkBox
        href={`/controllers/${encodeURIComponent(model.id)}`}
        sx={{ color: 'primary.main', whiteSpace: 'nowrap' }}
      >
        {isOwn ? 'Change it' : 'Make one of your own like it'}
      </LinkBox>{' '}
      {isOwn && mayArchive && <TakeAway id={model.id} name={model.name} />}
    </Typography>
    <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-label={`Settings of ${model.name}`}>
      <Table size="small">
        <TableHead>
          <TableRow>
            {['Setting', 'Where', 'From', 'To', 'Steps of', 'New', 'Without power'].map((heading) => (
              <TableCell key={heading}>{heading}</TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {model.settings.map((setting) => (
            <SettingLine key={setting.id} setting={setting} preference={preference} />
          ))}
        </TableBody>
      </Table>
    </Box>
    <Box sx={{ mt: 1, maxWidth: 640 }}>
      {model.cautions.map((caution) => (
        <Caution key={caution} text={caution} />
      ))}
    </Box>
  </Box>
)

const SettingLine = ({ setting, preference }: { setting: Setting; preference: UnitPreference }) => (
  <TableRow>
    <TableCell>{setting.name}</TableCell>
    <TableCell>{setting.enter.where}</TableCell>
    {[setting.min, setting.max].map((value, index) => (
      <TableCell key={index} sx={{ whiteSpace: 'nowrap' }}>
        {settingValueText(setting, value, preference)}
      </TableCell>
    ))}
    <TableCell sx={{ whiteSpace: 'nowrap' }}>{settingStepText(setting, preference)}</TableCell>
    <TableCell sx={{ whiteSpace: 'nowrap' }}>{settingValueText(setting, setting.default, preference)}</TableCell>
    <TableCell sx={{ color: setting.power === 'lost' ? 'error.main' : undefined }}>{setting.power}</TableCell>
  </TableRow>
)

const OutOfTheList = ({ away, mayArchive }: { away: readonly Away[]; mayArchive: boolean }) => (
  <Box component="section" aria-label="Out of the list" sx={{ maxWidth: 980 }}>
    <Typography variant="h2">Out of the list</Typography>
    <Typography sx={{ color: 'text.secondary' }}>
      What was deleted can be brought back for 30 days. Installations that use it keep their own copy in any case.
    </Typography>
    {away.map(({ id, name, goneAt }) => (
      <Typography key={id}>
        {name},{' '}
        {goneAt === null ? (
          'set aside'
        ) : (
          <>
            deleted; gone for good on <DayThere at={goneAt} />
          </>
        )}
        .{' '}
        {mayArchive && (
          <PlaceButton onPlace={placeAction} kind="controller" id={id} name={name} place="here">
            Bring it back
          </PlaceButton>
        )}
      </Typography>
    ))}
  </Box>
)

const TakeAway = ({ id, name }: { id: string; name: string }) => (
  <>
    <PlaceButton onPlace={placeAction} kind="controller" id={id} name={name} place="aside">
      Set it aside
    </PlaceButton>{' '}
    <PlaceButton onPlace={placeAction} kind="controller" id={id} name={name} place="deleted">
      Delete it
    </PlaceButton>
  </>
)
