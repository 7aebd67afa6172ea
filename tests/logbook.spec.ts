import { buildId, expect, field, record, saved, sharing as test } from './server'

test('Logbook: what was written by whom with what stood before, found by person, station and text; any moment opens as it was', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/bearings`)
  await record(page, { 'main.2.bore': '66.041' })
  await record(page, { 'main.2.bore': '66.061' })
  await saved(page)
  const idleHot = page.locator('[data-state="idleHot"]').getByTestId('pressure')
  const before = await idleHot.textContent()
  await page.locator('h1').click()
  await page.keyboard.press('g')
  await page.keyboard.press('l')
  await expect(page.locator('h1')).toHaveText('Logbook')
  const lines = page.locator('tr[data-line]')
  const newest = lines.first()
  await expect(newest).toContainText('Main 2 bore')
  await expect(newest).toContainText('66.041')
  await expect(newest).toContainText('66.061')
  await expect(newest).toContainText('Maren')
  await expect(newest).toContainText('Bearings')
  // What the record began with has its own hands and times.
  const count = page.getByTestId('story-count')
  await expect(count).toHaveText(/^(\d+) lines of \1$/)
  await page.getByLabel('Search').fill('main 2 bore')
  await expect(count).toHaveText(/^3 lines of/)
  await page.getByLabel('Search').fill('no such thing')
  await expect(page.getByText('Nothing here matches')).toBeVisible()
  await page.getByLabel('Search').fill('')
  await page.getByRole('combobox', { name: 'Station' }).click()
  await page.getByRole('option', { name: 'Relief' }).click()
  await expect(lines.first()).toContainText('Relief')
  await expect(page.locator('tr[data-line]', { hasText: 'Main 2 bore' })).toHaveCount(0)
  await page.getByRole('combobox', { name: 'Station' }).click()
  await page.getByRole('option', { name: 'Every station' }).click()

  // The moment before the last value: what was predicted then stands beside what is now.
  await page
    .getByRole('button', { name: /^Open as it was, .*Main 2 bore/ })
    .nth(1)
    .click()
  const idle = page.locator('[data-then="idleHot"]')
  await expect(idle).toContainText('pass')
  await expect(page.locator('[data-differs="readings/main.2.bore"]')).toContainText('66.041')
  await expect(page.locator('[data-differs="readings/main.2.bore"]')).toContainText('66.061')
  await expect(page.locator('[data-differs]')).toHaveCount(1)
  const [then, now] = (await idle.locator('.big').allTextContents()).map(Number.parseFloat)
  // A wider main lets more oil go.
  expect(now).toBeLessThan(then!)
  expect(now).toBeCloseTo(Number.parseFloat(before!), 1)
  await page.goBack()
  await expect(page.getByTestId('story')).toBeVisible()
  // Nothing was written by looking back.
  await page.goto(`${server.address}/build/${id}/bearings`)
  await expect(field(page, 'main.2.bore')).toHaveValue('66.061')
})

test('Then and now: what the gauge read stands beside the prediction, with its own word; with nothing written since there is one moment', async ({
  server,
  bench: page,
}) => {
  await page.goto(`${server.address}/build/${await buildId(server, 'Carousel set')}/logbook?view=then`)
  const idle = page.locator('[data-then="idleHot"]')
  await expect(idle).toContainText('read 0.80 bar')
  await expect(idle).toContainText('stop')
  await expect(idle.locator('.big')).toHaveCount(1)
  await expect(page.getByText('Nothing was written yet.')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'What differs' })).toHaveCount(0)
})
