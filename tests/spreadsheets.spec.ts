import type { Sheet } from '../core/record/schema'
import { choose } from './controls'
import { board, press, runsOf } from './running'
import { buildId, expect, saved, sharing as test } from './server'

/** Text as a spreadsheet saves it for other programs: UTF-16 with its mark. */
const utf16 = (text: string) => Buffer.from(`\uFEFF${text}`, 'utf16le')

test('Readings from a spreadsheet: a UTF-16 file with titles, units and decimal commas is seen before it is taken; what is doubtful or refused says why; one undo takes it back; headings are remembered', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Rescue tractor 2')
  const sheetNow = async () =>
    ((await (await fetch(`${server.address}/api/builds/${id}`)).json()) as { sheet: Sheet }).sheet
  const before = await sheetNow()
  const journal = before.readings['main.1.journal']!.value
  const mm = (value: number) => (1e3 * value).toFixed(3).replace('.', ',')
  await page.goto(`${server.address}/build/${id}/logbook?view=inout`)
  const spreadsheet = page.getByTestId('spreadsheet')
  const file = (...lines: string[]) => utf16(['Crank after polishing;;;', ';;;', ...lines, ''].join('\r\n'))
  await page.getByLabel('Spreadsheet’s file').setInputFiles({
    name: 'crank.csv',
    mimeType: 'text/csv',
    buffer: file(
      'No.;Main journal;Zapfen links;Remark',
      ';mm;;',
      `1;${mm(journal + 1e-6)};${mm(journal)};cold`,
      `2;${mm(0.1 * journal)};;`,
      '3;n/a;;',
    ),
  })
  const row = (key: string) => spreadsheet.locator(`[data-import="${key}"]`)
  await expect(row('main.1.journal')).toHaveAttribute('data-import-state', 'changes')
  await expect(row('main.1.journal')).toContainText(`now ${(1e3 * journal).toFixed(3)} mm`)
  await expect(row('main.2.journal')).toHaveAttribute('data-import-state', 'doubtful')
  await expect(row('main.2.journal')).toContainText('meant?')
  await expect(row('main.3.journal')).toContainText('is not a number')
  // A heading that nothing is known of is left out until somebody says what it is, and its unit is asked for.
  await spreadsheet.getByRole('combobox', { name: 'Zapfen links is' }).click()
  await page.getByRole('searchbox').fill('main journal, 60')
  await page.getByRole('option', { name: 'Main journal, 60° left' }).click()
  await expect(row('main.1.journal.left')).toContainText('no unit is said')
  await choose(spreadsheet.getByRole('combobox', { name: 'Zapfen links in' }), 'mm')
  await expect(row('main.1.journal.left')).toHaveAttribute('data-import-state', /new|changes|same/)
  await row('main.2.journal').getByText('take it all the same').click()
  await expect(page.getByTestId('take-in')).toHaveText(/^Take 3 readings in$/)
  await page.getByTestId('take-in').click()
  await expect(page.getByTestId('taken-in')).toContainText('3 readings are in')
  await saved(page)
  const after = await sheetNow()
  expect(after.readings['main.1.journal']).toMatchObject({
    source: 'measured',
    note: 'cold',
    typed: `${mm(journal + 1e-6)} mm`,
  })
  expect(after.readings['main.1.journal']!.value).toBeCloseTo(journal + 1e-6, 9)
  expect(after.readings['main.2.journal']).toMatchObject({ confirmed: true })
  // All of it is one step.
  await page.locator('h1').click()
  await page.keyboard.press('z')
  await saved(page)
  await expect.poll(async () => (await sheetNow()).readings).toEqual(before.readings)

  // The next file with this heading is known; a pasted block goes the same way.
  await page.getByRole('textbox', { name: 'Pasted block' }).fill(`Main\tZapfen links (mm)\n1\t${mm(journal)}\n`)
  await page.getByRole('button', { name: 'Look at it' }).click()
  await expect(spreadsheet.getByRole('combobox', { name: /Zapfen links .*is/ })).toHaveText('Main journal, 60° left')
  await expect(row('main.1.journal.left')).toBeVisible()
  await page.getByRole('textbox', { name: 'Pasted block' }).fill('\n\n')
  await expect(page.getByRole('button', { name: 'Look at it' })).toBeDisabled()
})

test('a logger’s file of a start: titles and clock times are read, a unit that nobody says is asked for and never taken for bar', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/start`)
  await press(page, 'Readings come from: File')
  await board(page)
  const clock = (second: number) =>
    `10:${String(59 + Math.floor(second / 60)).padStart(2, '0')}:${String(second % 60).padStart(2, '0')}`
  const rows = Array.from({ length: 50 }, (_, i) => `${clock(i)};${i < 2 ? '0' : '43,5'};${i < 1 ? 200 : 900}`)
  await page.getByLabel('Logger’s file').setInputFiles({
    name: 'start.csv',
    mimeType: 'text/csv',
    buffer: utf16(['First start of the ferry;;', '', 'Time of day;Oil pressure;RPM', ...rows, ''].join('\r\n')),
  })
  await expect(page.getByRole('combobox', { name: 'Time of day in' })).toHaveText('h:min:s')
  await expect(page.getByRole('combobox', { name: 'Oil pressure in' })).toHaveText('choose')
  await press(page, 'Read it in')
  await expect(page.getByRole('alert')).toContainText('“Oil pressure” says no unit')
  await choose(page.getByRole('combobox', { name: 'Oil pressure in' }), 'psi')
  await press(page, 'Read it in')
  await expect(page.getByTestId('imported')).toContainText('50 readings are in')
  const [run] = await runsOf(server, id)
  const csv = await (await fetch(`${server.address}/api/runs/${run.id}/samples?format=csv`)).text()
  expect(csv.split('\n')[0]).toBe('time (s),pressure (bar),speed (rpm)')
  expect(csv.split('\n')[11]).toBe(`10,${Number((43.5 * 0.06894757).toPrecision(7))},900`)
})
