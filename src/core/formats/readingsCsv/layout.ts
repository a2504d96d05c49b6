import { Type, type Static } from '@sinclair/typebox'
import { closed } from '@/core/json/vocabulary'
import { quantitySpec, type Quantity, type Unit } from '@/core/quantity/units'

/** What a logger's column can hold. */
export const READING_QUANTITIES = [
  'temperature',
  'humidity',
  'speed',
  'flow',
  'airSpeed',
  'pressure',
  'rotation',
  'sound',
  'power',
  'current',
  'volts',
  'concentration',
  'light',
  'contact',
] as const satisfies readonly Quantity[]
export type ReadingQuantity = (typeof READING_QUANTITIES)[number]

export const DELIMITERS = [',', ';', '\t'] as const
export const DATE_ORDERS = ['ymd', 'dmy', 'mdy', 'unix'] as const
export type DateOrder = (typeof DATE_ORDERS)[number]

/** Times kept as the logger wrote them, as if in UTC: the hour on the chart is the hour on the logger. */
export const AS_WRITTEN = 'as-written'

const Place = Type.Integer({ minimum: 0, maximum: 200 })

export const ReadingColumn = Type.Object(
  {
    index: Place,
    name: Type.String({ minLength: 1, maxLength: 120 }),
    quantity: Type.Union(READING_QUANTITIES.map((quantity) => Type.Literal(quantity))),
    /** Symbol of the unit the file has it in, one of the quantity’s. */
    unit: Type.String({ minLength: 1, maxLength: 12 }),
  },
  closed,
)
export type ReadingColumn = Static<typeof ReadingColumn>

/** How a readings file is to be read: found by looking at it, and confirmed or corrected by a person. */
export const ReadingLayout = Type.Object(
  {
    delimiter: Type.Union(DELIMITERS.map((mark) => Type.Literal(mark))),
    /** null: whichever the first figure with one has. */
    decimal: Type.Union([Type.Literal('.'), Type.Literal(','), Type.Null()]),
    dateOrder: Type.Union(DATE_ORDERS.map((order) => Type.Literal(order))),
    /** IANA name of the zone of the logger’s clock, or `as-written`. */
    zone: Type.String({ minLength: 1, maxLength: 60 }),
    /** Lines before the one with the headings. */
    skipLines: Type.Integer({ minimum: 0, maximum: 100 }),
    timeIndex: Place,
    /** Where the time of day stands apart from the date. */
    timeOfDayIndex: Type.Optional(Place),
    columns: Type.Array(ReadingColumn, { minItems: 1, maxItems: 24 }),
  },
  closed,
)
export type ReadingLayout = Static<typeof ReadingLayout>

/** The unit of a column; null where its quantity has none of that symbol. */
export const columnUnit = ({ quantity, unit }: Pick<ReadingColumn, 'quantity' | 'unit'>): Unit | null =>
  quantitySpec(quantity).units.find(({ symbol }) => symbol === unit) ?? null
