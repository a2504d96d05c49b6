/** @jest-environment jsdom */
import '@testing-library/jest-dom'
import { act, fireEvent, screen, within } from '@testing-library/react'
import { produce, type Draft } from 'immer'
import type { Installation } from '@/core/installation/installation'
import { mountingQuestions } from '@/core/kit/checklist'
import { Mounting } from '@/features/kit/Mounting'
import { TerminalTable } from '@/features/kit/TerminalTable'
import { demoInstallation } from '@/testing/examples'
import { renderOverCopy, startBrowser } from '@/testing/workingCopy'
import { usePart, useWorkingCopy } from '@/ui/workingCopy/context'

beforeEach(() => startBrowser())

let kit: ReturnType<typeof usePart<'kit'>>
let undo: () => void
function Watch() {
  kit = usePart('kit')
  undo = useWorkingCopy((state) => state.undo)
  return null
}

const demoWith = (change: (draft: Draft<Installation>) => void) => produce(demoInstallation('fruiting-room'), change)

const over = (part: React.ReactNode, installation: Installation) =>
  renderOverCopy(
    <>
      <Watch />
      {part}
    </>,
    installation,
  )

test.each(['grow-room', 'stove-flue'] as const)(
  '%s: each look at the mounting tells its remedy where the answer is not the wanted one',
  (duty) => {
    const installation = demoWith(({ brief, kit: drafted }) => {
      brief.duty = duty
      delete drafted.mounting
    })
    const questions = mountingQuestions(installation.brief)
    over(<Mounting />, installation)
    expect(screen.getByText(`${questions.length} still to be looked at`)).toBeVisible()
    for (const { id, ask, good, otherwise, cure } of questions) {
      const keys = within(screen.getByRole('group', { name: ask }))
      fireEvent.click(keys.getByRole('button', { name: good }))
      expect(kit.mounting?.[id]).toBe(good)
      expect(screen.queryByText(otherwise)).toBeNull()
      fireEvent.click(keys.getByRole('button', { name: good === 'yes' ? 'no' : 'yes' }))
      expect(screen.getByText(otherwise)).toBeVisible()
      expect(screen.getByText(cure)).toBeVisible()
    }
    expect(screen.getByText('all looked at')).toBeVisible()
    // Pressed once more an answer is taken back.
    const [{ ask, good, id, otherwise }] = questions as [(typeof questions)[number]]
    fireEvent.click(
      within(screen.getByRole('group', { name: ask })).getByRole('button', { name: good === 'yes' ? 'no' : 'yes' }),
    )
    expect(kit.mounting).not.toHaveProperty(id)
    expect(screen.queryByText(otherwise)).toBeNull()
    expect(screen.getByText('1 still to be looked at')).toBeVisible()
  },
)

test('terminals are written down, removed by their line, and brought back by undo', () => {
  over(
    <TerminalTable />,
    demoWith(({ kit: drafted }) => void (drafted.terminals = [])),
  )
  expect(screen.getByText(/with the supply locked off/)).toBeVisible()
  const add = screen.getByRole('button', { name: 'Add a terminal' })
  fireEvent.click(add)
  fireEvent.click(add)
  const type = (label: string, text: string) => {
    const field = screen.getByRole('textbox', { name: label })
    fireEvent.change(field, { target: { value: text } })
    fireEvent.blur(field)
  }
  type('Terminal of line 1', 'U1')
  type('Wire of line 1', 'grey 4')
  type('Terminal of line 2', 'T2')
  type('Goes to of line 2', 'damp probe')
  expect(kit.terminals).toEqual([
    { terminal: 'U1', wire: 'grey 4', goesTo: '' },
    { terminal: 'T2', wire: '', goesTo: 'damp probe' },
  ])
  fireEvent.click(screen.getByRole('button', { name: 'Remove line 1 of the terminals' }))
  expect(kit.terminals).toEqual([{ terminal: 'T2', wire: '', goesTo: 'damp probe' }])
  act(() => undo())
  expect(kit.terminals).toHaveLength(2)
})

test('no more terminals than a record has room for', () => {
  const terminals = Array.from({ length: 39 }, (_, n) => ({ terminal: `${n}`, wire: '', goesTo: '' }))
  over(
    <TerminalTable />,
    demoWith(({ kit: drafted }) => void (drafted.terminals = terminals)),
  )
  const add = screen.getByRole('button', { name: 'Add a terminal' })
  fireEvent.click(add)
  expect(kit.terminals).toHaveLength(40)
  expect(add).toBeDisabled()
})
