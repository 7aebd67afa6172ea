import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { ARGS } from '../bin/lib/browser.mjs'
import { drawStripPhoto } from '../bin/lib/senses/stripPhoto'
import { seeded } from '../core/random/random'
import { buildId, expect, type Running, sharing as test } from './server'

/** What the browser's stand-in for a camera sees: one strip beside its scale. */
const photo = [1, 2, 3, 4, 5, 6]
  .map((seed) => drawStripPhoto(seeded(seed)))
  .find(({ width }) => width > 1.4 && width < 4)!
const seen = join(mkdtempSync(join(tmpdir(), 'uldo-camera-')), 'strip.y4m')
/** A picture as the frames of a video: brightness of each pixel, colour of each four (ITU-R BT.601). */
function frame(): Buffer {
  const { width, height, data } = photo.picture
  const y = Buffer.alloc(width * height)
  const [u, v] = [Buffer.alloc(y.length / 4), Buffer.alloc(y.length / 4)]
  for (let i = 0; i < y.length; i++) {
    const [r, g, b] = [data[4 * i]!, data[4 * i + 1]!, data[4 * i + 2]!]
    y[i] = 16 + (65.481 * r + 128.553 * g + 24.966 * b) / 255
    const [column, row] = [i % width, Math.floor(i / width)]
    if (column % 2 || row % 2) continue
    const at = (row / 2) * (width / 2) + column / 2
    u[at] = 128 + (-37.797 * r - 74.203 * g + 112 * b) / 255
    v[at] = 128 + (112 * r - 93.786 * g - 18.214 * b) / 255
  }
  return Buffer.concat([Buffer.from('FRAME\n'), y, u, v])
}
const { width, height } = photo.picture
writeFileSync(
  seen,
  Buffer.concat([
    Buffer.from(`YUV4MPEG2 W${width} H${height} F10:1 Ip A1:1 C420jpeg\n`),
    ...Array.from({ length: 5 }, frame),
  ]),
)
test.use({
  launchOptions: async ({ launchOptions }, use) =>
    use({
      ...launchOptions,
      args: [
        ...ARGS,
        '--use-fake-ui-for-media-stream',
        '--use-fake-device-for-media-stream',
        `--use-file-for-fake-video-capture=${seen}`,
      ],
    }),
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
  const box = (await picture.boundingBox())!
  for (const [mark, to] of [
    ['first', photo.taps.scale[0]],
    ['last', photo.taps.scale[1]],
    ['strip', photo.taps.strip],
  ] as const) {
    const from = (await strip.locator(`[data-mark="${mark}"]`).boundingBox())!
    await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2)
    await page.mouse.down()
    await page.mouse.move(box.x + (box.width * to.x) / width, box.y + (box.height * to.y) / height, { steps: 4 })
    await page.mouse.up()
  }
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
  await page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () =>
      Promise.reject(new DOMException('no', localStorage.getItem('camera') ?? 'NotAllowedError'))
  })
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
