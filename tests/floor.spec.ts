import { randomUUID } from 'node:crypto'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { choose } from './controls'
import { buildId, expect, test } from './server'

const engines = (page: Page) => page.locator('li[data-build]')
const names = (page: Page) => engines(page).evaluateAll((items) => items.map((item) => item.getAttribute('data-build')))
async function does(page: Page, name: string, what: string) {
  await page.getByRole('button', { name: `Menu of ${name}`, exact: true }).click()
  await page.getByRole('menuitem', { name: what, exact: true }).click()
}

test('Floor: found, sorted, renamed, copied as a new build, archived, deleted under its name and brought back', async ({
  server,
  bench: page,
}) => {
  await page.goto(server.address)
  await expect(engines(page)).toHaveCount(4)
  // What is still to do stands in a tooltip, and follows when it changes.
  const toGo = engines(page)
    .filter({ hasText: 'Rescue tractor 2' })
    .getByText(/^to go: /)
  await toGo.hover()
  await expect(page.getByRole('tooltip')).toContainText('Pump: ')
  await expect(toGo).toHaveAttribute('aria-description', /Pump: /)
  await page.mouse.move(0, 0)
  await expect(page.getByRole('tooltip')).toHaveCount(0)
  const search = page.getByRole('searchbox', { name: 'Search engines' })
  await search.fill('TRACTOR talvik')
  expect(await names(page)).toEqual(['Rescue tractor 2'])
  await search.fill('no such engine')
  await expect(page.getByRole('status').filter({ hasText: 'No engine here matches' })).toBeVisible()
  await search.fill('')
  await choose(page.getByLabel('Order'), 'by name')
  expect(await names(page)).toEqual(['Barge pump', 'Carousel set', 'Ottiline', 'Rescue tractor 2'])

  await does(page, 'Barge pump', 'Rename')
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('textbox').fill('   ')
  await dialog.getByRole('button', { name: 'Rename' }).click()
  await expect(dialog.getByRole('alert')).toContainText('Must be given')
  await dialog.getByRole('textbox').fill('Barge pump, north')
  await dialog.getByRole('button', { name: 'Rename' }).click()
  await expect(engines(page).filter({ hasText: 'Barge pump, north' })).toHaveCount(1)

  await does(page, 'Ottiline', 'Copy as a new build')
  await expect(dialog).toContainText('Nothing that was measured')
  await dialog.getByRole('textbox').fill('Ottiline’s sister')
  await dialog.getByRole('button', { name: 'Copy as a new build' }).click()
  await expect(page).toHaveURL(/\/brief$/)
  await expect(page).toHaveTitle('Brief · Ottiline’s sister · Uldo')
  await page.goto(page.url().replace('brief', 'bearings'))
  await expect(page.locator('input[data-reading="main.1.bore"]')).toHaveValue('')

  await page.goto(server.address)
  await does(page, 'Ottiline’s sister', 'Archive')
  await expect(engines(page)).toHaveCount(4)
  await page.getByRole('button', { name: 'archived 1' }).click()
  expect(await names(page)).toEqual(['Ottiline’s sister'])
  await does(page, 'Ottiline’s sister', 'Delete')
  await dialog.getByRole('textbox').fill('Ottiline')
  await dialog.getByRole('button', { name: 'Delete' }).click()
  await expect(dialog.getByRole('alert')).toContainText('It is called “Ottiline’s sister”')
  await dialog.getByRole('textbox').fill('Ottiline’s sister')
  await dialog.getByRole('button', { name: 'Delete' }).click()
  await page.getByRole('button', { name: 'deleted 1' }).click()
  await expect(engines(page)).toContainText('deleted by Maren, kept until')
  await does(page, 'Ottiline’s sister', 'Bring back')
  await page.getByRole('button', { name: 'on the floor 5' }).click()
  await expect(engines(page).filter({ hasText: 'Ottiline’s sister' })).toHaveCount(1)
})

test('Floor: a build file is taken in by button and by drop; what is wrong with one is said field by field', async ({
  server,
  bench: page,
}) => {
  const file = JSON.parse(
    await (await fetch(`${server.address}/api/builds/${await buildId(server, 'Ottiline')}/file`)).text(),
  ) as { name: string; layout: { mains: unknown }; readings: Record<string, { value: unknown }> }
  const put = (name: string, content: string) => {
    const path = join(server.folder, name)
    writeFileSync(path, content)
    return path
  }
  await page.goto(server.address)
  const picker = page.locator('input[type="file"]')
  await picker.setInputFiles(put('letter.json', 'Dear builder'))
  const report = page.getByTestId('import-report')
  await expect(report).toContainText('letter.json is no build file: it is not JSON')
  const broken = structuredClone(file)
  broken.readings['main.1.bore'].value = 'wide'
  broken.layout.mains = -3
  await picker.setInputFiles(put('broken.json', JSON.stringify(broken)))
  await expect(report).toContainText('broken.json was not taken')
  await expect(report).toContainText('readings, main.1.bore, value')
  await expect(report).toContainText('layout, mains')
  await expect(engines(page)).toHaveCount(4)

  const whole = put('whole.json', JSON.stringify({ ...file, name: 'By drop' }))
  const carried = await page.evaluateHandle(
    (text) => {
      const carries = new DataTransfer()
      carries.items.add(new File([text], 'whole.json', { type: 'application/json' }))
      return carries
    },
    readFileSync(whole, 'utf8'),
  )
  await page.dispatchEvent('body', 'dragover', { dataTransfer: carried })
  await expect(page.getByText('Drop the build file')).toBeVisible()
  await page.dispatchEvent('body', 'drop', { dataTransfer: carried })
  await expect(page).toHaveTitle('Brief · By drop · Uldo')
})

test('Floor of many engines: rows come as it is scrolled to them, the search reaches all of them, and paper has them all', async ({
  server,
  bench: page,
}) => {
  const sheet = (await (
    await fetch(`${server.address}/api/builds/${await buildId(server, 'Barge pump')}/file`)
  ).json()) as Record<string, unknown>
  for (let i = 1; i <= 60; i++) {
    const answer = await fetch(`${server.address}/api/builds`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ id: randomUUID(), sheet: { ...sheet, name: `Engine ${i}` } }),
    })
    expect(answer.status).toBe(201)
  }
  await page.goto(server.address)
  await expect(engines(page).first()).toBeVisible()
  expect(await engines(page).count()).toBeLessThan(64)
  const search = page.getByRole('searchbox', { name: 'Search engines' })
  await search.fill('engine 42')
  await expect(engines(page)).toHaveCount(1)
  await search.fill('')
  await expect.poll(() => engines(page).count()).toBeGreaterThan(11)
  await page.evaluate(() => dispatchEvent(new Event('beforeprint')))
  await expect(engines(page)).toHaveCount(64)
  await page.evaluate(() => dispatchEvent(new Event('afterprint')))
  await expect.poll(() => engines(page).count()).toBeLessThan(64)
  await expect
    .poll(async () => {
      await engines(page).last().scrollIntoViewIfNeeded()
      return engines(page).count()
    })
    .toBe(64)
})
