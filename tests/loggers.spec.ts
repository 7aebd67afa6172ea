import { choose } from './controls'
import { randomUUID } from 'node:crypto'
import type { Sheet } from '../core/record/schema'
import { writeLine } from '../core/run/line'
import { buildId, expect, field, saved, test } from './server'
import { press, runsOf, samplesOf, board } from './running'

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
  await page.getByLabel('Logger’s file').setInputFiles({
    name: 'logger.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`stamp (ms),oil press (psi),engine,volts\n${rows.join('\n')}\n`),
  })
  await expect(page.getByRole('combobox', { name: 'oil press (psi) in' })).toHaveText('psi')
  // What was not guessed is put right by hand.
  await choose(page.getByRole('combobox', { name: 'stamp (ms) is' }), 'time')
  await choose(page.getByRole('combobox', { name: 'stamp (ms) in' }), 'ms')
  // What says no unit is asked for.
  await choose(page.getByRole('combobox', { name: 'engine in' }), 'rpm')
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
  await page.getByLabel('Logger’s file').setInputFiles({
    name: 'next.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('stamp (ms),oil press (psi),engine,volts\n0,1,2,3\n'),
  })
  await expect(page.getByText('next.csv')).toBeVisible()
  await expect(page.getByRole('combobox', { name: 'stamp (ms) is' })).toHaveText('time')
  await expect(page.getByRole('combobox', { name: 'stamp (ms) in' })).toHaveText('ms')
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

test('a long run is told whole, each reading once and in order, to many at once, while more comes in', async ({
  server,
}) => {
  const id = await buildId(server, 'Ottiline')
  const run = randomUUID()
  const post = async (path: string, body: unknown) => {
    const answer = await fetch(server.address + path, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
    expect(answer.ok, await answer.clone().text()).toBe(true)
  }
  const readings = (from: number, count: number) =>
    Array.from({ length: count }, (_, i) => ({ time: (from + i) / 10, pressure: 3e5 + from + i }))
  await post(`/api/builds/${id}/runs`, { id: run, kind: 'prime', who: 'Maren', setup: { source: 'file' } })
  // More than two messages of 3,000, and no whole number of the 300 that are read at a time.
  const COUNT = 6150
  for (let from = 0; from < COUNT; from += 2050) await post(`/api/runs/${run}/samples`, readings(from, 2050))
  const told = async (after: number, last: number) => {
    const ended = new AbortController()
    const { body } = await fetch(`${server.address}/api/runs/${run}/stream?after=${after}`, { signal: ended.signal })
    let text = ''
    const times = () =>
      [...text.matchAll(/^event: samples\ndata: (.*)$/gm)].flatMap(([, data]) =>
        (JSON.parse(data) as { time: number }[]).map(({ time }) => Math.round(10 * time)),
      )
    for await (const piece of body as unknown as AsyncIterable<Uint8Array>) {
      text += Buffer.from(piece).toString('utf8')
      if (text.endsWith('\n\n') && times().at(-1) === last) break
    }
    ended.abort()
    return times()
  }
  const all = Array.from({ length: COUNT + 10 }, (_, i) => i)
  const listening = [told(-1, COUNT + 9), told(-1, COUNT + 9), told(-1, COUNT + 9), told(299_950, COUNT + 9)]
  for (let i = 0; i < 10; i++) await post(`/api/runs/${run}/samples`, readings(COUNT + i, 1))
  const [one, two, three, rest] = await Promise.all(listening)
  expect(one).toEqual(all)
  expect(two).toEqual(all)
  expect(three).toEqual(all)
  expect(rest).toEqual(all.slice(3000))
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

test('the simulated digital gauge: in the hand, its button types what it shows and goes on to the next', async ({
  server,
  bench: page,
}) => {
  await page.goto(`${server.address}/house?view=instruments`)
  await press(page, 'Add a simulated gauge')
  await expect(page.locator('[data-instrument="Simulated gauge"]')).toBeVisible()
  await saved(page)
  const id = await buildId(server, 'Rescue tractor 2')
  await page.goto(`${server.address}/build/${id}/pump`)
  await field(page, 'pump.endClearance').click()
  await choose(page.getByRole('combobox', { name: 'Instrument' }), 'Simulated gauge')
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
