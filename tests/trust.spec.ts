import { buildId, expect, field, record, type Running, saved, sharing as test, test as alone } from './server'
import { json, put, write } from './keptBuild'

async function newBuild(server: Running, preset = 'inline4') {
  return (
    (await (
      await fetch(`${server.address}/api/builds`, {
        method: 'POST',
        headers: json,
        body: JSON.stringify({ preset, name: 'Nothing yet', engine: 'Blank 2.0' }),
      })
    ).json()) as { id: string }
  ).id
}
const states = (page: import('@playwright/test').Page) =>
  page.locator('[data-state]').evaluateAll((all) => all.map((each) => (each as HTMLElement).dataset.verdict))

test('a build with nothing measured passes nothing, and says which reading would change the word', async ({
  server,
  bench: page,
}) => {
  const id = await newBuild(server)
  await page.goto(`${server.address}/build/${id}/brief`)
  await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toBeVisible()
  expect(new Set(await states(page))).toEqual(new Set(['assumed']))
  await expect(page.locator('[data-state="idleHot"]')).toContainText('measure main 1 journal, 3 more')
  await expect(page.locator('[data-state="workingHot"]')).toContainText(', 4 more')
  await page.goto(server.address)
  await expect(page.getByRole('link', { name: /Nothing yet/ }).getByTestId('floor-says')).toContainText('assumed')
  await expect(page.getByRole('link', { name: /Nothing yet/ }).getByTestId('floor-says')).toContainText(
    /to go: Brief \d+, Bearings \d+/,
  )
})

test('once the gauge was read its word stands, on strip, Floor, Outlook and at the gate, on a phone too', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Ottiline')
  await write(server, id, [put('start.idleHot.pressure', 0.8e5)])
  await page.goto(`${server.address}/build/${id}/start`)
  const idle = page.locator('[data-state="idleHot"]')
  await expect(idle).toHaveAttribute('data-verdict', 'stop')
  await expect(idle.getByTestId('measured')).toContainText('0.8')
  await expect(idle).toContainText('read below the prediction')
  await expect(idle.getByTestId('pressure')).toContainText('2.8')
  // Nor is anything else of that record passed any more.
  expect(await states(page)).toEqual(['watch', 'watch', 'stop', 'watch'])
  await expect(page.locator('[data-state="workingHot"]').getByTestId('doubted')).toBeVisible()
  await expect(page.getByTestId('clear-to-start')).toContainText('Not yet')
  await expect(page.locator('[data-gate="start"]')).toContainText('idle hot under its target')
  await page.goto(`${server.address}/build/${id}/outlook`)
  await expect(page.getByRole('region', { name: 'Judgement' })).toContainText('Idle hot, 0.80 bar read.')
  await page.setViewportSize({ width: 390, height: 800 })
  await expect(idle.getByTestId('measured')).toBeVisible()
  await expect(idle.getByTestId('pressure')).toBeVisible()
  await page.setViewportSize({ width: 1280, height: 800 })
  await page.goto(server.address)
  await expect(page.locator(`a[href^="/build/${id}/"]`).getByTestId('floor-says')).toContainText(
    'Idle hot read 0.80 bar',
  )
})

test('what cannot be computed is void everywhere, by name, and is so no more once it is mended', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/bearings`)
  await record(page, { 'main.3.bore': '65.9' })
  await expect(page.getByRole('alert')).toContainText('check both')
  await page.keyboard.press('F2')
  await expect(page.getByTestId('void')).toContainText('main 3 bore')
  expect(new Set(await states(page))).toEqual(new Set(['void']))
  for (const station of ['prime', 'start']) {
    await page.goto(`${server.address}/build/${id}/${station}`)
    await expect(page.getByTestId('void')).toContainText('the bore is not larger than the journal')
    await expect(page.getByTestId(station === 'prime' ? 'clear-to-prime' : 'clear-to-start')).toContainText('Not yet')
  }
  // Nor does any figure, chart or drawing of the model stand as if it were one.
  for (const [place, found] of [
    ['outlook?view=map', '[data-testid="contour"]'],
    ['outlook?view=map', '.apexcharts-svg'],
    ['outlook?view=circuit', 'svg.circuit'],
    ['outlook?view=moves', '[data-move]'],
    ['outlook?view=try', '[data-at="idleHot"]'],
    ['passages?at=frontPlug', '[data-effect] .banded'],
  ] as const) {
    await page.goto(`${server.address}/build/${id}/${place}`)
    await expect(page.getByTestId('void')).toBeVisible()
    await expect(page.locator(found).first()).toBeVisible()
    const shown = await page
      .locator(found)
      .evaluateAll((all) => all.map((each) => getComputedStyle(each.closest('.predicted') ?? each).opacity))
    expect(new Set(shown), `${place} ${found}`).toEqual(new Set(['0.4']))
  }
  await page.goto(`${server.address}/build/${id}/pickup`)
  await page.getByRole('button', { name: /^Seal new.*fault/ }).click()
  await expect(page.getByTestId('strip-void')).toContainText('seal new, in place, not pinched: fault')
  await page.goto(`${server.address}/build/${id}/bearings`)
  await record(page, { 'main.3.bore': '66.036' })
  await expect(page.getByTestId('void')).not.toContainText('main 3 bore')
})

test('a model that does not load, or answers no more, passes nothing; it is asked again by itself', async ({
  server,
  bench: page,
}) => {
  await page.addInitScript(() => {
    const all: Worker[] = []
    Object.assign(window, { models: all })
    window.Worker = class extends Worker {
      constructor(url: string | URL, options?: WorkerOptions) {
        super(url, options)
        if (options?.name === 'model') all.push(this)
      }
    }
  })
  const newest = (what: 'end' | 'break') =>
    page.evaluate((what) => {
      const worker = (window as unknown as { models: Worker[] }).models.at(-1)!
      if (what === 'end') worker.terminate()
      else worker.dispatchEvent(new ErrorEvent('error'))
    }, what)
  const id = await buildId(server, 'Ottiline')
  // A model that is waited for keeps no reading from being recorded.
  let give = () => {}
  const asked = new Promise<void>((done) => (give = done))
  await page.route(/model\.worker/, async (route) => {
    await asked
    await route.abort().catch(() => undefined)
  })
  await page.goto(`${server.address}/build/${id}/brief`)
  await expect(field(page, 'size.reciprocatingMass')).toBeVisible({ timeout: 15_000 })
  expect(await states(page)).not.toContain('pass')
  await expect(page.getByTestId('strip-failed')).toHaveCount(0)
  give()
  await page.goto(`${server.address}/build/${id}/prime`)
  await expect(page.getByTestId('strip-failed')).toContainText('the model did not load')
  await expect(page.getByTestId('clear-to-prime')).toContainText('Not yet')
  await page.unroute(/model\.worker/)
  await expect(page.getByTestId('strip-failed')).toHaveCount(0)
  await expect(page.getByTestId('clear-to-prime')).toContainText('Clear to prime')
  await page.goto(`${server.address}/build/${id}/pump`)
  await expect.poll(() => states(page)).toContain('pass')
  await newest('end')
  await record(page, { 'pump.endClearance': '0.09' })
  await expect.poll(() => states(page)).toEqual(['unknown', 'unknown', 'unknown', 'unknown'])
  await expect(page.getByTestId('strip-late')).toContainText('of the record before')
  await newest('break')
  await expect(page.getByTestId('strip-failed')).toContainText('broke off')
  await expect.poll(() => states(page)).toContain('pass')
})

test('a doubtful value is kept by F2 alone: the next reading’s keys go over it, and its Enter keeps nothing; what is impossible is refused', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/pump`)
  await record(page, { 'pump.endClearance': '0.7' })
  await expect(page.getByRole('alert')).toContainText('Use 0.070 mm')
  await expect(field(page, 'pump.endClearance')).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('Use 0.070 mm')
  await page.keyboard.type('0.08')
  await page.keyboard.press('Enter')
  await expect(field(page, 'pump.endClearance')).toHaveValue('0.080')
  await record(page, { 'pump.tipClearance': '-0.07' })
  await expect(page.getByRole('alert')).toContainText('Tip clearance must be greater than zero')
  await expect(field(page, 'pump.tipClearance')).toHaveValue('-0.07')
  await page.keyboard.press('Escape')
  await record(page, { 'pump.tipClearance': '1.7' })
  await expect(page.getByRole('alert')).toContainText('Usual is')
  // What is typed and not settled is there again after a reload, with its question; a half-typed value is not written by itself.
  await page.reload()
  await expect(page.getByRole('alert')).toContainText('Usual is')
  await expect(field(page, 'pump.tipClearance')).toHaveValue('1.7')
  await field(page, 'pump.endClearance').fill('0.09')
  await page.reload()
  await expect(field(page, 'pump.endClearance')).toHaveValue('0.09')
  await expect(page.getByText('Typed and not written yet')).toBeVisible()
  expect(
    (await (await fetch(`${server.address}/api/builds/${id}`)).json()).sheet.readings['pump.endClearance'].value,
  ).toBeCloseTo(80e-6, 9)
  await field(page, 'pump.endClearance').focus()
  await page.keyboard.press('Escape')
  await field(page, 'pump.tipClearance').focus()
  await page.keyboard.press('F2')
  await expect(field(page, 'pump.tipClearance')).toHaveClass(/confirmed/)
})

test('undo says what it undid, and asks before it reaches a station that is not on the screen', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/pump`)
  await record(page, { 'pump.endClearance': '0.09' })
  await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Pickup' }).click()
  await expect(page.locator('h1')).toHaveText('Pickup')
  await page.locator('h1').click()
  await page.keyboard.press('z')
  await expect(page.getByTestId('step-news')).toContainText('End clearance was written at another station')
  await saved(page)
  expect(
    (
      (await (await fetch(`${server.address}/api/builds/${id}`)).json()).sheet.readings['pump.endClearance'] as {
        value: number
      }
    ).value,
  ).toBeCloseTo(90e-6, 9)
  await page.getByTestId('step-news').getByRole('link', { name: 'Go there' }).click()
  await page.locator('h1').click()
  await page.keyboard.press('z')
  await expect(page.getByTestId('step-news')).toContainText('Undone: End clearance')
  await expect(field(page, 'pump.endClearance')).toHaveValue('0.07')
})

test('a conflict outlives a reload and is found again from any page; a copied tab overwrites nothing in silence', async ({
  server,
  bench: page,
  context,
}) => {
  const [id, other] = [await buildId(server, 'Rescue tractor 2'), await buildId(server, 'Ottiline')]
  await page.goto(`${server.address}/build/${id}/bearings`)
  await expect(field(page, 'rod.3.journal')).toBeVisible()
  await page.route('**/entries', (route) => route.abort())
  await record(page, { 'rod.3.journal': '49.987' })
  await expect(page.getByTestId('saving')).toContainText('kept here')
  await write(server, id, [put('rod.3.journal', 0.04999)])
  // Another build is open when the answer comes.
  await page.goto(`${server.address}/build/${other}/pump`)
  await page.unroute('**/entries')
  await expect(page.locator('[data-apart="conflict"]')).toContainText('Rod 3 journal: Ilse wrote', { timeout: 20_000 })
  await expect(page.getByTestId('saving')).toHaveText('1 to settle')
  await page.reload()
  await expect(page.locator('[data-apart="conflict"]')).toContainText('Rod 3 journal')
  await page.goto(server.address)
  // Elsewhere neither value stands without its unit, and nothing is settled unseen.
  await expect(page.locator('[data-apart="conflict"]')).toContainText('Rod 3 journal: Ilse wrote there')
  await expect(page.locator('[data-apart="conflict"]')).not.toContainText(/0\.04999|49\.987/)
  await expect(page.locator('[data-apart="conflict"]').getByRole('button')).toHaveCount(0)
  await page.locator('[data-apart="conflict"]').getByRole('link').click()
  await expect(page.locator('[data-apart="conflict"]')).toContainText('49.990 mm at')
  await page.getByRole('button', { name: 'Write 49.987 mm' }).click()
  await saved(page)
  await page.goto(`${server.address}/build/${id}/bearings`)
  await expect(field(page, 'rod.3.journal')).toHaveValue('49.987')
  // A tab that was copied has an identity of its own: offline in both, the second is asked.
  const copy = await context.newPage()
  const own = await page.evaluate(() => Object.entries(sessionStorage))
  expect(own.length).toBeGreaterThan(0)
  // A copied tab begins with what the tab itself keeps.
  await copy.addInitScript((kept) => {
    for (const [key, value] of kept) sessionStorage.setItem(key, value)
  }, own)
  await copy.goto(page.url())
  await expect(field(copy, 'rod.4.journal')).toBeVisible()
  for (const each of [page, copy]) await each.route('**/entries', (route) => route.abort())
  await record(page, { 'rod.4.journal': '49.985' })
  await write(server, id, [put('rod.4.journal', 0.04998)])
  for (const each of [page, copy]) await each.unroute('**/entries')
  await expect(page.locator('[data-apart="conflict"]')).toContainText('Rod 4 journal', { timeout: 20_000 })
  await expect(copy.locator('[data-apart="conflict"]')).toContainText('Rod 4 journal')
  await page.getByRole('button', { name: /^Keep 49.980/ }).click()
  await expect(copy.locator('[data-apart="conflict"]')).toHaveCount(0)
})

test('a text that no record can hold is refused and holds up nothing behind it', async ({ server, bench: page }) => {
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/pump?view=close`)
  await page.getByLabel('Year or form').evaluate((input) => {
    ;(input as HTMLInputElement).value = 'late\0'
    input.dispatchEvent(new Event('change', { bubbles: true }))
  })
  await expect(page.locator('[data-apart="refused"]')).toContainText('holds a character that cannot be kept')
  await page.goto(`${server.address}/build/${id}/pump`)
  await record(page, { 'pump.endClearance': '0.09' })
  await expect
    .poll(
      async () =>
        (
          (await (await fetch(`${server.address}/api/builds/${id}`)).json()).sheet.readings['pump.endClearance'] as {
            value: number
          }
        ).value,
    )
    .toBeCloseTo(90e-6, 9)
  await page.getByRole('button', { name: 'Leave it out' }).click()
  await saved(page)
})

test('a browser that keeps nothing says so loudly, and goes on', async ({ server, bench: page }) => {
  await page.addInitScript(() => {
    Object.defineProperty(window, 'indexedDB', {
      value: {
        open: () => {
          throw new DOMException('denied', 'SecurityError')
        },
      },
    })
    Object.defineProperty(window, 'localStorage', {
      get: () => {
        throw new DOMException('denied', 'SecurityError')
      },
    })
  })
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/pump`)
  await expect(page.getByRole('alert').first()).toContainText('keeps nothing on its disk')
  await record(page, { 'pump.endClearance': '0.09' })
  await expect(page.getByTestId('saving')).toHaveText('sent, not kept here')
  await expect
    .poll(
      async () =>
        (
          (await (await fetch(`${server.address}/api/builds/${id}`)).json()).sheet.readings['pump.endClearance'] as {
            value: number
          }
        ).value,
    )
    .toBeCloseTo(90e-6, 9)
})

alone('pressed twice, a build is begun once', async ({ server, bench: page }) => {
  await page.goto(`${server.address}/?new`)
  await page.getByLabel('Name', { exact: true }).fill('Twice')
  await page.getByLabel('Engine', { exact: true }).fill('Blank 2.0')
  await page.getByRole('button', { name: 'Start build' }).dblclick()
  await expect(page).toHaveURL(/\/brief$/)
  const builds = (await (await fetch(`${server.address}/api/builds`)).json()) as { name: string }[]
  expect(builds.filter(({ name }) => name === 'Twice')).toHaveLength(1)
})
