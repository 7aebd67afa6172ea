import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import jsQR from 'jsqr'
import { PNG } from 'pngjs'
import { makeOf, pagesOf } from './pdf'
import { buildId, expect, record, saved, sharing as test } from './server'

/** The PDF that the open paper is written as. */
async function pdfOf(page: Page): Promise<Buffer> {
  const file = page.waitForEvent('download')
  await page.getByRole('button', { name: 'PDF', exact: true }).click()
  return readFileSync(await (await file).path())
}
const plain = (words: string) => words.replace(/\s+/g, ' ')
const paper = (page: Page) => page.getByTestId('paper')

test('Build sheet: every measurement with its limit, uncertainty, instrument and hand; prediction beside reading; the PDF says what the page says, in its own letters and lines', async ({
  server,
  bench: page,
}) => {
  await page.goto(`${server.address}/build/${await buildId(server, 'Carousel set')}/logbook?view=papers`)
  const pressures = paper(page).getByRole('table', { name: 'Pressure at the gauge' })
  const idleHot = pressures.getByRole('row', { name: /^Idle hot/ })
  await expect(idleHot).toContainText('0.80')
  await expect(idleHot).toContainText('stop')
  const bearings = paper(page).getByRole('table', { name: 'Bearings', exact: true })
  await expect(bearings.getByRole('row')).toHaveCount(1 + 5 + 8)
  await expect(bearings.getByRole('row', { name: /^Main 3/ })).toContainText(
    /0\.0\d\d to 0\.0\d\d mm \((maker|house)\)/,
  )
  await expect(bearings.getByRole('row', { name: /^Main 3/ })).toContainText(/Micrometer.*Bore gauge/)
  const cells = await bearings
    .getByRole('row', { name: /^Main 3/ })
    .getByRole('cell')
    .allTextContents()
  const file = await pdfOf(page)
  const pages = await pagesOf(file)
  const words = plain(pages.join(' '))
  // The first cell is the row's header.
  expect(words).toContain(plain(`Main 3 ${cells.slice(0, 4).join(' ')}`))
  expect(words).toContain('Relief plug opens')
  expect(words).toContain('Signed')
  pages.forEach((each, i) => {
    expect(plain(each)).toContain(`page ${i + 1} of ${pages.length}`)
    expect(plain(each)).toContain('Made by Maren')
  })
  const made = await makeOf(file)
  expect(made.sizes[0]).toEqual([210, 297])
  expect(made.fonts.length).toBeGreaterThanOrEqual(3)
  expect(made.embedded).toBe(made.fonts.length)
  expect(made.pictures).toBe(0)
  // The crank's drawing is lines.
  expect(made.lines).toBeGreaterThan(20)
})

test('Owner’s gauge card: what to expect cold and hot with where to lift the foot and stop, in the person’s units; its code is read; none for what is void', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Ottiline')
  await page.addInitScript(() => localStorage.setItem('uldo.units.maren', 'in, psi'))
  await page.goto(`${server.address}/build/${id}/logbook?view=papers&paper=card`)
  const gauge = paper(page).getByRole('table', { name: 'What the gauge should read' })
  await expect(gauge.getByRole('row', { name: /^Idle, hot/ })).toContainText(
    /predicted.*4\d\.\d.*under \d\d\.\d.*under 20\.3/s,
  )
  await expect(gauge.getByRole('row', { name: /^At speed, cold/ })).toContainText('over 87.0')
  await expect(paper(page)).toContainText(/A prime lasts \d+ h/)
  const file = await pdfOf(page)
  const words = plain((await pagesOf(file)).join(' '))
  expect(words).toContain('Reads, psi')
  expect(words).toContain('A prime lasts')
  expect((await makeOf(file)).sizes[0]).toEqual([148, 105])
  const code = paper(page).locator('.code svg')
  const address = await code.getAttribute('aria-label')
  expect(address).toContain(`/build/${id}/logbook`)
  const { data, width, height } = PNG.sync.read(await code.screenshot({ scale: 'css' }))
  expect(jsQR(new Uint8ClampedArray(data), width, height)?.data).toBe(address)
  // What cannot be computed is not to be driven by.
  await page.goto(`${server.address}/build/${id}/bearings`)
  await record(page, { 'main.3.bore': '2.5' })
  await page.keyboard.press('F2')
  await saved(page)
  await page.goto(`${server.address}/build/${id}/logbook?view=papers&paper=card`)
  await expect(paper(page)).toContainText('No card')
  await expect(gauge).toHaveCount(0)
})

test('Report of a start: steady points against target and prediction; and papers that are not worked out, or not written, say so', async ({
  server,
  bench: page,
}) => {
  await page.goto(`${server.address}/build/${await buildId(server, 'Carousel set')}/logbook?view=papers`)
  await expect(paper(page)).toContainText('Pressure at the gauge')
  await page.getByRole('combobox', { name: 'Paper' }).click()
  await page.getByRole('option', { name: 'Report of a start' }).click()
  await expect(paper(page).getByRole('row', { name: /^Idle hot/ })).toContainText(/0\.80.*stop/)
  await expect(paper(page)).toContainText('No start is on record.')
  // What writes the PDF cannot be fetched: it is said, and the page stays.
  await page.route(/paper\.worker/, (route) => route.abort())
  await page.getByRole('button', { name: 'PDF', exact: true }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'The PDF was not written' })).toBeVisible()
  await page.unroute(/paper\.worker/)
  expect(plain((await pagesOf(await pdfOf(page))).join(' '))).toContain('Report of a start')
})

test('what the server does not tell is not said to be none; what the gauge departs from is in doubt; on a phone the numbers to stop at are in sight', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Carousel set')
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(`${server.address}/build/${id}/logbook?view=papers&paper=card`)
  const row = paper(page).getByRole('row', { name: /^Idle, hot/ })
  await expect(row).toContainText(/as read.*0\.80.*under 1\.20/s)
  await expect(paper(page)).toContainText('Not to be driven until that is found and mended')
  await expect(paper(page).getByRole('row', { name: /^At speed, cold/ })).toContainText('in doubt')
  const stop = (await row.getByRole('cell').last().boundingBox())!
  expect(stop.x + stop.width).toBeLessThanOrEqual(390)
  await page.route(/\/api\/builds\/[\w-]+\/(entries|runs)/, (route) => route.abort())
  await page.goto(`${server.address}/build/${id}/logbook?view=papers&paper=start`)
  await expect(paper(page)).toContainText('which starts are on record is not known')
  await expect(paper(page)).not.toContainText('No start is on record')
})
