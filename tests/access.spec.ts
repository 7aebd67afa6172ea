import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { buildId, expect, ontoTheBoard, test } from './server'

const axe = readFileSync(fileURLToPath(new URL('../node_modules/axe-core/axe.min.js', import.meta.url)), 'utf8')
interface Found {
  id: string
  nodes: { html: string; failureSummary: string }[]
}

test('every view is free of accessibility violations and console errors, in both schemes', async ({
  server,
  bench: page,
}) => {
  test.setTimeout(300_000)
  const tractor = await buildId(server, 'Rescue tractor 2')
  const carousel = await buildId(server, 'Carousel set')
  const views = [
    '/',
    ...[
      'brief',
      'bearings',
      'bearings?view=journal&at=main.2',
      'bearings?view=shells',
      'bearings?view=turn',
      'pump',
      'pump?view=salvage',
      'pump?view=ports',
      'pump?view=speed',
      'pump?view=compare',
      'pump?view=close',
      'relief',
      'relief?view=routes',
      'relief?view=fit',
      'relief?view=bench',
      'pickup',
      'pickup?view=suction',
      'pickup?view=oil',
      'pickup?view=air',
      'passages',
      'outlook',
      'outlook?view=map',
      'outlook?view=circuit',
      'outlook?view=moves',
      'outlook?view=try',
      'outlook?view=find',
      'outlook?view=scenarios',
    ].map((view) => `/build/${tractor}/${view}`),
    ...['prime', 'prime?view=live', 'prime?view=round', 'start', 'start?view=readings', 'start?view=breakin'].map(
      (view) => `/build/${carousel}/${view}`,
    ),
    '/shelf?kind=oil',
    '/house',
    '/house?view=instruments',
    '/house?view=people',
    '/house?view=devices',
    '/house?view=cautions',
  ]
  // Each view in the scheme that it opens in, then in the other; the next opens in that one.
  await page.emulateMedia({ reducedMotion: 'reduce', colorScheme: 'light' })
  const seen = new Set<string>()
  for (const view of views) {
    await page.goto(server.address + view)
    await expect(page.locator('h1')).toBeVisible()
    if (view.startsWith('/build'))
      await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toBeVisible()
    if (view.endsWith('outlook')) await expect(page.locator('.apexcharts-svg')).toBeVisible()
    await page.evaluate(axe)
    for (const turn of ['opened', 'flipped']) {
      if (turn === 'flipped') await page.getByRole('button', { name: /^(Light|Dark) scheme$/ }).click()
      const scheme = await page.locator('html').getAttribute('data-scheme')
      seen.add(`${scheme} ${view}`)
      const found = (await page.evaluate(
        async (only) =>
          (
            await (window as unknown as { axe: { run: (o: object) => Promise<{ violations: unknown[] }> } }).axe.run({
              runOnly: only,
            })
          ).violations,
        // The other scheme changes colours alone: what else there is was judged in the first.
        turn === 'opened' ? ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'] : ['color-contrast'],
      )) as Found[]
      expect(
        found.map(
          ({ id, nodes }) =>
            `${scheme} ${view}: ${id} ${nodes.map((node) => node.html.slice(0, 120) + node.failureSummary).join(' | ')}`,
        ),
      ).toEqual([])
    }
  }
  expect(seen.size).toBe(2 * views.length)
})

test('the start across the shop and its STOP are free of accessibility violations, in both schemes', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Carousel set')
  for (const scheme of ['light', 'dark']) {
    await page.addInitScript((now) => localStorage.setItem('uldo.scheme', now), scheme)
    await page.goto(`${server.address}/build/${id}/start`)
    await ontoTheBoard(page)
    for (const phase of ['rest', 'stopped']) {
      if (phase === 'stopped')
        for (const name of ['Crank', 'Fired'])
          await page.getByRole('dialog').getByRole('button', { name, exact: true }).click()
      await expect(page.getByRole('dialog')).toHaveAttribute('data-phase', phase)
      await page.evaluate(axe)
      const found = (await page.evaluate(
        async () =>
          (
            await (
              window as unknown as { axe: { run: (element: Element, o: object) => Promise<{ violations: unknown[] }> } }
            ).axe.run(document.querySelector('.board')!, {
              runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'],
            })
          ).violations,
      )) as Found[]
      expect(
        found.map(
          ({ id, nodes }) =>
            `${scheme} ${phase}: ${id} ${nodes.map((node) => node.html.slice(0, 120) + node.failureSummary).join(' | ')}`,
        ),
      ).toEqual([])
    }
    for (const name of ['The switch is off', 'End the run', 'To the readings'])
      await page.getByRole('button', { name, exact: true }).click()
  }
})

test('the first load of a station is under 350 kB of script on the wire, squeezed and kept; charts and other views after', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Ottiline')
  let scripts: Promise<number>[] = []
  page.on('response', (response) => {
    if (/\.js(\?|$)/.test(response.url()))
      scripts.push(
        (async () => {
          const headers = await response.allHeaders()
          expect(headers['cache-control']).toMatch(/max-age=31536000.*immutable/)
          const { responseBodySize } = await response.request().sizes()
          // What the page has let go of again is counted by its size alone.
          const script = await response.body().catch(() => undefined)
          // What is a kilobyte is sent as it is.
          if (script && script.length > 1024) expect(headers['content-encoding'], response.url()).toMatch(/^(br|gzip)$/)
          return script?.includes('apexcharts') ? 0 : responseBodySize
        })(),
      )
  })
  for (const station of ['brief', 'bearings', 'prime', 'start']) {
    scripts = []
    // Each as on a first visit.
    const session = await page.context().newCDPSession(page)
    await session.send('Network.clearBrowserCache')
    await page.goto(`${server.address}/build/${id}/${station}`)
    await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toBeVisible()
    const bytes = (await Promise.all(scripts)).reduce((sum, each) => sum + each, 0)
    console.log(`first load of ${station}: ${(bytes / 1000).toFixed(0)} kB`)
    expect(bytes).toBeGreaterThan(50_000)
    expect(bytes).toBeLessThan(350_000)
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
