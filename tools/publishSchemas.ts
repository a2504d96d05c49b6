import { mkdirSync, writeFileSync } from 'node:fs'
import { pathToFileURL } from 'node:url'
import { DUTIES } from '@/core/brief/duty'
import { CARES, safeSideRows } from '@/core/controller/safeSide'
import type { Question } from '@/core/duty/plan'
import { DUTY_PLANS } from '@/core/duty/table'
import { GLOSSARY } from '@/core/glossary/glossary'
import { DOCUMENTS } from '@/core/installation/read'
import { MachineStateDocument, STATE_SCHEMA } from '@/core/machine/saveState'
import { quantitySpec } from '@/core/quantity/units'

/** The JSON Schemas of all documents, and of the memory `gale evaluate --state` keeps, as files of docs/formats. */
export const formats = (): { file: string; text: string }[] => [...schemas(), questions(), safeSides(), glossary()]

const DIALECT = 'https://json-schema.org/draft/2020-12/schema'
/** A name that stays, wherever the file lies. */
const schemaId = (name: string): string => `urn:${name.replace('/', ':').replace('@', ':')}`

const schemas = (): { file: string; text: string }[] =>
  Object.entries({ ...DOCUMENTS, [STATE_SCHEMA]: { schema: MachineStateDocument } }).map(([name, { schema }]) => ({
    file: `docs/formats/${name.replace('soft-gale/', '').replace('@', '-')}.schema.json`,
    text: `${JSON.stringify({ $schema: DIALECT, $id: schemaId(name), title: name, ...schema }, null, 2)}\n`,
  }))

const rangeOf = (question: Question): string => {
  switch (question.kind) {
    case 'choice':
      return question.options
        .map(([value, shown]) => (value === shown ? `\`${value}\`` : `\`${value}\` (${shown})`))
        .join(', ')
    case 'yes':
      return '`true`, `false`'
    case 'number': {
      const unit = quantitySpec(question.quantity).units[0].symbol
      return [`${question.limits[0]} to ${question.limits[1]}`, unit].filter(Boolean).join(' ')
    }
  }
}

/** The questions that `answers` of a brief may hold, by duty, with what fits each. */
export const questions = (): { file: string; text: string } => ({
  file: 'docs/formats/brief-questions.md',
  text: [
    '# Answers of a brief',
    '',
    'Written by `npm run schemas` from the questions the program asks. `answers` of a brief (and of the brief in an installation) holds only',
    'the questions of its duty; a value that is not listed is refused with its place. `null` fits every question: it is not known yet. A',
    'question that is not answered stands at its starting value. Numbers are in the unit named.',
    ...DUTIES.flatMap((duty) => [
      '',
      `## ${duty}`,
      '',
      '| id | question | what fits | starts at |',
      '| --- | --- | --- | --- |',
      ...DUTY_PLANS[duty].questions.map(
        (question) =>
          `| \`${question.id}\` | ${question.ask} | ${rangeOf(question)} | \`${JSON.stringify(question.start)}\` |`,
      ),
    ]),
    '',
  ].join('\n'),
})

/** The words of the program, from the list that every search goes by. */
const glossary = (): { file: string; text: string } => ({
  file: 'docs/glossary.md',
  text: [
    '# Words',
    '',
    'Written by `npm run schemas` from src/core/glossary. What a word means in this program, and what leaflets and people call it besides; adding',
    'a rule, the calculations and find-or-do know all of them. The exact rules are in [control-laws.md](control-laws.md).',
    '',
    '| here | what it is | also called |',
    '| --- | --- | --- |',
    ...GLOSSARY.map(({ term, means, also }) => `| ${term} | ${means} | ${also.join(', ')} |`),
    '',
    '## Four kinds of running on',
    '',
    '| | begins when | lasts | belongs to |',
    '| --- | --- | --- | --- |',
    '| switch overrun | that switch goes off | a set time, or as long as it was on, within bounds | one switch rule |',
    '| final run-on | nothing asks any more | a set time, at the last speed or a set one | the whole response |',
    '| hold after a fall | a reading falls to its point | a set time at its speed | one hold-after-fall rule |',
    '| heater purge | heat was given and is no longer | a set time, whatever else says off | the whole response, stronger than off |',
    '',
  ].join('\n'),
})

const CARE_HEADS: Record<(typeof CARES)[number], string> = {
  air: 'every other duty',
  pressure: 'head pressure',
  suction: 'where the brief says that a flue is open',
}

/** To which side `fit` rounds each thing a setting can stand for, by duty. */
export const safeSides = (): { file: string; text: string } => ({
  file: 'docs/safe-side.md',
  text: [
    '# The safe side',
    '',
    'Written by `npm run schemas` from the table the program fits by. Where a controller cannot have the value that was asked for, it gets the',
    'nearest on this side. Head pressure keeps the pressure up in the cold and is full when it is hot; the suction of a room with an open flue',
    'never grows; everything else errs towards more air. `sooner` and `later` are down and up where a rise asks, up and down where a fall does.',
    'Start and band of a ramp, and set point and differential, are chosen together: see [how fitting chooses](fitting.md). Common practice, no',
    'source.',
    '',
    `| a setting for | ${CARES.map((care) => CARE_HEADS[care]).join(' | ')} |`,
    `| --- | ${CARES.map(() => '---').join(' | ')} |`,
    ...safeSideRows().map(([means, ...sides]) => `| \`${means}\` | ${sides.join(' | ')} |`),
    '',
  ].join('\n'),
})

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  mkdirSync('docs/formats', { recursive: true })
  for (const { file, text } of formats()) writeFileSync(file, text)
}
