import { drawEngineSound } from '../bin/lib/senses/engineSound'
import { seeded } from '../core/random/random'
import { refuseCamera } from './fakeCamera'
import { withMicrophone, writeSound } from './fakeMicrophone'
import { press, runsOf, samplesOf } from './running'
import { buildId, expect, ontoTheBoard, type Running, sharing as test } from './server'
import type { Page } from '@playwright/test'

/** What the stand-in for a microphone hears, again and again: the shop, and in it a four-cylinder engine at a fast idle that nobody has told of. */
const [SHOP, RUNS, SPEED] = [5, 14, 18.3] as const
const sound = drawEngineSound(seeded(3), {
  fires: [0, 180, 360, 540],
  speed: SPEED,
  over: 18,
  before: SHOP,
  seconds: RUNS,
  calm: true,
})
test.use({
  launchOptions: async ({ launchOptions }, use) =>
    use({ ...launchOptions, ...withMicrophone(writeSound(sound.samples, sound.rate)) }),
})
const openBoard = async (page: Page, server: Running) => {
  const id = await buildId(server, 'Rescue tractor 2')
  await page.goto(`${server.address}/build/${id}/start`)
  await press(page, 'Readings come from: By hand')
  await ontoTheBoard(page)
  return id
}

test('by hand, the ear tells the speed where it is sure, and where it is not the throttle’s word stands', async ({
  server,
  bench: page,
  context,
}) => {
  await context.grantPermissions(['microphone'])
  const id = await openBoard(page, server)
  const ear = page.getByTestId('ear')
  const speed = page.getByTestId('board-speed')
  await press(page, 'Speed by ear')
  await expect(page.getByTestId('ear-not')).toContainText('Hears the shop')
  await expect(speed).toHaveText('speed not known')
  await press(page, 'Crank')
  await expect(page.getByTestId('ear-not')).toContainText('Listens once it fires')
  await expect(speed).toContainText('as the throttle stands')
  await press(page, 'Fired')
  await page.getByTestId('typed-reading').fill('3.1')
  await press(page, 'Write down')
  await expect(page.getByTestId('ear-hears')).toContainText(' of 100 sure', { timeout: 20_000 })
  await expect(speed).toContainText('by ear')
  // What was heard alone is no pressure of nought on the chart.
  await expect(page.locator('.strip-chart svg')).toHaveAttribute('aria-label', /3\.10 bar/)
  const rpm = Number(/[\d,]+/.exec((await speed.textContent())!)![0].replace(',', ''))
  expect(rpm / 60 / SPEED).toBeCloseTo(1, 1.7)
  // Each speed that was sure is in the run's record, apart from what a tachometer would say.
  const [run] = await runsOf(server, id)
  const heard = async () => (await samplesOf(server, run.id)).filter((each) => each.heard !== undefined)
  await expect.poll(async () => (await heard()).length).toBeGreaterThan(4)
  for (const each of await heard()) expect(Math.abs(each.heard! / SPEED - 1)).toBeLessThan(0.01)
  expect((await samplesOf(server, run.id)).every((each) => each.heard === undefined || each.speed === undefined)).toBe(
    true,
  )
  // The engine is gone from what is heard: nothing is made up.
  await expect(page.getByTestId('ear-not')).toContainText('Not sure', { timeout: 20_000 })
  await expect(speed).toContainText('as the throttle stands')
  await press(page, 'Close the microphone')
  await expect(ear.getByRole('button', { name: 'Speed by ear' })).toBeVisible()
  await press(page, 'Off')
})

test('no microphone: said with the way round, and the start goes on by the throttle’s word', async ({
  server,
  bench: page,
}) => {
  await refuseCamera(page)
  await openBoard(page, server)
  const alert = page.getByTestId('ear').getByRole('alert')
  await press(page, 'Speed by ear')
  await expect(alert).toContainText('The microphone was refused')
  await page.evaluate(() => localStorage.setItem('camera', 'NotFoundError'))
  await press(page, 'Speed by ear')
  await expect(alert).toContainText('no microphone that the browser finds')
  await page.evaluate(() => Object.defineProperty(navigator, 'mediaDevices', { value: undefined }))
  await press(page, 'Speed by ear')
  await expect(alert).toContainText('By plain HTTP')
  await press(page, 'Cold idle')
  await expect(page.getByTestId('board-speed')).toContainText('as the throttle stands')
  await press(page, 'Off')
})

test('a board that is left while the browser asks for the microphone leaves none open', async ({
  server,
  bench: page,
  context,
}) => {
  await context.grantPermissions(['microphone'])
  await page.addInitScript(() => {
    const give = navigator.mediaDevices.getUserMedia.bind(navigator.mediaDevices)
    const given: MediaStream[] = []
    Object.assign(window, { given })
    navigator.mediaDevices.getUserMedia = async (wanted) => {
      const stream = await give(wanted)
      await new Promise((late) => setTimeout(late, 1500))
      given.push(stream)
      return stream
    }
  })
  await openBoard(page, server)
  await press(page, 'Speed by ear')
  await press(page, 'Back to the bench')
  const tracks = () =>
    page.evaluate(() =>
      (window as unknown as { given: MediaStream[] }).given.flatMap((each) =>
        each.getTracks().map(({ readyState }) => readyState),
      ),
    )
  await expect.poll(tracks).toEqual(['ended'])
})
