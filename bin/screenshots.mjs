/** Makes docs/screenshots/ anew from the demo data. */
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { withDemo } from './lib/demo-browser.mjs'
import { root } from './lib/prepare.mjs'

const VIEWS = [
  ['floor', '', ''], ['brief', 'Ottiline', 'brief'], ['bearings', 'Rescue tractor 2', 'bearings'], ['journal', 'Rescue tractor 2', 'bearings?view=journal&at=main.2'], ['film-dark', 'Ottiline', 'bearings?view=journal&at=main.4', undefined, 'dark', 760],
  ['shells', 'Rescue tractor 2', 'bearings?view=shells'], ['pump', 'Ottiline', 'pump'], ['relief', 'Ottiline', 'relief'],
  ['pickup', 'Ottiline', 'pickup'], ['outlook', 'Carousel set', 'outlook'], ['prime', 'Ottiline', 'prime'], ['first-start', 'Carousel set', 'start'],
  ['bearings-tablet', 'Ottiline', 'bearings', { width: 1024, height: 768 }], ['relief-dark', 'Barge pump', 'relief', undefined, 'dark'],
]
mkdirSync(join(root, 'docs/screenshots'), { recursive: true })
await withDemo(4489, async (browser, addressOf) => {
  for (const [name, build, station, viewport = { width: 1280, height: 800 }, scheme = 'light', scrolled = 0] of VIEWS) {
    const page = await browser.newPage({ viewport, locale: 'en-GB' })
    await page.addInitScript((now) => {
      localStorage.setItem('uldo.who', 'Maren')
      localStorage.setItem('uldo.scheme', now)
    }, scheme)
    await page.goto(addressOf(build, station))
    await page.waitForSelector(station === 'outlook' ? '.apexcharts-series path' : build ? '[data-state="idleHot"]' : '.engines li')
    // Bands settle half a second after the last value.
    await page.waitForTimeout(3500)
    if (scrolled) await page.locator('main').evaluate((main, top) => main.scrollTo(0, top), scrolled)
    await page.waitForTimeout(200)
    await page.screenshot({ path: join(root, `docs/screenshots/${name}.png`) })
    await page.close()
    console.log(`docs/screenshots/${name}.png`)
  }
})
