const HEADER = [
  'LOCATION,Nowhere Quay,-,XXX,MADE UP,000000,52.0,1.0,0.0,3.0',
  'DESIGN CONDITIONS,0',
  'TYPICAL/EXTREME PERIODS,0',
  'GROUND TEMPERATURES,0',
  'HOLIDAYS/DAYLIGHT SAVINGS,No,0,0,0',
  'COMMENTS 1,made up',
  'COMMENTS 2,',
  'DATA PERIODS,1,1,Data,Sunday,1/1,12/31',
]

/** An hour of March. */
export function weatherLine(day: number, hour: number, { temp = '8.0', rh = '80' } = {}): string {
  const cells = new Array<string>(35).fill('0')
  cells.splice(0, 6, '2026', '3', String(day), String(hour), '0', '?9?9')
  ;[cells[6], cells[7], cells[8], cells[9], cells[13], cells[21], cells[33]] = [
    temp,
    '5.0',
    rh,
    '101300',
    '120',
    '3.5',
    '0.4',
  ]
  return cells.join(',')
}

/** A weather file made up here: a header of eight lines as the format asks, an hour a line, no place on earth. */
export const weatherText = (lines: readonly string[]): string => [...HEADER, ...lines].join('\r\n')

/** Hours of whole days from 1 March on, each a tenth of a degree warmer. */
export const weatherDays = (count: number) =>
  Array.from({ length: count * 24 }, (_, index) =>
    weatherLine(1 + Math.floor(index / 24), (index % 24) + 1, { temp: String(index / 10) }),
  )
