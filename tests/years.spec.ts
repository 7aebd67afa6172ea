import type { Sheet } from '../core/record/schema'
import { buildId, expect, saved, sharing as test } from './server'
import { write } from './keptBuild'

/** What the ferry's engine reads hot at idle over two seasons: falling, with an hour meter that began at 1,200. */
const SEASONS = [
  { day: '2026-07-10', meter: '1260', bar: '2.62' },
  { day: '2026-08-20', meter: '1420', bar: '2.55' },
  { day: '2026-09-30', meter: '1600', bar: '2.47' },
] as const

test('Over the years: lines of the service log make a trend with its band, its floor’s day and reminders; wrong input is named and kept; a line is changed, taken out and undone', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Ottiline')
  const { sheet } = (await (await fetch(`${server.address}/api/builds/${id}`)).json()) as { sheet: Sheet }
  const measured = Math.max(...Object.values(sheet.readings).map(({ at }) => Date.parse(at ?? '') || 0))
  await page.clock.setFixedTime(new Date('2026-12-01T10:00:00Z'))
  await page.goto(`${server.address}/build/${id}/logbook?view=years`)
  await expect(page.getByTestId('no-trend')).toContainText('there is nothing to follow')
  // Read at the first start, once everything had been measured, with an hour meter that had not begun at nought.
  const at = new Date(Math.max(measured, Date.parse('2026-06-20T10:00:00Z'))).toISOString()
  const reading = (key: string, value: number) => ({
    op: 'add',
    path: `/readings/${key}`,
    value: { value, source: 'measured', at, instrument: 'Mechanical gauge' },
  })
  await write(server, id, [reading('start.idleHot.pressure', 2.7e5), reading('start.meterHours', 1200 * 3600)])
  await expect(page.getByTestId('trend')).toContainText(/2\.7\d bar \(\d\.\d\d to \d\.\d\d bar\) at its first start/)
  await expect(page.getByText('comes from 1 reading;', { exact: false })).toBeVisible()

  const form = page.getByTestId('service-form')
  const field = (name: RegExp | string) => form.getByLabel(name)
  await page.getByTestId('add-service').click()
  // A wrong number and a day that lies ahead are named at their fields; nothing typed is lost.
  await field('Day').fill('2027-03-01')
  await field(/^Hour meter/).fill('12x')
  await field(/^Its speed then/).fill('640')
  await form.getByRole('button', { name: 'Write it down' }).click()
  await expect(form.getByText('This day lies ahead', { exact: false })).toBeVisible()
  await expect(form.getByText('What did the gauge read there?', { exact: false })).toBeVisible()
  await expect(field(/^Hour meter/)).toHaveValue('12x')
  await expect(field(/^Hour meter/)).toHaveAttribute('aria-invalid', 'true')
  await field('Day').fill(SEASONS[0].day)
  await field(/^Hour meter/).fill(SEASONS[0].meter)
  await field(/^Gauge at hot idle/).fill('38 psi')
  await field(/^Topped up since/).fill('0.4')
  await form.getByRole('button', { name: 'Write it down' }).click()
  const line = page.locator('tr[data-service="service.1"]')
  await expect(line).toContainText('1260 h')
  await expect(line).toContainText('2.62 bar')
  await expect(line).toContainText('topped up 0.4')
  for (const { day, meter, bar } of SEASONS.slice(1)) {
    await page.getByTestId('add-service').click()
    await field('Day').fill(day)
    await field(/^Hour meter/).fill(meter)
    await field(/^Gauge at hot idle/).fill(bar)
    if (meter === '1600') {
      await form.getByRole('combobox', { name: 'Oil changed to' }).click()
      await page.getByRole('option', { name: /its running oil$/ }).click()
      await form.getByText('Filter changed').click()
    }
    await form.getByRole('button', { name: 'Write it down' }).click()
    await expect(form).toHaveCount(0)
  }
  await expect(page.locator('tr[data-service="service.3"]')).toContainText('filter changed')
  await expect(page.getByTestId('trend')).toContainText(/2\.\d\d bar \(\d\.\d\d to \d\.\d\d bar\) at 400 h/)
  await expect(page.getByTestId('trend-change')).toContainText(/It changes by −\d\.\d percent .* in 100 h/)
  await expect(page.getByText('comes from 4 readings;', { exact: false })).toBeVisible()
  await expect(
    page
      .getByRole('img', { name: /Hot idle over the engine’s age/ })
      .locator('svg')
      .first(),
  ).toBeVisible()

  // The strip's hot idle is the last one that was read; the story and the calendar know of it.
  await expect(page.locator('[data-state="idleHot"]')).toContainText(/2\.5\s*read/)
  await saved(page)
  const calendar = await (await fetch(`${server.address}/api/builds/${id}/reminders`)).text()
  expect(calendar).toContain('Oil and filter change')
  expect(calendar).toContain('Read hot idle again')
  expect(calendar).not.toContain('First oil and filter change')
  await expect(page.locator('[data-reminder="next"]')).toBeVisible()
  await expect(page.locator('[data-reminder="floor"]')).toBeVisible()

  // A slip is changed, what was not touched stays; a meter that goes back is named and not counted.
  await page.getByRole('button', { name: 'Change the line of 20 Aug 2026' }).click()
  await expect(field(/^Hour meter/)).toHaveValue(/^1420/)
  await field(/^Hour meter/).fill('142')
  await form.getByRole('button', { name: 'Keep the change' }).click()
  await expect(page.locator('tr[data-service="service.2"]')).toContainText('not counted: the meter goes back')
  await page.keyboard.press('z')
  await expect(page.locator('tr[data-service="service.2"]')).toContainText('1420 h')
  await page.getByRole('button', { name: 'Take out the line of 20 Aug 2026' }).click()
  await expect(page.locator('tr[data-service="service.2"]')).toHaveCount(0)
  await expect(page.getByText('comes from 3 readings;', { exact: false })).toBeVisible()
  await page.keyboard.press('z')
  await expect(page.getByText('comes from 4 readings;', { exact: false })).toBeVisible()
  await page.getByRole('tab', { name: 'Story' }).click()
  await expect(page.locator('tr[data-line]').first()).toContainText('Service 2')
})
