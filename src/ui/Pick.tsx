import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'

/** The choice that leaves nothing out. */
export const ALL = ['', 'all'] as const

type PickProps = {
  name: string
  label: string
  value: string
  options: readonly (readonly [value: string, says: string])[]
}

/** One choice of a form that asks the server for a part of a list. */
export const Pick = ({ name, label, value, options }: PickProps) => (
  <TextField
    name={name}
    label={label}
    select
    size="small"
    defaultValue={options.some(([one]) => one === value) ? value : ''}
    sx={{ minWidth: 120 }}
    slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
  >
    {options.map(([one, says]) => (
      <MenuItem key={one} value={one}>
        {says}
      </MenuItem>
    ))}
  </TextField>
)
