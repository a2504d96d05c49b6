/** @jest-environment jsdom */
import '@testing-library/jest-dom'
import { fireEvent, render, screen, waitFor, within } from '@testing-library/react'
import { SnackbarProvider } from 'notistack'
import { METRIC } from '@/core/quantity/format'
import { ChartTools } from '@/ui/ChartTools'
import { FigureTable } from '@/ui/FigureTable'
import { PreferenceProvider } from '@/ui/preference'

const drawn: HTMLElement[] = []
let picture: Blob | null = new Blob(['a picture'])
jest.mock('html-to-image', () => ({
  toBlob: (element: HTMLElement) => {
    drawn.push(element)
    return Promise.resolve(picture)
  },
}))

const copied: unknown[] = []
let isClipboardOpen = true
beforeEach(() => {
  drawn.length = copied.length = 0
  picture = new Blob(['a picture'])
  isClipboardOpen = true
  Object.assign(globalThis, { ClipboardItem: class {} })
  Object.assign(navigator, {
    clipboard: {
      write: (items: unknown[]) =>
        isClipboardOpen ? Promise.resolve(copied.push(...items)) : Promise.reject(new Error('not allowed')),
    },
  })
  Object.assign(URL, { createObjectURL: () => 'blob:one', revokeObjectURL: () => undefined })
})

const show = () =>
  render(
    <SnackbarProvider>
      <ChartTools name="Flow" figures={() => ({ head: ['setting, %', 'flow, l/s'], rows: [['40', '66']] })}>
        <p>the chart</p>
      </ChartTools>
    </SnackbarProvider>,
  )

test('its figures are a touch away, and go again', () => {
  show()
  expect(screen.queryByRole('table')).toBeNull()
  fireEvent.click(screen.getByRole('button', { name: 'Flow: table of figures' }))
  expect(within(screen.getByRole('table', { name: 'Flow' })).getByText('66')).toBeVisible()
  fireEvent.click(screen.getByRole('button', { name: 'Flow: table of figures' }))
  expect(screen.queryByRole('table')).toBeNull()
})

test('its picture goes onto the clipboard, without the buttons', async () => {
  show()
  fireEvent.click(screen.getByRole('button', { name: 'Flow: copy as picture' }))
  await screen.findByText('Copied as a picture.')
  expect(copied).toHaveLength(1)
  expect(drawn[0]).toHaveTextContent(/^the chart$/)
})

test('where the clipboard is shut it is saved', async () => {
  isClipboardOpen = false
  const saved: string[] = []
  jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
    saved.push(this.download)
  })
  show()
  fireEvent.click(screen.getByRole('button', { name: 'Flow: copy as picture' }))
  await screen.findByText('Saved as a picture.')
  expect(saved).toEqual(['Flow.png'])
})

test.each([
  ['.', 'setting,flow\n40,"66,5"\n'],
  [',', 'setting;flow\n40;66,5\n'],
] as const)('its figures as CSV, for those who write %s before decimals', async (decimalMark, text) => {
  const saved: Blob[] = []
  jest.spyOn(URL, 'createObjectURL').mockImplementation((blob) => {
    saved.push(blob as Blob)
    return 'blob:one'
  })
  jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(() => undefined)
  render(
    <PreferenceProvider value={{ ...METRIC, decimalMark }}>
      <FigureTable label="Flow" head={['setting', 'flow']} rows={[['40', '66,5']]} />
    </PreferenceProvider>,
  )
  fireEvent.click(screen.getByRole('button', { name: 'Save as CSV' }))
  await waitFor(() => expect(saved).toHaveLength(1))
  const reader = new FileReader()
  const read = new Promise((resolve) => (reader.onload = () => resolve(reader.result)))
  reader.readAsText(saved[0]!)
  expect(await read).toBe(text)
})

test('a browser that cannot draw says so', async () => {
  picture = null
  show()
  fireEvent.click(screen.getByRole('button', { name: 'Flow: copy as picture' }))
  await screen.findByText(/could not draw it/)
})
