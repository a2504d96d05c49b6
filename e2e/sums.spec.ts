import { expect, expectKept, expectNoAxeFindings, test } from './setup/test'

test('a sum is found by words, answered as one types in any unit, and used in a brief', async ({ yard }) => {
  await yard.goto('/sums')
  await yard.getByRole('textbox', { name: 'find a sum' }).fill('heat load')
  await yard.getByRole('button', { name: 'Flow that carries heat away' }).click()
  await yard.getByRole('textbox', { name: /^heat given off/ }).fill('1.2 kW')
  await yard.getByRole('textbox', { name: /^allowed rise/ }).fill('9 F°')
  await expect(yard.getByTestId('result-q')).toHaveText('199 l/s')
  await expect(yard.getByText('q = 1200 W / (1.2072 · 5.0 K)')).toBeVisible()
  await yard.getByRole('link', { name: 'Inverter cupboard' }).click()
  await yard.getByRole('button', { name: 'Take 199 l/s as the flow never to fall below' }).click()
  await expect(yard.getByRole('textbox', { name: 'why this flow' })).toHaveValue('Flow that carries heat away')
  await expectKept(yard)
})

test('several readings, what cannot be read, and what has no result are said in words', async ({ yard }) => {
  await yard.goto('/sums?sum=velocity-pressure')
  const field = yard.getByRole('textbox', { name: /velocity pressures/ })
  await field.fill('4 100')
  await expect(yard.getByTestId('result-v')).toHaveText('7.75 m/s')
  await field.fill('4 x')
  await expect(yard.getByRole('alert').filter({ hasText: '“x” is not a number' })).toBeVisible()
  await expect(yard.getByTestId('result-v')).toHaveText('7.75 m/s')
  await yard.goto('/sums?sum=saturation-pressure')
  await yard.getByRole('combobox', { name: 'refrigerant' }).click()
  await yard.getByRole('option', { name: 'R-744' }).click()
  await expect(yard.getByRole('region', { name: 'Result' })).toContainText('no saturation above 31.0 °C')
})

test('on a phone, dark, without axe findings', async ({ yard }) => {
  await yard.setViewportSize({ width: 390, height: 844 })
  await yard.emulateMedia({ colorScheme: 'dark' })
  await yard.goto('/sums?sum=house-air')
  await expect(yard.getByTestId('result-least')).toBeVisible()
  await expectNoAxeFindings(yard)
})
