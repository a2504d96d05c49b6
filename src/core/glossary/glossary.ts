/** A word of this program, what it means, and what leaflets and people call it besides. */
export type Term = {
  readonly term: string
  readonly means: string
  readonly also: readonly string[]
  /** The kind of rule, or the behaviour, that it names. */
  readonly behaviour?: string
}

/** One list for the documents, for adding a rule, for the calculations and for find-or-do. Common practice, no source. */
export const GLOSSARY: readonly Term[] = [
  {
    term: 'floor',
    means: 'the speed below which the fan is never asked to run while it runs',
    also: ['minimum speed', 'low limit', 'trickle', 'base', 'background ventilation'],
    behaviour: 'bounds',
  },
  {
    term: 'ceiling',
    means: 'the speed above which it is never asked to run',
    also: ['maximum speed', 'high limit', 'cap'],
    behaviour: 'bounds',
  },
  {
    term: 'ramp',
    means: 'speed in proportion to a reading, from its start to its full point',
    also: [
      'proportional',
      'proportional band',
      'P-band',
      'modulating range',
      'throttling range',
      'set point',
      'setpoint',
    ],
    behaviour: 'ramp',
  },
  {
    term: 'on/off rule',
    means: 'on at one reading, off at another',
    also: [
      'differential',
      'hysteresis',
      'dead band',
      'two-position',
      'thermostat',
      'humidistat',
      'set point',
      'setpoint',
    ],
    behaviour: 'differential',
  },
  {
    term: 'direct, reverse action (of an on/off rule)',
    means: 'comes on as the reading rises; as it falls',
    also: ['cooling', 'heating', 'sense'],
    behaviour: 'differential',
  },
  {
    term: 'rapid rise',
    means: 'answers to a reading that climbs fast, never to a slow one',
    also: ['quick rise', 'surge', 'humidity boost', 'shower detection'],
    behaviour: 'rapid-rise',
  },
  {
    term: 'switch',
    means: 'a contact that asks for a speed',
    also: ['boost contact', 'volt-free contact', 'run input', 'dry contact', 'run-on timer', 'overrun'],
    behaviour: 'switch',
  },
  {
    term: 'week',
    means: 'speeds by day and time',
    also: ['time clock', 'programme', 'timer channel', 'time schedule', 'night setback'],
    behaviour: 'week',
  },
  {
    term: 'cycle',
    means: 'some seconds in every period',
    also: ['cyclic', 'interval', 'interval timer', 'minimum-ventilation timer', 'duty cycle', 'periodic run'],
    behaviour: 'cycle',
  },
  {
    term: 'hold after a fall',
    means: 'above a point it runs; when it has cooled to it, it runs on for a time',
    also: ['after-run', 'burn-out timer', 'flue countdown'],
    behaviour: 'hold-after-fall',
  },
  {
    term: 'purge',
    means: 'cools a room with cooler (and drier) air from outside in its hours',
    also: ['night purge', 'free cooling', 'flush'],
    behaviour: 'purge',
  },
  {
    term: 'set point by the week',
    means: 'hours in which a rule begins at another reading',
    also: ['setback', 'changeover', 'reset schedule'],
  },
  {
    term: 'skip band',
    means: 'speeds between which the fan does not stay',
    also: ['rest band', 'skip frequency', 'critical speed', 'avoided band'],
    behaviour: 'skipBand',
  },
  {
    term: 'rate',
    means: 'how fast the speed may change',
    also: ['ramp time', 'soft start', 'acceleration', 'slew rate'],
    behaviour: 'rate',
  },
  {
    term: 'start kick',
    means: 'a higher speed for a moment, from rest',
    also: ['kick start', 'breakaway boost'],
    behaviour: 'startKick',
  },
  {
    term: 'final run-on',
    means: 'when nothing asks any more, the last speed or a set one for a time',
    also: ['run-on', 'overrun', 'post-run'],
    behaviour: 'finalRunOn',
  },
  {
    term: 'heater purge',
    means: 'air for a heater after it went off, whatever else says off',
    also: ['cool-down', 'coil purge', 'fan delay off'],
    behaviour: 'heaterPurge',
  },
  {
    term: 'steps, levels',
    means: 'the only speeds at which the output can stand',
    also: ['resolution', 'gears', 'taps'],
    behaviour: 'bounds',
  },
  {
    term: 'follower',
    means: 'a second fan at a share of the lead’s speed',
    also: ['slave', 'offset fan', 'supply trim', 'ratio control'],
    behaviour: 'follower',
  },
  {
    term: 'stages',
    means: 'fixed fans that join a variable one',
    also: ['staging', 'cascade', 'lead-lag'],
    behaviour: 'stages',
  },
  {
    term: 'reduction',
    means: 'less while another reading is past a point',
    also: ['limiter', 'outdoor compensation'],
    behaviour: 'reduction',
  },
  {
    term: 'day and night',
    means: 'rules that count in one of two modes only, by light or by the clock',
    also: ['day/night changeover', 'night setback', 'occupied and unoccupied'],
    behaviour: 'lightMode',
  },
  {
    term: 'combined input',
    means: 'one reading made of several probes',
    also: ['averaging', 'highest of', 'lowest of', 'difference'],
    behaviour: 'combined',
  },
  {
    term: 'lost sensor',
    means: 'the speed that is held while a probe has no reading',
    also: ['fail-safe speed', 'sensor fault', 'fallback'],
    behaviour: 'lostSensor',
  },
  {
    term: 'hold',
    means: 'what decides whatever was asked: isolator, safety stop, overheat, test',
    also: ['override', 'interlock'],
    behaviour: 'safetyStop',
  },
  {
    term: 'target',
    means: 'what the room is to have; points tied to it keep their distance',
    also: ['comfort temperature', 'reference temperature', 'day setpoint', 'reset'],
    behaviour: 'target',
  },
  {
    term: 'season',
    means: 'a part of the year, by its own date or put in by hand',
    also: ['summer and winter', 'summer mode', 'winter mode', 'heating season'],
    behaviour: 'seasons',
  },
  {
    term: 'named speed',
    means: 'a speed under a name, with what each fan runs at then',
    also: ['gear', 'preset', 'low medium high', 'airflow level', 'supply and extract trim'],
    behaviour: 'namedSpeed',
  },
  {
    term: 'speeds more',
    means: 'so many named speeds above what is asked while something stands',
    also: ['gear up', 'door boost'],
    behaviour: 'stepUp',
  },
  {
    term: 'low-speed cut-out',
    means: 'asked for less than this the fan stands; it is no floor',
    also: ['minimum cut-off', 'low-speed cutoff', 'off below'],
    behaviour: 'cutOut',
  },
  {
    term: 'start trim',
    means: 'the output at which the fan just turns stands for the lowest speed',
    also: ['minimum output', 'low trim', 'zero trim'],
    behaviour: 'startTrim',
  },
  {
    term: 'living zero',
    means: 'a signal that is never as low as this while its lead is whole',
    also: ['live zero', 'signal loss', 'broken wire'],
    behaviour: 'liveZero',
  },
  {
    term: 'wait when power returns',
    means: 'fans of one supply start one after the other',
    also: ['staggered start', 'restart delay', 'power-up delay'],
    behaviour: 'powerReturn',
  },
  {
    term: 'day of growth',
    means: 'days since animals or plants came, by which targets and least air go',
    also: ['batch day', 'age curve', 'flock age'],
    behaviour: 'growth',
  },
  { term: 'fit', means: 'what a controller really gives of what was asked', also: ['commissioning value'] },
  { term: 'loss', means: 'what is asked and not given', also: ['deviation', 'limitation'] },
  {
    term: 'seal',
    means: 'keeps a setting as a revision that cannot be changed',
    also: ['commissioning record', 'as-left'],
  },
  { term: 'as found', means: 'what the panel showed before anything was changed', also: ['as-found record'] },
  { term: 'dial in', means: 'the actions at the panel, in order', also: ['parameter entry', 'programming'] },
  {
    term: 'prove',
    means: 'checks with readings, each with an expected value and a tolerance',
    also: ['functional test', 'witness test'],
  },
]

/** What people look for and a standalone fan controller does not have, and what to do instead. */
const NOT_HERE: readonly { readonly words: readonly string[]; readonly why: string }[] = [
  {
    words: ['pid', 'integral', 'derivative', 'integral time'],
    why: 'No PID here: these controllers have a proportional band and no integral part, since a room answers in minutes and a fan in seconds. A ramp is its proportional part; what stays off the set point is the price, and a narrower band makes it hunt.',
  },
]

const plain = (wording: string): string =>
  wording
    .trim()
    .toLowerCase()
    .replace(/[-\s]+/g, ' ')

/** The term and its other words. */
export const wordsOf = ({ term, also }: Term): readonly string[] => [term, ...also]

/** All words for a kind of rule or a behaviour. */
export const alsoCalled = (behaviour: string): readonly string[] =>
  GLOSSARY.filter((term) => term.behaviour === behaviour).flatMap(wordsOf)

/** The terms that what was typed may mean: it begins the term itself or one of its other words. */
export function termsFor(typed: string): readonly Term[] {
  const wanted = plain(typed)
  return wanted.length < 2
    ? []
    : GLOSSARY.filter((term) => wordsOf(term).some((word) => plain(word).startsWith(wanted)))
}

/** Why what was typed is not to be had; null for anything else. */
export const whyNotHere = (typed: string): string | null =>
  NOT_HERE.find(({ words }) => words.includes(plain(typed)))?.why ?? null
