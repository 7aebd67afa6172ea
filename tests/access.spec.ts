import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import type { Page, Response } from '@playwright/test'
import { tooSmall } from './measures'
import { buildId, expect, go, ontoTheBoard, test } from './server'

const axe = readFileSync(fileURLToPath(new URL('../node_modules/axe-core/axe.min.js', import.meta.url)), 'utf8')
interface Found {
  id: string
  nodes: { html: string; failureSummary: string }[]
}
const WHOLE = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']
/** What breaks these rules on the page, or in one element of it; axe must stand in the page. */
async function violations(page: Page, only: string[], within = 'html'): Promise<string[]> {
  const found = (await page.evaluate(
    async ([rules, selector]) => {
      type Axe = { run: (element: Element, o: object) => Promise<{ violations: unknown[] }> }
      const { axe } = window as unknown as { axe: Axe }
      return (await axe.run(document.querySelector(selector)!, { runOnly: rules })).violations
    },
    [only, within] as const,
  )) as Found[]
  // What the bar at the foot covers just now is come to by scrolling.
  const covered = ({ failureSummary }: Found['nodes'][number]) => failureSummary.includes('partially obscured')
  return found
    .map(({ id, nodes }) => ({ id, nodes: id === 'target-size' ? nodes.filter((node) => !covered(node)) : nodes }))
    .filter(({ nodes }) => nodes.length > 0)
    .map(({ id, nodes }) => `${id} ${nodes.map((node) => node.html.slice(0, 120) + node.failureSummary).join(' | ')}`)
}

const VIEWS: Record<string, { of?: string; views: string[] }> = {
  'Brief to Relief': {
    of: 'Rescue tractor 2',
    views: [
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
    ],
  },
  'Pickup to Outlook': {
    of: 'Rescue tractor 2',
    views: [
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
    ],
  },
  'Prime and First start': {
    of: 'Carousel set',
    views: [
      'prime',
      'prime?view=live',
      'prime?view=round',
      'start',
      'start?view=readings',
      'start?view=breakin',
      'trace',
      'logbook',
      'logbook?view=milestones',
      'logbook?view=then',
      'logbook?view=sisters',
      'logbook?view=papers',
      'logbook?view=papers&paper=card',
    ],
  },
  'Floor, Shelf, House rules and Practice bench': {
    views: [
      '/',
      '/shelf?kind=oil',
      '/house',
      '/house?view=instruments',
      '/house?view=people',
      '/house?view=devices',
      '/house?view=cautions',
      '/plan',
      '/plan?view=engines',
      '/plan?view=fortnight',
      '/plan?view=hours',
      '/practice',
      '/practice?view=drill',
      '/practice?view=results',
    ],
  },
}
/** All four demo builds by `npm run access`; one for each group of views in `npm test`, which has its minutes. */
const BUILDS = ['Rescue tractor 2', 'Ottiline', 'Carousel set', 'Barge pump']
const groups = Object.entries(VIEWS).flatMap(([name, { of, views }]) =>
  of && process.env.ULDO_ALL_BUILDS
    ? BUILDS.map((build) => ({ name: `${name}, ${build}`, of: build, views }))
    : [{ name, of, views }],
)
const SIZES = { phone: { width: 390, height: 844 }, desktop: { width: 1280, height: 800 } }
for (const { name, of, views: wanted } of groups)
  test(`every view is free of accessibility violations and console errors, in both schemes, and large enough to hit and read: ${name}`, async ({
    server,
    bench: page,
  }) => {
    test.setTimeout(300_000)
    const before = of ? `/build/${await buildId(server, of)}/` : ''
    const views = wanted.map((view) => before + view)
    // Each view in the scheme that it opens in, then in the other; the next opens in that one.
    await page.emulateMedia({ reducedMotion: 'reduce', colorScheme: 'light' })
    const seen = new Set<string>()
    const small: string[] = []
    for (const view of views) {
      await page.setViewportSize(SIZES.desktop)
      await go(page, server.address + view)
      await expect(page.locator('h1')).toBeVisible()
      if (of) await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toBeVisible()
      if (view.endsWith('outlook')) await expect(page.locator('.apexcharts-svg')).toBeVisible()
      await page.evaluate(axe)
      for (const turn of ['opened', 'flipped']) {
        if (turn === 'flipped') await page.getByRole('button', { name: /^(Light|Dark) scheme$/ }).click()
        const scheme = await page.locator('html').getAttribute('data-scheme')
        seen.add(`${scheme} ${view}`)
        // The other scheme changes colours alone: what else there is was judged in the first.
        const found = await violations(page, turn === 'opened' ? WHOLE : ['color-contrast'])
        expect.soft(found.map((each) => `${scheme} ${view}: ${each}`)).toEqual([])
      }
      for (const [size, box] of Object.entries(SIZES).reverse()) {
        await page.setViewportSize(box)
        small.push(...(await tooSmall(page)).map((each) => `${size} ${view.replace(before, '')}: ${each}`))
      }
    }
    expect(small).toEqual([])
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
      const found = await violations(page, WHOLE, '.board')
      expect(found.map((each) => `${scheme} ${phase}: ${each}`)).toEqual([])
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
  let scripts: Promise<void>[] = []
  const look = (response: Response) => {
    if (/\.js(\?|$)/.test(response.url()))
      scripts.push(
        (async () => {
          const headers = await response.allHeaders()
          expect(headers['cache-control']).toMatch(/max-age=31536000.*immutable/)
          const script = await response.body().catch(() => undefined)
          // What is a kilobyte is sent as it is; what the page has let go of again cannot be read.
          if (script && script.length > 1024) expect(headers['content-encoding'], response.url()).toMatch(/^(br|gzip)$/)
        })(),
      )
  }
  page.on('response', look)
  // When the first prediction stood, by the page's own clock.
  await page.addInitScript(() => {
    const seen = new MutationObserver(() => {
      if (!document.querySelector('[data-state="idleHot"] [data-testid="pressure"]')) return
      performance.mark('stood')
      seen.disconnect()
    })
    seen.observe(document, { childList: true, subtree: true })
  })
  for (const station of ['brief', 'bearings', 'prime', 'start']) {
    scripts = []
    // Each as on a first visit.
    const session = await page.context().newCDPSession(page)
    await session.send('Network.clearBrowserCache')
    await page.goto(`${server.address}/build/${id}/${station}`)
    await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toBeVisible()
    const bytes = await page.evaluate(() => {
      const stood = performance.getEntriesByName('stood')[0]!.startTime
      const sent = performance.getEntriesByType('resource') as PerformanceResourceTiming[]
      return sent
        .filter(({ name, startTime }) => /\.js$/.test(name) && startTime < stood)
        .reduce((sum, { transferSize }) => sum + transferSize, 0)
    })
    await Promise.all(scripts)
    console.log(`first load of ${station}: ${(bytes / 1000).toFixed(0)} kB`)
    expect(bytes).toBeGreaterThan(50_000)
    expect(bytes).toBeLessThan(350_000)
  }
  // What comes beside the work is looked at too, and is not left half read when the page closes.
  page.off('response', look)
  await Promise.all(scripts)
})

test('the floor, a station and the keys work from the keyboard', async ({ server, bench: page }) => {
  const id = await buildId(server, 'Rescue tractor 2')
  await page.goto(`${server.address}/build/${id}/brief`)
  await expect(page.locator('h1')).toHaveText('Brief')
  await page.keyboard.press('g')
  await page.keyboard.press('2')
  await expect(page.locator('h1')).toHaveText('Bearings')
  // The hand is led to the first open reading, where an n is a letter: out of it first, however late it came.
  await expect(page.locator('input[data-reading]:focus')).toBeVisible()
  await page.locator('h1').click()
  // The pump's displacement causes most of the band, so that is where n leads; once typed, the next.
  await page.keyboard.press('n')
  await expect(page.locator('h1')).toHaveText('Pump')
  await expect(page.locator('input[data-reading="pump.displacement"]')).toBeFocused()
  await page.keyboard.press('Escape')
  await page.locator('h1').click()
  await page.keyboard.press('u')
  await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toHaveText(/^\d{2,3}$/)
  await page.keyboard.press('Control+k')
  // Enter before anything is asked for goes nowhere.
  const here = page.url()
  await page.getByLabel('Find a reading, station or engine').press('Enter')
  await expect(page.getByLabel('Find a reading, station or engine')).toBeVisible()
  expect(page.url()).toBe(here)
  await page.getByLabel('Find a reading, station or engine').fill('relief shims')
  await page.keyboard.press('Enter')
  await expect(page.locator('h1')).toHaveText('Relief')
  await expect(page.locator('input[data-reading="relief.shims"]')).toBeFocused()
})

test('what this is can be read before the style sheet has come; the station stands in its own type once it is there', async ({
  server,
  bench: page,
}) => {
  let letGo = () => {}
  const held = new Promise<void>((go) => (letGo = go))
  await page.route('**/_nuxt/*.css', async (route) => {
    await held
    await route.continue()
  })
  await page.goto(`${server.address}/build/${await buildId(server, 'Ottiline')}/brief`, {
    waitUntil: 'commit',
  })
  await expect(page.getByText('Sets up a rebuilt engine’s oiling system')).toBeVisible()
  await expect.poll(() => page.evaluate(() => performance.getEntriesByName('first-contentful-paint').length)).toBe(1)
  await expect(page.locator('h1')).toHaveCount(0)
  letGo()
  await expect(page.locator('h1')).toHaveText('Brief')
  expect(await page.locator('h1').evaluate((title) => getComputedStyle(title).fontFamily)).toContain('Archivo')
})
