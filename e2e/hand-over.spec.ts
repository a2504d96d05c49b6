import { expect, expectKept, openStage, test } from './setup/test'

/** What an honest half-finished hand-over looks like, from the open danger to the sheet of paper. */
test('a danger that stays needs its reason, and the record says what was open', async ({ yard }) => {
  await openStage(yard, /changing rooms/, 'hand-over')
  const why = yard.getByRole('textbox', { name: /^Why this stays: An open flue/ })
  // The reason of the last seal stands in for this one.
  await expect(why).toHaveValue(/cold and tagged/)
  await why.fill('')
  await yard.getByRole('textbox', { name: 'Reason for this seal' }).fill('Looked at again in spring')
  await yard.getByRole('button', { name: /^Seal revision 2:/ }).click()
  await expect(yard.getByText('Revision 2 is sealed.')).toBeHidden()
  await why.fill('Stove was taken out; the flue is capped')
  await expect(
    yard.getByText(/The record will say: sealed, not proved \(\d+ open\); with 2 dangers left/),
  ).toBeVisible()
  await yard.getByRole('button', { name: /^Seal revision 2:/ }).click()
  await expect(yard.getByText('Nothing has changed since revision 2 was sealed.')).toBeVisible()
  await yard.getByRole('link', { name: 'Revision 2', exact: true }).click()
  await expect(yard.getByText('What was open when it was sealed')).toBeVisible()
  await expect(yard.getByText('Left as it is: Stove was taken out; the flue is capped')).toBeVisible()
  await expect(yard.getByText(/not passed \(\d+\)/)).toBeVisible()
  await expect(yard.getByText('After the power has been away')).toBeVisible()
})

test('tries at a start are kept as they are made, through another tab and a reload', async ({ yard }) => {
  await openStage(yard, /Kiln room/, 'calibrate')
  await yard.getByRole('tab', { name: 'Start and stall' }).click()
  const rest = yard.getByRole('region', { name: /From rest/ })
  await rest.getByRole('textbox').fill('12')
  await rest.getByRole('button', { name: 'Stands still' }).click()
  await rest.getByRole('textbox').fill('17')
  await rest.getByRole('button', { name: 'It turns' }).click()
  await expect(rest.getByRole('button', { name: 'Note 17 %' })).toBeVisible()
  await yard.getByRole('tab', { name: 'Speed map' }).click()
  await expectKept(yard)
  await yard.reload()
  await yard.getByRole('tab', { name: 'Start and stall' }).click()
  await expect(rest.getByRole('status')).toHaveText('Stands still at 12 %. It turns at 17 %.')
  await rest.getByRole('button', { name: 'Note 17 %' }).click()
  await expect(rest.getByText('17 %', { exact: true })).toBeVisible()
})

test('a bare number on a gauge says how it was taken, and takes another unit by a press', async ({ yard }) => {
  await yard.goto('/sums?sum=saturation-temperature')
  const gauge = yard.getByRole('textbox', { name: /^gauge pressure/ })
  await gauge.fill('130')
  await expect(yard.getByText(/taken as 130 kPa/)).toBeVisible()
  await yard.getByRole('button', { name: '130 psi?' }).click()
  await expect(gauge).toHaveValue('896.3')
  await yard.getByRole('combobox', { name: 'unit of saturation temperature' }).click()
  await yard.getByRole('option', { name: 'in °F' }).click()
  await expect(yard.getByTestId('result-t')).toHaveText(/°F$/)
})
