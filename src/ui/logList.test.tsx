/** @jest-environment jsdom */
import '@testing-library/jest-dom'
import { fireEvent, render, screen } from '@testing-library/react'
import { LogList, type ShownEntry } from '@/ui/LogList'

const entry = (id: string, text: string, corrects: string | null = null): ShownEntry => ({
  ...{ id, text, corrects },
  writtenBy: 'Tam',
  writtenAt: '2026-11-27T10:00:00Z',
})

test('what was put right is struck through and stays; only what stands can be put right', () => {
  const chosen: string[] = []
  render(
    <LogList
      entries={[entry('b', 'Filter is new', 'a'), entry('a', 'Filter is old')]}
      onCorrect={({ id }) => chosen.push(id)}
    />,
  )
  expect(screen.getByText('Filter is old').tagName).toBe('DEL')
  expect(screen.getByText('Puts right: Filter is new').tagName).toBe('P')
  expect(screen.queryByRole('button', { name: 'Put right: Filter is old' })).toBeNull()
  fireEvent.click(screen.getByRole('button', { name: 'Put right: Filter is new' }))
  expect(chosen).toEqual(['b'])
})

test('where nobody may write, nothing is offered', () => {
  render(<LogList entries={[entry('a', 'Key is with the harbour office.')]} />)
  expect(screen.queryByRole('button')).toBeNull()
})
