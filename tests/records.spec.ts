import { choose } from './controls'
import { randomUUID } from 'node:crypto'
import { buildId, expect, field, kept, record, saved, startServer, test } from './server'

const put = (key: string, value: number) => ({
  op: 'add',
  path: `/readings/${key}`,
  value: { value, source: 'measured' },
})
const post = (address: string, id: string, patch: unknown[], base: number, more = {}) =>
  fetch(`${address}/api/builds/${id}/entries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ clientKey: randomUUID(), device: randomUUID(), base, who: 'Oda', patch, ...more }),
  })

test('two tabs see each other’s values, and are asked when they meet on one', async ({
  server,
  bench: page,
  context,
}) => {
  const id = await buildId(server, 'Rescue tractor 2')
  const other = await context.newPage()
  await page.goto(`${server.address}/build/${id}/bearings`)
  await other.goto(`${server.address}/build/${id}/bearings`)
  await choose(other.getByLabel('Who is recording'), 'Ilse')
  await record(page, { 'rod.3.journal': '49.987' })
  await expect(field(other, 'rod.3.journal')).toHaveValue('49.987', { timeout: 5000 })
  await record(other, { 'rod.4.journal': '49.985' })
  await expect(field(page, 'rod.4.journal')).toHaveValue('49.985', { timeout: 5000 })

  // The first tab loses the network; both then write to the same journal. The second has nothing on its way, so that it does not send for the first.
  await saved(other)
  await page.route('**/api/**', (route) => route.abort())
  await record(page, { 'rod.3.bore': '50.036', 'rod.4.bore': '50.034' })
  await expect(page.getByTestId('saving')).toContainText('kept here')
  await post(server.address, id, [put('rod.4.bore', 0.05004)], 2)
  await page.unroute('**/api/**')
  await expect(page.getByRole('alert')).toContainText('Oda wrote 50.040 mm', { timeout: 20_000 })
  await page.getByRole('button', { name: 'Write 50.034 mm' }).click()
  await saved(page)
  await expect(field(other, 'rod.4.bore')).toHaveValue('50.034')
  await expect(field(other, 'rod.3.bore')).toHaveValue('50.036')
})

test('values typed while the server is away survive a reload and arrive once', async ({ server, bench: page }) => {
  const id = await buildId(server, 'Barge pump')
  await page.goto(`${server.address}/build/${id}/pickup`)
  await expect(field(page, 'pickup.sumpDepth')).toBeVisible()
  await page.route('**/entries', (route) => route.abort())
  await record(page, { 'pickup.sumpDepth': '150', 'pickup.protrusion': '141' })
  await expect(page.getByTestId('saving')).toHaveText(/kept here|waiting/)
  await page.reload()
  await expect(field(page, 'pickup.protrusion')).toHaveValue('141.0')
  await page.unroute('**/entries')
  await saved(page)
  const entries = (await (await fetch(`${server.address}/api/builds/${id}/entries`)).json()) as {
    patch: { path: string }[]
    who: string
  }[]
  expect(entries.map((entry) => entry.patch[0].path)).toEqual([
    '/readings/pickup.sumpDepth',
    '/readings/pickup.protrusion',
  ])
  expect(entries[0].who).toBe('Maren')
})

test('stations open while the network is gone, and what is typed there is kept', async ({
  server,
  bench: page,
  context,
}) => {
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/brief`)
  await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toBeVisible()
  // The rest is fetched once the first screen stands.
  await kept(page)
  await context.setOffline(true)
  for (const [name, heading] of [
    ['Bearings', 'Bearings'],
    ['Relief', 'Relief'],
    ['Prime', 'Prime'],
    ['Passages', 'Passages'],
    ['Pickup', 'Pickup'],
    ['Pump', 'Pump'],
  ]) {
    await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name }).click()
    await expect(page.locator('h1')).toHaveText(heading)
  }
  // A view that was never opened before, too.
  await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Outlook' }).click()
  await page.getByRole('tab', { name: 'What if', exact: true }).click()
  await expect(page.locator('[data-tried]').first()).toBeVisible()
  await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'First start' }).click()
  await page.getByRole('tab', { name: 'Break-in', exact: true }).click()
  await expect(page.getByText('Gone over again, cold')).toBeVisible()
  await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Pump' }).click()
  await record(page, { 'pump.endClearance': '0.06' })
  await expect(page.getByTestId('saving')).toContainText('1 kept here')
  await context.setOffline(false)
  await saved(page)
})

test('undo takes back the last change and only that', async ({ server, bench: page }) => {
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/pump`)
  await record(page, { 'pump.endClearance': '0.09', 'pump.tipClearance': '0.11' })
  // Once the server has answered, in the order of its own records.
  await saved(page)
  await page.locator('h1').click()
  await page.keyboard.press('z')
  // A feeler gauge's reading has its two decimals and no more.
  await expect(field(page, 'pump.tipClearance')).toHaveValue('0.09')
  await expect(field(page, 'pump.endClearance')).toHaveValue('0.090')
})

test('four times SIGKILL in the middle of a burst of patches loses nothing that was acknowledged', async ({
  server,
}) => {
  const id = await buildId(server, 'Ottiline')
  const acknowledged = new Map<number, number>()
  const device = randomUUID()
  let sent = 0
  let now = server
  for (let kill = 1; kill <= 4; kill++) {
    const before = acknowledged.size
    const burst = Array.from({ length: 120 }, async (_, i) => {
      await new Promise((done) => setTimeout(done, i * 4))
      const value = 0.05 + ++sent * 1e-7
      const response = await post(
        now.address,
        id,
        [put(i % 2 ? `main.${1 + (i % 7)}.journal` : `rod.${1 + (i % 6)}.bore`, value)],
        0,
        { device },
      ).catch(() => undefined)
      if (response?.ok) acknowledged.set(((await response.json()) as { revision: number }).revision, value)
    })
    // In the middle, however fast or slow this machine is: six of each burst at least, and no more than these if it is slow.
    while (acknowledged.size < before + 6) await new Promise((done) => setTimeout(done, 5))
    await now.stop('SIGKILL')
    await Promise.all(burst)
    expect(acknowledged.size).toBeLessThan(before + 120)
    now = await startServer(server.folder)
  }
  const entries = (await (await fetch(`${now.address}/api/builds/${id}/entries`)).json()) as {
    revision: number
    patch: { value: { value: number } }[]
  }[]
  const kept = new Map(entries.map((entry) => [entry.revision, entry.patch[0].value.value]))
  for (const [revision, value] of acknowledged) expect(kept.get(revision)).toBe(value)
  const { revision } = (await (await fetch(`${now.address}/api/builds/${id}`)).json()) as { revision: number }
  expect(revision).toBe(entries.length)
  expect(await now.stop()).toBe(0)
})

test('a second server on the same folder is refused, and SIGTERM frees it', async ({ server }) => {
  const second = await startServerExpectingRefusal(server.folder)
  expect(second.code).toBe(3)
  expect(second.words).toContain('is in use by process')
  expect(await server.stop()).toBe(0)
  const third = await startServer(server.folder)
  expect(await third.stop()).toBe(0)
})

async function startServerExpectingRefusal(folder: string): Promise<{ code: number | null; words: string }> {
  const { spawn } = await import('node:child_process')
  const child = spawn(process.execPath, ['.output/server/index.mjs'], {
    env: { ...process.env, PORT: '0', ULDO_DATA: folder },
    stdio: ['ignore', 'ignore', 'pipe'],
  })
  let words = ''
  child.stderr.on('data', (chunk) => (words += chunk))
  return new Promise((done) => child.once('exit', (code) => done({ code, words })))
}

test('bad input is answered in one shape', async ({ server }) => {
  const id = await buildId(server, 'Ottiline')
  const answer = async (response: Response) => ({
    status: response.status,
    ...(
      (await response.json()) as {
        error: { code: string; message: string; problems: { path: string }[]; conflict?: { now: { value: number } } }
      }
    ).error,
  })
  const builds = `${server.address}/api/builds`
  const send = (body: string) =>
    fetch(builds, { method: 'POST', headers: { 'content-type': 'application/json' }, body }).then(answer)
  expect(await send('{"preset":"w16","name":"","engine":"x"}')).toMatchObject({
    status: 400,
    code: 'invalid',
    problems: [{ path: 'preset' }, { path: 'name' }],
  })
  expect(await send('{')).toMatchObject({ status: 400, code: 'not-json' })
  expect(await send(JSON.stringify({ name: 'x'.repeat(1_100_000) }))).toMatchObject({ status: 413, code: 'too-large' })
  expect(await fetch(`${builds}/${randomUUID()}`).then(answer)).toMatchObject({ status: 404, code: 'unknown-build' })
  expect(await fetch(`${builds}/nonsense/entries`).then(answer)).toMatchObject({ status: 404 })
  expect(await fetch(`${builds}/${id}/entries?after=x`).then(answer)).toMatchObject({
    status: 400,
    problems: [{ path: 'after' }],
  })
  expect(await fetch(`${server.address}/api/other`).then(answer)).toMatchObject({ status: 404, code: 'unknown' })
  expect(await post(server.address, id, [put('main.1.journal', 0.066)], 0)).toMatchObject({ ok: true })
  expect(await post(server.address, id, [put('main.1.journal', 0.067)], 0).then(answer)).toMatchObject({
    status: 409,
    code: 'conflict',
    problems: [{ path: '/readings/main.1.journal' }],
    conflict: { now: { value: 0.066 } },
  })
  expect(
    await post(server.address, id, [{ op: 'add', path: '/readings/main.1.journal', value: { value: 'x' } }], 1).then(
      answer,
    ),
  ).toMatchObject({ status: 400, problems: [{ path: 'readings/main.1.journal/value' }, {}] })
  expect(await post(server.address, id, [{ op: 'add', path: '/__proto__/x', value: 1 }], 1).then(answer)).toMatchObject(
    { status: 400 },
  )
})
