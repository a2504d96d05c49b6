'use client'

import Box from '@mui/material/Box'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import { MEANING_CHOICES } from '@/core/controller/purposes'
import { withMeaning } from '@/core/controller/settingsTable'
import { isPart, KEPT, type ControllerModel, type Setting } from '@/core/controller/schema'
import { differenceOf } from '@/core/quantity/units'
import { Choice } from '@/ui/Choice'
import { QuantityField } from '@/ui/QuantityField'
import { TextButton } from '@/ui/TextButton'
import { TextLine } from '@/ui/TextLine'

const FIGURES = [
  { key: 'min', heading: 'From' },
  { key: 'max', heading: 'To' },
  { key: 'step', heading: 'Steps of' },
  { key: 'default', heading: 'New' },
] as const

type Props = {
  settings: ControllerModel['settings']
  onChange: (path: readonly (string | number)[], value: unknown) => void
}

/** What of a model changes most from one make to the next, as a form; the text below is changed with it. */
export const SettingsForm = ({ settings, onChange }: Props) => (
  <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-label="Settings of this model">
    <Table size="small">
      <TableHead>
        <TableRow>
          {[
            'Setting',
            'What it is for',
            'Where',
            ...FIGURES.map(({ heading }) => heading),
            'Without power',
            'Remove',
          ].map((heading) => (
            <TableCell key={heading}>{heading}</TableCell>
          ))}
        </TableRow>
      </TableHead>
      <TableBody>
        {settings.map((setting, index) => (
          <TableRow key={setting.id}>
            <TableCell sx={{ minWidth: 140 }}>
              <TextLine
                label={`name of ${setting.id}`}
                value={setting.name}
                onChange={(text) => onChange(['settings', index, 'name'], text)}
              />
            </TableCell>
            <TableCell sx={{ minWidth: 180, maxWidth: 260, '& > *': { display: 'flex', my: 0.75 } }}>
              <Choice<Setting['means']>
                label={`what ${setting.id} is for`}
                value={setting.means}
                options={MEANING_CHOICES}
                onChange={(means) => onChange(['settings', index], withMeaning(setting, means))}
              />
              {isPart(setting) && (
                <QuantityField
                  label={`which of several, ${setting.id}`}
                  quantity="count"
                  value={setting.slot}
                  limits={[1, 24]}
                  onChange={(slot) => onChange(['settings', index, 'slot'], Math.round(slot))}
                />
              )}
            </TableCell>
            <TableCell sx={{ minWidth: 140 }}>
              <TextLine
                label={`where ${setting.id} stands`}
                value={setting.enter.where}
                onChange={(text) => onChange(['settings', index, 'enter', 'where'], text)}
              />
            </TableCell>
            {FIGURES.map(({ key, heading }) => (
              <TableCell key={key} sx={{ whiteSpace: 'nowrap' }}>
                {setting.choices && key === 'step' ? (
                  'choices'
                ) : (
                  <QuantityField
                    label={`${setting.id}, ${heading.toLowerCase()}`}
                    quantity={key === 'step' ? differenceOf(setting.quantity) : setting.quantity}
                    value={setting[key]}
                    onChange={(value) => onChange(['settings', index, key], value)}
                  />
                )}
              </TableCell>
            ))}
            <TableCell>
              <Choice<Setting['power']>
                label={`${setting.id} without power`}
                value={setting.power}
                options={KEPT.map((kept) => [kept, kept] as const)}
                onChange={(kept) => onChange(['settings', index, 'power'], kept)}
              />
            </TableCell>
            <TableCell>
              <TextButton label={`Take away ${setting.name}`} onClick={() => onChange(['settings', index], undefined)}>
                take away
              </TextButton>
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  </Box>
)
