import { DEMO_BUILDS } from '../demo/make'
import { quantitiesOf } from '../core/engine/catalogue'
import { newSheet } from '../core/record/layouts'
import type { Sheet } from '../core/record/schema'
import { tooSmall } from './measures'
import { expect, go, sharing as test } from './server'
import { posted } from './supplied'

const LONG = 'Harbour launch that lies longest on the slip in winter, port engine of the two of'
const SIZES = {
  phone: { width: 390, height: 844 },
  tablet: { width: 820, height: 1180 },
  desktop: { width: 1280, height: 800 },
}
/** The views that have a drawing of their own. */
const VIEWS = [
  'bearings',
  'bearings?view=journal&at=main.1',
  'pump',
  'relief',
  'pickup',
  'passages',
  'outlook?view=circuit',
  'prime',
  'prime?view=round',
]

/** A sheet whose pump, relief and pickup stand at one end of what is plausible, with names as long as they come. */
function atTheEnd(sheet: Sheet, end: 'least' | 'most'): Sheet {
  Object.assign(sheet, { name: LONG, engine: LONG, work: LONG })
  for (const { key, part, plausible } of quantitiesOf(sheet.layout))
    if (part && ['pump', 'relief', 'pickup'].includes(part))
      sheet.readings[key] = {
        value: plausible[end === 'least' ? 0 : 1],
        source: 'measured',
        by: LONG.slice(0, 60),
        instrument: LONG.slice(0, 80),
        at: '2026-05-02T08:00:00Z',
        confirmed: true,
      }
  return sheet
}

test('no words of a drawing lie over others or outside it, with names of 80 letters and figures at both ends, at three sizes', async ({
  server,
  bench: page,
}) => {
  test.setTimeout(300_000)
  const builds = {
    'a single at the least': atTheEnd(newSheet('single', LONG, LONG), 'least'),
    'a V12 at the most': atTheEnd(newSheet('v12', LONG, LONG), 'most'),
    'the six, named long': Object.assign(DEMO_BUILDS.ottiline!(), { name: LONG, engine: LONG, work: LONG }),
  }
  const found: string[] = []
  for (const [name, sheet] of Object.entries(builds)) {
    const id = await posted(server, sheet)
    for (const view of VIEWS) {
      await page.setViewportSize(SIZES.desktop)
      await go(page, `${server.address}/build/${id}/${view}`)
      await expect(page.locator('h1')).toBeVisible()
      await expect(page.locator('main svg').first()).toBeVisible()
      for (const [size, box] of Object.entries(SIZES)) {
        await page.setViewportSize(box)
        found.push(...(await tooSmall(page)).map((each) => `${name}, ${view}, ${size}: ${each}`))
      }
    }
  }
  expect(found).toEqual([])
})
