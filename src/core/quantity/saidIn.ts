import { formatQuantity, preferredUnit, type UnitPreference } from '@/core/quantity/format'
import { quantitySpec, toBase, type Quantity } from '@/core/quantity/units'

/** The units in which the program writes figures into its own texts, with what they measure. */
const WRITTEN: Readonly<Record<string, Quantity>> = {
  '°C': 'temperature',
  K: 'temperatureDifference',
  'l/s': 'flow',
  'm³/h': 'flow',
  'm/s': 'airSpeed',
  'm³': 'volume',
  'm²': 'area',
  Pa: 'pressure',
  kPa: 'absolutePressure',
  kg: 'mass',
  'g/h': 'moistureRate',
}

const SYMBOLS = Object.keys(WRITTEN)
  .toSorted((a, b) => b.length - a.length)
  .join('|')

const NUMBER = '[+−-]?\\d+(?:\\.\\d+)?'
/** A figure with its unit, or two of them with one unit: “38 l/s”, “from 15 to 25 °C”, “15–25 °C”. */
const FIGURE = new RegExp(`(?:(${NUMBER})( to | and |–))?(${NUMBER}) (${SYMBOLS})(?![\\p{L}\\d·/])`, 'gu')

/** A text that the program wrote or kept in its usual units, with the figures in those of who reads it. Texts of people are not for it: what they
 *  wrote stands. */
export const saidIn = (text: string, preference: UnitPreference): string =>
  text.replace(
    FIGURE,
    (whole, first: string | undefined, between: string | undefined, last: string, symbol: string) => {
      const quantity = WRITTEN[symbol]!
      if (preferredUnit(quantity, preference).symbol === symbol)
        return preference.decimalMark === ',' ? whole.replaceAll(/(?<=\d)\.(?=\d)/g, ',') : whole
      const unit = quantitySpec(quantity).units.find((one) => one.symbol === symbol)!
      const say = (digits: string) =>
        formatQuantity(toBase(unit, Number(digits.replace('−', '-'))), quantity, preference)
      return first === undefined ? say(last) : `${say(first)}${between}${say(last)}`
    },
  )
