import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { buildId, expect, PHOTO, type Running, startServer, test } from './server'
import { json, put, write } from './keptBuild'

/** Each of the strip's states as it stands there, with what its band says. */
const outlookOf = async (page: Page) => {
  await expect(page.locator('[data-state="idleHot"]')).toContainText(/\d/)
  await expect(page.getByTestId('strip-late')).toHaveCount(0)
  // In full: the quick band that stands while hands move is of fewer samples.
  await expect(page.locator('.strip')).toHaveAttribute('data-full', 'true')
  return page.locator('[data-state]').allInnerTexts()
}

/** An hour of a start at ten readings a second, and thirty photos: as much as an engine of the shop ever has. */
async function fill(server: Running, id: string): Promise<string> {
  for (let i = 0; i < 30; i++) {
    const photo = randomUUID()
    const sent = await fetch(`${server.address}/api/builds/${id}/photos/${photo}?who=Tobi`, {
      method: 'PUT',
      headers: { 'content-type': 'image/png' },
      body: Buffer.from(PHOTO.buffer),
    })
    expect(sent.ok, await sent.text()).toBe(true)
    await write(server, id, [
      { ...put('pickup.tubeLength', 0.26), value: { value: 0.26, source: 'measured', photos: [photo] } },
    ])
  }
  const run = randomUUID()
  const begun = await fetch(`${server.address}/api/builds/${id}/runs`, {
    method: 'POST',
    headers: json,
    body: JSON.stringify({ id: run, kind: 'start', setup: { source: 'file' }, who: 'Maren' }),
  })
  expect(begun.ok, await begun.text()).toBe(true)
  for (let minute = 0; minute < 60; minute += 10) {
    const samples = Array.from({ length: 6000 }, (_, i) => ({
      time: minute * 60 + i / 10,
      pressure: 2.8e5 + 1e4 * Math.sin(i / 50),
      speed: 12 + i / 6001,
      temperature: 20 + minute,
    }))
    const sent = await fetch(`${server.address}/api/runs/${run}/samples`, {
      method: 'POST',
      headers: json,
      body: JSON.stringify(samples),
    })
    expect(sent.ok, await sent.text()).toBe(true)
  }
  const ended = await fetch(`${server.address}/api/runs/${run}/events`, {
    method: 'POST',
    headers: json,
    body: JSON.stringify({ clientKey: randomUUID(), time: 3600, kind: 'end', words: 'ended', data: {}, who: 'Maren' }),
  })
  expect(ended.ok, await ended.text()).toBe(true)
  return run
}

test('the whole shop, one engine with thirty photos and an hour’s run, goes to another server and predicts the same there; a broken archive leaves nothing', async ({
  server,
  bench: page,
}) => {
  test.setTimeout(300_000)
  const names = ['Ottiline', 'Rescue tractor 2', 'Carousel set', 'Barge pump']
  const ids: string[] = []
  for (const name of names) ids.push(await buildId(server, name))
  const run = await fill(server, ids[0])
  const before: Record<string, string[]> = {}
  for (const id of ids) {
    await page.goto(`${server.address}/build/${id}/outlook`)
    before[id] = await outlookOf(page)
  }
  await page.goto(server.address)
  const [archive] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'The whole shop as an archive' }).click(),
  ])
  const file = await archive.path()
  const bytesOf = async (of: Running) =>
    Promise.all(
      ids.map(async (id) => ({
        entries: await (await fetch(`${of.address}/api/builds/${id}/entries`)).json(),
        runs: (
          (await (await fetch(`${of.address}/api/builds/${id}/runs`)).json()) as { id: string; samples: number }[]
        ).map(({ id: each, samples }) => [each, samples]),
      })),
    )
  const told = await bytesOf(server)

  const empty = await startServer(mkdtempSync(join(tmpdir(), 'uldo-empty-')), undefined, { ULDO_DEMO: '' })
  const second = await page.context().newPage()
  await second.goto(empty.address)
  // Cut short on its way: said by name, and nothing of it is there.
  const whole = await (await fetch(`${server.address}/api/archive`)).arrayBuffer()
  const broken = join(empty.folder, 'broken.zip')
  writeFileSync(broken, Buffer.from(whole).subarray(0, whole.byteLength - 900))
  const pick = second.locator('input[type="file"]')
  await pick.setInputFiles(broken)
  await expect(second.getByTestId('import-report')).toContainText('broken.zip was not taken')
  await expect(second.getByTestId('import-report')).toContainText('no zip, or cut short')
  const good = join(empty.folder, 'shop.uldo.zip')
  await archive.saveAs(good)
  expect(file).toBeTruthy()
  await pick.setInputFiles(good)
  await expect(second.getByTestId('import-taken')).toContainText('Taken in:')
  for (const name of names) await expect(second.getByRole('link', { name: new RegExp(name) })).toBeVisible()
  expect(await bytesOf(empty)).toEqual(told)
  for (const id of ids) {
    await second.goto(`${empty.address}/build/${id}/outlook`)
    expect(await outlookOf(second)).toEqual(before[id])
  }
  await second.goto(`${empty.address}/build/${ids[0]}/logbook?view=milestones`)
  await expect(second.locator('[data-milestone="run"]').first()).toBeVisible()
  const samples = async (of: Running) =>
    (await fetch(`${of.address}/api/runs/${run}/samples?after=-1&most=20000`)).text()
  expect(await samples(empty)).toBe(await samples(server))
  // A second time it is here already.
  await second.goto(empty.address)
  await pick.setInputFiles(good)
  await expect(second.getByTestId('import-report')).toContainText('is here already')
  await empty.stop()
  rmSync(empty.folder, { recursive: true, force: true })
})
