import type { Page } from '@playwright/test'
import { PNG } from 'pngjs'
import { withCamera, refuseCamera, writeVideo } from './fakeCamera'
import { press } from './running'
import { buildId, expect, type Running, sharing as test } from './server'

/** An old shell as a camera sees it from above: grey, coppery along one edge, with one score across. */
const [WIDE, HIGH] = [800, 600]
function drawShell(): PNG {
  const png = new PNG({ width: WIDE, height: HIGH })
  for (let y = 0; y < HIGH; y++)
    for (let x = 0; x < WIDE; x++) {
      const isShell = x > 80 && x < 720 && y > 60 && y < 540
      const isEdge = x < 170
      const isScore = Math.abs(y - 300) < 2 && x > 300 && x < 500
      const [r, g, b] = !isShell ? [40, 42, 45] : isScore ? [60, 60, 62] : isEdge ? [172, 112, 74] : [150, 152, 155]
      png.data.set([r!, g!, b!, 255], 4 * (y * WIDE + x))
    }
  return png
}
const shell = drawShell()
const PHOTO = { name: 'shell.png', mimeType: 'image/png', buffer: PNG.sync.write(shell) }
test.use({
  launchOptions: async ({ launchOptions }, use) => use({ ...launchOptions, ...withCamera(writeVideo([shell, shell])) }),
})

async function openShell(page: Page, server: Running, id: string) {
  await page.goto(`${server.address}/build/${id}/bearings?view=journal&at=main.2`)
  const conditions = page.getByRole('group', { name: 'Old shell of Main 2' })
  await expect(conditions).toBeVisible()
  return conditions
}
const drag = async (page: Page, mark: string, [x, y]: [number, number]) => {
  const zones = page.getByTestId('shell-zones')
  const picture = zones.getByRole('img', { name: 'The picture that is measured' })
  await picture.scrollIntoViewIfNeeded()
  const box = (await picture.boundingBox())!
  const from = (await zones.locator(`[data-mark="${mark}"]`).boundingBox())!
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + (box.width * x) / WIDE, box.y + (box.height * y) / HIGH, { steps: 4 })
  await page.mouse.up()
}
const see = async (page: Page, label: string, words: string) => {
  await page.getByRole('combobox', { name: label }).click()
  await page.getByRole('option', { name: words, exact: true }).click()
  await expect(page.getByRole('option')).toHaveCount(0)
}

test('an old shell by photo: five zones beside the last set, a score by a ruler, and no verdict by colour alone', async ({
  server,
  bench: page,
}) => {
  const last = await buildId(server, 'Carousel set')
  const id = await buildId(server, 'Ottiline')
  const inspect = (build: string) =>
    page.request.get(`${server.address}/api/builds/${build}`).then(async (answer) => {
      const { sheet } = (await answer.json()) as { sheet: { inspections: Record<string, Record<string, unknown>> } }
      return sheet.inspections['main.2.oldShell']
    })
  // The last set: seen as even and grey all over, with its photo.
  for (const build of [last, id]) {
    const conditions = await openShell(page, server, build)
    const grey = conditions.getByRole('button', { name: 'even grey' })
    if ((await grey.getAttribute('aria-pressed')) !== 'true') await grey.click()
    await page.getByLabel('Photo of Old shell of Main 2').setInputFiles(PHOTO)
    await press(page, 'Zones and scores')
    const zones = page.getByTestId('shell-zones')
    await expect(zones.locator('[data-mark="crown"]')).toBeVisible()
    if (build === last)
      for (const zone of ['crown', 'front edge', 'rear edge', 'left joint', 'right joint'])
        await see(page, `Seen at the ${zone}`, 'even grey')
  }
  await expect.poll(async () => (await inspect(last))?.shell).toMatchObject({ zones: { rear: { seen: 'even grey' } } })
  const zones = page.getByTestId('shell-zones')
  const says = page.getByTestId('shell-says')
  await expect(says).toContainText('not looked at yet')
  // Marks are drawn where the finger leaves them, and kept with the photo.
  await drag(page, 'front', [120, 300])
  await see(page, 'Seen at the front edge', 'brown or coppery')
  await expect(says).toContainText('a colour alone is no verdict')
  await expect(says).not.toContainText('worn along one edge')
  await see(page, 'Fingernail at the front edge', 'goes over it')
  await expect(says).toContainText('likely a stain')
  await see(page, 'Fingernail at the front edge', 'catches')
  await expect(says).toContainText('worn along one edge')
  // Side by side with the last set, told in words.
  // Of two builds of one name the one that was changed last stands first.
  await page.getByRole('combobox', { name: 'Last set, of which build' }).click()
  await page.getByRole('option', { name: 'Carousel set' }).first().click()
  await expect(zones.locator('[data-zone="front"]')).toContainText('even grey, differs')
  await expect(zones.locator('.still img')).toHaveJSProperty('complete', true)
  await see(page, 'Seen at the crown', 'even grey')
  await expect(zones.locator('[data-zone="crown"]')).not.toContainText('differs')
  // A score of 200 pixels beside a ruler of 400 for 20 mm.
  await press(page, 'Mark a score')
  await expect(page.getByTestId('score')).toContainText('lay a ruler')
  await drag(page, 'score 0 from', [300, 300])
  await drag(page, 'score 0 to', [500, 300])
  await press(page, 'Lay a ruler')
  await drag(page, 'ruler 0 from', [200, 570])
  await drag(page, 'ruler 0 to', [600, 570])
  const length = zones.getByRole('textbox', { name: 'From mark to mark' })
  await length.fill('20 mm')
  await length.press('Enter')
  await expect(page.getByTestId('score')).toContainText(/ (9\.9|10\.0|10\.1) mm ± \d\.\d mm/)
  // All of it is in the record, and stands after a reload; another word for the whole keeps it.
  await expect.poll(async () => JSON.stringify((await inspect(id))?.shell)).toContain('"length":0.02')
  await page.reload()
  await press(page, 'Zones and scores')
  await expect(says).toContainText('worn along one edge')
  await expect(page.getByTestId('score')).toContainText('mm ±')
  await page
    .getByRole('group', { name: 'Old shell of Main 2' })
    .getByRole('button', { name: 'worn on one edge' })
    .click()
  await expect.poll(async () => (await inspect(id))?.finding).toBe('worn on one edge')
  expect(JSON.stringify((await inspect(id))?.shell)).toContain('"length":0.02')
  expect((await inspect(id))?.photos).toHaveLength(1)
})

test('an old shell before the camera: a foot takes the picture; where there is no camera, that is said and a photo is chosen', async ({
  server,
  bench: page,
  context,
}) => {
  await context.grantPermissions(['camera'])
  await page.addInitScript(() => localStorage.setItem('uldo.footKeys', '{"take":"PageDown"}'))
  const id = await buildId(server, 'Ottiline')
  const conditions = await openShell(page, server, id)
  const grey = conditions.getByRole('button', { name: 'even grey' })
  if ((await grey.getAttribute('aria-pressed')) !== 'true') await grey.click()
  await expect(page.getByTestId('hands-free')).toBeAttached({ timeout: 20_000 })
  const part = page.locator('section', { has: conditions })
  await part.getByRole('button', { name: 'Take a picture' }).click()
  const seen = part.locator('video')
  await expect.poll(() => seen.evaluate((each: HTMLVideoElement) => each.videoWidth)).toBe(WIDE)
  await page.keyboard.press('PageDown')
  const kept = part.getByRole('img', { name: 'Old shell of Main 2' })
  await expect(kept).toBeVisible()
  await expect.poll(() => kept.evaluate((each: HTMLImageElement) => each.naturalWidth)).toBe(WIDE)
  await expect(part.getByRole('button', { name: 'Zones and scores' })).toBeVisible()
  await refuseCamera(page)
  await page.reload()
  await part.getByRole('button', { name: 'Take a picture' }).click()
  await expect(part.getByRole('alert')).toContainText('The camera was refused')
  await page.evaluate(() => localStorage.setItem('camera', 'NotFoundError'))
  await part.getByRole('button', { name: 'Take a picture' }).click()
  await expect(part.getByRole('alert')).toContainText('no camera that the browser finds')
  await page.evaluate(() => Object.defineProperty(navigator, 'mediaDevices', { value: undefined }))
  await part.getByRole('button', { name: 'Take a picture' }).click()
  await expect(part.getByRole('alert')).toContainText('By plain HTTP')
})
