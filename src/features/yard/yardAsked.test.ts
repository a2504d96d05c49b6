import { isFiltered, yardAddress, type YardAsked } from '@/features/yard/yardAsked'

const all: YardAsked = { holds: '', site: '', duty: '', standing: '', due: '', sort: 'site' }

test.each([
  [{}, '/yard', false],
  [{ sort: 'due' }, '/yard?sort=due', false],
  [{ duty: 'livestock' }, '/yard?duty=livestock', true],
  [{ holds: 'loft & cellar', due: 'over' }, '/yard?holds=loft+%26+cellar&due=over', true],
] as const)('%j is at %s, a part of it: %s', (asked, address, isPart) => {
  expect(yardAddress({ ...all, ...asked })).toBe(address)
  expect(isFiltered({ ...all, ...asked })).toBe(isPart)
})

test('what the page knows besides is not in its address', () =>
  expect(yardAddress({ ...all, count: 70, page: 3 } as YardAsked)).toBe('/yard'))
