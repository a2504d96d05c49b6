import { MONTHS } from '@/core/rules/yearDay'
import { Choice } from '@/ui/Choice'
import { useDates } from '@/ui/preference'

type Props = {
  label: string
  /** MM-DD. */
  value: string
  colour: string
  onChange: (day: string) => void
}

const two = (x: number) => String(x).padStart(2, '0')
const DAYS = Array.from({ length: 31 }, (_, index) => [two(index + 1), String(index + 1)] as const)
const MONTH_OPTIONS = MONTHS.map((name, index) => [two(index + 1), name] as const)

/** A day of every year: its date and its month. */
export function YearDayField({ label, value, colour, onChange }: Props) {
  const { order } = useDates()
  const [month = '01', day = '01'] = value.split('-')
  const ofDay = (
    <Choice
      label={`${label}, day`}
      value={day}
      options={DAYS}
      colour={colour}
      onChange={(to) => onChange(`${month}-${to}`)}
    />
  )
  const ofMonth = (
    <Choice
      label={`${label}, month`}
      value={month}
      options={MONTH_OPTIONS}
      colour={colour}
      onChange={(to) => onChange(`${to}-${day}`)}
    />
  )
  return order === 'day' ? (
    <>
      {ofDay} {ofMonth}
    </>
  ) : (
    <>
      {ofMonth} {ofDay}
    </>
  )
}
