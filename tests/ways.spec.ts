import { readFileSync } from 'node:fs'
import { buildId, expect, field, saved, sharing as test } from './server'

test('a station opens at its top with the hand on its first open reading; titles, Back, the keys and the skip link lead on', async ({
  server,
  bench: page,
}) => {
  const of = `${server.address}/build/${await buildId(server, 'Rescue tractor 2')}`
  const hot = page.locator('[data-state="idleHot"]').getByTestId('pressure')
  const focused = () => page.evaluate(() => (document.activeElement as HTMLElement).dataset.reading ?? '')
  await page.goto(`${of}/brief`)
  await expect(hot).toBeVisible()
  await expect(page).toHaveTitle('Brief · Rescue tractor 2 · Uldo')
  await expect.poll(focused).toBe('brief.idleHours')
  await page.locator('main').evaluate((main) => main.scrollTo(0, 600))

  // No reading begins with a letter: the keys are the page's although the hand is on a field.
  await page.keyboard.press('g')
  await page.keyboard.press('3')
  await expect(page.locator('h1')).toHaveText('Pump')
  expect(await page.locator('main').evaluate((main) => main.scrollTop)).toBe(0)
  await expect.poll(focused).toMatch(/^pump\./)
  const first = await focused()
  await expect(field(page, first)).toHaveValue('')
  await page.keyboard.press('u')
  await expect(hot).toHaveText(/^\d{2,3}$/)
  for (let i = 0; i < 3; i++) await page.keyboard.press('u')
  await expect(hot).toHaveText(/^\d\.\d+$/)
  await expect(field(page, first)).toHaveValue('')
  // What is being typed is no key of the page.
  await page.keyboard.type('12 m')
  await page.keyboard.press('u')
  await expect(field(page, first)).toHaveValue('12 mu')
  await page.keyboard.press('Escape')
  await expect(field(page, first)).toHaveValue('')

  await page.getByRole('tab', { name: 'Compare' }).click()
  await expect(page).toHaveTitle('Compare pumps · Pump · Rescue tractor 2 · Uldo')
  await page.goBack()
  await expect(page).toHaveTitle(/^(?!Compare).* Pump · Rescue tractor 2 · Uldo$/)
  await page.goBack()
  await expect(page.locator('h1')).toHaveText('Brief')
  await expect(page.locator('[aria-live]').filter({ hasText: 'Brief · Rescue tractor 2' })).toHaveCount(1)

  await page.reload()
  await expect(hot).toBeVisible()
  await expect.poll(focused).toBe('brief.idleHours')
  await page.evaluate(() => (document.activeElement as HTMLElement).blur())
  // From the top of the page: the skip link, and the reading.
  await page.locator('.skip').focus()
  await page.keyboard.press('Enter')
  expect(await focused()).toBe('brief.idleHours')
  await page.keyboard.press('n')
  // What causes most of the band, at another station.
  await expect(field(page, 'pump.displacement')).toBeFocused()
  await expect(page.locator('h1')).toHaveText('Pump')
})

test('Enter goes across or down, by choice: all journals of mains and rods with the one micrometer, then the bores', async ({
  server,
  bench: page,
}) => {
  await page.goto(`${server.address}/build/${await buildId(server, 'Rescue tractor 2')}/bearings`)
  await field(page, 'main.2.journal').focus()
  await page.keyboard.press('Enter')
  await expect(field(page, 'main.2.bore')).toBeFocused()
  await page.getByRole('group', { name: 'Enter goes' }).getByRole('button', { name: 'down a column' }).click()
  await page.reload()
  await field(page, 'main.2.journal').focus()
  await page.keyboard.press('Enter')
  await expect(field(page, 'main.3.journal')).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(field(page, 'rod.1.journal')).toBeFocused()
  await page.keyboard.press('Shift+Enter')
  await expect(field(page, 'main.3.journal')).toBeFocused()
})

test('on a phone nothing is missing: find, who, units, undo, the build file, readings and drawings as files, and units beside the number pad', async ({
  server,
  browser,
}) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  const page = await context.newPage()
  await page.goto(`${server.address}/build/${await buildId(server, 'Rescue tractor 2')}/relief`)
  await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toBeVisible()
  // Asked once who records, before anything is written.
  await page.getByTestId('who').getByRole('button', { name: 'Ilse' }).tap()
  await expect(page.getByTestId('who')).toHaveCount(0)

  const shims = field(page, 'relief.shims')
  await shims.tap()
  await expect(shims).toHaveAttribute('inputmode', 'decimal')
  await shims.fill('0.06')
  await page.getByRole('group', { name: 'Units' }).getByRole('button', { name: 'in', exact: true }).tap()
  await expect(shims).toHaveValue('0.06 in')
  await shims.press('Enter')
  await expect(shims).toHaveValue('1.524')
  await saved(page)

  // What is asked of a doubtful value, and its field, stand above the bar at the foot.
  const free = field(page, 'relief.freeLength')
  await free.tap()
  await free.fill('4.8')
  await free.press('Enter')
  const ways = page.getByRole('alert').getByRole('button')
  await expect(ways.first()).toBeVisible()
  const foot = (await page.locator('aside.strip').boundingBox())!.y
  for (const way of await ways.all()) {
    const box = (await way.boundingBox())!
    expect(box.y + box.height).toBeLessThanOrEqual(foot)
  }
  const bar = (await page.locator('.reading-bar').boundingBox())!.y
  const asked = (await free.boundingBox())!
  expect(asked.y + asked.height).toBeLessThanOrEqual(bar)
  await free.press('Escape')

  const menu = async () => {
    await page.getByRole('button', { name: 'Menu', exact: true }).tap()
    return page.getByRole('dialog', { name: 'Menu' })
  }
  const out = async (name: string | RegExp) => {
    const coming = page.waitForEvent('download')
    await (await menu()).getByRole('button', { name }).or(page.getByRole('link', { name })).first().tap()
    const file = await coming
    await page.keyboard.press('Escape')
    return { name: file.suggestedFilename(), text: readFileSync(await file.path()) }
  }
  const csv = await out('Readings, CSV')
  expect(csv.name).toBe('Rescue tractor 2 readings.csv')
  expect(csv.text.toString()).toMatch(/^relief\.shims,.*,1\.524,mm,measured,.*,Ilse,/m)
  const file = await out('Build file')
  expect((JSON.parse(file.text.toString()) as { name: string }).name).toBe('Rescue tractor 2')
  const svg = await out(/^Relief valve.*, SVG$/)
  expect(svg.text.toString()).toMatch(/^<svg[^>]* viewBox="0 0 [\d.]+ [\d.]+"/)
  expect(svg.text.toString()).toContain('@font-face')
  const png = await out(/^Relief valve.*, PNG$/)
  expect(png.text.subarray(1, 4).toString()).toBe('PNG')
  expect(png.text.length).toBeGreaterThan(20_000)

  await (await menu()).getByRole('button', { name: 'Undo the last change' }).tap()
  await expect(shims).toHaveValue('')
  await page.getByRole('button', { name: 'Find a reading or engine' }).tap()
  await page.getByLabel('Find a reading, station or engine').fill('end clearance')
  await page.keyboard.press('Enter')
  await expect(page.locator('h1')).toHaveText('Pump')
  const dialog = await menu()
  await dialog.getByRole('combobox', { name: 'Units, in the menu' }).tap()
  await page.getByRole('option', { name: 'in, psi' }).tap()
  await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toHaveText(/^\d{2}(\.\d)?$/)
  await context.close()
})
