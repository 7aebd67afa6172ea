import { randomUUID } from 'node:crypto'
import { buildId, expect, field, PHOTO, record, saved, sharing as test } from './server'

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
  // What it is now is what the strip says, to its one decimal.
  await expect.poll(async () => Math.abs(Number.parseFloat((await idleHot.textContent())!) - now!)).toBeLessThan(0.051)
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

test('Milestones: a start with its curve, photos of it large, one after the other; a fault keeps its photo; the report of that start shows the curve', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Carousel set')
  const send = (path: string, body: unknown) =>
    fetch(`${server.address}/api/${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
  const run = randomUUID()
  await send(`builds/${id}/runs`, { id: run, kind: 'start', who: 'Ilse', setup: { source: 'logger' } })
  await send(
    `runs/${run}/samples`,
    Array.from({ length: 60 }, (_, i) => ({ time: i / 2, pressure: i < 6 ? 0 : 3.4e5, speed: i < 4 ? 3 : 15 })),
  )
  const event = (kind: string, words: string) =>
    send(`runs/${run}/events`, { clientKey: randomUUID(), time: 30, kind, words, data: {}, who: 'Ilse' })
  await event('seen', 'weeps at the filter')
  await event('end', 'ran well')
  await page.goto(`${server.address}/build/${id}/logbook?view=milestones`)
  const start = page.locator('[data-milestone="run"]').first()
  await expect(start).toContainText('First start')
  await expect(start).toContainText('ran well')
  // Three seconds of nothing, then 3.4 bar: the curve has both.
  await expect(start.locator('svg path[d^="M"]').first()).toBeVisible()
  for (const count of [1, 2]) {
    await start.getByLabel('Photo of First start').setInputFiles(PHOTO)
    await expect(start.getByRole('button', { name: /^Open large: First start/ })).toHaveCount(count)
  }
  await saved(page)
  await start.getByRole('button', { name: 'Open large: First start, photo 1' }).click()
  const large = page.getByRole('dialog', { name: 'First start, photo 1 of 2' })
  await expect(large.getByRole('img')).toBeVisible()
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('dialog', { name: 'First start, photo 2 of 2' })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  // They are on the server, and whoever comes later sees them.
  await page.reload()
  await expect(start.getByRole('button', { name: /^Open large/ })).toHaveCount(2)

  await page.goto(`${server.address}/build/${id}/logbook?view=papers&paper=start`)
  await expect(page.getByTestId('paper')).toContainText('weeps at the filter')
  await expect(page.getByTestId('paper').locator('[data-paper-drawing="run"] svg')).toBeVisible()

  // What is at fault is photographed where it is found.
  await page.goto(`${server.address}/build/${id}/prime?view=round`)
  const check = page.locator('[data-check]').first()
  await check.getByRole('button', { name: 'fault' }).click()
  await check.getByLabel(/^Photo of/).setInputFiles(PHOTO)
  await expect(check.getByRole('button', { name: /^Open large/ })).toHaveCount(1)
  await saved(page)
  await page.goto(`${server.address}/build/${id}/logbook`)
  await expect(page.locator('tr[data-kind="photo"]').first()).toBeVisible()
})
