/** @jest-environment jsdom */
import '@testing-library/jest-dom'
import { act, fireEvent, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { Profiler } from 'react'
import { demoInstallation } from '@/testing/examples'
import { renderOverCopy, startBrowser } from '@/testing/workingCopy'
import { DocumentField } from '@/ui/DocumentField'
import { useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

beforeEach(() => startBrowser())

type Shown = { document: ReturnType<typeof demoInstallation>; undo: () => void; rename: (name: string) => void }
let shown: Shown
let drawn: number

function Watch() {
  const document = useDocument()
  const undo = useWorkingCopy((state) => state.undo)
  const edit = useWorkingCopy((state) => state.edit)
  shown = { document, undo, rename: (name) => edit('name', (draft) => void (draft.name = name)) }
  return null
}

const show = (field: React.ReactNode) => {
  drawn = 0
  renderOverCopy(
    <>
      <Watch />
      <Profiler id="field" onRender={() => (drawn += 1)}>
        {field}
      </Profiler>
    </>,
  )
}

test('a figure shows what stands at its place, puts there what is typed, and is one step for undo', async () => {
  const before = demoInstallation('fruiting-room').brief.space.volumeM3
  show(<DocumentField place="brief.space.volumeM3" label="volume" quantity="volume" mayBeEmpty />)
  const field = screen.getByRole<HTMLInputElement>('textbox', { name: /volume/ })
  expect(Number(field.value)).toBeCloseTo(before!, 1)
  await userEvent.clear(field)
  expect(shown.document.brief.space.volumeM3).toBeNull()
  await userEvent.type(field, '123')
  await userEvent.tab()
  expect(shown.document.brief.space.volumeM3).toBe(123)
  act(() => shown.undo())
  expect(shown.document.brief.space.volumeM3).toBe(before)
})

test('words, a choice and a day', async () => {
  show(
    <>
      <DocumentField place="name" label="name" text={{ maxLength: 80, atLeast: ' ' }} />
      <DocumentField
        place="kit.fans.0.motor"
        label="motor"
        options={[
          ['electronic', 'electronic motor'],
          ['unknown', 'not known'],
        ]}
      />
      <DocumentField place="calibration.instruments.0.calibratedOn" label="calibrated on" day />
    </>,
  )
  const name = screen.getByRole('textbox', { name: 'name' })
  await userEvent.clear(name)
  expect(shown.document.name).toBe(' ')
  await userEvent.type(name, 'Loft')
  expect(shown.document.name.trim()).toBe('Loft')
  await userEvent.click(screen.getByRole('combobox'))
  await userEvent.click(screen.getByRole('option', { name: 'not known' }))
  expect(shown.document.kit.fans[0]!.motor).toBe('unknown')
  const day = screen.getByLabelText('calibrated on')
  fireEvent.change(day, { target: { value: '2026-10-04' } })
  expect(shown.document.calibration.instruments?.[0]?.calibratedOn).toBe('2026-10-04')
  fireEvent.change(day, { target: { value: '' } })
  expect(shown.document.calibration.instruments?.[0]?.calibratedOn).toBeNull()
})

test('it is not drawn again when another place of the document changes', () => {
  show(<DocumentField place="brief.space.volumeM3" label="volume" quantity="volume" mayBeEmpty />)
  const before = drawn
  act(() => shown.rename('Another name'))
  expect(shown.document.name).toBe('Another name')
  expect(drawn).toBe(before)
})
