import { execFileSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { DEMO_BUILDS } from '../demo/make'
import { newSheet } from '../core/record/layouts'
import type { Sheet } from '../core/record/schema'
import { buildId, expect, field, record, saved, sharing as test, test as alone } from './server'
import { posted } from './supplied'
import { choose, slide } from './controls'

const pressure = (page: Page, state: string) => page.locator(`[data-state="${state}"]`).getByTestId('pressure')

/** What the drawing says of itself: imbalance of each node as a share of the pump's flow, and pairs of labels that lie over each other. */
function drawingFaults() {
  const sums = new Map<string, number>()
  let pump = 0
  for (const element of Array.from(document.querySelectorAll<SVGElement>('svg.circuit [data-element]'))) {
    const { from, to, flow, element: id } = element.dataset as Record<string, string>
    sums.set(from, (sums.get(from) ?? 0) - Number(flow))
    sums.set(to, (sums.get(to) ?? 0) + Number(flow))
    if (id === 'pump') pump = Number(flow)
  }
  // Oil comes from them and goes to them: the sump, and a dry sump's tank.
  sums.delete('sump')
  sums.delete('tank')
  const boxes = Array.from(document.querySelectorAll<SVGTextElement>('svg.circuit text.label')).map((text) => ({
    words: text.textContent,
    box: text.getBBox(),
  }))
  const over = boxes.flatMap((a, i) =>
    boxes
      .slice(i + 1)
      .filter(
        ({ box: b }) =>
          a.box.x < b.x + b.width - 0.5 &&
          b.x < a.box.x + a.box.width - 0.5 &&
          a.box.y < b.y + b.height - 2.5 &&
          b.y < a.box.y + a.box.height - 2.5,
      )
      .map((b) => `${a.words} over ${b.words}`),
  )
  return {
    nodes: sums.size,
    worst: Math.max(...[...sums.values()].map((sum) => Math.abs(sum) / pump)),
    labels: boxes.length,
    over,
  }
}

test('the circuit of any engine balances at every node, with no label over another', async ({
  server,
  bench: page,
}) => {
  const wet = (preset: string, change: Partial<Sheet['layout']> = {}) => {
    const sheet = newSheet(preset, `Circuit ${preset}`, 'Any')
    Object.assign(sheet.layout, change)
    return sheet
  }
  const sheets = [
    wet('single'),
    DEMO_BUILDS.ottiline(),
    wet('v12'),
    wet('v8', { drySump: true }),
    wet('v12', { cooler: true, turbo: true, pistonJets: 12, tensioner: true, galleryRelief: true }),
  ]
  for (const sheet of sheets) {
    const id = await posted(server, sheet)
    await page.goto(`${server.address}/build/${id}/outlook?view=circuit`)
    await expect(page.locator('svg.circuit text.gauge')).toBeVisible()
    for (const state of ['idle hot', 'idle cold']) {
      await page.getByRole('button', { name: `State: ${state}` }).click()
      await page.waitForTimeout(400)
      const { nodes, worst, labels, over } = await page.evaluate(drawingFaults)
      expect(nodes).toBeGreaterThan(8)
      expect(labels).toBeGreaterThan(10)
      expect(worst).toBeLessThan(1e-8)
      expect({ engine: sheet.name, state, over }).toEqual({ engine: sheet.name, state, over: [] })
    }
  }
})

test('Circuit: an element says what it passes and leads to its reading; speed and temperature under the finger', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/outlook?view=circuit`)
  await page.locator('[data-element="main 4 film"]').press('Enter')
  const about = page.getByTestId('element')
  await expect(about).toContainText('Main 4')
  await expect(about).toContainText(/0\.[12]\d L\/min/)
  await expect(about).toContainText('measured')
  const flow = Number(await page.locator('[data-element="main 4 film"]').getAttribute('data-flow'))
  await slide(page, 'Oil temperature', -30)
  await expect
    .poll(async () => Number(await page.locator('[data-element="main 4 film"]').getAttribute('data-flow')))
    .not.toBe(flow)
  // Seven mains are wider than the page: seen whole it is as wide as there is room, and back again.
  const overhang = () =>
    page
      .locator('svg.circuit')
      .evaluate((svg) => svg.getBoundingClientRect().width - svg.parentElement!.getBoundingClientRect().width)
  expect(await overhang()).toBeGreaterThan(100)
  await page.getByRole('button', { name: 'See it whole' }).click()
  await expect.poll(overhang).toBeLessThan(1)
  await page.getByRole('button', { name: 'Full size' }).click()
  await expect.poll(overhang).toBeGreaterThan(100)
  await about.getByRole('button', { name: 'Go there' }).click()
  await expect(field(page, 'main.4.bore')).toBeFocused()
})

alone(
  'a V8 with low hot idle: the spring cannot cure it, the finder does, one set-up is adopted and shelf, log and states agree',
  async ({ server, bench: page }) => {
    const sheet = DEMO_BUILDS.dunmarrow()
    sheet.name = 'Low V8'
    for (const key of Object.keys(sheet.readings)) if (/^(start|prime)\./.test(key)) delete sheet.readings[key]
    const id = await posted(server, sheet)
    await page.goto(`${server.address}/build/${id}/brief`)
    await record(page, { 'maker.idleHot': '3.6 bar' })
    await saved(page)
    await page.goto(`${server.address}/build/${id}/relief`)
    await expect(page.getByTestId('cannot-cure')).toContainText(
      'wanted 3.60 bar. A shim or a stiffer spring here cannot raise it',
    )

    await page.goto(`${server.address}/build/${id}/outlook?view=moves`)
    await expect(page.getByTestId('sentence')).toContainText(
      /The floor at hot idle is set by (mains|oil|the pump).*; the ceiling at working speed by the relief spring/,
    )
    await expect(page.locator('[data-move="relief.shims"]').getByRole('cell').nth(2)).toHaveText('0')
    await page.getByRole('tab', { name: 'Best parts on the shelf', exact: true }).click()
    // The first answers come without being asked.
    const best = page.locator('[data-setup="0"]')
    await expect(best).toContainText(/\d+ in 100 that all four states meet their targets/)
    await expect(page.getByRole('button', { name: 'Find set-ups' })).toBeVisible({ timeout: 60_000 })
    const words = (await best.textContent())!
    expect(Number(/(\d+) in 100/.exec(words)![1])).toBeGreaterThan(60)
    expect(words).toMatch(/oil|pump/i)
    const promised = Number(await best.locator('[data-at="idleHot"] .big').textContent())
    expect(promised).toBeGreaterThan(3.6)
    await best.getByRole('button', { name: 'Adopt' }).click()
    await expect(page.getByTestId('adopted')).toContainText('Adopted.')
    await saved(page)
    // The strip says it to a tenth.
    await expect
      .poll(async () => Math.abs(Number(await pressure(page, 'idleHot').textContent()) - promised))
      .toBeLessThan(0.06)
    const { holds } = (await (await fetch(`${server.address}/api/shelf`)).json()) as {
      holds: { build: string; reserved: number; taken: number }[]
    }
    const own = holds.filter(({ build }) => build === id)
    expect(own.length).toBeGreaterThan(0)
    for (const { reserved, taken } of own)
      expect({ reserved: reserved > 0, taken }).toEqual({ reserved: true, taken: 0 })
    const entries = (await (await fetch(`${server.address}/api/builds/${id}/entries`)).json()) as {
      reason: string
      patch: { path: string }[]
    }[]
    expect(entries.at(-1)!.reason).toMatch(/in 100 that all four states meet their targets/)
    expect(
      entries
        .at(-1)!
        .patch.map(({ path }) => path)
        .join(' '),
    ).toMatch(/\/oil\/figures|\/readings\/pump\.displacement/)

    // The file that leaves the shop says the same without a face.
    const file = join(mkdtempSync(join(tmpdir(), 'uldo-file-')), 'v8.json')
    writeFileSync(file, await (await fetch(`${server.address}/api/builds/${id}/file`)).text())
    const { states } = JSON.parse(
      execFileSync('npx', ['tsx', 'bin/uldo.ts', 'outlook', file], {
        encoding: 'utf8',
        stdio: ['ignore', 'pipe', 'ignore'],
      }),
    ) as { states: { name: string; pressure: number; verdict: string }[] }
    for (const { name, pressure: said, verdict } of states) {
      await expect(pressure(page, name)).toHaveText((said / 1e5).toFixed(1))
      await expect(page.locator(`[data-state="${name}"]`)).toContainText(verdict)
    }
  },
)

alone(
  'Try: set-ups side by side leave the record alone until one is adopted; In time: the gauge’s future; Map: where it falls short',
  async ({ server, bench: page }) => {
    const id = await buildId(server, 'Ottiline')
    await page.goto(`${server.address}/build/${id}/outlook?view=try`)
    const cell = (state: string, tried: number) =>
      page.locator('[data-tried]').nth(tried).locator(`[data-at="${state}"] .big`)
    await expect(cell('idleHot', 0)).toHaveText('2.85')
    await slide(page, 'A, Mains looser by', 12)
    await expect.poll(async () => Number(await cell('idleHot', 1).textContent())).toBeLessThan(2.75)
    await page.getByRole('button', { name: 'Another' }).click()
    await slide(page, 'B, Mains looser by', -12)
    await choose(page.getByRole('combobox', { name: 'B, pump' }), 'Ferry pump, long')
    await slide(page, 'B, Shims', 10, 'lower end')
    await expect.poll(async () => Number(await cell('idleHot', 2).textContent())).toBeGreaterThan(3.2)
    await expect(cell('idleHot', 0)).toHaveText('2.85')
    await expect(pressure(page, 'idleHot')).toHaveText('2.8')
    await page.getByLabel('Reason for adopting').fill('long runs at slow speed')
    await page.getByRole('button', { name: 'Adopt B' }).click()
    await expect(page.getByRole('status').filter({ hasText: 'Set-up B is written' })).toBeVisible()
    await saved(page)
    const { sheet } = (await (await fetch(`${server.address}/api/builds/${id}`)).json()) as { sheet: Sheet }
    expect(sheet.readings['relief.shims'].value).toBeCloseTo(0.0005, 9)
    expect(sheet.readings['pump.displacement']).toMatchObject({ value: 17.8e-6, note: 'Ferry pump, long' })
    const entries = (await (await fetch(`${server.address}/api/builds/${id}/entries`)).json()) as { reason: string }[]
    expect(entries.at(-1)!.reason).toBe('long runs at slow speed')

    await page.getByRole('tab', { name: 'Wear and service' }).click()
    const idle = async (key: string) =>
      parseFloat((await page.locator(`[data-scenario="${key}"]`).getByRole('cell').nth(2).textContent())!)
    await expect(page.locator('[data-scenario="all"]')).toBeVisible()
    expect(await idle('worn')).toBeLessThan(await idle('now'))
    expect(await idle('all')).toBeLessThan(await idle('worn'))
    await page.getByRole('tab', { name: 'Map and flows' }).click()
    await expect(page.getByTestId('contour')).toHaveAttribute('d', /M /)
    const named = page.locator('.apexcharts-point-annotation-label')
    await expect(named.filter({ hasText: /^relief$/ })).toBeVisible()
    // What is uncertain makes the doubtful region larger than the one that is short; a touched place is read with its band and its target.
    await expect(page.getByTestId('may-fall-short')).toHaveAttribute('d', /M /)
    const [, short, doubtful] = (await page
      .getByRole('img', { name: /^Pressure map/ })
      .getAttribute('aria-label'))!.match(/: (\d+) of .*, (\d+) may be/)!
    expect(Number(doubtful)).toBeGreaterThan(Number(short))
    await page.getByRole('img', { name: /^Pressure map/ }).hover()
    await expect(page.getByTestId('touched')).toHaveText(
      /rpm, oil at .* °C: [\d.]+ bar \([\d.]+ to [\d.]+\), wanted [\d.]+ bar or more/,
    )
    await expect(named.filter({ hasText: /^working hot$/ })).toBeVisible()
    await expect(page.getByText(/^idle hot \d+ W \(\d+ to \d+\); working hot \d+ W \(\d+ to \d+\)$/)).toBeVisible()
    // The scale says which shade is which pressure, in round steps.
    const steps = (await page.getByTestId('scale').locator('text').allTextContents()).map(Number)
    expect(steps.length).toBeGreaterThan(5)
    for (const [i, step] of steps.slice(1).entries()) expect(step).toBeGreaterThan(steps[i])
    await page.getByRole('tab', { name: 'Biggest effects' }).click()
    await page.getByRole('region', { name: 'Next measurement' }).getByRole('button').first().click()
    await expect(page.locator('main input[data-reading]:focus')).toHaveCount(1)
  },
)

test('a record that the gauge has spoken against says so before a change is tried on it', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Carousel set')
  await page.goto(`${server.address}/build/${id}/outlook?view=find`)
  const word = page.getByTestId('read-otherwise')
  await expect(word).toContainText(/idle hot 0\.80, not 2\.\d+ to 3\.\d+; working hot 2\.60/)
  await word.getByRole('link', { name: 'First start' }).click()
  await record(page, { 'start.idleHot.pressure': '3.2', 'start.workingHot.pressure': '4.0' })
  await saved(page)
  await page.goto(`${server.address}/build/${id}/outlook?view=find`)
  await expect(page.getByRole('button', { name: 'Find set-ups' })).toBeVisible()
  await expect(page.locator('[data-state="idleHot"]')).toContainText('3.2read')
  await expect(word).toHaveCount(0)
})

test('figures that could not be computed are said on their page, and asked for again by hand', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Ottiline')
  await page.route(/slow\.worker/, (route) => route.abort())
  await page.goto(`${server.address}/build/${id}/bearings?view=shells`)
  const note = page.getByRole('alert').filter({ hasText: 'Figures of this page could not be computed' })
  await expect(note).toBeVisible()
  await expect(page.getByTestId('advice')).toHaveText('The loads could not be computed.')
  // The strip is the other worker's, and stands.
  await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toHaveText(/\d\.\d/)
  await page.unroute(/slow\.worker/)
  await note.getByRole('button', { name: 'Ask again' }).click()
  await expect(page.getByTestId('advice')).toContainText('MPa on the shell')
  await expect(note).toHaveCount(0)
})
