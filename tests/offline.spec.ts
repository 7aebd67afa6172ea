import { createServer, request } from 'node:http'
import type { AddressInfo } from 'node:net'
import type { Page } from '@playwright/test'
import { buildId, expect, field, kept, ontoTheBoard, record, type Running, saved, test } from './server'
import { press, runsOf, samplesOf } from './running'

test.use({ serviceWorkers: 'allow' })

/** A door before the server: it can be shut, and the next version of the page can stand behind it. */
async function doorTo(server: Running) {
  const state = { shut: false, next: false }
  const door = createServer((asked, answer) => {
    if (state.shut) return void asked.socket.destroy()
    const headers: Record<string, string | string[] | undefined> = {
      ...asked.headers,
      host: `127.0.0.1:${server.port}`,
    }
    if (headers.origin) headers.origin = server.address
    const worker = state.next && asked.url === '/sw.js'
    if (worker) for (const name of ['accept-encoding', 'if-none-match', 'if-modified-since']) delete headers[name]
    const passed = request(
      { host: '127.0.0.1', port: server.port, path: asked.url, method: asked.method, headers },
      (came) => {
        const told = { ...came.headers }
        if (state.next && asked.url?.startsWith('/api/')) told['x-uldo-build'] = 'the next'
        if (worker) for (const name of ['content-length', 'etag']) delete told[name]
        answer.writeHead(came.statusCode!, told)
        came.pipe(answer, { end: !worker })
        if (worker) came.on('end', () => answer.end('\n// the next version'))
        came.on('error', () => answer.destroy())
      },
    )
    passed.on('error', () => answer.destroy())
    answer.on('close', () => passed.destroy())
    asked.pipe(passed)
  })
  await new Promise<void>((done) => door.listen(0, '127.0.0.1', done))
  return {
    address: `http://127.0.0.1:${(door.address() as AddressInfo).port}`,
    shut: () => {
      state.shut = true
      door.closeAllConnections()
    },
    open: () => (state.shut = false),
    next: (there: boolean) => (state.next = there),
    close: () => (door.closeAllConnections(), door.close()),
  }
}

/** How many changes whose address ends so stand on the browser's own disk, until the server has them. */
const onDisk = (page: Page, ending: string) =>
  page.evaluate(async (wanted) => {
    const done = <T>(asked: IDBRequest<T>) =>
      new Promise<T>(
        (have, fail) => ((asked.onsuccess = () => have(asked.result)), (asked.onerror = () => fail(asked.error))),
      )
    const database = await done(indexedDB.open('uldo'))
    const all = await done(database.transaction('queue').objectStore('queue').getAll())
    database.close()
    return (all as { url: string }[]).filter(({ url }) => url.endsWith(wanted)).length
  }, ending)

const STATIONS = ['brief', 'bearings', 'pump', 'relief', 'pickup', 'passages', 'outlook', 'prime', 'start']

test('reloaded without the server every station opens with its model and charts, what is typed there is kept, and arrives', async ({
  server,
  bench: page,
}) => {
  test.setTimeout(240_000)
  const door = await doorTo(server)
  const of = `${door.address}/build/${await buildId(server, 'Rescue tractor 2')}`
  await page.goto(door.address)
  await page.getByRole('link', { name: 'Rescue tractor 2' }).click()
  await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toBeVisible()
  // It keeps itself, unasked, a while after the first screen.
  await page.evaluate(async () => void (await navigator.serviceWorker.ready))
  const manifest = (await (await fetch(`${server.address}/manifest.webmanifest`)).json()) as {
    name: string
    start_url: string
    display: string
    icons: { src: string; sizes: string }[]
  }
  expect(manifest).toMatchObject({ name: 'Uldo', start_url: '/', display: 'standalone' })
  for (const { src } of manifest.icons) expect((await fetch(server.address + src)).status).toBe(200)
  expect(manifest.icons.map(({ sizes }) => sizes)).toEqual(expect.arrayContaining(['192x192', '512x512']))

  // What was written and saved after the page was opened is seen again too.
  await page.goto(`${of}/bearings`)
  await record(page, { 'main.3.bore': '57.043' })
  await saved(page)
  await kept(page)
  door.shut()
  await page.reload()
  await expect(field(page, 'main.3.bore')).toHaveValue('57.043')
  for (const station of STATIONS) {
    await page.goto(`${of}/${station}`)
    await expect(page.locator('h1')).toBeVisible()
    await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toBeVisible()
    await expect(page.getByTestId('saving')).toHaveText(/^offline/)
    // What stands below the first screen is drawn once it is about to be seen.
    if (station === 'brief') await page.locator('.charted').scrollIntoViewIfNeeded()
    if (station === 'brief' || station === 'outlook') await expect(page.locator('.apexcharts-svg')).toBeVisible()
  }
  await page.goto(`${of}/outlook?view=find`)
  await expect(page.locator('[data-setup="0"]')).toBeVisible()
  await page.goto(`${of}/bearings`)
  const hot = page.locator('[data-state="idleHot"]').getByTestId('pressure')
  const before = await hot.textContent()
  await record(page, { 'main.1.bore': '57.120' })
  await expect(hot).not.toHaveText(before!)
  await expect(page.getByTestId('saving')).toHaveText('offline, 1 kept here')
  await page.reload()
  await expect(field(page, 'main.1.bore')).toHaveValue('57.120')
  await expect(page.getByTestId('saving')).toHaveText('offline, 1 kept here')
  await page.goto(`${door.address}/`)
  await expect(page.getByRole('alert')).toContainText('as they were last seen here')
  await expect(page.getByText('Rescue tractor 2')).toBeVisible()
  await expect(page.getByTestId('saving')).toHaveText('offline, 1 kept here')
  await page.goto(`${door.address}/shelf`)
  await expect(page.getByText('Server offline: the shelf')).toBeVisible()
  await expect(page.getByTestId('saving')).toHaveText('offline, 1 kept here')
  await page.goto(`${door.address}/nowhere/at/all`)
  await expect(page.locator('h1')).toHaveText('No such page')

  await page.goto(`${of}/bearings`)
  await expect(field(page, 'main.1.bore')).toHaveValue('57.120')
  door.open()
  await saved(page)
  const sheet = (await (await fetch(`${server.address}/api/builds/${of.split('/').pop()}`)).json()) as {
    sheet: { readings: Record<string, { value: number }> }
  }
  expect(sheet.sheet.readings['main.1.bore'].value).toBeCloseTo(57.12e-3, 9)
  door.close()
})

test('the Logbook opens without the server as it was last seen, and says so', async ({ server, bench: page }) => {
  const door = await doorTo(server)
  const id = await buildId(server, 'Barge pump')
  await page.goto(`${door.address}/build/${id}/logbook`)
  const lines = page.locator('tr[data-line]')
  await expect(lines.first()).toBeVisible()
  const first = await lines.first().textContent()
  await page.evaluate(async () => void (await navigator.serviceWorker.ready))
  await kept(page)
  door.shut()
  await page.reload()
  await expect(page.getByText('Server offline: the story as it was last seen.')).toBeVisible()
  await expect(lines.first()).toHaveText(first!)
})

test('a start under way goes on after a reload without the server, whether it was begun with it or without', async ({
  server,
  bench: page,
}) => {
  const door = await doorTo(server)
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${door.address}/build/${id}/start`)
  await page.evaluate(async () => void (await navigator.serviceWorker.ready))
  await kept(page)
  const fire = async () => {
    await ontoTheBoard(page)
    await press(page, 'Crank')
    await press(page, 'Fired')
    await page.getByTestId('typed-reading').fill('3.10')
    await press(page, 'Write down')
    await expect(page.getByTestId('board-pressure')).toContainText('3.10')
  }
  await fire()
  const [run] = await runsOf(server, id)
  await expect.poll(async () => (await samplesOf(server, run.id)).length).toBe(1)
  door.shut()
  await page.reload()
  // It takes the screen again, with what was read, and the clock runs on.
  await expect(page.getByTestId('board-pressure')).toContainText('3.10')
  await expect(page.getByText('Server not reached: what is tapped in is kept here')).toBeVisible()
  await page.getByTestId('typed-reading').fill('2.90')
  await press(page, 'Write down')
  await expect.poll(() => onDisk(page, '/samples')).toBe(1)
  await page.reload()
  await expect(page.getByTestId('board-pressure')).toContainText('2.90')
  door.open()
  const pressures = async (of: string) => (await samplesOf(server, of)).map(({ pressure }) => pressure! / 1e5)
  await expect.poll(() => pressures(run.id)).toEqual([expect.closeTo(3.1, 4), expect.closeTo(2.9, 4)])
  const [first, second] = await samplesOf(server, run.id)
  expect(second.time).toBeGreaterThan(first.time + 1)
  await press(page, 'Off')
  await press(page, 'To the readings')

  // Begun without the server there is nothing of it but what waits here.
  door.shut()
  await press(page, 'Preflight')
  await fire()
  await expect.poll(() => onDisk(page, '/samples')).toBe(1)
  await page.reload()
  await expect(page.getByTestId('board-pressure')).toContainText('3.10')
  const taps = await onDisk(page, '/events')
  await press(page, 'Off')
  await expect(page.getByRole('button', { name: 'To the readings' })).toBeVisible()
  await expect.poll(() => onDisk(page, '/events')).toBeGreaterThan(taps)
  await page.reload()
  await expect(page.locator('h1')).toBeVisible()
  await expect(page.getByTestId('board-word')).toHaveCount(0)
  door.open()
  await expect.poll(async () => (await runsOf(server, id)).length).toBe(2)
  const begun = (await runsOf(server, id)).find((each) => each.id !== run.id)!
  await expect.poll(() => pressures(begun.id)).toEqual([expect.closeTo(3.1, 4)])
  door.close()
})

test('a server that falls silent while every connection stands is not said to watch, nor to have saved', async ({
  server,
  bench: page,
  context,
}) => {
  const id = await buildId(server, 'Ottiline')
  const [station, floor] = [await context.newPage(), await context.newPage()]
  await station.goto(`${server.address}/build/${id}/relief`)
  await floor.goto(server.address)
  await page.goto(`${server.address}/build/${id}/start`)
  await ontoTheBoard(page)
  await kept(page)
  for (const each of [station, floor]) await expect(each.getByTestId('saving')).toHaveText('saved')
  const away = page.getByTestId('run-online')
  await expect(away).toHaveCount(0)
  server.child.kill('SIGSTOP')
  try {
    await expect(away).toContainText('Only this screen watches', { timeout: 10_000 })
    for (const each of [station, floor])
      await expect(each.getByTestId('saving')).toHaveText('offline', { timeout: 20_000 })
  } finally {
    server.child.kill('SIGCONT')
  }
  for (const each of [station, floor]) await expect(each.getByTestId('saving')).toHaveText('saved')
  await expect(away).toHaveCount(0)
})

test('a newer version is announced, and taken over by a hand alone, without what was written being lost', async ({
  server,
  bench: page,
}) => {
  test.setTimeout(300_000)
  const door = await doorTo(server)
  const of = `${door.address}/build/${await buildId(server, 'Rescue tractor 2')}`
  await page.goto(`${of}/bearings`)
  await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toBeVisible()
  await page.evaluate(async () => void (await navigator.serviceWorker.ready))
  await page.reload()
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller?.state)).toBe('activated')
  await expect(page.getByTestId('newer')).toHaveCount(0)

  door.next(true)
  await record(page, { 'main.2.bore': '57.110' })
  // The answer named the newer version; the page stands as it is until a hand says so.
  await expect(page.getByTestId('newer')).toContainText('A newer version of Uldo is here. What you wrote is kept')
  await expect(field(page, 'main.2.bore')).toHaveValue('57.110')
  await field(page, 'main.3.bore').focus()
  await page.keyboard.type('57.1')
  await page.waitForTimeout(1500)
  await expect(field(page, 'main.3.bore')).toHaveValue('57.1')
  // Whatever the browser's worker does meanwhile, which may take a minute and a quarter (app/sync/newerVersion), it ends in a page that is loaded anew.
  const loaded = page.waitForEvent('domcontentloaded', { timeout: 140_000 })
  await page.getByRole('button', { name: 'Use it now' }).click()
  await loaded
  await expect(field(page, 'main.2.bore')).toHaveValue('57.110')
  const waiting = () =>
    page.evaluate(async () => (await navigator.serviceWorker.getRegistration())!.waiting?.scriptURL ?? 'none waits')
  await expect.poll(waiting).toBe('none waits')
  door.close()
})

test('a part of the page that does not come is said, with a way on', async ({ server, page }) => {
  const door = await doorTo(server)
  // Only what is fetched for the one view is gone, as after an upgrade: before the browser has kept its own.
  await page.goto(`${door.address}/build/${await buildId(server, 'Rescue tractor 2')}/relief`)
  await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toBeVisible()
  await page.route(/_nuxt\/.*\.js/, (route) => route.abort())
  await page.getByRole('tab', { name: 'Routes', exact: false }).click()
  await expect(page.getByTestId('broken')).toContainText('A part of this page did not load')
  await page.unroute(/_nuxt\/.*\.js/)
  await page.getByRole('button', { name: 'Reload the page' }).click()
  await expect(page.getByTestId('broken')).toHaveCount(0)
  await expect(page.locator('h1')).toBeVisible()
  door.close()
})
