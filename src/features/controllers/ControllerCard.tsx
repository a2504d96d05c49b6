import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { ABILITIES, abilitiesOf } from '@/core/controller/abilities'
import { purposeOf } from '@/core/controller/purposes'
import type { ControllerModel, Setting } from '@/core/controller/schema'
import { settingStepText, settingValueText } from '@/core/controller/settingText'
import type { UnitPreference } from '@/core/quantity/format'
import { powerText } from '@/core/sentences/settingWords'
import { uncapital } from '@/core/sentences/words'
import { PanelPicture } from '@/ui/PanelPicture'
import { placeAction } from '@/server/actions'
import { LinkBox } from '@/ui/LinkBox'
import { Caution } from '@/ui/Notice'
import { PlaceButton } from '@/ui/PlaceButton'
import { TextButton } from '@/ui/TextButton'

type Props = {
  model: ControllerModel
  /** What of the usual response of the chosen duty it does not do; null where no duty is chosen. */
  lacks: readonly string[] | null
  isOwn: boolean
  isCompared: boolean
  onCompare: () => void
  mayArchive: boolean
  preference: UnitPreference
}

/** One controller: its panel, what it can do and what not; its settings and cautions folded away. */
export function ControllerCard({ model, lacks, isOwn, isCompared, onCompare, mayArchive, preference }: Props) {
  const [isOpen, setIsOpen] = useState(false)
  const can = abilitiesOf(model)
  const cannot = ABILITIES.filter((ability) => !can.includes(ability))
  const names = (list: readonly { readonly name: string }[]) => list.map(({ name }) => uncapital(name)).join(', ')
  return (
    <Box
      component="section"
      aria-label={model.name}
      sx={{ borderTop: 1, borderColor: 'divider', py: 1.5, maxWidth: 1100 }}
    >
      <Box sx={{ display: 'flex', gap: 2, flexWrap: { xs: 'wrap', sm: 'nowrap' } }}>
        <PanelPicture model={model} />
        <Box sx={{ minWidth: 0 }}>
          <Typography variant="h2">
            {model.name}
            {model.version !== undefined && (
              <Typography component="span" variant="body2" sx={{ ml: 1, color: 'text.secondary' }}>
                version {model.version}
              </Typography>
            )}
          </Typography>
          <Typography>{model.about}</Typography>
          {lacks && (
            <Typography sx={{ fontWeight: 700, color: lacks.length === 0 ? 'success.main' : 'ground.warnInk' }}>
              {lacks.length === 0 ? '✓ Does everything this duty starts with.' : `Lacks: ${lacks.join(' ')}`}
            </Typography>
          )}
          <Typography variant="body2" sx={{ mt: 0.5 }}>
            <b>Can:</b> {names(can)}.
          </Typography>
          <Typography variant="body2" sx={{ color: 'text.secondary' }}>
            <b>Cannot:</b> {names(cannot)}.
          </Typography>
          <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', mt: 0.5, alignItems: 'center' }}>
            <TextButton label={`Settings of ${model.name}`} isOpen={isOpen} onClick={() => setIsOpen(!isOpen)}>
              {isOpen ? 'Fold away' : `${model.settings.length} settings`}
            </TextButton>
            <LinkBox href={`/controllers/${encodeURIComponent(model.id)}`} sx={{ color: 'primary.main' }}>
              {isOwn ? 'Change it' : 'Make one of your own like it'}
            </LinkBox>
            <Button
              size="small"
              aria-pressed={isCompared}
              onClick={onCompare}
              variant={isCompared ? 'contained' : 'text'}
            >
              Compare
            </Button>
            {isOwn && mayArchive && <TakeAway id={model.id} name={model.name} />}
          </Box>
        </Box>
      </Box>
      {isOpen && <SettingsTable model={model} preference={preference} />}
      {isOpen && (
        <Box sx={{ mt: 1, maxWidth: 640 }}>
          {model.cautions.map((caution) => (
            <Caution key={caution} text={caution} />
          ))}
        </Box>
      )}
    </Box>
  )
}

const HEADS = ['Setting', 'What it is for', 'Where', 'From', 'To', 'Steps of', 'New', 'Without power']

const SettingsTable = ({ model, preference }: { model: ControllerModel; preference: UnitPreference }) => (
  <Box sx={{ overflowX: 'auto', mt: 1 }} tabIndex={0} role="region" aria-label={`Settings of ${model.name}`}>
    <Table size="small">
      <TableHead>
        <TableRow>
          {HEADS.map((heading) => (
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
)

const SettingLine = ({ setting, preference }: { setting: Setting; preference: UnitPreference }) => (
  <TableRow>
    <TableCell>{setting.name}</TableCell>
    <TableCell>{purposeOf(setting)}</TableCell>
    <TableCell>{setting.enter.where}</TableCell>
    {[setting.min, setting.max].map((value, index) => (
      <TableCell key={index} sx={{ whiteSpace: 'nowrap' }}>
        {settingValueText(setting, value, preference)}
      </TableCell>
    ))}
    <TableCell sx={{ whiteSpace: 'nowrap' }}>{settingStepText(setting, preference)}</TableCell>
    <TableCell sx={{ whiteSpace: 'nowrap' }}>{settingValueText(setting, setting.default, preference)}</TableCell>
    <TableCell sx={{ color: setting.power === 'lost' ? 'error.main' : undefined }}>{powerText(setting)}</TableCell>
  </TableRow>
)

/** Takes a model of one’s own out of the list. */
export const TakeAway = ({ id, name }: { id: string; name: string }) => (
  <>
    <PlaceButton onPlace={placeAction} kind="controller" id={id} name={name} place="aside">
      Archive it
    </PlaceButton>{' '}
    <PlaceButton onPlace={placeAction} kind="controller" id={id} name={name} place="deleted">
      Delete it
    </PlaceButton>
  </>
)
