import { touchScale } from './controls'
import type { EngineValues } from '../core/parts/list'
import { randomUUID } from 'node:crypto'
import type { Sheet } from '../core/record/schema'
import { modelOf } from '../core/outlook/model'
import { drawTruth } from '../core/rig/rig'
import type { Run } from '../core/run/run'
import type { RigSetUp } from '../core/run/schema'
import { expectedAt, expectationOf } from '../core/start/expectation'
import { buildId, expect, kept, ontoTheBoard, PHOTO, record, saved, startServer, test } from './server'
import { hear, heard, press, runsOf, samplesOf, simulate, board } from './running'

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
    await expect(page.locator('[data-anew="idleHot"]').getByRole('cell')).toHaveCount(2)
    expect(run.setup.passed?.map(({ reason }) => reason)).toContain('trial on the bench')
    // The whole run is kept, ten readings a second and none missing.
    const samples = await samplesOf(server, run.id)
    samples.forEach((sample, i) => expect(sample.time).toBeCloseTo((i + 1) / 10, 3))
  })
})

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
  // What is on its way when the network goes would hang until its own limit: it has arrived first.
  const [run] = await runsOf(server, id)
  await expect.poll(async () => (await samplesOf(server, run.id)).length).toBe(1)
  await kept(page)
  await context.setOffline(true)
  // Before anything is sent that could not be.
  await expect(page.getByTestId('run-online')).toContainText('Server not reached')
  await touchScale(page.getByTestId('needle'), 4.25, 0.05)
  await expect(page.getByTestId('board-pressure')).toContainText('4.25')
  await page.getByTestId('typed-reading').fill('soon')
  await press(page, 'Write down')
  await expect(page.getByRole('alert')).toContainText('does not start with a number')
  await expect(page.getByTestId('typed-reading')).toHaveValue('soon')
  await page.locator('[data-point="idleCold"] button').click()
  await page.locator('[data-remark="smoke"]').click()
  await page.locator('[data-remark="tick"]').click()
  await expect(page.locator('[data-remark="tick"]')).toHaveAttribute('aria-pressed', 'true')
  await page.locator('[data-remark="tick"]').click()
  await expect(page.locator('[data-remark="tick"]')).toHaveAttribute('aria-pressed', 'false')
  // In sight without a hand on the page, and no server is said to watch.
  await expect(page.getByTestId('run-online')).toBeInViewport()
  await expect(page.getByTestId('run-online')).toContainText('Server not reached: what is tapped in is kept here')
  await expect(page.getByText('The server goes on watching')).toHaveCount(0)
  await context.setOffline(false)
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
  await expect(page.locator('[data-noted]')).toHaveCount(1)
  await expect(page.locator('[data-noted="smoke"]')).toContainText(/Smoke, \d+ s/)

  // With no reading at all the deadline stops it.
  await press(page, 'Preflight')
  await board(page)
  await press(page, 'Crank')
  await press(page, 'Fired')
  await expect(page.getByTestId('board-word')).toHaveText(/^[1-5]$/)
  await expect(page.getByTestId('stop-reason')).toHaveText('No pressure within 5 s of firing.', { timeout: 9000 })
  await expect.poll(async () => (await heard(page)).starts).toBe(1)

  // What was seen and heard of it is one tap each, with where and a photo; the case that is opened of it knows it all.
  await press(page, 'The switch is off')
  await page.locator('[data-remark="knock"]').click()
  await page.locator('[data-remark="leak"]').click()
  const leak = page.locator('[data-noted="leak"]')
  await leak.getByRole('button', { name: 'at the filter' }).click()
  await leak.locator('input[type="file"]').setInputFiles(PHOTO)
  await expect(leak.getByRole('img')).toHaveCount(1)
  await press(page, 'Trace it')
  await page.getByRole('button', { name: /^Take up the STOP/ }).click()
  await expect(page.locator('[data-known="noise"]')).toContainText('knock')
  await expect(page.locator('[data-known="leak-outside"]')).toContainText('filter')
  await expect(page.locator('[data-known="leak-outside"]').getByRole('img')).toHaveCount(1)
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

test('Break-in: by the followers, timers that outlive a reload, the filter read, reminders for a calendar', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Carousel set')
  await page.goto(`${server.address}/build/${id}/start?view=breakin`)
  await expect(page.getByText('Straight to fast idle, up and down, no idling', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Straight to fast idle, up and down, no idling: start the timer' }).click()
  await expect(page.locator('[data-step="start.breakInRun"] [role="timer"]')).toHaveText(/^24:5\d$/)
  await page.reload()
  await expect(page.locator('[data-step="start.breakInRun"] [role="timer"]')).toHaveText(/^24:[45]\d$/)
  await record(page, { 'start.changeHours': '10', 'start.hoursPerWeek': '20' })
  await page.getByRole('button', { name: 'First filter, cut open: bright flakes' }).click()
  await expect(page.getByText('Take a cap off before it runs again')).toBeVisible()
  await page.getByLabel('Photo of the filter').setInputFiles(PHOTO)
  await expect(page.getByRole('img', { name: 'Photo of the filter' })).toBeVisible()
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
      `DTSTART;VALUE=DATE:${due.getFullYear()}${String(due.getMonth() + 1).padStart(2, '0')}${String(due.getDate()).padStart(2, '0')}[\\s\\S]*?SUMMARY:Carousel set: First oil and filter change|SUMMARY:Carousel set: First oil and filter change[\\s\\S]*?DTSTART;VALUE=DATE:${due.getFullYear()}${String(due.getMonth() + 1).padStart(2, '0')}${String(due.getDate()).padStart(2, '0')}`,
    ),
  )
})
