/** Makes docs/screenshots/ anew from the demo data. */
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { withDemo } from './lib/demo-browser.mjs'
import { root } from './lib/prepare.mjs'

const VIEWS = [
  ['floor', '', ''],
  ['brief', 'Ottiline', 'brief'],
  ['bearings', 'Rescue tractor 2', 'bearings'],
  ['film-dark', 'Ottiline', 'bearings?view=journal&at=main.4', undefined, 'dark', 760],
  ['plan', '', 'plan?view=engines'],
  ['pump', 'Ottiline', 'pump'],
  ['practice', '', 'practice'],
  ['relief', 'Ottiline', 'relief'],
  ['pickup', 'Ottiline', 'pickup?view=oil'],
  ['shelf', '', 'shelf?kind=washer'],
  ['trace', 'Carousel set', 'trace'],
  ['logbook', 'Ottiline', 'logbook'],
  ['outlook', 'Carousel set', 'outlook'],
  ['circuit', 'Ottiline', 'outlook?view=circuit'],
  ['passages-tablet', 'Ottiline', 'passages?at=lifterRow', { width: 1024, height: 768 }],
]
mkdirSync(join(root, 'docs/screenshots'), { recursive: true })
await withDemo(4489, async (browser, addressOf) => {
  for (const [name, build, station, viewport = { width: 1280, height: 800 }, scheme = 'light', scrolled = 0] of VIEWS) {
    const page = await browser.newPage({ viewport, locale: 'en-GB' })
    await page.addInitScript((now) => {
      localStorage.setItem('uldo.who', 'Maren')
      localStorage.setItem('uldo.scheme', now)
      // An exercise under way, as a reload finds it.
      const task = { preset: 'inline4', seed: 12, hardness: 'plain', cause: 'undriven' }
      localStorage.setItem('uldo.practice', JSON.stringify({ task, engine: 'Inline four', done: [], helped: 0 }))
    }, scheme)
    await page.goto(addressOf(build, station))
    await page.waitForSelector(
      station === 'practice'
        ? '[data-practice-check]'
        : station.startsWith('plan')
          ? '[data-engine]'
          : station.startsWith('shelf')
            ? '[data-item]'
            : station === 'trace'
              ? '[data-cause]'
              : station === 'logbook'
                ? '[data-line]'
                : station === 'outlook'
                  ? '.apexcharts-series path'
                  : build
                    ? '[data-state="idleHot"]'
                    : '.engines li',
    )
    // Bands settle half a second after the last value.
    await page.waitForTimeout(3500)
    if (scrolled) await page.locator('main').evaluate((main, top) => main.scrollTo(0, top), scrolled)
    await page.waitForTimeout(200)
    // Where this machine keeps its backups is nobody's business.
    await page.addStyleTag({ content: '[data-testid="backup"] { visibility: hidden }' })
    await page.screenshot({ path: join(root, `docs/screenshots/${name}.png`) })
    await page.close()
    console.log(`docs/screenshots/${name}.png`)
  }
  await runs(browser, addressOf)
})

/** The live screens, by a simulated engine of the main build. */
async function runs(browser, addressOf) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' })
  await page.addInitScript(() => localStorage.setItem('uldo.who', 'Maren'))
  const press = (name) => page.getByRole('button', { name, exact: true }).click()
  const take = async (name) => {
    await page.screenshot({ path: join(root, `docs/screenshots/${name}.png`) })
    console.log(`docs/screenshots/${name}.png`)
  }
  const simulate = async (pace, fault = 'a healthy engine') => {
    await press('Readings come from: Simulated')
    const number = page.getByRole('spinbutton', { name: 'Engine number' })
    await number.press('ControlOrMeta+a')
    await number.pressSequentially('42')
    await page.getByRole('combobox', { name: 'Engine', exact: true }).click()
    await page.getByRole('option', { name: fault, exact: true }).click()
    await press(`Pace: ${pace}`)
  }
  const board = async () => {
    await page.waitForSelector('[data-gate]')
    for (const reason of await page.locator('[data-gate] input').all()) await reason.fill('trial on the bench')
    await press('Go to the start')
    await press('Crank')
    await page.waitForTimeout(600)
    await press('Fired')
  }
  await page.goto(addressOf('Ottiline', 'prime?view=live'))
  await page.waitForTimeout(3500)
  await simulate('5 ×')
  await press('Begin the prime')
  await press('Drill on')
  await press('The filter is on')
  await page
    .getByTestId('prime-word')
    .filter({ hasText: /^Primed$/ })
    .waitFor({ timeout: 30_000 })
  await take('prime')
  await press('Primed: write it down')
  await page.goto(addressOf('Ottiline', 'start'))
  await page.waitForTimeout(3500)
  await simulate('5 ×')
  await board()
  await page.waitForTimeout(9000)
  await take('first-start')
  await press('Off')
  await page.getByTestId('to-readings').click()
  await page.waitForTimeout(500)
  await page.goto(addressOf('Ottiline', 'start'))
  await page.waitForTimeout(3500)
  await simulate('20 ×', 'gallery plug left out')
  await board()
  await page.getByTestId('stop-causes').waitFor({ timeout: 30_000 })
  await take('stop')
  await page.goto(addressOf('Ottiline', 'bearings'))
  await page.locator('input[data-reading="main.3.bore"]').fill('65.9')
  await page.keyboard.press('Enter')
  await page.keyboard.press('F2')
  await page.getByTestId('void').waitFor()
  await page.waitForTimeout(3500)
  await take('void')
  await page.close()
}
