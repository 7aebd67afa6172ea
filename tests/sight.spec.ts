import type { Page } from '@playwright/test'
import { PNG } from 'pngjs'
import { drawStripPhoto, type StripPhoto } from '../bin/lib/senses/stripPhoto'
import { seeded } from '../core/random/random'
import type { Point } from '../core/sight/types'
import { buildId, expect, saved, sharing as test } from './server'

const fileOf = ({ picture: { width, height, data } }: StripPhoto) => {
  const png = new PNG({ width, height })
  png.data = Buffer.from(data.buffer)
  return { name: 'strip.png', mimeType: 'image/png', buffer: PNG.sync.write(png) }
}

/** Drags a mark to a place of the picture, as a finger does, and the last pixels by arrow keys. */
async function put(page: Page, mark: string, { x, y }: Point, width: number): Promise<void> {
  const button = page.locator(`[data-mark="${mark}"]`)
  const box = (await page.locator('[data-testid="strip-photo"] img').boundingBox())!
  const from = (await button.boundingBox())!
  const scale = box.width / width
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + scale * x + 4, box.y + scale * y + 4, { steps: 5 })
  await page.mouse.move(box.x + scale * (x + 3), box.y + scale * y, { steps: 2 })
  await page.mouse.up()
  await expect(page.getByRole('img', { name: /four times as large/ })).toBeVisible()
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowLeft')
}

test('a strip measured in a photo: what is wrong with a picture is said; a good one is confirmed, kept with its uncertainty and its photo', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Rescue tractor 2')
  await page.goto(`${server.address}/build/${id}/bearings?view=journal&at=main.3`)
  const strip = page.getByTestId('strip-photo')
  await strip.scrollIntoViewIfNeeded()
  const pick = strip.locator('input[type="file"]')
  await pick.setInputFiles({ name: 'notes.txt', mimeType: 'image/png', buffer: Buffer.from('no picture') })
  await expect(strip.getByRole('alert')).toContainText('“notes.txt” is no picture')

  const marked = async (photo: StripPhoto) => {
    await pick.setInputFiles(fileOf(photo))
    await expect(strip.getByRole('img', { name: 'The picture that is measured' })).toBeVisible()
    await strip.locator('img').scrollIntoViewIfNeeded()
    await put(page, 'first', photo.taps.scale[0], photo.picture.width)
    await put(page, 'last', photo.taps.scale[1], photo.picture.width)
    await put(page, 'strip', photo.taps.strip, photo.picture.width)
    await strip.getByRole('button', { name: 'Measure', exact: true }).click()
  }
  await marked(drawStripPhoto(seeded(5), 'glare'))
  await expect(strip.getByRole('alert')).toContainText('A reflection lies over the strip')

  // Beside a feeler's blade its width is less sure, and says so.
  await strip.getByRole('button', { name: 'Beside the strip: straight edges: feeler, shell' }).click()
  const blade = drawStripPhoto(seeded(301), undefined, 'edges')
  await strip.getByLabel('Its size').fill('12.7 mm')
  await marked(blade)
  await expect(page.getByTestId('strip-found')).toContainText('wide')
  const bySize = /([\d.]+) ± ([\d.]+) mm wide/.exec((await page.getByTestId('strip-found').textContent())!)!
  expect(Math.abs(Number(bySize[1]) - blade.width)).toBeLessThan(2 * Number(bySize[2]))
  await strip.getByRole('button', { name: 'Beside the strip: a printed scale' }).click()

  // Within this gauge's scale of 1.3 to 4.2 mm.
  const photo = [1, 2, 3, 4, 5, 6]
    .map((seed) => drawStripPhoto(seeded(seed)))
    .find(({ width }) => width > 1.4 && width < 4)!
  await marked(photo)
  const found = page.getByTestId('strip-found')
  await expect(found).toContainText('wide')
  const [, width, sigma] = /([\d.]+) ± ([\d.]+) mm wide/.exec((await found.textContent())!)!
  expect(Math.abs(Number(width) - photo.width)).toBeLessThan(0.03)
  expect(Number(sigma)).toBeLessThan(0.04)
  await found.getByRole('button', { name: 'Keep it as the reading' }).click()
  await expect(found).toHaveCount(0)
  await saved(page)
  const { sheet } = (await (await fetch(`${server.address}/api/builds/${id}`)).json()) as {
    sheet: { readings: Record<string, { value: number; uncertainty: number; photos: string[]; typed: string }> }
  }
  const reading = sheet.readings['main.3.clearance']!
  expect(reading.value).toBeGreaterThan(25e-6)
  expect(reading.value).toBeLessThan(76e-6)
  expect(reading.uncertainty).toBeGreaterThan(1e-6)
  expect(reading.typed).toContain('photo')
  const kept = await fetch(`${server.address}/api/builds/${id}/photos/${reading.photos[0]}`)
  expect([kept.status, kept.headers.get('content-type')]).toEqual([200, 'image/jpeg'])
})
