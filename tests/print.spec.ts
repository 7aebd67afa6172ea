import { pagesOf } from './pdf'
import { buildId, expect, sharing as test } from './server'

test('every page prints with engine, station, date, who and page of how many, in light colours, with its bars and drawings whole', async ({
  server,
  bench: page,
}) => {
  test.setTimeout(180_000)
  const of = `${server.address}/build/${await buildId(server, 'Rescue tractor 2')}`
  await page.addInitScript(() => localStorage.setItem('uldo.scheme', 'dark'))
  const today = new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' })
  for (const [station, title] of [
    ['brief', 'Brief'],
    ['bearings', 'Bearings'],
    ['relief', 'Relief'],
    ['outlook?view=circuit', 'Outlook'],
    ['prime', 'Prime'],
  ]) {
    await page.goto(`${of}/${station}`)
    await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toBeVisible()
    await expect(page.locator('h1')).toHaveText(title)
    await expect(page).toHaveTitle(/Rescue tractor 2 · Uldo$/)
    await page.emulateMedia({ media: 'print' })
    // As wide as A4 between its margins.
    await page.setViewportSize({ width: 688, height: 1000 })
    const seen = await page.evaluate(() => ({
      ink: getComputedStyle(document.body).color,
      // Paper has the ground of the root's scheme.
      ground: getComputedStyle(document.documentElement).colorScheme,
      bar: getComputedStyle(document.querySelector('.strip .scale')!).display,
      bars: document.querySelectorAll('.strip .scale').length,
      shown: Array.from(document.querySelectorAll<HTMLElement>('.sheet .p-button, .top, .rail, .reading-bar')).filter(
        (element) => element.checkVisibility(),
      ).length,
    }))
    expect({ station, ...seen }).toEqual({
      station,
      ink: 'rgb(32, 38, 43)',
      ground: 'light',
      bar: 'block',
      bars: 4,
      shown: 0,
    })
    // What is drawn does not reach over the paper's edge.
    const over = await page.evaluate(
      () =>
        Array.from(document.querySelectorAll('main svg')).filter(
          (svg) =>
            svg.checkVisibility() && svg.getBoundingClientRect().right > document.documentElement.clientWidth + 1,
        ).length,
    )
    const pages = await pagesOf(await page.pdf({ format: 'A4' }))
    await page.emulateMedia({ media: 'screen' })
    await page.setViewportSize({ width: 1280, height: 800 })
    expect({ station, over }).toEqual({ station, over: 0 })
    pages.forEach((text, i) => {
      const words = text.replace(/\s+/g, ' ')
      expect(words).toContain(`Rescue tractor 2 · ${title}`)
      expect(words).toContain(today)
      expect(words).toContain('Printed by Maren, Uldo')
      expect(words).toContain(`page ${i + 1} of ${pages.length}`)
    })
    expect(pages.join(' ')).toContain('Cranking cold')
    expect(pages[0]).toContain(` ${title} `)
  }
})

test('a long story is printed whole, and not only what is in sight', async ({ server, bench: page }) => {
  await page.goto(`${server.address}/build/${await buildId(server, 'Ottiline')}/logbook`)
  const count = page.getByTestId('story-count')
  await expect(count).toHaveText(/lines of/)
  const all = Number((await count.textContent())!.match(/^\d+/)![0])
  // In sight are only some of them.
  expect(all).toBeGreaterThan(60)
  await expect.poll(() => page.locator('tr[data-line]').count()).toBeLessThan(all)
  // As the browser says before it lays out the paper.
  await page.evaluate(() => dispatchEvent(new Event('beforeprint')))
  await expect(page.locator('tr[data-line]')).toHaveCount(all)
  const words = (await pagesOf(await page.pdf({ format: 'A4' }))).join(' ')
  expect(words.match(/\d+ May 2026, \d\d:\d\d/g)!.length).toBeGreaterThanOrEqual(all - 5)
})

test('what a button says that is more than a button is on paper too: the causes of a trace, and what each outcome would mean', async ({
  server,
  bench: page,
}) => {
  await page.goto(`${server.address}/build/${await buildId(server, 'Carousel set')}/trace`)
  const first = page.getByTestId('trace-causes').locator('li').first()
  await expect(first).toBeVisible()
  const [cause] = (await first.locator('.name').textContent())!.split(',')
  const outcome = await page.locator('[data-check] .outcome .p-button').first().textContent()
  await page.emulateMedia({ media: 'print' })
  const words = (await pagesOf(await page.pdf({ format: 'A4' }))).join(' ').replace(/\s+/g, ' ').toLowerCase()
  expect(words).toContain(cause!.trim().toLowerCase())
  expect(words).toContain(outcome!.trim().toLowerCase())
  expect(words).not.toContain('leave it')
})
