import Box from '@mui/material/Box'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import { formatQuantity } from '@/core/quantity/format'
import type { Blank } from '@/core/search/blanks'
import { Choice } from '@/ui/Choice'
import { SideHeading } from '@/ui/StageLayout'
import { usePreference } from '@/ui/preference'

type Props = {
  blanks: readonly Blank[] | null
  still: readonly string[]
  onStill: (next: readonly string[]) => void
  ranges: Readonly<Record<string, readonly [number, number]>>
  onRanges: (next: Readonly<Record<string, readonly [number, number]>>) => void
}

/** Which figures may move and how far, among the values this controller can have. */
export function MayMove({ blanks, still, onStill, ranges, onRanges }: Props) {
  const preference = usePreference()
  return (
    <>
      <SideHeading>May move, in the controller’s steps</SideHeading>
      {(blanks ?? []).map(({ place, name, cause, quantity, perBase, values }) => {
        const isMoving = !still.includes(place)
        const [low, high] = ranges[place] ?? [values[0]!, values.at(-1)!]
        const show = (value: number) => formatQuantity(value * perBase, quantity, preference)
        const put = (next: readonly [number, number]) => onRanges({ ...ranges, [place]: next })
        return (
          <Box key={place} sx={{ borderBottom: '1px dotted', borderColor: 'divider', py: 0.25 }}>
            <FormControlLabel
              sx={{ mr: 0, '& .MuiTypography-root': { fontSize: 13.5, color: `cause.${cause}` } }}
              control={
                <Checkbox
                  size="small"
                  sx={{ p: 0.5 }}
                  checked={isMoving}
                  onChange={(_, checked) => onStill(checked ? still.filter((own) => own !== place) : [...still, place])}
                />
              }
              label={name}
            />
            {isMoving && (
              <Box sx={{ display: 'flex', gap: 0.75, alignItems: 'baseline', pl: 3.5 }}>
                <Choice
                  label={`${name}, from`}
                  value={String(low)}
                  options={values.map((value) => [String(value), show(value)] as const)}
                  onChange={(value) => put([Number(value), Math.max(Number(value), high)])}
                />
                –
                <Choice
                  label={`${name}, to`}
                  value={String(high)}
                  options={values.map((value) => [String(value), show(value)] as const)}
                  onChange={(value) => put([Math.min(low, Number(value)), Number(value)])}
                />
              </Box>
            )}
          </Box>
        )
      })}
    </>
  )
}
