import type { Page } from '@playwright/test'
import type { Entry } from '../core/record/entry'
import {
  buildId,
  expect,
  field,
  kept,
  PHOTO,
  record,
  type Running,
  saved,
  startServer,
  sharing as test,
  test as alone,
} from './server'
import { enter, clearance, judgement } from './bearing'
import { choose } from './controls'

async function newSix(server: Running): Promise<string> {
  const made = await fetch(`${server.address}/api/builds`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ preset: 'inline6', name: 'Ferry spare', engine: 'Hesper 3.6' }),
  })
  return ((await made.json()) as { id: string }).id
}

/** Counts what the strip asks of the model from here on. */
async function questions(page: Page): Promise<() => Promise<Record<string, number>>> {
  await page.evaluate(() => {
    const counted: Record<string, number> = ((window as { counted?: Record<string, number> }).counted = {})
    const post = Worker.prototype.postMessage as (...given: unknown[]) => void
    Worker.prototype.postMessage = function (this: Worker, ...given: unknown[]) {
      const [name] = (given[0] as { path?: string[] }).path ?? []
      if (name?.toLowerCase().endsWith('outlook')) counted[name] = (counted[name] ?? 0) + 1
      post.apply(this, given)
    }
  })
  return () => page.evaluate(() => (window as { counted?: Record<string, number> }).counted!)
}

test('all thirteen bearings of an inline six from the keyboard, in mixed units, with a slip, one over its limit, a reload and a lost network', async ({
  server,
  bench: page,
  context,
}) => {
  test.setTimeout(180_000)
  const id = await newSix(server)
  await page.goto(`${server.address}/build/${id}/brief`)
  await record(page, {
    'limit.mainLeast': '0.040',
    'limit.mainMost': '3 thou',
    'limit.rodLeast': '0.035',
    'limit.rodMost': '0.070',
  })
  await page.keyboard.press('Escape')
  await page.locator('h1').click()
  await page.keyboard.press('g')
  await page.keyboard.press('2')
  await expect(page.locator('h1')).toHaveText('Bearings')
  const idleHot = page.locator('[data-state="idleHot"]')
  await expect(idleHot.getByTestId('pressure')).toHaveText(/\d\.\d/)

  // From the drawing into the table, then nothing but values and Enter.
  await page.locator('[data-part="main.1"]').focus()
  await page.keyboard.press('Enter')
  await expect(field(page, 'main.1.journal')).toBeFocused()
  for (const text of ['65.981', '2.59988 in', '65.982', '66.040', '65.980']) await enter(page, text)
  // 2.59988 in is 66.037 mm: 0.056 is left.
  await expect(clearance(page, 'main.1')).toContainText('0.056')
  await enter(page, '660.37')
  await expect(page.getByRole('alert')).toContainText('Use 66.037 mm')
  await page.getByRole('button', { name: 'Use 66.037 mm' }).click()
  await expect(clearance(page, 'main.3')).toContainText('0.057')
  await expect(field(page, 'main.4.journal')).toBeFocused()
  for (const text of ['65.961', '66.055']) await enter(page, text)
  // 66.055 − 65.961 = 0.094, 0.018 over three thou.
  await expect(judgement(page)).toContainText('Main 4 stop: 0.094 mm, limit 0.076.')
  await expect(judgement(page)).toContainText('0.018 mm too loose')
  await expect(idleHot).toContainText(/down .* since main 4 bore was written/)

  await saved(page)
  await page.reload()
  await expect(clearance(page, 'main.4')).toContainText('0.094')
  await field(page, 'main.5.journal').focus()
  for (const text of ['65.981', '66.038']) await enter(page, text)

  await kept(page)
  await context.setOffline(true)
  for (const text of ['65979 µm', '66.040', '65.980', '66.036', '53.984', '54.035', '53.985', '54.037', '53.982'])
    await enter(page, text)
  await expect(page.getByTestId('saving')).toContainText('kept here')
  await context.setOffline(false)
  for (const text of ['54.040', '53.984', '54.034', '53.983', '54.037', '53.985', '54.037; 54.038; 54.036'])
    await enter(page, text)
  await saved(page)
  await expect(page.getByTestId('tally')).toHaveText('26 of 27')
  for (const [name, gap] of [
    ['main.6', '0.061'],
    ['main.7', '0.056'],
    ['rod.1', '0.051'],
    ['rod.3', '0.058'],
    ['rod.6', '0.052'],
  ])
    await expect(clearance(page, name)).toContainText(gap)

  const entries = (await (await fetch(`${server.address}/api/builds/${id}/entries`)).json()) as Entry[]
  expect(entries.map((entry) => entry.revision)).toEqual(entries.map((_, i) => i + 1))
  const written = entries
    .flatMap((entry) => entry.patch.map((operation) => operation.path.replace('/readings/', '')))
    .filter((key) => /^(main|rod)\./.test(key))
  expect(written).toHaveLength(26)
  expect(written.slice(0, 4)).toEqual(['main.1.journal', 'main.1.bore', 'main.2.journal', 'main.2.bore'])
  expect(new Set(written).size).toBe(26)
  const last = entries[entries.length - 1].patch[0] as unknown as { value: { value: number; repeats: number[] } }
  expect(last.value.value).toBeCloseTo(0.054037, 9)
  expect(last.value.repeats).toHaveLength(3)
})

alone(
  'a hundred and fifty patches typed while the server is dead arrive once each, in order, after it was started again',
  async ({ bench: page }) => {
    test.setTimeout(400_000)
    let server = await startServer()
    const id = await newSix(server)
    await page.goto(`${server.address}/build/${id}/bearings`)
    await expect(field(page, 'main.1.journal')).toBeVisible()
    await server.stop('SIGKILL')
    // What a hand does a hundred and fifty times, through the very field: type and Enter.
    await page.evaluate(async () => {
      for (let i = 0; i < 150; i++) {
        const input = document.querySelector<HTMLInputElement>(`input[data-reading="main.${1 + (i % 7)}.journal"]`)!
        input.focus()
        input.value = (65.9 + i / 10_000).toFixed(4)
        input.dispatchEvent(new Event('input', { bubbles: true }))
        input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true }))
        await new Promise((done) => setTimeout(done, 5))
      }
    })
    await expect(page.getByTestId('saving')).toHaveText('offline, 150 kept here')
    server = await startServer(server.folder, server.port)
    await expect(page.getByTestId('saving')).toHaveText('saved', { timeout: 120_000 })
    // What could not be fetched beforehand while the server was dead is fetched now.
    await kept(page)
    const entries = (await (await fetch(`${server.address}/api/builds/${id}/entries`)).json()) as Entry[]
    const values = entries.map((entry) =>
      Math.round(((entry.patch[0] as unknown as { value: { value: number } }).value.value * 1e3 - 65.9) * 10_000),
    )
    expect(values).toEqual(Array.from({ length: 150 }, (_, i) => i))
    await server.stop()
  },
)

test('a value tells its story: instrument, note, photo, former values, restore; undo and redo leave others’ values alone', async ({
  server,
  bench: page,
  context,
}) => {
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/bearings`)
  const bar = page.getByRole('complementary', { name: 'The value under the hand' })
  await field(page, 'main.2.bore').focus()
  await expect(bar).toContainText('Main 2 bore Bore gauge 50 to 100, Maren')
  await choose(bar.getByRole('combobox', { name: 'Instrument' }), 'Micrometer 50 to 75')
  await record(page, { 'main.2.bore': '66.041; 66.043' })
  await field(page, 'main.2.bore').focus()
  await expect(bar).toContainText('Micrometer 50 to 75, Maren')
  await expect(bar).toContainText('mean of 66.041, 66.043')
  await bar.getByRole('button', { name: 'Note' }).click()
  await bar.getByLabel(/Note on/).fill('read after lunch, cap retorqued')
  await bar.getByRole('button', { name: 'Write note' }).click()
  await expect(bar).toContainText('cap retorqued')
  await bar.getByLabel('Photo of Main 2 bore').setInputFiles(PHOTO)
  await expect(bar.getByRole('img', { name: 'Photo of Main 2 bore' })).toBeVisible()
  await bar
    .getByLabel('Photo of Main 2 bore')
    .setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('hello') })
  await expect(bar.getByRole('alert')).toContainText('no picture')
  await bar.getByRole('button', { name: 'Former values' }).click()
  await record(page, { 'main.2.bore': '66.050' })
  await field(page, 'main.2.bore').focus()
  await bar.getByRole('button', { name: 'Former values' }).click()
  await bar.getByTestId('former').getByRole('button', { name: 'Restore 66.042' }).first().click()
  await expect(field(page, 'main.2.bore')).toHaveValue('66.042')
  await saved(page)

  const other = await context.newPage()
  await other.goto(`${server.address}/build/${id}/bearings`)
  await record(other, { 'main.2.bore': '66.039' })
  await expect(field(page, 'main.2.bore')).toHaveValue('66.039')
  await page.locator('h1').click()
  await page.keyboard.press('z')
  await expect(page.getByText('Main 2 bore was changed by somebody else since: not undone.')).toBeVisible()
  await expect(field(page, 'main.2.bore')).toHaveValue('66.039')
  await record(page, { 'main.3.bore': '66.045' })
  await page.locator('h1').click()
  await page.keyboard.press('z')
  await expect(field(page, 'main.3.bore')).not.toHaveValue('66.045')
  await page.keyboard.press('Shift+Z')
  await expect(field(page, 'main.3.bore')).toHaveValue('66.045')
})

test('two browsers: different journals merge; on the same one the second is asked, and either answer holds', async ({
  server,
  bench: page,
  browser,
  context,
}) => {
  const id = await newSix(server)
  const elsewhere = await browser.newContext({ locale: 'en-GB' })
  const other = await elsewhere.newPage()
  await other.addInitScript(() => localStorage.setItem('uldo.who', 'Ilse'))
  for (const each of [page, other]) {
    await each.goto(`${server.address}/build/${id}/bearings`)
    await expect(field(each, 'main.1.journal')).toBeVisible()
  }
  await kept(page)
  await context.setOffline(true)
  await record(page, { 'main.1.journal': '65.981', 'main.2.journal': '65.980', 'rod.1.journal': '53.984' })
  await expect(page.getByTestId('saving')).toContainText('3 kept here')
  await record(other, { 'main.1.journal': '65.975', 'main.3.journal': '65.982', 'rod.1.journal': '53.979' })
  await saved(other)
  await context.setOffline(false)
  // Journals that only one of them wrote are on both; the two that both wrote are asked about.
  await expect(field(page, 'main.3.journal')).toHaveValue('65.982', { timeout: 20_000 })
  await expect(field(other, 'main.2.journal')).toHaveValue('65.980', { timeout: 20_000 })
  await expect(page.getByText('Main 1 journal: Ilse wrote')).toBeVisible()
  await page.getByRole('button', { name: 'Keep 65.975 mm' }).click()
  await page.getByRole('button', { name: 'Write 53.984 mm' }).click()
  await saved(page)
  for (const each of [page, other]) {
    await expect(field(each, 'main.1.journal')).toHaveValue('65.975')
    await expect(field(each, 'rod.1.journal')).toHaveValue('53.984')
  }
  await elsewhere.close()
})

alone('units are the shop’s until a person chooses their own', async ({ server, bench: page }) => {
  const id = await newSix(server)
  await page.goto(`${server.address}/build/${id}/bearings`)
  await record(page, { 'main.1.journal': '65.981' })
  await saved(page)
  const asked = await questions(page)
  await record(page, { 'main.1.bore': '66.037' })
  await saved(page)
  // One quick answer and a full one: that the value has arrived at the server asks nothing more.
  await expect.poll(asked).toEqual({ outlook: 1, fullOutlook: 1 })
  await choose(page.getByRole('combobox', { name: 'Units' }), 'in, psi')
  await expect(clearance(page, 'main.1')).toContainText('2.2')
  await expect(field(page, 'main.1.journal')).toHaveValue('2.5977')
  await page.locator('h1').click()
  await page.keyboard.press('Control+k')
  await page.getByLabel('Find a reading, station or engine').fill('make shop units')
  await page.keyboard.press('Enter')
  await expect
    .poll(
      async () =>
        ((await (await fetch(`${server.address}/api/house`)).json()) as { house: { units: string } }).house.units,
    )
    .toBe('in, psi')
  await choose(page.getByLabel('Who is recording'), 'Oda')
  await expect(clearance(page, 'main.1')).toContainText('2.2')
  await choose(page.getByRole('combobox', { name: 'Units' }), 'mm, bar')
  await expect(clearance(page, 'main.1')).toContainText('0.056')
  // A band of a tenth of a bar is more than one psi: pressures carry a decimal there too.
  await choose(page.getByRole('combobox', { name: 'Units' }), 'mm, psi')
  await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toHaveText(/^\d+\.\d$/)
})

test('a block from a spreadsheet lies over the table; what cannot be believed is left with its question', async ({
  server,
  bench: page,
}) => {
  const id = await newSix(server)
  await page.goto(`${server.address}/build/${id}/bearings`)
  await field(page, 'main.2.journal').focus()
  await page.evaluate(() => {
    const data = new DataTransfer()
    data.setData('text/plain', '65.981\t66.037\r\n65.980\t660.36\r\n65.982\t\r\n')
    document.activeElement!.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    )
  })
  await expect(clearance(page, 'main.2')).toContainText('0.056')
  await expect(field(page, 'main.3.journal')).toHaveValue('65.980')
  await expect(field(page, 'main.3.bore')).toHaveValue('660.36')
  await expect(page.getByRole('button', { name: 'Use 66.036 mm' })).toBeVisible()
  await expect(field(page, 'main.4.journal')).toHaveValue('65.982')
  await expect(field(page, 'main.1.journal')).toHaveValue('')
})
