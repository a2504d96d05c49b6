import Box from '@mui/material/Box'
import Switch from '@mui/material/Switch'
import Typography from '@mui/material/Typography'
import { ABILITY_QUESTIONS } from '@/core/controller/abilityQuestions'
import type { ControllerModel } from '@/core/controller/schema'
import { QuantityField } from '@/ui/QuantityField'

type Abilities = NonNullable<ControllerModel['abilities']>
type Props = { abilities: Abilities; onChange: (abilities: Abilities) => void }

/** What a controller can do besides its slots, asked one after the other with where it is seen. What is not there is left out of the text. */
export const AbilitiesForm = ({ abilities, onChange }: Props) => (
  <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, maxWidth: 760 }} aria-label="Abilities">
    {ABILITY_QUESTIONS.map((question) => {
      const { ask, example, key } = question
      const put = (value: boolean | number) => {
        const { [key]: _before, ...others } = abilities
        onChange(value === false || value === 0 ? others : { ...others, [key]: value })
      }
      return (
        <Box
          component="li"
          key={key}
          sx={{ display: 'flex', alignItems: 'center', gap: 2, py: 0.5, borderBottom: 1, borderColor: 'divider' }}
        >
          <Box sx={{ flex: 1 }}>
            <Typography>{ask}</Typography>
            <Typography variant="body2" sx={{ color: 'text.secondary' }}>
              {example}
            </Typography>
          </Box>
          {question.kind === 'yes' ? (
            <Switch
              checked={abilities[question.key] ?? false}
              onChange={(_event, is) => put(is)}
              slotProps={{ input: { 'aria-label': ask } }}
            />
          ) : (
            <QuantityField
              label={ask}
              quantity="count"
              value={abilities[question.key] ?? 0}
              limits={[0, question.most]}
              onChange={(x) => put(Math.round(x))}
            />
          )}
        </Box>
      )
    })}
  </Box>
)
