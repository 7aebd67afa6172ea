import { codeOf } from '../core/practice/task'
import { choose } from './controls'
import { expect, saved, test } from './server'

/** Something that was set by a teacher: nothing drives the pump of an inline four. */
const CODE = codeOf({ preset: 'inline4', seed: 12, hardness: 'plain', cause: 'undriven' })

test('Practice bench: a teacher’s code, a repair in vain, a reload, the fault found, its score kept by person and printed', async ({
  server,
  bench: page,
}) => {
  const builds = async () => (await fetch(`${server.address}/api/builds`)).json()
  const before = JSON.stringify(
    ((await builds()) as { id: string; revision: number }[]).map(({ id, revision }) => [id, revision]),
  )
  await page.goto(`${server.address}/practice`)
  await page.getByLabel('Practice code').fill('wrong-one')
  await page.getByRole('button', { name: 'Take it' }).click()
  await expect(page.getByRole('alert')).toContainText('“wrong-one” is no practice code')
  await expect(page.getByLabel('Practice code')).toHaveValue('wrong-one')
  await page.getByLabel('Practice code').fill(CODE.toLowerCase())
  await page.getByRole('button', { name: 'Take it' }).click()
  await expect(page.getByTestId('practice-said')).toContainText('Inline four')
  // A check costs its minutes, and while the crank turns without oil its journals run dry.
  await page.getByRole('button', { name: 'Make it: Oil in it' }).click()
  await expect(page.locator('[data-practice-check="oil-level"] .found')).toBeVisible()
  await expect(page.getByTestId('practice-minutes')).toHaveText('1')
  // What is on record of it can be read, and costs no minute; what is wrong with it is not in it.
  await page.getByRole('button', { name: 'The engine’s record' }).click()
  const record = page.getByTestId('practice-record')
  await expect(record.getByRole('table', { name: 'Pressure at the gauge' }).getByRole('row')).toHaveCount(5)
  await expect(record).toContainText('Inline four')
  await expect(page.getByTestId('practice-minutes')).toHaveText('1')
  await choose(page.getByRole('combobox', { name: 'It is' }), 'lamp, its switch or wiring')
  await page.getByRole('button', { name: 'Repair it' }).click()
  await expect(page.getByText(/Not that: .*as before/)).toBeVisible()
  await expect(page.getByTestId('practice-minutes')).toHaveText('16')
  // What was done outlives a reload.
  await page.reload()
  await expect(page.locator('[data-practice-check="oil-level"] .found')).toBeVisible()
  await expect(page.getByTestId('practice-minutes')).toHaveText('16')
  // Run as it is, its gauge says what it said: nothing.
  const run = page.getByTestId('practice-runs').getByRole('listitem').first()
  await run.getByRole('button', { name: /^Run it and read the gauge/ }).click()
  await expect(run.getByRole('status')).toHaveText(/^0\.\d+ bar/)
  await expect(page.getByTestId('practice-minutes')).not.toHaveText('16')
  await page.getByRole('button', { name: 'Make it: Drive of the pump' }).click()
  await expect(page.locator('[data-practice-check="drive"] .found')).toBeVisible()
  await choose(page.getByRole('combobox', { name: 'It is' }), 'pump not driven')
  await page.getByRole('button', { name: 'Repair it' }).click()
  const end = page.getByTestId('practice-end')
  await expect(end).toContainText('Found: pump not driven')
  await expect(end).toContainText('Repaired in vain')
  await expect(end).toContainText(/Read .*: 0\.\d+ bar|called off without pressure/)
  await expect(end).toContainText('Uldo’s own way')
  const points = Number(await page.getByTestId('practice-points').textContent())
  expect(points).toBeGreaterThan(10)
  expect(points).toBeLessThan(90)
  await saved(page)
  await page.getByRole('tab', { name: 'Results' }).click()
  const row = page.getByTestId('practice-results').locator('tr[data-result]')
  await expect(row).toHaveCount(1)
  await expect(row).toContainText(`${points} points`)
  await expect(page.getByRole('heading', { name: 'Practice certificate: Maren' })).toBeVisible()
  await expect(page.getByTestId('practice-signed')).toBeHidden()
  await page.emulateMedia({ media: 'print' })
  await expect(row).toBeVisible()
  await expect(page.getByTestId('practice-signed')).toContainText('Teacher, signed')
  await expect(page.getByRole('button', { name: 'Print the certificate' })).toBeHidden()
  // No engine of the shop's was touched, and none came.
  const after = JSON.stringify(
    ((await builds()) as { id: string; revision: number }[]).map(({ id, revision }) => [id, revision]),
  )
  expect(after).toBe(before)
})

test('Ten seconds: twenty starts by the space bar; what is stopped and what is let run is counted', async ({
  server,
  bench: page,
}) => {
  await page.goto(`${server.address}/practice?view=drill`)
  await page.getByRole('button', { name: 'Begin the twenty' }).click()
  const drill = page.getByTestId('drill')
  await expect(drill).toHaveAttribute('data-phase', 'ready', { timeout: 120_000 })
  await page.clock.install()
  let right = 0
  for (let start = 0; start < 20; start++) {
    await page.keyboard.press('Space')
    await expect(drill).toHaveAttribute('data-phase', 'running')
    // A hand that stops whatever shows nothing six seconds after it fired, and lets the rest run.
    await page.clock.runFor(9500)
    const shown = Number.parseFloat((await page.getByTestId('drill-pressure').textContent())!.replace(',', '.'))
    if (shown < 0.3) await page.keyboard.press('Space')
    else await page.clock.runFor(5000)
    await expect(drill).toHaveAttribute('data-phase', start === 19 ? 'ended' : 'between')
    if (
      start < 19 &&
      (await page
        .getByRole('status')
        .filter({ hasText: /^Right/ })
        .count()) > 0
    )
      right++
  }
  const counted = Number(await page.getByTestId('drill-right').textContent())
  expect(counted).toBeGreaterThanOrEqual(right)
  expect(counted).toBeLessThanOrEqual(right + 1)
  expect(counted).toBeGreaterThan(11)
})
