import { randomUUID } from 'node:crypto'
import type { Sheet } from '../core/record/schema'
import { outletChecks } from '../core/prime/primed'
import type { Run } from '../core/run/run'
import { buildId, expect, field, record, type Running, saved, test } from './server'
import { hear, heard, press, runsOf, simulate } from './running'

async function patched(server: Running, id: string, patch: object[]) {
  const { revision } = (await (await fetch(`${server.address}/api/builds/${id}`)).json()) as { revision: number }
  const response = await fetch(`${server.address}/api/builds/${id}/entries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      clientKey: randomUUID(),
      device: randomUUID(),
      base: revision,
      who: 'Maren',
      patch,
      reason: '',
    }),
  })
  expect(response.ok, await response.text()).toBe(true)
}
/** Oil seen at every outlet that a build’s prime asks for. */
const outletsSeen = async (server: Running, id: string) =>
  outletChecks((await (await fetch(`${server.address}/api/builds/${id}/file`)).json()) as Sheet).map((key) => ({
    op: 'add',
    path: `/checks/${key}`,
    value: { state: 'done' },
  }))

for (const [fault, filter, words, cause] of [
  ['dry-pump', 'filled', /Stop: no pressure/, /dry-pump/],
  ['pickup-air', 'dry', /Stop: (no pressure|too low|the gauge flickers)/, /pickup-air|dry-pump/],
  ['relief-open', 'off', /Stop: (no pressure|too low)/, /relief-open|plug-out/],
  // Cold oil past an open valve and out of an open plug leaves much the same: the one is named beside the other.
  ['plug-out', 'dry', /Stop: too low/, /plug-out|relief-open/],
] as const) {
  test(`a prime with a hidden fault, ${fault}: the early word, with the cause first among what fits`, async ({
    server,
    bench: page,
  }) => {
    await hear(page)
    const id = await buildId(server, 'Ottiline')
    await page.goto(`${server.address}/build/${id}/prime`)
    if (filter !== 'off') await press(page, `Filter ${filter === 'dry' ? 'fitted dry' : 'fitted full'}: take`)
    // What to expect is worked out before anybody begins.
    await expect(page.getByTestId('prime-model')).toContainText(/\d s|will not prime/)
    await press(page, 'Prime it')
    // A gauge that stands low is judged by seconds: at twenty times, a page that lags by one is twenty late.
    await simulate(page, fault, false, '42', fault === 'relief-open' || fault === 'plug-out' ? '5 ×' : '20 ×')
    // The filter is on when the rig hears of it: what it read meanwhile is not held against the filter.
    if (filter === 'off')
      await page.route('**/events', async (route) => {
        if (route.request().postData()?.includes('fit-filter')) await new Promise((done) => setTimeout(done, 9000))
        await route.continue()
      })
    await press(page, 'Begin the prime')
    await press(page, 'Drill on')
    if (filter === 'off') await press(page, 'The filter is on')
    await expect(page.getByTestId('prime-word')).toHaveText(words, { timeout: 60_000 })
    await expect(page.getByTestId('suspects').locator('li').first()).toHaveAttribute('data-suspect', cause)
    if (fault === 'plug-out' || fault === 'relief-open')
      await expect(page.getByTestId('suspects').locator(`[data-suspect="${fault}"]`)).toBeVisible()
    await expect.poll(async () => (await heard(page)).starts).toBe(1)
    // In time: within a minute of turning, by the run's own log.
    const late = async () => {
      const [{ id: run }] = await runsOf(server, id)
      const { events } = (await (await fetch(`${server.address}/api/runs/${run}`)).json()) as Run
      const stop = events.find(({ kind, words: said }) => kind === 'word' && said.startsWith('Stop'))
      // From when it could rise: turned, and its filter on.
      const turned = events.findLast(({ data }) => data.action === 'start' || data.action === 'fit-filter')
      return stop && stop.time - turned!.time
    }
    await expect.poll(late).toBeDefined()
    expect(await late()).toBeLessThan(60)
    await press(page, 'Drill off')
    await expect.poll(async () => (await heard(page)).stops).toBe(1)
    await press(page, 'End it')
    await expect(page.getByTestId('prime-word')).toHaveText('ended, not primed')
  })
}

test('how to prime: a stall says its cure, the filter’s three ways side by side, the clock on the Floor', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Rescue tractor 2')
  await page.goto(`${server.address}/build/${id}/prime`)
  // Nothing recorded of its packing: dry, and with a full filter before it the model stalls.
  await expect(page.getByText('taken as dry')).toBeVisible()
  await expect(page.locator('[data-filter="off"]')).toHaveAttribute('data-primed', 'true')
  await press(page, 'Filter fitted full: take')
  await expect(page.getByTestId('prime-model')).toContainText(
    'It will not prime like this: the pump draws, but on air it cannot open the way through the filter',
  )
  await page.locator('[data-cure="filter-off"]').getByRole('button').click()
  await expect(page.getByTestId('time-pad')).toContainText(' s')
  await press(page, 'Method: Tank')
  await expect(page.getByText('Pressure tank: never above its plate')).toBeVisible()
  await expect(field(page, 'prime.tankPressure')).toBeVisible()
  await record(page, { 'prime.tankVolume': '0.05' })
  await expect(page.getByTestId('prime-model')).toContainText('the tank is empty before every passage is full')
  await expect(page.getByTestId('prime-clock')).toContainText('One would be good for')
  await record(page, { 'prime.pressure': '3 bar' })
  await saved(page)
  // A pressure alone is no prime: oil is to be seen at every outlet.
  await expect(page.getByTestId('prime-clock')).toContainText('No last prime with oil seen at every outlet')
  await patched(server, id, await outletsSeen(server, id))
  await expect(page.getByTestId('prime-clock')).toContainText('Primed, good for')
  await saved(page)

  // Each lifter by itself: a fountain stops it, and all in order is what the last prime asks for.
  await page.goto(`${server.address}/build/${id}/prime?view=round`)
  await press(page, 'Lifter 3: not looked at yet')
  await press(page, 'Lifter 3: fountain')
  await expect(page.getByText('Lifters: fountain at 3.').first()).toBeVisible()
  await press(page, 'The rest show oil')
  await expect(page.locator('[data-row="prime.lifters"]')).toContainText('each looked at')
  await press(page, 'Lifter 3: oil, plunger up')
  await expect(page.getByText('Lifters: fountain at 3.')).toHaveCount(0)
  await saved(page)

  // Primed nine days ago and not started.
  const ferry = await buildId(server, 'Ottiline')
  const at = new Date(Date.now() - 9 * 86400e3).toISOString()
  await patched(server, ferry, [
    { op: 'add', path: '/readings/prime.pressure', value: { value: 4.2e5, source: 'measured', by: 'Maren', at } },
    ...(await outletsSeen(server, ferry)),
  ])
  await page.goto(server.address)
  await expect(page.locator('.engines li', { hasText: 'Ottiline' })).toContainText(
    'Primed 9 days ago and not started: prime again',
  )
})
