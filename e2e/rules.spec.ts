import { expect, expectKept, expectNoAxeFindings, openStage, test } from './setup/test'

test('rapid rise, on/off, week and cycle are added as sentences, tried, and taken away again', async ({ yard }) => {
  await openStage(yard, /Inverter/, 'respond')
  const rules = yard.getByRole('list', { name: 'Rules' }).getByRole('listitem')
  const before = await rules.count()
  for (const [words, sentence] of [
    ['hum surge', 'When humidity rises quickly, run until it is back'],
    ['hysteresis', 'When room temperature reaches a point, run at a set speed until it falls to another'],
    ['week timer', 'By the clock, run at a set speed on working days'],
    ['cycle', 'Run for some minutes in every hour'],
  ] as const) {
    await yard.getByRole('combobox', { name: 'Add a rule' }).fill(words)
    await yard.getByRole('option', { name: sentence }).click()
  }
  await expect(rules).toHaveCount(before + 4)
  await expect(rules.filter({ hasText: 'A slow rise never triggers' })).toContainText('idle')
  await yard.getByRole('textbox', { name: /^speed Mon/ }).fill('77')
  await expect(rules.filter({ hasText: 'By the clock' })).toContainText('asks 77 %')
  await yard.getByRole('slider', { name: 'Clock' }).fill(String(6 * 86400))
  await expect(rules.filter({ hasText: 'By the clock' })).toContainText('idle')
  await expectKept(yard)
  await expectNoAxeFindings(yard)
  for (let step = 0; step < 5; step++) await yard.getByRole('button', { name: 'Undo' }).click()
  await expect(rules).toHaveCount(before)
  await expectKept(yard)
})
