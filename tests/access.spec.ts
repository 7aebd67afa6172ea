import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { buildId, expect, test } from './server'

const axe = readFileSync(fileURLToPath(new URL('../node_modules/axe-core/axe.min.js', import.meta.url)), 'utf8')
interface Found { id: string; nodes: { html: string; failureSummary: string }[] }

test('every view is free of accessibility violations and console errors, in both schemes', async ({ server, bench: page }) => {
  const tractor = await buildId(server, 'Rescue tractor 2')
  const carousel = await buildId(server, 'Carousel set')
  const views = ['/', ...['brief', 'bearings', 'bearings?view=journal&at=main.2', 'bearings?view=shells', 'bearings?view=turn', 'pump', 'relief', 'pickup', 'outlook'].map((view) => `/build/${tractor}/${view}`), `/build/${carousel}/prime`, `/build/${carousel}/start`]
  for (const scheme of ['light', 'dark']) {
    await page.addInitScript((now) => localStorage.setItem('uldo.scheme', now), scheme)
    for (const view of views) {
      await page.goto(server.address + view)
      await expect(page.locator('h1')).toBeVisible()
      if (view !== '/') await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toBeVisible()
      if (view.endsWith('outlook')) await expect(page.locator('.apexcharts-svg')).toBeVisible()
      await page.evaluate(axe)
      const found = await page.evaluate(async () => (await (window as unknown as { axe: { run: (o: object) => Promise<{ violations: unknown[] }> } }).axe.run({ runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'] })).violations) as Found[]
      expect(found.map(({ id, nodes }) => `${scheme} ${view}: ${id} ${nodes.map((node) => node.html.slice(0, 120) + node.failureSummary).join(' | ')}`)).toEqual([])
    }
  }
})

test('the first load of a station is under 200 kB of compressed script, charts and other views after', async ({ server, bench: page }) => {
  const id = await buildId(server, 'Ottiline')
  const { gzipSync } = await import('node:zlib')
  let scripts: Promise<number>[] = []
  page.on('response', (response) => {
    if (/\.js(\?|$)/.test(response.url())) scripts.push(response.body().then((script) => (script.includes('apexcharts') ? 0 : gzipSync(script).length), () => 0))
  })
  for (const station of ['brief', 'bearings']) {
    scripts = []
    await page.goto(`${server.address}/build/${id}/${station}`)
    await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toBeVisible()
    const bytes = (await Promise.all(scripts)).reduce((sum, each) => sum + each, 0)
    console.log(`first load of ${station}: ${(bytes / 1000).toFixed(0)} kB`)
    expect(bytes).toBeGreaterThan(50_000)
    expect(bytes).toBeLessThan(200_000)
  }
})

test('the floor, a station and the keys work from the keyboard', async ({ server, bench: page }) => {
  const id = await buildId(server, 'Rescue tractor 2')
  await page.goto(`${server.address}/build/${id}/brief`)
  await expect(page.locator('h1')).toHaveText('Brief')
  await page.keyboard.press('g')
  await page.keyboard.press('2')
  await expect(page.locator('h1')).toHaveText('Bearings')
  // The pump's displacement causes most of the band, so that is where n leads; once typed, the next.
  await page.keyboard.press('n')
  await expect(page.locator('h1')).toHaveText('Pump')
  await expect(page.locator('input[data-reading="pump.displacement"]')).toBeFocused()
  await page.keyboard.press('Escape')
  await page.locator('h1').click()
  await page.keyboard.press('u')
  await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toHaveText(/^\d{2,3}$/)
  await page.keyboard.press('Control+k')
  await page.getByLabel('Find a reading, station or engine').fill('relief shims')
  await page.keyboard.press('Enter')
  await expect(page.locator('h1')).toHaveText('Relief')
  await expect(page.locator('input[data-reading="relief.shims"]')).toBeFocused()
})
