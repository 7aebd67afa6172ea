import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { buildId, expect, type Running, saved, startServer, test } from './server'

const DAY = 86_400_000
/** A moment so many days from now, by this machine's clock, as a field takes it. */
const wall = (days: number, time: string) => {
  const at = new Date(Date.now() + days * DAY)
  const two = (figure: number) => String(figure).padStart(2, '0')
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}T${time}`
}
const openPlan = async (page: Page, server: Running, view: string) => {
  await page.goto(`${server.address}/plan?view=${view}`)
  await expect(page.locator('.views')).toBeVisible()
}
const engineRow = (page: Page, name: string) => page.locator(`[data-engine="${name}"]`)
const names = (page: Page) =>
  page.locator('[data-engine]').evaluateAll((rows) => rows.map((row) => row.getAttribute('data-engine')))

async function addHours(page: Page, server: Running) {
  for (const name of ['Ilse']) {
    await openPlan(page, server, 'hours')
    await page.getByRole('button', { name: 'Add', exact: true }).click()
    const hours = page.getByLabel(`Hours of ${name}`)
    await hours.fill('from eight')
    await hours.press('Enter')
    await expect(page.getByRole('alert').filter({ hasText: 'from eight' })).toContainText('8-12, 13-17')
    await expect(hours).toHaveValue('from eight')
    await hours.fill('8-12, 13-16')
    await hours.press('Enter')
    await expect(hours).toHaveValue('08:00–12:00, 13:00–16:00')
    await expect(page.getByRole('alert').filter({ hasText: 'from eight' })).toHaveCount(0)
    await saved(page)
  }
}

test('the plan of the shop: hours, promises that will be late said on the Floor, engines dragged and moved, a calendar file', async ({
  server,
  bench: page,
}) => {
  await addHours(page, server)
  await openPlan(page, server, 'engines')
  const ottiline = engineRow(page, 'Ottiline')
  await expect(ottiline.getByTestId('done')).toContainText('done')
  await expect(ottiline).toContainText('at the latest')
  await expect(ottiline).toContainText('Prime 62 min, assumed')
  // Nobody can have it done before anybody has come.
  await ottiline.getByLabel('Ottiline promised').fill(wall(0, '00:00'))
  await ottiline.getByLabel('Ottiline promised').press('Enter')
  await expect(ottiline).toContainText('late by')
  await expect(page.getByTestId('late')).toContainText('Ottiline will be late')
  await saved(page)
  await page.goto(server.address)
  await expect(page.getByTestId('late')).toContainText('Ottiline will be late')
  await page.getByTestId('late').getByRole('link', { name: 'To the plan' }).click()
  await expect(page.getByRole('heading', { name: 'Plan', level: 1 })).toBeVisible()
  await openPlan(page, server, 'engines')
  await ottiline.getByLabel('Ottiline promised').fill(wall(13, '23:00'))
  await ottiline.getByLabel('Ottiline promised').press('Enter')
  await expect(ottiline).toContainText('in time')

  // By hand: the last to the first place, then by its arrow back by one.
  const before = await names(page)
  const [first, second] = [before[0]!, before.at(-1)!]
  await engineRow(page, second)
    .getByLabel(`Drag ${second}`)
    .dragTo(engineRow(page, first).getByLabel(`Drag ${first}`))
  await expect.poll(() => names(page)).toEqual([second, ...before.slice(0, -1)])
  await expect(page.getByText('The order was put by hand.')).toBeVisible()
  await page.getByRole('button', { name: `Move ${second} down` }).click()
  await expect.poll(async () => (await names(page))[1]).toBe(second)
  await saved(page)
  await page.reload()
  await expect.poll(async () => (await names(page))[1]).toBe(second)
  await page.getByRole('button', { name: 'Let the plan order them' }).click()
  await expect(page.getByText('The order is the plan’s own')).toBeVisible()

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Calendar file' }).click(),
  ])
  const calendar = readFileSync(await download.path(), 'utf8')
  expect(calendar).toContain('SUMMARY:Ottiline: Prime\\, ')
  expect(calendar).toContain(`DTSTART:${wall(13, '23:00').replace(/[-:]/g, '')}00`)
})

test('waits: until a day, and by the server’s clock, which calls on every screen; without the server the plan stands', async ({
  bench: page,
  context,
}) => {
  const server = await startServer()
  await openPlan(page, server, 'engines')
  const ottiline = engineRow(page, 'Ottiline')
  const done = ottiline.getByTestId('done')
  await expect(done).toContainText('done')
  const before = await done.textContent()
  await page.getByRole('button', { name: 'Ottiline waits for' }).click()
  await page.getByTestId('wait-form').getByRole('button', { name: 'Wait', exact: true }).click()
  await expect(page.getByTestId('wait-form')).toContainText('Say what it waits for.')
  await expect(page.getByTestId('wait-form')).toContainText('Choose a day and a time.')
  await page.getByLabel('What for').fill('shells from afar')
  await page.getByTestId('wait-form').getByLabel('Until').fill(wall(8, '10:00'))
  // Half typed it outlives a reload.
  await page.reload()
  await expect(page.getByLabel('What for')).toHaveValue('shells from afar')
  await expect(page.getByTestId('wait-form').getByLabel('Until')).toHaveValue(wall(8, '10:00'))
  await page.getByTestId('wait-form').getByRole('button', { name: 'Wait', exact: true }).click()
  await expect(ottiline).toContainText('shells from afar: until')
  await expect(done).not.toHaveText(before!)
  // They come later than was said.
  const first = await done.textContent()
  await ottiline.getByRole('button', { name: 'Change it: the wait for shells from afar' }).click()
  await expect(page.getByLabel('What for')).toHaveValue('shells from afar')
  await expect(page.getByTestId('wait-form').getByLabel('Until')).toHaveValue(wall(8, '10:00'))
  await page.getByTestId('wait-form').getByLabel('Until').fill(wall(10, '10:00'))
  await page.getByTestId('wait-form').getByRole('button', { name: 'Change it', exact: true }).click()
  await expect(page.getByTestId('wait-form')).toHaveCount(0)
  await expect(done).not.toHaveText(first!)
  await expect(ottiline.getByText('shells from afar')).toHaveCount(1)
  await ottiline.getByRole('button', { name: 'End it: the wait for shells from afar' }).click()
  await expect(done).toHaveText(before!)

  // From now on for a time: counted down, and called on the engine's own page and on the Floor.
  await page.getByRole('button', { name: 'Ottiline waits for' }).click()
  await page.getByRole('button', { name: 'How long: from now on for' }).click()
  await page.getByLabel('What for').fill('sealer cures')
  await page.getByLabel('For, h').fill('0:02')
  await page.getByTestId('wait-form').getByRole('button', { name: 'Wait', exact: true }).click()
  await expect(ottiline.getByTestId('wait-left')).toHaveText(/^0:0[12]:\d\d$/)
  await saved(page)
  const build = await buildId(server, 'Ottiline')
  const tablet = await context.newPage()
  await tablet.addInitScript(() => localStorage.setItem('uldo.who', 'Ilse'))
  await tablet.goto(`${server.address}/build/${build}/pump`)
  const soon = await fetch(`${server.address}/api/house/changes`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      clientKey: randomUUID(),
      device: randomUUID(),
      base: ((await (await fetch(`${server.address}/api/house`)).json()) as { revision: number }).revision,
      who: 'Oda',
      // What a tablet whose clock is years behind says of when it was begun counts for nothing.
      patch: [
        {
          op: 'add',
          path: `/plan/engines/${build}/waits/${randomUUID()}`,
          value: { what: 'oil warms', before: 'prime', takes: 15_000, begun: '2001-01-01T00:00:00Z' },
        },
      ],
    }),
  })
  expect(soon.status).toBe(200)
  const calls = [page, tablet].map((each) => each.getByTestId('wait-calls'))
  await expect(calls[0]!).toHaveCount(0)
  for (const call of calls) await expect(call).toContainText('oil warms: its time is over. Ottiline goes on at Prime.')
  await expect(calls[0]!).not.toContainText('sealer')
  // Seen on one, it is called on none.
  await calls[1]!.getByRole('button', { name: 'Seen' }).click()
  for (const call of calls) await expect(call).toHaveCount(0)

  await server.stop('SIGKILL')
  await page.getByRole('tab', { name: 'By day' }).click()
  await page.getByRole('tab', { name: 'Engines in order' }).click()
  await expect(done).toContainText('done')
})
