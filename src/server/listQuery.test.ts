import { readYardQuery } from '@/server/listQuery'

const SITE = '0b7e2c0e-8a48-4c1c-9d5e-3a1f8d2f6a10'
const askOf = (query: Parameters<typeof readYardQuery>[0]) => readYardQuery(query, '2026-11-28')

test.each([
  [{}, {}],
  [{ site: SITE }, { siteId: SITE }],
  [{ site: "1' or '1'='1" }, {}],
  [{ duty: 'livestock' }, { duty: 'livestock' }],
  [{ duty: 'fishing' }, {}],
  [{ standing: 'never' }, { standing: 'never' }],
  [{ standing: 'x' }, {}],
  [{ due: 'soon' }, { dueBy: '2026-12-28' }],
  [{ due: 'over' }, { dueBy: '2026-11-27' }],
  [{ due: 'always' }, {}],
  [{ sort: 'due' }, { sort: 'due' }],
  [{ sort: 'id; drop table' }, {}],
  [{ holds: 'x'.repeat(200) }, { holds: 'x'.repeat(80) }],
])('%j of the yard asks %j', (query, ask) =>
  expect(askOf(query)).toEqual({ holds: '', sort: 'site', offset: 0, ...ask }),
)

test.each([
  ['3', 100],
  ['-2', 0],
  ['many', 0],
  ['1e9', 499_950],
])('page %s begins at %d', (page, offset) => expect(askOf({ page }).offset).toBe(offset))
