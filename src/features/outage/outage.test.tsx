/** @jest-environment jsdom */
import '@testing-library/jest-dom'
import { fireEvent, render, screen, waitFor, within } from '@testing-library/react'
import type { ComponentProps } from 'react'
import { derive } from '@/core/derive/derive'
import { outageItems } from '@/core/record/afterOutage'
import { OutagePage } from '@/features/outage/OutagePage'
import { outageLog } from '@/features/outage/outageLog'
import { useTicks } from '@/features/outage/ticks'
import { demoInstallation } from '@/testing/examples'
import { Providers } from '@/ui/Providers'

const door = demoInstallation('ticket-hall-door')
const items = outageItems(door, derive(door))
type Write = NonNullable<ComponentProps<typeof OutagePage>['onWrite']>

function draw(onWrite: Write) {
  render(
    <Providers>
      <OutagePage
        site="Staithe landing"
        unreadable={['Old shed']}
        installations={[{ id: 'i', name: door.name, duty: door.brief.duty, sealNumber: 2, items }]}
        onWrite={onWrite}
      />
    </Providers>,
  )
}

beforeEach(() => useTicks.setState({ done: {}, from: '', to: '' }))

test('what is ticked and what is left goes into the log, and the list begins anew', async () => {
  const sent: { text: string }[] = []
  draw((input) => {
    sent.push(input)
    return Promise.resolve({ kind: 'done' })
  })
  expect(screen.getByText(/“Old shed” cannot be opened/)).toBeInTheDocument()
  fireEvent.change(screen.getByRole('textbox', { name: 'Power was away from' }), { target: { value: '03:10' } })
  const boxes = within(screen.getByRole('region', { name: door.name })).getAllByRole('checkbox')
  fireEvent.click(boxes[0]!)
  expect(boxes[0]).toBeChecked()
  fireEvent.click(screen.getByRole('button', { name: 'Keep in the log' }))
  await waitFor(() => expect(screen.getByRole('status')).toHaveTextContent('In the log.'))
  expect(sent[0]!.text).toMatch(
    /^The power was away from 03:10 to \?\. 1 of 3 looked at\. Not done: Put its clock .* Look out for this/,
  )
  expect(boxes[0]).not.toBeChecked()
})

test('a line that is down says so, and what was ticked stays, on this device too', async () => {
  draw(() => Promise.reject(new Error('no line')))
  fireEvent.click(screen.getAllByRole('checkbox')[0]!)
  fireEvent.click(screen.getByRole('button', { name: 'Keep in the log' }))
  await waitFor(() => expect(screen.getByRole('status')).not.toBeEmptyDOMElement())
  expect(screen.getByRole('status')).not.toHaveTextContent('In the log.')
  expect(screen.getAllByRole('checkbox')[0]).toBeChecked()
  expect(localStorage.getItem('gale-after-outage')).toContain('"turns"')
})

test.each([
  ['all done', ['a', 'b'], 'The power was away for a time nobody noted. 2 of 2 looked at.'],
  ['one left', ['a'], 'The power was away for a time nobody noted. 1 of 2 looked at. Not done: Second.'],
])('%s', (_what, done, text) =>
  expect(
    outageLog(
      [
        { id: 'k', kind: 'know', text: 'It starts again.' },
        { id: 'a', kind: 'look', text: 'First.' },
        { id: 'b', kind: 'enter', text: 'Second.' },
      ],
      done,
      { from: '', to: '' },
    ),
  ).toBe(text),
)
