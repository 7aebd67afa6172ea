import type { EngineValues } from '../core/parts/list'
import { randomUUID } from 'node:crypto'
import type { Page } from '@playwright/test'
import type { Sheet } from '../core/record/schema'
import { modelOf } from '../core/outlook/model'
import { outletChecks } from '../core/prime/primed'
import { drawTruth } from '../core/rig/rig'
import type { ChannelSample } from '../core/run/channels'
import { writeLine } from '../core/run/line'
import type { Run } from '../core/run/run'
import type { RigSetUp } from '../core/run/schema'
import { expectedAt, expectationOf } from '../core/start/expectation'
import { buildId, expect, field, ontoTheBoard, PHOTO, record, type Running, saved, startServer, test } from './server'

/** Sound is let in, and counted rather than heard. */
async function hear(page: Page) {
  await page.addInitScript(() => {
    const heard = { starts: 0, stops: 0 }
    Object.assign(window, { heard })
    class Node {
      gain = { value: 0 }
      frequency = { value: 0 }
      type = ''
      connect() {}
      disconnect() {}
      start() {
        heard.starts++
      }
      stop() {
        heard.stops++
      }
    }
    Object.assign(window, {
      AudioContext: class {
        destination = {}
        resume() {
          return Promise.resolve()
        }
        createGain() {
          return new Node()
        }
        createOscillator() {
          return new Node()
        }
      },
    })
  })
}
const heard = (page: Page) =>
  page.evaluate(() => (window as unknown as { heard: { starts: number; stops: number } }).heard)

const press = (page: Page, name: string) => page.getByRole('button', { name, exact: true }).click()
const runsOf = async (server: Running, id: string) =>
  (await (await fetch(`${server.address}/api/builds/${id}/runs`)).json()) as Run[]
const samplesOf = async (server: Running, run: string) =>
  (await (await fetch(`${server.address}/api/runs/${run}/samples`)).json()) as ChannelSample[]

async function simulate(page: Page, fault?: string, gauge = false, engine = '42') {
  await press(page, 'Readings come from: Simulated')
  await page.getByRole('spinbutton', { name: 'Engine number' }).fill(engine)
  await press(page, 'Pace: 20 ×')
  if (fault) await page.getByRole('combobox', { name: 'Engine' }).selectOption(fault)
  if (gauge) await press(page, 'Gauge: and a gauge')
}

/** Kinds of the first so many messages of a stream. */
async function firstNews(address: string, count: number): Promise<string[]> {
  const ended = new AbortController()
  const response = await fetch(address, { signal: ended.signal })
  let text = ''
  const kinds = () => [...text.matchAll(/^event: (\w+)$/gm)].map(([, kind]) => kind)
  for await (const piece of response.body as unknown as AsyncIterable<Uint8Array>) {
    text += Buffer.from(piece).toString('utf8')
    if (kinds().length >= count) break
  }
  ended.abort()
  return kinds().slice(0, count)
}

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

/** Preflight gone past with its reasons, and onto the board. */
async function board(page: Page) {
  await ontoTheBoard(page)
  await expect(page.getByTestId('board-word')).toHaveText('GO')
}

test('a healthy engine on the rig: primed, started, warmed, its points captured, and the model calibrated near the hidden truth', async ({
  server,
  bench: page,
}) => {
  test.setTimeout(150_000)
  await hear(page)
  const id = await buildId(server, 'Ottiline')

  await test.step('prime', async () => {
    await page.goto(`${server.address}/build/${id}/prime?view=live`)
    await simulate(page)
    await press(page, 'Begin the prime')
    await press(page, 'Drill on')
    await press(page, 'The filter is on')
    await expect(page.getByTestId('prime-word')).toHaveText('Primed', { timeout: 30_000 })
    expect(Number((await page.getByTestId('live-pressure').textContent())!.replace('bar', ''))).toBeGreaterThan(3.8)
    await expect(page.locator('[data-element="rod 6 film"]')).toHaveAttribute('data-full', '1.00')
    await press(page, 'Crank turned to 90°')
    await press(page, 'Primed: write it down')
    await expect(page.getByTestId('prime-word')).toHaveText('primed')
    // Nothing of a simulated engine is this one's.
    await saved(page)
    const sheet = (await (await fetch(`${server.address}/api/builds/${id}/file`)).json()) as Sheet
    expect(sheet.readings['prime.checkPressure']).toBeUndefined()
    expect(sheet.checks['prime.crank90'].state).toBe('done')
    await expect.poll(async () => (await runsOf(server, id))[0].outcome).toBe('primed')
    const [run] = await runsOf(server, id)
    expect(run).toMatchObject({
      kind: 'prime',
      outcome: 'primed',
      setup: { source: 'rig', stage: 'check', method: 'drill', filter: 'off' },
    })
  })

  await test.step('start', async () => {
    await page.goto(`${server.address}/build/${id}/start`)
    await simulate(page)
    await board(page)
    await press(page, 'Crank')
    await expect(page.getByRole('dialog')).toHaveAttribute('data-phase', 'cranking')
    await press(page, 'Fired')
    await expect(page.getByTestId('board-word')).toHaveText('Runs')
    await expect(page.locator('[data-point="idleCold"]')).toContainText('bar', { timeout: 20_000 })
    await press(page, 'Fast idle')
    await expect(page.locator('[data-point="fastIdle"]')).toContainText('bar', { timeout: 30_000 })
    await press(page, 'Working')
    await expect(page.locator('[data-point="workingHot"]')).toContainText('bar', { timeout: 60_000 })
    await press(page, 'Idle')
    await expect(page.locator('[data-point="idleHot"]')).toContainText('bar', { timeout: 30_000 })
    await expect(page.getByRole('dialog')).not.toHaveAttribute('data-stop', /./)
    await press(page, 'Off')
    await expect(page.getByTestId('board-word')).toHaveText('started')
    expect((await heard(page)).starts).toBe(0)
  })

  await test.step('calibration', async () => {
    await page.getByTestId('to-readings').click()
    await expect(page.getByText('From a simulated run')).toBeVisible()
    await expect(page.locator('[data-practised]')).toHaveCount(4)
    await expect(page.locator('[data-practised="idleHot"]')).toContainText('In its target from')
    const row = page.locator('[data-fitted="clearance"]')
    await expect(row).toBeVisible({ timeout: 20_000 })
    const [run] = await runsOf(server, id)
    const sheet = (await (await fetch(`${server.address}/api/builds/${id}/file`)).json()) as Sheet
    const cubes = ({ main, rod }: EngineValues) =>
      [...main.clearance, ...rod.clearance].reduce((sum, each) => sum + each ** 3, 0)
    const hidden = Math.cbrt(
      cubes(drawTruth(sheet, { seed: run.setup.rig!.seed }).values) / cubes(modelOf(sheet).values),
    )
    expect(Math.abs(Number(await row.getAttribute('data-value')) / hidden - 1)).toBeLessThan(0.1)
    await expect(page.locator('[data-anew="idleHot"] td')).toHaveCount(3)
    expect(run.setup.passed?.map(({ reason }) => reason)).toContain('trial on the bench')
    // The whole run is kept, ten readings a second and none missing.
    const samples = await samplesOf(server, run.id)
    samples.forEach((sample, i) => expect(sample.time).toBeCloseTo((i + 1) / 10, 3))
  })
})

for (const [fault, filter, words, cause] of [
  ['dry-pump', 'filled', /Stop: no pressure/, /dry-pump/],
  ['pickup-air', 'dry', /Stop: (no pressure|too low|the gauge flickers)/, /pickup-air|dry-pump/],
  ['relief-open', 'off', /Stop: (no pressure|too low)/, /relief-open/],
  ['plug-out', 'dry', /Stop: too low/, /plug-out/],
] as const) {
  test(`a prime with a hidden fault, ${fault}: the early word, with the cause first among what fits`, async ({
    server,
    bench: page,
  }) => {
    await hear(page)
    const id = await buildId(server, 'Ottiline')
    await page.goto(`${server.address}/build/${id}/prime`)
    if (filter !== 'off') await press(page, `Filter ${filter === 'dry' ? 'fitted dry' : 'fitted full'}: take`)
    await press(page, 'Prime it')
    await simulate(page, fault)
    await press(page, 'Begin the prime')
    await press(page, 'Drill on')
    if (filter === 'off') await press(page, 'The filter is on')
    await expect(page.getByTestId('prime-word')).toHaveText(words, { timeout: 60_000 })
    await expect(page.getByTestId('suspects').locator('li').first()).toHaveAttribute('data-suspect', cause)
    await expect.poll(async () => (await heard(page)).starts).toBe(1)
    // In time: within a minute of turning, by the run's own log.
    const late = async () => {
      const [{ id: run }] = await runsOf(server, id)
      const { events } = (await (await fetch(`${server.address}/api/runs/${run}`)).json()) as Run
      const stop = events.find(({ kind, words: said }) => kind === 'word' && said.startsWith('Stop'))
      return stop && stop.time - events.find(({ data }) => data.action === 'start')!.time
    }
    await expect.poll(late).toBeDefined()
    expect(await late()).toBeLessThan(60)
    await press(page, 'Drill off')
    await expect.poll(async () => (await heard(page)).stops).toBe(1)
    await press(page, 'End it')
    await expect(page.getByTestId('prime-word')).toHaveText('ended, not primed')
  })
}

test('a sender that reads 30 percent low: STOP with sound by itself, the word that the gauge is to be believed with a gauge beside it', async ({
  server,
  bench: page,
}) => {
  await hear(page)
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/start`)
  await simulate(page, 'sender-low')
  await board(page)
  await press(page, 'Crank')
  await press(page, 'Fired')
  const stop = page.getByRole('dialog')
  await expect(stop).toHaveAttribute('data-stop', 'under-band', { timeout: 20_000 })
  await expect(page.getByText('STOP', { exact: true })).toBeVisible()
  await expect(page.getByTestId('stop-reason')).toContainText('a healthy one of this build shows')
  await expect(page.getByTestId('stop-causes').locator('li').first()).toHaveAttribute('data-suspect', 'sender-low')
  await expect(stop).toHaveAttribute('data-sounding', 'true')
  // In time: the rule’s five seconds under the band, and those that settle before it.
  await press(page, 'The switch is off')
  await expect(stop).toHaveAttribute('data-sounding', 'false')
  await press(page, 'End the run')
  await press(page, 'To the readings')
  await expect.poll(async () => (await runsOf(server, id))[0].outcome).toBe('stopped: too low')
  const [run] = await runsOf(server, id)
  const { events } = (await (await fetch(`${server.address}/api/runs/${run.id}`)).json()) as Run
  const fired = events.find(({ data }) => data.action === 'fire')!.time
  expect(events.find(({ kind }) => kind === 'word')!.time - fired).toBeLessThan(40)

  await page.goto(`${server.address}/build/${id}/start`)
  await simulate(page, 'sender-low', true)
  await board(page)
  await press(page, 'Crank')
  await press(page, 'Fired')
  await expect(page.getByText('Sender and gauge differ: believe the gauge')).toBeVisible({ timeout: 20_000 })
  await expect(stop).not.toHaveAttribute('data-stop', /./)
})

test('by hand, with nothing wired and the network gone: taps are kept, the deadline runs, a lamp is no gauge', async ({
  server,
  bench: page,
  context,
}) => {
  await hear(page)
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/start`)
  await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toBeVisible()
  await board(page)
  const sheet = (await (await fetch(`${server.address}/api/builds/${id}/file`)).json()) as Sheet
  const idle = expectedAt(expectationOf(sheet, 20), 15, 8).pressure / 1e5
  await press(page, 'Crank')
  await press(page, 'Fired')
  await expect(page.getByText('not known: every temperature counts as possible')).toBeVisible()
  await page.getByLabel('Oil temperature now').fill('8')
  await page.keyboard.press('Enter')
  await page.getByTestId('typed-reading').fill(idle.toFixed(2))
  await press(page, 'Write down')
  await expect(page.getByTestId('board-pressure')).toContainText(idle.toFixed(2))
  await expect(page.getByTestId('board-word')).toHaveText('Runs')
  await context.setOffline(true)
  await page.getByTestId('needle').fill('4.25')
  await expect(page.getByTestId('board-pressure')).toContainText('4.25')
  await page.getByTestId('typed-reading').fill('soon')
  await press(page, 'Write down')
  await expect(page.getByRole('alert')).toContainText('does not start with a number')
  await expect(page.getByTestId('typed-reading')).toHaveValue('soon')
  await page.locator('[data-point="idleCold"] button').click()
  await expect(page.getByText('No network: what is tapped in is kept here')).toBeVisible()
  await context.setOffline(false)
  const [run] = await runsOf(server, id)
  await expect
    .poll(async () => (await samplesOf(server, run.id)).map(({ pressure }) => pressure! / 1e5))
    .toEqual([expect.closeTo(Number(idle.toFixed(2)), 4), expect.closeTo(4.25, 4)])
  // A point that is marked is a reading of this engine.
  await expect
    .poll(
      async () =>
        ((await (await fetch(`${server.address}/api/builds/${id}/file`)).json()) as Sheet).readings[
          'start.idleCold.pressure'
        ]?.value,
    )
    .toBeCloseTo(4.25e5, 0)
  await page.reload()
  await expect(page.getByTestId('board-word')).toHaveText('Runs')
  await press(page, 'Off')
  await press(page, 'To the readings')
  await expect(page.locator('section [data-point="idleCold"]')).toContainText('Idle cold pass')

  // With no reading at all the deadline stops it.
  await press(page, 'Preflight')
  await board(page)
  await press(page, 'Crank')
  await press(page, 'Fired')
  await expect(page.getByTestId('board-word')).toHaveText(/^[1-5]$/)
  await expect(page.getByTestId('stop-reason')).toHaveText('No pressure within 5 s of firing.', { timeout: 9000 })
  await expect.poll(async () => (await heard(page)).starts).toBe(1)
})

test('the server killed in the middle of a run at ten readings a second: nothing acknowledged is lost, the page goes on, the chart has no hole', async ({
  bench: page,
}) => {
  test.setTimeout(90_000)
  let server = await startServer()
  try {
    const id = await buildId(server, 'Ottiline')
    const rig: RigSetUp = { seed: 5, pace: 1 }
    const begin = async (setup: object) => {
      const run = randomUUID()
      await fetch(`${server.address}/api/builds/${id}/runs`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ id: run, kind: 'start', who: 'Maren', setup }),
      })
      return run
    }
    const logged = await begin({ source: 'logger' })
    const run = await begin({ source: 'rig', rig })
    await page.goto(`${server.address}/build/${id}/start`)
    await page.getByRole('status').getByRole('button', { name: 'Look at it' }).click()
    await press(page, 'Crank')
    await press(page, 'Fired')
    const chart = page.locator('.strip-chart')
    const drawn = async () => Number(await chart.getAttribute('data-samples'))
    await expect.poll(drawn).toBeGreaterThan(20)
    // A logger beside it, that keeps what was acknowledged.
    const acknowledged: number[] = []
    let sending = true
    const logger = (async () => {
      for (let n = 0; sending; n++) {
        const time = n / 10
        await fetch(`${server.address}/api/runs/${logged}/samples`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ time, pressure: 1000 * n }),
        }).then(
          (response) => response.ok && acknowledged.push(n),
          () => undefined,
        )
        await new Promise((done) => setTimeout(done, 100))
      }
    })()
    await new Promise((done) => setTimeout(done, 2500))
    const seen = await drawn()
    await server.stop('SIGKILL')
    await new Promise((done) => setTimeout(done, 1500))
    server = await startServer(server.folder, server.port)
    await expect.poll(drawn, { timeout: 20_000 }).toBeGreaterThan(seen + 20)
    sending = false
    await logger
    const kept = await samplesOf(server, run)
    kept.forEach((sample, i) => expect(sample.time).toBeCloseTo((i + 1) / 10, 3))
    expect(kept.length).toBeGreaterThanOrEqual(seen)
    // What the chart has, the log has: nothing twice, nothing missing.
    await press(page, 'Off')
    await expect.poll(async () => (await samplesOf(server, run)).length - (await drawn())).toBe(0)
    const byLogger = new Set((await samplesOf(server, logged)).map(({ time }) => Math.round(10 * time)))
    for (const n of acknowledged) expect(byLogger.has(n), `reading ${n}`).toBe(true)
    expect(acknowledged.length).toBeGreaterThan(15)
  } finally {
    await server.stop()
  }
})

test('a logger’s file of an hour at ten a second: columns put right, bad rows named, the rest in the run', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/start`)
  await press(page, 'Readings come from: File')
  await board(page)
  const rows = Array.from(
    { length: 36_000 },
    (_, i) => `${i * 100},${(i < 33_000 ? 43 + 5 * Math.sin(i / 900) : 11).toFixed(2)},${800 + (i % 7)},x`,
  )
  rows[99] = '9900,none,800,x'
  rows[20_000] = '1,43,800,x'
  await page.getByTestId('run-file').setInputFiles({
    name: 'logger.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`stamp (ms),oil press (psi),engine,volts\n${rows.join('\n')}\n`),
  })
  await expect(page.getByRole('combobox', { name: 'oil press (psi) in' })).toHaveValue('psi')
  // What was not guessed is put right by hand.
  await page.getByRole('combobox', { name: 'stamp (ms) is' }).selectOption('time')
  await page.getByRole('combobox', { name: 'stamp (ms) in' }).selectOption('ms')
  await press(page, 'Read it in')
  await expect(page.getByTestId('imported')).toContainText('35,999 readings are in; 2 cells could not be read', {
    timeout: 30_000,
  })
  // What a file says is judged and said, not shouted.
  await expect(page.getByRole('dialog')).toHaveAttribute('data-phase', 'running')
  // Nobody said how warm the oil was: only what is too low at any temperature breaks the rule.
  await expect(page.getByTestId('broken')).toContainText('A rule was broken at 330')
  await expect(page.getByTestId('broken')).toContainText(/a healthy one of this build shows|oil leaves/)
  await expect(page.getByText('Line 101, oil press (psi): “none” is not a number.')).toBeVisible()
  await expect(page.getByText('Line 20002, stamp (ms): does not come after the row before.')).toBeVisible()
  const [run] = await runsOf(server, id)
  await expect.poll(async () => (await runsOf(server, id))[0].samples).toBe(35_999)
  const csv = await (await fetch(`${server.address}/api/runs/${run.id}/samples?format=csv`)).text()
  expect(csv.split('\n')[0]).toBe('time (s),pressure (bar),speed (rpm)')
  expect(csv.split('\n')[1]).toBe(`0,${Number((43 * 0.06894757).toPrecision(7))},800`)
  // Asked once: the next file with these headings is known.
  await page.getByTestId('run-file').setInputFiles({
    name: 'next.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('stamp (ms),oil press (psi),engine,volts\n0,1,2,3\n'),
  })
  await expect(page.getByText('next.csv')).toBeVisible()
  await expect(page.getByRole('combobox', { name: 'stamp (ms) is' })).toHaveValue('time')
  await expect(page.getByRole('combobox', { name: 'stamp (ms) in' })).toHaveValue('ms')
})

test('a home-made logger on the serial port, simulated: lines read, a garbled one said, a lost port opened again', async ({
  server,
  bench: page,
}) => {
  await page.addInitScript(() => {
    const port = {
      controller: undefined as ReadableStreamDefaultController<Uint8Array> | undefined,
      readable: null as ReadableStream<Uint8Array> | null,
      opened: 0,
      open() {
        port.opened++
        port.readable = new ReadableStream({ start: (controller) => void (port.controller = controller) })
        return Promise.resolve()
      },
      close: () => Promise.resolve(),
    }
    Object.assign(window, { port })
    Object.defineProperty(navigator, 'serial', {
      value: { requestPort: () => Promise.resolve(port) },
      configurable: true,
    })
  })
  const send = (text: string) =>
    page.evaluate(
      (now) =>
        (
          window as unknown as { port: { controller: ReadableStreamDefaultController<Uint8Array> } }
        ).port.controller.enqueue(new TextEncoder().encode(now)),
      text,
    )
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/prime?view=live`)
  await press(page, 'Readings come from: Serial')
  await press(page, 'Begin the prime')
  await press(page, 'Open the port')
  const line = writeLine({ time: 10, pressure: 231e3, drill: 7.5 })
  // A line comes in pieces.
  await send(line.slice(0, 7))
  await send(`${line.slice(7)}\r\n${writeLine({ time: 10.1, pressure: 232e3 }).replace('=2', '=3')}\n`)
  await expect(page.getByTestId('port')).toHaveText('1 line read, 1 could not be')
  await expect(page.getByRole('alert')).toContainText('garbled on its way')
  await send('t=10.2 P=2.35bar\n')
  await expect(page.getByTestId('live-pressure')).toContainText('2.3')
  await page.evaluate(() =>
    (window as unknown as { port: { controller: ReadableStreamDefaultController<Uint8Array> } }).port.controller.error(
      new Error('unplugged'),
    ),
  )
  await expect(page.getByRole('alert')).toContainText('The port was lost: unplugged')
  await press(page, 'Open it again')
  await send('P=240\n')
  await expect(page.getByTestId('port')).toHaveText('3 lines read, 1 could not be')
  // The logger was started again: its clock begins anew, the run's goes on.
  await send('t=0.1 P=245\n')
  await expect(page.getByTestId('port')).toHaveText('4 lines read, 1 could not be')
  const [run] = await runsOf(server, id)
  await expect
    .poll(async () => (await samplesOf(server, run.id)).map(({ pressure }) => Math.round(pressure! / 1e3)))
    .toEqual([231, 235, 240, 245])
})

test('any logger: JSON with and without a time, CSV under its own headings, what is wrong named and the rest kept', async ({
  server,
}) => {
  const id = await buildId(server, 'Ottiline')
  const run = randomUUID()
  const post = async (body: string, type = 'application/json') => {
    const response = await fetch(`${server.address}/api/runs/${run}/samples`, {
      method: 'POST',
      headers: { 'content-type': type },
      body,
    })
    return {
      status: response.status,
      answer: (await response.json()) as {
        taken?: number
        refused?: object[]
        error?: { message: string; problems: { path: string }[] }
      },
    }
  }
  expect((await post('{}')).status).toBe(404)
  const begun = await fetch(`${server.address}/api/builds/${id}/runs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ id: run, kind: 'start', who: 'Maren', setup: { source: 'logger' } }),
  })
  expect(begun.status).toBe(201)
  expect((await post('{"pressure": 231000, "speed": 13.7}')).answer).toEqual({ taken: 1, known: 0, refused: [] })
  // A reading sent twice is known; where one of another value stands already, and nothing of the lot was taken, that is no success.
  expect((await post('{"time": 30, "pressure": 200000}')).answer).toMatchObject({ taken: 1, known: 0 })
  expect((await post('{"time": 30, "pressure": 200000}')).answer).toMatchObject({ taken: 0, known: 1 })
  expect((await post('{"time": 30, "pressure": 250000}')).status).toBe(400)
  expect(
    (await post('[{"time": 60, "pressure": 231000}, {"time": 60.1, "pressure": "high"}, {"time": 60, "pressure": 1}]'))
      .answer,
  ).toMatchObject({
    taken: 1,
    refused: [
      { index: 1, path: 'pressure' },
      { index: 2, path: 'time', message: 'another reading stands at 60 s' },
    ],
  })
  expect((await post('time (s),oil press (psi)\n61,30\n61.1,x\n', 'text/csv')).answer).toMatchObject({
    taken: 1,
    refused: [{ line: 3, column: 'oil press (psi)', message: '“x” is not a number' }],
  })
  expect((await post('a,b\n1,2\n', 'text/csv')).answer.error).toMatchObject({ problems: [{ path: 'headings' }] })
  expect((await post('{"pressure": 9e9}')).answer.error!.problems[0].path).toBe('pressure')
  expect((await post('not json')).status).toBe(400)
  expect((await samplesOf(server, run)).map(({ pressure }) => Math.round(pressure! / 1e3))).toEqual([
    231, 200, 231, 207,
  ])
  // Who listens anew hears what was done before the readings that are judged by it.
  await fetch(`${server.address}/api/runs/${run}/events`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ clientKey: randomUUID(), time: 60, kind: 'mark', words: 'fired', who: 'Maren' }),
  })
  expect(await firstNews(`${server.address}/api/runs/${run}/stream?after=-1`, 2)).toEqual(['event', 'samples'])
  await fetch(`${server.address}/api/runs/${run}/events`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ clientKey: randomUUID(), time: 70, kind: 'end', words: 'over', who: 'Maren' }),
  })
  expect((await post('{"pressure": 1000}')).status).toBe(409)
})

test('a tablet whose clock is two hours ahead: the logger’s readings are kept, by the server’s clock', async ({
  server,
}) => {
  const id = await buildId(server, 'Ottiline')
  const run = randomUUID()
  const ahead = Date.now() + 2 * 3600e3
  const send = async (path: string, body: object) =>
    (
      await fetch(`${server.address}/api/${path}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      })
    ).json() as Promise<{ taken?: number; startedAt?: string }>
  const begun = await send(`builds/${id}/runs`, {
    id: run,
    kind: 'start',
    who: 'Maren',
    setup: { source: 'logger' },
    begunAt: ahead - 4000,
    sentAt: ahead,
  })
  expect(Math.abs(Date.parse(begun.startedAt!) - (Date.now() - 4000))).toBeLessThan(3000)
  for (let n = 0; n < 3; n++) expect((await send(`runs/${run}/samples`, { pressure: 2e5 + n })).taken).toBe(1)
  const kept = await samplesOf(server, run)
  expect(kept.map(({ pressure }) => pressure)).toEqual([2e5, 2e5 + 1, 2e5 + 2])
  for (const { time } of kept) expect(time).toBeGreaterThan(3.5)
})

test('a logger that says nothing: the deadline runs all the same, and a silence later is said', async ({
  server,
  bench: page,
}) => {
  await hear(page)
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/start`)
  await press(page, 'Readings come from: Logger')
  await ontoTheBoard(page)
  await expect(page.getByTestId('blind')).toContainText('No readings come: nothing is watched', { timeout: 8000 })
  await press(page, 'Crank')
  await press(page, 'Fired')
  await expect(page.getByTestId('stop-reason')).toHaveText('No pressure within 5 s of firing.', { timeout: 9000 })
  await press(page, 'The switch is off')
  await press(page, 'End the run')
})

test('the simulated digital gauge: in the hand, its button types what it shows and goes on to the next', async ({
  server,
  bench: page,
}) => {
  await page.goto(`${server.address}/house?view=instruments`)
  await press(page, 'Add a simulated gauge')
  await expect(page.locator('[data-instrument="Simulated gauge"]')).toBeVisible()
  const id = await buildId(server, 'Rescue tractor 2')
  await page.goto(`${server.address}/build/${id}/pump`)
  await field(page, 'pump.endClearance').click()
  await page.getByRole('combobox', { name: 'Instrument' }).selectOption('Simulated gauge')
  await press(page, 'Press the gauge')
  const { value } = (await (
    await fetch(`${server.address}/api/builds/${id}/gauge?reading=pump.endClearance&press=0`)
  ).json()) as { value: number }
  const reading = async () =>
    ((await (await fetch(`${server.address}/api/builds/${id}/file`)).json()) as Sheet).readings['pump.endClearance'] ??
    {}
  await expect
    .poll(reading)
    .toMatchObject({ value: expect.closeTo(value, 9), source: 'measured', instrument: 'Simulated gauge' })
  expect((await fetch(`${server.address}/api/builds/${id}/gauge?reading=main.77.bore`)).status).toBe(400)
})

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

test('Break-in: by the followers, timers that outlive a reload, the filter read, reminders for a calendar', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Carousel set')
  await page.goto(`${server.address}/build/${id}/start?view=breakin`)
  await expect(page.getByText('Straight to fast idle, up and down, no idling')).toBeVisible()
  await page.getByRole('button', { name: 'Straight to fast idle, up and down, no idling: start the timer' }).click()
  await expect(page.locator('[data-step="start.breakInRun"] [role="timer"]')).toHaveText(/^24:5\d$/)
  await page.reload()
  await expect(page.locator('[data-step="start.breakInRun"] [role="timer"]')).toHaveText(/^24:[45]\d$/)
  await record(page, { 'start.changeHours': '10', 'start.hoursPerWeek': '20' })
  await page.getByRole('button', { name: 'First filter, cut open: bright flakes' }).click()
  await expect(page.getByText('Take a cap off before it runs again')).toBeVisible()
  await page.getByLabel('Photo of the filter').setInputFiles(PHOTO)
  await expect(page.getByRole('img', { name: 'Filter, cut open' })).toBeVisible()
  await expect(page.locator('[data-reminder="change"]')).toBeVisible()
  await saved(page)
  const calendar = await (await fetch(`${server.address}/api/builds/${id}/reminders`)).text()
  expect(calendar.match(/BEGIN:VEVENT/g)).toHaveLength(3)
  // Ten hours at twenty a week: half a week after the start, a whole day in the calendar.
  const start = ((await (await fetch(`${server.address}/api/builds/${id}/file`)).json()) as Sheet).readings[
    'start.idleCold.pressure'
  ].at!
  const due = new Date(Date.parse(start) + 4 * 86400e3)
  expect(calendar.replace(/\r\n[ \t]/g, '')).toMatch(
    new RegExp(
      `DTSTART;VALUE=DATE:${due.getFullYear()}${String(due.getMonth() + 1).padStart(2, '0')}${String(due.getDate()).padStart(2, '0')}[\\s\\S]*?SUMMARY:Carousel set: first oil and filter change|SUMMARY:Carousel set: first oil and filter change[\\s\\S]*?DTSTART;VALUE=DATE:${due.getFullYear()}${String(due.getMonth() + 1).padStart(2, '0')}${String(due.getDate()).padStart(2, '0')}`,
    ),
  )
})
