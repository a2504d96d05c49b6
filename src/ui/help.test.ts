import { helpAt } from '@/ui/help'
import { PLACES } from '@/ui/places'
import { STAGES } from '@/ui/stages'

test.each(STAGES.map(({ id, name }) => [id, name] as const))('%s has its paragraph and its words', (id, name) => {
  const help = helpAt(`/installation/1/${id}`)
  expect(help?.title).toBe(name)
  expect(help?.text.length).toBeGreaterThan(120)
  expect(help?.terms.length).toBeGreaterThan(0)
})

test.each(PLACES.map(({ path }) => path))('%s has its paragraph', (path) =>
  expect(helpAt(path)?.text.length).toBeGreaterThan(60),
)

test('a page that says everything itself has none', () => expect(helpAt('/account')).toBeNull())
