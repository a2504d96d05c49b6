import { GLOSSARY, type Term } from '@/core/glossary/glossary'
import { PLACES } from '@/ui/places'
import { STAGES, type StageId } from '@/ui/stages'

/** What one does on a page, in a paragraph, with the words it uses. */
export type Help = {
  readonly title: string
  readonly text: string
  readonly terms: readonly Term[]
  /** The stage it is about; null for a place. */
  readonly stage: StageId | null
}

const STAGE_HELP: Readonly<Record<StageId, readonly [text: string, ...terms: string[]]>> = {
  brief: [
    'Say what the space needs before you think of speeds: the band to hold, what must never be passed, the least air. Answers marked ○ are only assumed; touch them once you know. What you do not know yet may stay so: it is written down as open.',
    ...['target', 'floor'],
  ],
  kit: [
    'Name what is fitted. The side shows every controller with what it can do of what is asked, the nearest first; what the chosen one cannot do stands at the top. Then look at the wiring and mounting, one question after the other.',
    ...['fit', 'loss', 'follower', 'living zero'],
  ],
  calibrate: [
    'Find from which setting the fan turns: try a setting, say whether it turned, three times. Then read the flow at some settings. Floor and map follow from that; nothing here is guessed.',
    ...['floor', 'start kick', 'skip band'],
  ],
  respond: [
    'Each line is a rule in a sentence: change its figures in place. The chart shows what is asked (dashed) and what this controller will give (solid). Try it at the side shows the speed and the reason at any reading and time.',
    ...['ramp', 'on/off rule', 'rapid rise', 'week', 'hold after a fall', 'final run-on', 'purge'],
  ],
  rehearse: [
    'Play a day: the room answers, the controller acts, and the measures say what was held. Put two settings side by side, or let it look for better ones; nothing is taken without you.',
    ...['hold', 'day and night', 'season'],
  ],
  'dial-in': [
    'What to press, in order, counted from what the panel shows now. Tick each action once you have seen what it should show. What cannot be done here is said with its reason; it goes on the record.',
    ...['dial in', 'as found', 'steps, levels'],
  ],
  prove: [
    'One check at a time: bring about what it asks, read the meter, type what it showed. The verdict counts with what was really read, within the error of meter and probe. The fan starts by itself while you prove it.',
    ...['prove', 'rate', 'wait when power returns'],
  ],
  'hand-over': [
    'Everything that is still open, a row a stage, each a way there. The seal keeps the setting with its reason for good; what stays open is written on it. Then print the card, show somebody how it works, and name the next check.',
    ...['seal', 'as found'],
  ],
}

const PLACE_HELP: Readonly<Record<string, string>> = {
  '/yard':
    'Your installations, each with its rail: hatched where the fan will not turn, tinted between lowest and highest speed, the pointer where it runs in the middle of its band. What needs you stands at the side, or first on a phone.',
  '/controllers':
    'The controllers this yard knows: what each can do, its panel, its settings. Search by what a job needs; make one of your own from the nearest.',
  '/sums':
    'Single calculations, each with its formula and source. Type what you have in the unit you have it in; a stage opens the same one from its “why”.',
  '/log': 'What was created, sealed, visited and noted. Lines are added and corrected, never removed.',
}

const termsOf = (names: readonly string[]): Term[] =>
  names.flatMap((name) => GLOSSARY.filter(({ term }) => term === name))

/** What helps at an address; null where a page says everything itself. */
export function helpAt(path: string): Help | null {
  const stage = STAGES.find(({ id }) => path.endsWith(`/${id}`))
  if (stage) {
    const [text, ...terms] = STAGE_HELP[stage.id]
    return { title: stage.name, text, terms: termsOf(terms), stage: stage.id }
  }
  const place = PLACES.find(({ path: at }) => path.startsWith(at))
  return place ? { title: place.name, text: PLACE_HELP[place.path] ?? '', terms: [], stage: null } : null
}
