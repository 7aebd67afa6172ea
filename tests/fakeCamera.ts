import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Locator, Page } from '@playwright/test'
import { ARGS } from '../bin/lib/browser.mjs'
import type { Picture, Point } from '../core/sight/types'

/** A picture as a frame of a video: brightness of each pixel, colour of each four (ITU-R BT.601). */
function frameOf({ width, height, data }: Picture): Buffer {
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

/** Writes what the browser's stand-in for a camera sees, ten pictures a second, again and again; tells where. */
export function writeVideo(pictures: Picture[]): string {
  const seen = join(mkdtempSync(join(tmpdir(), 'uldo-camera-')), 'seen.y4m')
  const { width, height } = pictures[0]!
  writeFileSync(
    seen,
    Buffer.concat([Buffer.from(`YUV4MPEG2 W${width} H${height} F10:1 Ip A1:1 C420jpeg\n`), ...pictures.map(frameOf)]),
  )
  return seen
}

/** A browser that has this video for its camera. */
export const withCamera = (seen: string) => ({
  args: [
    ...ARGS,
    '--use-fake-ui-for-media-stream',
    '--use-fake-device-for-media-stream',
    `--use-file-for-fake-video-capture=${seen}`,
  ],
})

/** Drags marks to places of the picture that they lie in. */
export async function setMarks(
  page: Page,
  within: Locator,
  { width, height }: Picture,
  marks: readonly (readonly [string, Point])[],
) {
  const picture = within.getByRole('img', { name: 'The picture that is measured' })
  await picture.scrollIntoViewIfNeeded()
  const box = (await picture.boundingBox())!
  for (const [mark, to] of marks) {
    const from = (await within.locator(`[data-mark="${mark}"]`).boundingBox())!
    await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2)
    await page.mouse.down()
    await page.mouse.move(box.x + (box.width * to.x) / width, box.y + (box.height * to.y) / height, { steps: 4 })
    await page.mouse.up()
  }
}

/** A browser that refuses the camera, or as the page's own storage says under `camera` by the browser's name for it. */
export const refuseCamera = (page: Page) =>
  page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () =>
      Promise.reject(new DOMException('no', localStorage.getItem('camera') ?? 'NotAllowedError'))
  })
