import type { Page } from '@playwright/test'
import { drawGaugeVideo } from '../bin/lib/senses/gaugeVideo'
import { seeded } from '../core/random/random'
import { refuseCamera, setMarks, withCamera, writeVideo } from './fakeCamera'
import { hear, heard, press, runsOf, samplesOf } from './running'
import { buildId, expect, ontoTheBoard, type Running, sharing as test } from './server'

/** What the stand-in for a camera sees of a gauge, again and again: no pressure, pressure, a hand in the way, pressure, and all of it lost. */
const [RISES, HAND, HAND_GONE, LOST, ENDS] = [1.2, 7, 8.6, 13, 15] as const
const LEVEL = 3.2e5
const video = drawGaugeVideo(seeded(41), {
  hand: false,
  truth: (time) =>
    time < RISES
      ? 0
      : time < LOST
        ? LEVEL * (1 - Math.exp(-(time - RISES) / 0.2))
        : LEVEL * Math.exp(-(time - LOST) / 0.1),
})
const pictures = Array.from({ length: 10 * ENDS }, (_, i) => {
  const picture = video.frame(i)
  // A hand: most of the gauge is one shade.
  if (i >= 10 * HAND && i < 10 * HAND_GONE)
    for (let k = 0; k < picture.data.length; k++)
      if (k % 4 < 3 && k % (4 * picture.width) < 3.4 * picture.width) picture.data[k] = 90 - 12 * (k % 4)
  return picture
})
test.use({
  launchOptions: async ({ launchOptions }, use) => use({ ...launchOptions, ...withCamera(writeVideo(pictures)) }),
})

/** Followed from the picture that is held, or from another where a hand was in that. */
const followAgain = (page: Page) =>
  expect(async () => {
    const follow = page.getByRole('button', { name: 'Follow the needle' })
    const anew = page.getByRole('button', { name: 'Set the marks anew' })
    await expect(follow.or(anew)).toBeVisible({ timeout: 5000 })
    if (await anew.isVisible()) await anew.click()
    await follow.click()
    if (await page.getByText('The needle is not followed.').isVisible()) {
      await press(page, 'Leave them')
      await press(page, 'Set its marks')
      await follow.click()
    }
    await expect(page.getByTestId('gauge-reads')).toBeVisible({ timeout: 3000 })
  }).toPass()

/** The camera opened, its marks set, the needle followed. */
async function follow(page: Page) {
  await press(page, 'Readings come from: Camera')
  const gauge = page.getByTestId('gauge-camera')
  await press(page, 'Open the camera')
  await expect.poll(() => gauge.locator('video').evaluate((each: HTMLVideoElement) => each.videoWidth)).toBe(340)
  await press(page, 'Set its marks')
  await setMarks(page, gauge, pictures[0]!, [
    ['centre', video.taps.centre],
    ['zero', video.taps.zero],
    ['mark', video.taps.mark],
  ])
  await press(page, 'Follow the needle')
  await expect(gauge.getByRole('alert')).toContainText('Type what the known line')
  const line = gauge.getByRole('textbox', { name: 'The known line says' })
  await line.fill('seven')
  await line.blur()
  await expect(gauge).toContainText('does not start with a number')
  await press(page, 'Follow the needle')
  await expect(gauge.getByRole('alert').last()).toContainText('Type what the known line')
  await line.fill(`${video.full / 1e5} bar`)
  await line.blur()
  await followAgain(page)
  return gauge
}
const reads = async (page: Page) =>
  Number(
    /[\d.]+/.exec(
      (await page
        .getByTestId('gauge-reads')
        .textContent({ timeout: 1000 })
        .catch(() => '')) ?? '',
    )?.[0] ?? NaN,
  )
const open = async (page: Page, server: Running, station: string) => {
  const id = await buildId(server, 'Rescue tractor 2')
  await page.goto(`${server.address}/build/${id}/${station}`)
  return id
}

test('a start by camera: read against the gauge, not watching while a hand is in the way, STOP by itself when pressure is lost', async ({
  server,
  bench: page,
  context,
}) => {
  await context.grantPermissions(['camera'])
  await hear(page)
  const id = await open(page, server, 'start')
  await press(page, 'Readings come from: Camera')
  await expect(page.getByText('The needle is not followed yet')).toBeVisible()
  await follow(page)
  await expect.poll(async () => Math.abs((await reads(page)) - LEVEL / 1e5)).toBeLessThan(0.01 * (video.full / 1e5))
  await ontoTheBoard(page)
  const board = page.getByRole('dialog')
  const seen = page.getByTestId('gauge-reads')
  await expect(seen).toBeVisible()
  // A camera that ends before anything was done: what it read last is not what the gauge reads.
  await page.evaluate(() => {
    const [track] = (document.querySelector('video')!.srcObject as MediaStream).getVideoTracks()
    track!.stop()
    track!.dispatchEvent(new Event('ended'))
  })
  await expect(page.getByTestId('board-word')).toHaveText('Not watching')
  await expect(page.getByTestId('board-unseen')).toContainText('The camera follows no gauge')
  await press(page, 'Open the camera')
  await press(page, 'Set its marks')
  await followAgain(page)
  // Fired while there is no pressure: it comes within the deadline.
  await expect.poll(() => reads(page), { intervals: [50] }).toBeLessThan(0.3)
  await press(page, 'Fired')
  await expect(page.getByTestId('board-word')).toContainText('Runs', { timeout: 15_000 })
  await expect(page.getByTestId('gauge-unseen')).toContainText('The gauge is not seen')
  await expect(page.getByTestId('blind')).toContainText('No readings come')
  await expect(page.getByTestId('board-unseen')).toContainText('something is in the way')
  await expect(seen).toBeVisible()
  await expect(board).not.toHaveAttribute('data-blind', /no-readings/)
  await expect(board).toHaveAttribute('data-stop', 'lost', { timeout: 30_000 })
  expect((await heard(page)).starts).toBeGreaterThan(0)
  const [run] = await runsOf(server, id)
  expect(run.setup.source).toBe('camera')
  // What was read is on the server, ten times a second; what was not seen is a gap and no zero.
  await expect.poll(async () => (await samplesOf(server, run.id)).length).toBeGreaterThan(70)
  const samples = await samplesOf(server, run.id)
  expect(samples.every(({ gauge, pressure }) => gauge !== undefined && pressure === undefined)).toBe(true)
  const gaps = samples.slice(1).map(({ time }, i) => time - samples[i]!.time)
  expect(Math.max(...gaps)).toBeGreaterThan(1.2)
  await expect.poll(async () => (await runsOf(server, id))[0].stopped ?? null).not.toBeNull()
  // A STOP that stands calls on every page of the shop, other tests' too.
  await press(page, 'The switch is off')
  await press(page, 'End the run')
  await expect.poll(async () => (await runsOf(server, id))[0].endedAt).not.toBeNull()
})

test('a prime by camera is fed by the gauge, after a reload too once the camera is opened again', async ({
  server,
  bench: page,
  context,
}) => {
  await context.grantPermissions(['camera'])
  const id = await open(page, server, 'prime?view=live')
  await follow(page)
  await press(page, 'Begin the prime')
  const samples = async () => {
    const [run] = await runsOf(server, id)
    return run ? await samplesOf(server, run.id) : []
  }
  await expect.poll(async () => (await samples()).length).toBeGreaterThan(20)
  await expect.poll(async () => Math.max(...(await samples()).map(({ gauge }) => gauge!))).toBeGreaterThan(3e5)
  await page.reload()
  await press(page, 'Open the camera')
  await press(page, 'Set its marks')
  await followAgain(page)
  const before = (await samples()).length
  await expect.poll(async () => (await samples()).length).toBeGreaterThan(before + 10)
})

test('no camera: said with the way round, and a start by hand is begun all the same', async ({
  server,
  bench: page,
}) => {
  await refuseCamera(page)
  await open(page, server, 'start')
  await press(page, 'Readings come from: Camera')
  const alert = page.getByTestId('gauge-camera').getByRole('alert')
  await press(page, 'Open the camera')
  await expect(alert).toContainText('The camera was refused')
  await page.evaluate(() => localStorage.setItem('camera', 'NotFoundError'))
  await press(page, 'Open the camera')
  await expect(alert).toContainText('no camera that the browser finds')
  await expect(page.getByRole('button', { name: 'Go to the start' })).toBeDisabled()
  await page.addInitScript(() => Object.defineProperty(navigator, 'mediaDevices', { value: undefined }))
  await page.reload()
  await press(page, 'Open the camera')
  await expect(alert).toContainText('By plain HTTP')
  await press(page, 'Readings come from: By hand')
  await expect(page.getByText('touch the scale where its needle stands')).toBeVisible()
})
