import { randomUUID } from 'node:crypto'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import type { Page } from '@playwright/test'
import jsQR from 'jsqr'
import { PNG } from 'pngjs'
import { readFileSync } from 'node:fs'
import { buildId, expect, record, type Running, saved, test } from './server'
import { choose } from './controls'

const item = (page: Page, label: string) => page.locator(`[data-item="${label}"]`)
/** What a QR code in a picture says. */
function decoded(png: Buffer): string | undefined {
  const { data, width, height } = PNG.sync.read(png)
  return jsQR(new Uint8ClampedArray(data), width, height)?.data
}

test('Shelf: figures written where they stand, a CSV with bad rows, things put there and taken off', async ({
  server,
  bench: page,
}) => {
  await page.goto(`${server.address}/shelf?kind=washer`)
  await expect(item(page, 'Washer 1.20')).toBeVisible()
  await page.getByLabel('Washer 1.20, count').fill('7')
  await page.keyboard.press('Enter')
  await page.getByLabel('Washer 1.20, Thickness').fill('47 thou')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Washer 1.20, Thickness')).toHaveValue('1.19')
  // What the server answers is shown first: it would come between the choosing of the old text and the new one, which no hand does that fast.
  await saved(page)
  await page.getByLabel('Washer 1.20, Thickness').fill('thick')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('does not start with a number')
  await page.keyboard.press('Escape')
  await page.getByLabel('Washer 1.20, count').fill('many')
  await page.getByLabel('Washer 1.20, count').blur()
  await expect(page.getByRole('alert')).toContainText('enter 0 to 9999')

  await page.getByRole('button', { name: 'Add part' }).click()
  const form = page.getByRole('form', { name: 'New washer' })
  await form.getByLabel('Label').fill('Washer 0.3')
  await form.getByRole('button', { name: 'Put on the shelf' }).click()
  await expect(form.getByRole('alert')).toHaveText('Must be given')
  await form.getByLabel('Thickness').fill('0.3')
  await form.getByRole('button', { name: 'Put on the shelf' }).click()
  await expect(item(page, 'Washer 0.3')).toBeVisible()
  const removal = page.getByRole('button', { name: 'Remove Washer 0.3', exact: true })
  // Asked beside the button: what is lost is named, and the hand stands on keeping it. A page that still scrolls closes what floats.
  const asked = page.getByRole('alertdialog')
  await expect(async () => {
    await removal.click()
    await page.waitForTimeout(400)
    await expect(asked).toContainText('Washer 0.3: 1 in the drawer', { timeout: 500 })
  }).toPass()
  await expect(asked.getByRole('button', { name: 'Keep it' })).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(asked).toHaveCount(0)
  await expect(item(page, 'Washer 0.3')).toBeVisible()
  await removal.click()
  await asked.getByRole('button', { name: 'Remove the line' }).click()
  await expect(item(page, 'Washer 0.3')).toHaveCount(0)

  // A drawer is measured in a row: the next has what the last had but for its name and its measure, and the hand is on the name.
  await page.getByRole('button', { name: 'Add part' }).click()
  await form.getByLabel('Label').fill('Washer 0.31')
  await form.getByLabel('Thickness').fill('0.31')
  await form.getByLabel('Outside').fill('13.8')
  await form.getByRole('button', { name: 'And the next' }).click()
  await expect(form.getByLabel('Label')).toBeFocused()
  await expect(form.getByLabel('Label')).toHaveValue('')
  await expect(form.getByLabel('Outside')).toHaveValue('13.8')
  // What is measured of each is asked anew: the last one's thickness never stands under this one's name.
  await expect(form.getByLabel('Thickness')).toHaveValue('')
  await page.keyboard.type('Washer 0.32')
  await form.getByLabel('Thickness').fill('0.32')
  await form.getByRole('button', { name: 'Put on the shelf' }).click()
  await expect(form).toHaveCount(0)
  await expect(item(page, 'Washer 0.31')).toBeVisible()
  await expect(item(page, 'Washer 0.32')).toBeVisible()
  await expect(page.getByLabel('Washer 0.32, Outside')).toHaveValue('13.80')

  // Two thousand rows, three of them bad: the good ones are kept, the bad ones named, nothing is half done.
  const rows = Array.from(
    { length: 2000 },
    (_, i) => `washer,Lot ${i},,${i % 9},Cabinet ${i % 12},,,${(0.3 + 0.001 * i).toFixed(3)},14,6.4,yes`,
  )
  rows[499] = 'washer,Lot 499,,some,Cabinet 1,,,0.5,14,6.4,yes'
  rows[1199] = 'washer,Lot 1199,,1,Cabinet 1,,,0.5 bar,14,6.4,yes'
  rows[1799] = 'bolt,Lot 1799,,1,,,,,,,'
  await page.getByLabel('CSV file of the shelf').setInputFiles({
    name: 'lot.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      `kind,label,engine,count,place,note,price,thickness (mm),outside (mm),hole (mm),stainless\n${rows.join('\n')}\n`,
    ),
  })
  const report = page.getByRole('status', { name: 'What the file gave' })
  await expect(report).toContainText('1997 added, 0 changed, 3 rows left out')
  await expect(report.locator('li')).toHaveText([
    /^\s*Line 501, count: “some” is not a number/,
    /^\s*Line 1201, thickness \(mm\): “bar” is not a unit/,
    /^\s*Line 1801, kind: “bolt” is none of/,
  ])
  await expect(page.getByText('2,006 lines')).toBeVisible()
  await page.getByLabel('Find on the shelf').fill('lot 1998')
  await expect(page.getByLabel('Lot 1998, Thickness')).toHaveValue('2.30')
  const csv = await (await fetch(`${server.address}/api/shelf/csv?kind=washer`)).text()
  expect(csv.trim().split('\n')).toHaveLength(2007)
  // Taken in again, what went out changes nothing.
  const again = await (
    await fetch(`${server.address}/api/shelf/csv`, {
      method: 'POST',
      headers: { 'content-type': 'text/csv' },
      body: csv,
    })
  ).json()
  expect(again).toEqual({ added: 0, changed: 2006, bad: [] })
  expect(await (await fetch(`${server.address}/api/shelf/csv?kind=washer`)).text()).toBe(csv)
  const refused = await fetch(`${server.address}/api/shelf/csv`, {
    method: 'POST',
    headers: { 'content-type': 'text/csv' },
    body: 'kind,colour\nwasher,red',
  })
  expect(refused.status).toBe(400)
  expect((await refused.json()).error.message).toContain('“colour” is not known')
})

test('Shelf: a figure that two wrote is asked for with its unit', async ({ server, bench: page }) => {
  await page.goto(`${server.address}/shelf?kind=washer`)
  await expect(item(page, 'Washer 1.20')).toBeVisible()
  await page.route('**/api/shelf/changes', (route) => route.abort())
  await page.getByLabel('Washer 1.20, Thickness').fill('1.18')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('saving')).toContainText('kept here')
  const { items } = (await (await fetch(`${server.address}/api/shelf`)).json()) as {
    items: { id: string; label: string; properties: { thickness: number } }[]
  }
  const { id, properties } = items.find(({ label }) => label === 'Washer 1.20')!
  const body = {
    clientKey: randomUUID(),
    who: 'Ilse',
    item: id,
    kind: 'set',
    was: { 'properties.thickness': properties.thickness },
    set: { 'properties.thickness': 1.22e-3 },
  }
  expect(
    (
      await fetch(`${server.address}/api/shelf/changes`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      })
    ).status,
  ).toBe(200)
  await page.unroute('**/api/shelf/changes')
  await expect(page.getByRole('button', { name: 'Keep 1.22 mm' })).toBeVisible({ timeout: 20_000 })
  await page.getByRole('button', { name: 'Write 1.18 mm' }).click()
  await expect
    .poll(
      async () =>
        ((await (await fetch(`${server.address}/api/shelf`)).json()) as { items: typeof items }).items.find(
          (each) => each.id === id,
        )!.properties.thickness,
    )
    .toBeCloseTo(1.18e-3, 9)
})

test('Shelf: what a build holds is counted, refused to others, and put back', async ({ server, bench: page }) => {
  const [ferry, tractor] = [await buildId(server, 'Ottiline'), await buildId(server, 'Rescue tractor 2')]
  const shelf = async () =>
    (await (await fetch(`${server.address}/api/shelf`)).json()) as {
      items: { id: string; label: string; count: number; reserved: number }[]
    }
  const { id } = (await shelf()).items.find(({ label }) => label === 'Spring C, plain')!
  const move = (build: string, what: string, count = 1) =>
    fetch(`${server.address}/api/builds/${build}/shelf`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ who: 'Oda', orders: [{ clientKey: crypto.randomUUID(), item: id, move: what, count }] }),
    })
  expect((await move(ferry, 'reserve')).status).toBe(200)
  const taken = await move(tractor, 'take')
  expect(taken.status).toBe(409)
  expect((await taken.json()).error.message).toBe('Spring C, plain: 0 can be taken, 1 are wanted')
  await page.goto(`${server.address}/shelf`)
  await expect(item(page, 'Spring C, plain')).toContainText('1 set aside')
  await expect(page.getByRole('region', { name: 'With builds' })).toContainText('Ottiline: 1 set aside')
  await page.getByRole('button', { name: 'Put back' }).click()
  await expect(page.getByRole('region', { name: 'With builds' })).toHaveCount(0)
  // Without the server nothing is moved, and that is said.
  await page.route('**/api/shelf/**', (route) => route.abort())
  await page.getByLabel('Spring C, plain, count').fill('9')
  await page.keyboard.press('Enter')
  // Kept here and shown as not there yet; entered once the server is back.
  await expect(item(page, 'Spring C, plain')).toContainText('on its way')
  await expect(page.getByTestId('saving')).toContainText('1 kept here')
  expect((await shelf()).items.find(({ label }) => label === 'Spring C, plain')!.count).toBe(1)
})

test('House rules: a change names the builds that it would move before it is written, then judges by it, and goes back', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/house`)
  await page.getByRole('textbox', { name: 'Spring travel left at full lift', exact: true }).fill('6 mm')
  await page.keyboard.press('Enter')
  // 5.3 mm are left at the ferry's valve; the others keep their verdicts.
  // Each build is computed by the old rules and by the new ones.
  await expect(page.getByTestId('moves')).toContainText(/Ottiline.*Relief: pass to watch spring near coil bind/, {
    timeout: 40_000,
  })
  await expect(page.getByTestId('moves').locator('li').filter({ hasText: 'Rescue tractor' })).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Write the rules' })).toBeDisabled()
  await page.getByLabel('Reason for Spring travel left at full lift').fill('long ferry runs')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Write the rules' }).click()
  await expect(page.getByText('Change a limit, and the builds')).toBeVisible()
  await page.goto(`${server.address}/build/${id}/relief`)
  await expect(page.getByRole('region', { name: 'Judgement' })).toContainText(
    '5.30 mm left before the coils touch, house mark 6.00 mm',
  )
  // The file that leaves the shop is judged the same elsewhere.
  expect((await (await fetch(`${server.address}/api/builds/${id}/file`)).json()).house).toEqual({
    rules: { 'relief.bindMargin': 0.006 },
    school: 'auto',
  })
  const refused = await fetch(`${server.address}/api/builds/${id}/entries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      clientKey: crypto.randomUUID(),
      device: crypto.randomUUID(),
      base: 0,
      who: 'Oda',
      patch: [{ op: 'add', path: '/house', value: { rules: {}, school: 'auto' } }],
      reason: '',
    }),
  })
  expect(refused.status).toBe(400)

  await page.goto(`${server.address}/house`)
  await page.getByRole('button', { name: 'Spring travel left at full lift: back to 1.00 mm' }).click()
  await expect(page.getByTestId('moves')).toContainText('watch to pass')
  await page.getByRole('button', { name: 'Write the rules' }).click()
  await expect(page.getByText('Change a limit, and the builds')).toBeVisible()
  await page.getByRole('textbox', { name: 'Pickup above the floor, least' }).fill('15')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText(
    'Pickup above the floor, least is above pickup above the floor, most',
  )
  await page.getByRole('button', { name: 'Leave as they were' }).click()

  await page.getByRole('tab', { name: 'Instruments' }).click()
  await page.getByLabel('Feeler gauge, repeatability').fill('9 µm')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Feeler gauge, repeatability')).toHaveValue('0.009')
  await page.getByRole('tab', { name: 'Cautions', exact: true }).click()
  await page.getByLabel('Caution', { exact: true }).fill('The ferry’s drain plug drips: tray first.')
  await choose(page.getByRole('combobox', { name: 'At station' }), 'Pickup')
  await page.getByRole('region', { name: 'Cautions' }).getByRole('button', { name: 'Add' }).click()
  await expect(page.getByText('tray first')).toBeVisible()
  await page.goto(`${server.address}/build/${id}/pickup`)
  await expect(page.getByText('The ferry’s drain plug drips: tray first.')).toBeVisible()
})

test('the plug’s label opens as SVG and PDF, and its code leads back to the build', async ({ server, bench: page }) => {
  const id = await buildId(server, 'Ottiline')
  const address = `${server.address}/build/${id}/relief`
  await page.setViewportSize({ width: 900, height: 420 })
  await page.goto(`${server.address}/api/builds/${id}/label?form=svg`)
  const words = (await page.locator('text').allTextContents()).join('\n')
  expect(words).toContain('Opens 4.06 bar')
  expect(words).toContain('Shims 1.50 mm: 1.0 + 0.5')
  await page.evaluate(() =>
    Object.entries({ width: '880', height: '372' }).forEach(([name, value]) =>
      document.documentElement.setAttribute(name, value),
    ),
  )
  expect(decoded(await page.screenshot())).toBe(address)

  const pdf = await labelPages(page, server, id)
  expect(pdf.words).toContain('Relief plug')
  expect(pdf.words).toContain('Opens 4.06 bar')
  expect(pdf.millimetres.map(Math.round)).toEqual([90, 38])
  expect(decoded(pdf.picture)).toBe(address)

  // Through the page: the label follows what is recorded.
  await page.setViewportSize({ width: 1280, height: 800 })
  await page.goto(`${server.address}/build/${id}/relief?view=routes`)
  await record(page, { 'relief.wanted': '4.6' })
  await saved(page)
  await page.getByRole('tab', { name: 'Plug label' }).click()
  await expect(page.getByRole('img', { name: /Label of the relief plug/ })).toBeVisible()
  expect((await fetch(`${server.address}/api/builds/${id}/label?valve=relief2`)).status).toBe(404)
})

/** A PDF label drawn by an independent reader inside the browser. */
async function labelPages(page: Page, server: Running, id: string) {
  const folder = dirname(createRequire(import.meta.url).resolve('pdfjs-dist/package.json'))
  for (const name of ['pdf', 'pdf.worker'])
    await page.route(`**/${name}.min.mjs`, (route) =>
      route.fulfill({
        contentType: 'text/javascript',
        body: readFileSync(join(folder, `build/${name}.min.mjs`), 'utf8'),
      }),
    )
  // A page of this origin that lets the reader run: the application’s own pages take no foreign script.
  await page.route('**/reader', (route) =>
    route.fulfill({ contentType: 'text/html', body: '<!doctype html><title>Reader</title>' }),
  )
  await page.goto(`${server.address}/reader`)
  const read = await page.evaluate(async (address) => {
    const source = '/pdf.min.mjs'
    const library = await import(source)
    library.GlobalWorkerOptions.workerSrc = '/pdf.worker.min.mjs'
    const first = await (await library.getDocument(address).promise).getPage(1)
    const viewport = first.getViewport({ scale: 4 })
    const canvas = Object.assign(document.createElement('canvas'), { width: viewport.width, height: viewport.height })
    await first.render({ canvasContext: canvas.getContext('2d'), viewport }).promise
    const text = await first.getTextContent()
    return {
      words: text.items.map((each: { str: string }) => each.str).join('\n') as string,
      millimetres: [viewport.width, viewport.height].map((pixels) => ((pixels / 4) * 25.4) / 72),
      picture: canvas.toDataURL('image/png'),
    }
  }, `/api/builds/${id}/label?form=pdf`)
  return { ...read, picture: Buffer.from(read.picture.split(',')[1], 'base64') }
}
