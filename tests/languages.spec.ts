import { readdirSync, readFileSync } from 'node:fs'
import { buildId, expect, field, go, record, saved, sharing as test, test as alone } from './server'

const json = (path: string) => JSON.parse(readFileSync(path, 'utf8')) as Record<string, string>
/** Something of the second language's file that stands nowhere else. */
const GERMAN = 'Hausregeln'

/** Words of the application that a page shows though they do not stand in its catalogues: text outside of ⟦ and ⟧. */
const ENGLISH = () => {
  const outside = (text: string) => {
    let depth = 0
    return [...text].filter((letter) => {
      if (letter === '⟦') depth++
      const kept = depth === 0
      if (letter === '⟧') depth--
      return kept
    })
  }
  const found = new Set<string>()
  const note = (text: string | null) => {
    const left = outside((text ?? '').replaceAll('⟧', '⟧ ').replaceAll('⟦', ' ⟦'))
      .join('')
      .replace(/\s+/g, ' ')
      .trim()
    if (/[A-Za-z]{2,}/.test(left)) found.add(left)
  }
  const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    const parent = node.parentElement!
    if (parent.checkVisibility() && !parent.closest('script, style, kbd, code')) note(node.textContent)
  }
  for (const each of Array.from(document.querySelectorAll('[aria-label], [placeholder]')))
    for (const name of ['aria-label', 'placeholder']) note(each.getAttribute(name))
  return [...found]
}

test.describe('a browser that writes German', () => {
  test.use({ locale: 'de-DE' })

  test('numbers, decimals and dates follow the person, in English words too; what is typed with a comma is read', async ({
    server,
    bench: page,
  }) => {
    const id = await buildId(server, 'Rescue tractor 2')
    await page.goto(`${server.address}/build/${id}/bearings`)
    const hot = page.locator('[data-state="idleHot"]')
    await expect(hot.getByTestId('pressure')).toHaveText(/^\d,\d+$/)
    await expect(page.locator('h1')).toHaveText('Bearings')
    await record(page, { 'main.2.bore': '57,115' })
    await saved(page)
    await expect(field(page, 'main.2.bore')).toHaveValue('57,115')
    const { sheet } = (await (await fetch(`${server.address}/api/builds/${id}`)).json()) as {
      sheet: { readings: Record<string, { value: number }> }
    }
    expect(sheet.readings['main.2.bore']!.value).toBeCloseTo(0.057115, 9)
    // Thousands are parted by what no one reads as a decimal mark, and read back.
    await page.goto(`${server.address}/build/${id}/brief`)
    await record(page, { 'brief.maximumSpeed': '5 100' })
    await saved(page)
    await expect(field(page, 'brief.maximumSpeed')).toHaveValue('5\u202f100')
    await page.goto(`${server.address}/house?view=instruments`)
    await expect(page.getByText(/^\d+\. Mai 2026$/).first()).toBeVisible()
  })
})

test('a second language’s file: its words, its plurals, its numbers; what it lacks is English', async ({
  server,
  bench: page,
}) => {
  await page.addInitScript(() => localStorage.setItem('uldo.language', 'de'))
  await page.goto(`${server.address}/build/${await buildId(server, 'Ottiline')}/bearings`)
  await expect(page.getByRole('navigation', { name: 'Stations' }).getByText('Überdruckventil')).toBeVisible()
  await expect(page.locator('[data-state="idleHot"]')).toContainText('Leerlauf, heiß')
  await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toHaveText(/^\d,\d+$/)
  await expect(page.getByTestId('saving')).toHaveText('gespeichert')
  await expect(page.locator('html')).toHaveAttribute('lang', 'de')
  await expect(page.getByRole('tab', { name: 'Shells' })).toBeVisible()
})

alone('every word of every page comes from the catalogues', async ({ server, bench: page }) => {
  test.setTimeout(480_000)
  const marked: Record<string, string> = {}
  // What stands in a message is read for itself: only the message's own words are marked.
  const mark = (text: string) =>
    text
      .split(' | ')
      .map((form) => `⟦${form.replace(/\{\w+\}/g, '⟧$&⟦')}⟧`)
      .join(' | ')
  for (const file of readdirSync('i18n/locales/en'))
    for (const [key, text] of Object.entries(json(`i18n/locales/en/${file}`)))
      marked[`${file.replace('.json', '')}.${key}`] = mark(text)
  for (const word of Object.keys(json('i18n/core.json')))
    // A label stands in core's own sentence at its asterisk, and is read for itself too.
    marked[`core.${word}`] = mark(word.replace(/[{}@|]/g, (letter) => `{'${letter}'}`)).replaceAll('*', '⟧*⟦')
  await page.addInitScript(() => localStorage.setItem('uldo.language', 'de'))
  // The second language's file is served as the first one with each of its words marked.
  const built = '.output/public/_nuxt'
  const german = readdirSync(built).find(
    (name) => name.endsWith('.js') && readFileSync(`${built}/${name}`, 'utf8').includes(GERMAN),
  )!
  await page.route(`**/_nuxt/${german}`, (route) =>
    route.fulfill({ contentType: 'text/javascript', body: `export default ${JSON.stringify(marked)}` }),
  )
  const [id, generator] = [await buildId(server, 'Ottiline'), await buildId(server, 'Carousel set')]
  const seen = new Map<string, string>()
  for (const at of VIEWS) {
    const to = at.replace(/^build/, `/build/${id}`).replace(/^generator/, `/build/${generator}`)
    await go(page, `${server.address}${to}`)
    await expect(page.locator('main h1, h1').first()).toBeVisible()
    if (at.startsWith('build'))
      await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toBeVisible()
    await page.waitForTimeout(1000)
    for (const words of await page.evaluate(ENGLISH)) if (!isKnown(words)) seen.set(words, at)
  }
  expect(Object.fromEntries(seen)).toEqual({})
})

const VIEWS = [
  '/',
  '/shelf',
  ...['', '?view=instruments', '?view=people', '?view=devices', '?view=cautions'].map((view) => `/house${view}`),
  ...['', '?view=drill', '?view=results'].map((view) => `/practice${view}`),
  ...['', '?view=engines', '?view=fortnight', '?view=hours'].map((view) => `/plan${view}`),
  'build/brief',
  ...['', '?view=journal', '?view=turn', '?view=shells', '?view=strip'].map((view) => `build/bearings${view}`),
  ...['', '?view=salvage', '?view=ports', '?view=speed', '?view=compare', '?view=close'].map(
    (view) => `build/pump${view}`,
  ),
  ...['', '?view=routes', '?view=fit', '?view=bench', '?view=label'].map((view) => `build/relief${view}`),
  ...['', '?view=suction', '?view=oil', '?view=air'].map((view) => `build/pickup${view}`),
  'build/passages',
  ...['curves', 'map', 'circuit', 'moves', 'try', 'find', 'time'].map((view) => `build/outlook?view=${view}`),
  ...['', '?view=live', '?view=round'].map((view) => `build/prime${view}`),
  ...['', '?view=readings', '?view=breakin'].map((view) => `build/start${view}`),
  'build/trace',
  'generator/trace',
  'build/logbook',
  'build/logbook?view=milestones',
  'build/logbook?view=then',
  'build/logbook?view=sisters',
  'build/logbook?view=papers',
  'build/logbook?view=papers&paper=card',
  'build/logbook?view=papers&paper=start',
]

/** What a shop wrote itself: people, engines, instruments, parts and their marks, its own caution and strip scale. */
const WRITTEN = [
  'Maren|Ilse|Oda|Tobi|Ottiline|Hesper|Carousel set|Dunmarrow|Barge pump|Pell 3D|Rescue tractor|Talvik',
  'Lake ferry, out for its winter rebuild|Fairground generator|Irrigation barge, river end|Mountain-rescue snow tractor',
  'Micrometer|Bore gauge|Caliper|Feeler gauge|Depth gauge|Spring tester|Plastic gauge|Measuring can|to(?= [\\d])',
  'Ferry pump, (long|standard)|Spring [A-D], (blue|green|plain|short)|no shims|10W-40 can|Fine',

  'shells ordered',
  'idles hot well under what Uldo said, and the lamp glows',
  'Sump pans of the ferry weigh 14 kg: two hands, and a stand under it',
  // What drives its pump, an address, shells as the shelf labels them, and where backups lie.
  'main (upper|lower) (standard|[+−][\\d.]+)|tmp|uldo-test-\\w+|backups|slot|https?:\\S+',
]
/** Units, months, and this project's own name. */
const SYMBOLS =
  'Mo|Di|Mi|Do|Fr|Sa|So|mm|bar|mPa|rpm|min|cm|rev|MPa|kN|SVG|PNG|SHA|ISO|Uldo|Jan|Feb|März|Apr|Mai|Juni|Juli|Aug|Sept|Okt|Nov|Dez'
const plain = new RegExp(`\\b(${[...WRITTEN, SYMBOLS].join('|')})\\b`, 'g')
const isKnown = (words: string) => !/[A-Za-z]{2,}/.test(words.replace(plain, ''))
