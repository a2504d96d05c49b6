import 'fake-indexeddb/auto'
import { demoInstallation } from '@/testing/examples'
import { browserStore } from '@/ui/onSite/browserStore'
import { clearUnsent, readUnsent, writeUnsent } from '@/ui/workingCopy/unsent'

/** The memory that is written at once, which a battery may take the last of. */
const atOnce = new Map<string, string>()
Object.assign(globalThis, {
  localStorage: {
    getItem: (key: string) => atOnce.get(key) ?? null,
    setItem: (key: string, value: string) => void atOnce.set(key, value),
    removeItem: (key: string) => void atOnce.delete(key),
  },
})

const document = demoInstallation('fruiting-room')
const write = (saveId: string, name: string) =>
  writeUnsent('one', { baseVersion: 1, saveId, document: { ...document, name }, base: null, unheard: [] })
const onDisk = () => browserStore()!.unsent.get('one')
const nameThere = async () => (await readUnsent('one'))?.document.name ?? null

beforeEach(async () => {
  atOnce.clear()
  await browserStore()!.unsent.clear()
})

test('what the quick memory lost is read from the disk', async () => {
  write('a', 'First')
  await onDisk()
  atOnce.clear()
  expect(await nameThere()).toBe('First')
})

test('where the quick memory has an older one, the one on the disk counts', async () => {
  jest.spyOn(Date, 'now').mockReturnValueOnce(1000).mockReturnValueOnce(2000)
  write('a', 'First')
  const before = new Map(atOnce)
  write('b', 'Second')
  await onDisk()
  atOnce.clear()
  for (const [key, value] of before) atOnce.set(key, value)
  expect(await nameThere()).toBe('Second')
})

test('where the disk has an older one, the quick memory counts', async () => {
  jest.spyOn(Date, 'now').mockReturnValueOnce(1000).mockReturnValueOnce(2000)
  write('a', 'First')
  const older = await onDisk()
  write('b', 'Second')
  await browserStore()!.unsent.put(older!)
  expect(await nameThere()).toBe('Second')
})

test('what the server acknowledged is not found again, though the disk still has it', async () => {
  write('a', 'First')
  const there = await onDisk()
  clearUnsent('one', 'a')
  await browserStore()!.unsent.put(there!)
  expect(await nameThere()).toBeNull()
})
