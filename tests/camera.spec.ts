import type { Page } from '@playwright/test'
import { drawStripPhoto } from '../bin/lib/senses/stripPhoto'
import { seeded } from '../core/random/random'
import { refuseCamera, setMarks, withCamera, writeVideo } from './fakeCamera'
import { buildId, expect, type Running, sharing as test } from './server'

/** What the browser's stand-in for a camera sees: one strip beside its scale. */
const photo = [1, 2, 3, 4, 5, 6]
  .map((seed) => drawStripPhoto(seeded(seed)))
  .find(({ width }) => width > 1.4 && width < 4)!
test.use({
  launchOptions: async ({ launchOptions }, use) =>
    use({ ...launchOptions, ...withCamera(writeVideo(Array.from({ length: 5 }, () => photo.picture))) }),
})
const openStrip = async (page: Page, server: Running) => {
  await page.goto(
    `${server.address}/build/${await buildId(server, 'Rescue tractor 2')}/bearings?view=journal&at=main.2`,
  )
  const strip = page.getByTestId('strip-photo')
  await strip.scrollIntoViewIfNeeded()
  await strip.getByRole('button', { name: 'Take a picture' }).click()
  return strip
}

test('a strip is measured in what the camera sees', async ({ server, bench: page, context }) => {
  await context.grantPermissions(['camera'])
  const strip = await openStrip(page, server)
  await expect(strip.getByLabel('What the camera sees')).toBeVisible()
  await expect
    .poll(() => strip.locator('video').evaluate((video: HTMLVideoElement) => video.videoWidth))
    .toBeGreaterThan(0)
  await strip.getByRole('button', { name: 'Take it' }).click()
  const picture = strip.getByRole('img', { name: 'The picture that is measured' })
  await expect(picture).toBeVisible()
  await setMarks(page, strip, photo.picture, [
    ['first', photo.taps.scale[0]],
    ['last', photo.taps.scale[1]],
    ['strip', photo.taps.strip],
  ])
  await strip.getByRole('button', { name: 'Measure', exact: true }).click()
  const found = page.getByTestId('strip-found')
  await expect(found).toContainText('wide')
  const [, said] = /([\d.]+) ± [\d.]+ mm wide/.exec((await found.textContent())!)!
  expect(Math.abs(Number(said) - photo.width)).toBeLessThan(0.03)
})

test('a camera that is refused, or that there is none of: it says so, and the way round', async ({
  server,
  bench: page,
}) => {
  await refuseCamera(page)
  const strip = await openStrip(page, server)
  await expect(strip.getByRole('alert')).toContainText('The camera was refused')
  await page.evaluate(() => localStorage.setItem('camera', 'NotFoundError'))
  await strip.getByRole('button', { name: 'Take a picture' }).click()
  await expect(strip.getByRole('alert')).toContainText('no camera that the browser finds')
  await page.addInitScript(() => Object.defineProperty(navigator, 'mediaDevices', { value: undefined }))
  await page.reload()
  await strip.getByRole('button', { name: 'Take a picture' }).click()
  await expect(strip.getByRole('alert')).toContainText('By plain HTTP')
})
