import { randomUUID } from 'node:crypto'
import { spawn } from 'node:child_process'
import { cpSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buildId, expect, record, saved, startServer, test } from './server'

const json = { 'content-type': 'application/json' }

/** A command of the repository, to its end or until it is killed. */
function command(name: 'backup' | 'restore' | 'check', words: string[], env: Record<string, string>) {
  const child = spawn(process.execPath, ['--import', 'tsx', `bin/${name}.ts`, ...words], {
    env: { ...process.env, ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let said = ''
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += chunk))
  return {
    child,
    ended: new Promise<{ code: number | null; said: string }>((done) =>
      child.once('close', (code) => done({ code, said })),
    ),
  }
}
const sheetOf = async (address: string, id: string) =>
  (await (await fetch(`${address}/api/builds/${id}`)).json()) as {
    revision: number
    sheet: { readings: Record<string, { value: number }> }
  }

test('backed up from the Floor while values come in, killed, and put back into an empty folder: the same shop', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Ottiline')
  await page.goto(server.address)
  await expect(page.getByTestId('backup')).toContainText('No backup yet')
  await page.goto(`${server.address}/build/${id}/pump`)
  await record(page, { 'pump.endClearance': '0.09' })
  await saved(page)
  await page.goto(server.address)
  await page.getByRole('button', { name: 'Back up now' }).click()
  await expect(page.getByTestId('backup')).toContainText('Backed up just now')
  expect(readdirSync(join(server.folder, 'backups'))).toHaveLength(1)
  const then = await sheetOf(server.address, id)

  // The command asks the server that runs; a photo, a run and one value more are in its archive.
  const run = randomUUID()
  await fetch(`${server.address}/api/builds/${id}/runs`, {
    method: 'POST',
    headers: json,
    body: JSON.stringify({ id: run, kind: 'start', who: 'Maren', setup: { source: 'logger' } }),
  })
  await fetch(`${server.address}/api/runs/${run}/samples`, {
    method: 'POST',
    headers: json,
    body: JSON.stringify([
      { time: 0, pressure: 1e5, speed: 15 },
      { time: 0.1, pressure: 2e5, speed: 15 },
    ]),
  })
  const elsewhere = mkdtempSync(join(tmpdir(), 'uldo-elsewhere-'))
  const asked = await command('backup', [], { ULDO_DATA: server.folder }).ended
  expect(asked, asked.said).toMatchObject({ code: 0 })
  const newest = /^(\S+): up to entry \d+, [\d.]+ MB, read back whole/m.exec(asked.said)![1]
  expect(await command('check', [], { ULDO_DATA: server.folder }).ended).toMatchObject({ code: 0 })
  await server.stop('SIGKILL')

  const back = await command('restore', [newest, '--to', join(elsewhere, 'data')], {}).ended
  expect(back, back.said).toMatchObject({ code: 0 })
  const restored = await startServer(join(elsewhere, 'data'))
  expect(await sheetOf(restored.address, id)).toEqual(then)
  expect(
    ((await (await fetch(`${restored.address}/api/runs/${run}/samples`)).json()) as { pressure: number }[]).map(
      ({ pressure }) => pressure,
    ),
  ).toEqual([1e5, 2e5])
  expect(await restored.stop()).toBe(0)
  // The folder that was killed is as good, and its backup is there still.
  const again = await startServer(server.folder)
  expect(await sheetOf(again.address, id)).toEqual(then)
  expect(readdirSync(join(server.folder, 'backups'))).toContain(newest.split('/').at(-1))
  await again.stop()
  expect(await command('check', [], { ULDO_DATA: server.folder }).ended).toMatchObject({ code: 0 })
  rmSync(elsewhere, { recursive: true, force: true })
})

test('killed in a backup or in a restore: the folder is usable, nothing half stands for a whole; damage names the newest backup and the command', async ({
  server,
}) => {
  const backups = join(server.folder, 'backups')
  const whole = await command('backup', [], { ULDO_DATA: server.folder }).ended
  expect(whole.code, whole.said).toBe(0)
  const [file] = readdirSync(backups)
  rmSync(join(backups, file))
  // Killed as soon as something is on the disk.
  const going = fetch(`${server.address}/api/backups`, { method: 'POST', headers: json, body: '{}' }).catch(
    () => undefined,
  )
  while (!existsSync(backups) || readdirSync(backups).length === 0) await new Promise((done) => setTimeout(done, 1))
  await server.stop('SIGKILL')
  await going
  const again = await startServer(server.folder)
  const made = await fetch(`${again.address}/api/backups`, { method: 'POST', headers: json, body: '{}' })
  expect(made.ok).toBe(true)
  const [good, ...others] = readdirSync(backups)
  expect([good.endsWith('.tar.gz'), others]).toEqual([true, []])
  await again.stop()

  // A restore that is killed leaves a folder that no start mistakes for an empty shop; the next one goes through.
  const target = mkdtempSync(join(tmpdir(), 'uldo-target-'))
  const restoring = command('restore', [join(backups, good), '--to', target], {})
  while (!existsSync(join(target, 'records.restoring', 'PG_VERSION'))) await new Promise((done) => setTimeout(done, 5))
  restoring.child.kill('SIGKILL')
  await restoring.ended
  expect(existsSync(join(target, 'records'))).toBe(false)
  const refused = await refusal(target)
  expect(refused).toMatchObject({ code: 4 })
  expect(refused.said).toContain('A restore into this folder was broken off')
  expect((await command('restore', [join(backups, good), '--to', target], {}).ended).code).toBe(0)
  const second = await command('restore', [join(backups, good), '--to', target], {}).ended
  expect(second).toMatchObject({ code: 1 })
  expect(second.said).toContain('has records already')

  // What no archive holds is refused by name, and nothing is written.
  const altered = readFileSync(join(backups, good))
  altered[Math.floor(altered.length / 2)] ^= 0xff
  writeFileSync(join(target, 'altered.tar.gz'), altered)
  const bad = await command('restore', [join(target, 'altered.tar.gz'), '--to', join(target, 'other')], {}).ended
  expect(bad.code).toBe(1)
  expect(bad.said).toMatch(/was not restored\. .*(damaged|altered|cut short)/)
  expect(existsSync(join(target, 'other'))).toBe(false)

  const broken = mkdtempSync(join(tmpdir(), 'uldo-broken-'))
  cpSync(server.folder, broken, { recursive: true })
  rmSync(join(broken, 'records', 'PG_VERSION'))
  const damaged = await refusal(broken)
  expect(damaged.said).toContain(`The newest backup is ${good}`)
  expect(damaged.said).toContain(`npm run restore -- ${join(broken, 'backups', good)} --to ${broken}`)
  for (const folder of [target, broken]) rmSync(folder, { recursive: true, force: true })
})

/** How a server that does not start ends. */
function refusal(folder: string): Promise<{ code: number | null; said: string }> {
  const child = spawn(process.execPath, ['.output/server/index.mjs'], {
    env: { ...process.env, PORT: '0', ULDO_DATA: folder, ULDO_DEMO: '' },
    stdio: ['ignore', 'ignore', 'pipe'],
  })
  let said = ''
  child.stderr.on('data', (chunk) => (said += chunk))
  return new Promise((done) => child.once('close', (code) => done({ code, said })))
}

test('a backup that takes long is followed on the Floor: over a reload, and over a server that does not answer meanwhile; what is refused says why', async ({
  server,
  bench: page,
}) => {
  let stands: { running: boolean; last?: number } | 'away' = { running: false }
  await page.route('**/api/backups', async (route) => {
    if (stands === 'away') return route.abort()
    if (route.request().method() === 'GET') return route.fulfill({ json: { folder: '/shop/backups', ...stands } })
    stands = { running: true }
    return route.fulfill({ status: 202, json: { folder: '/shop/backups', ...stands } })
  })
  await page.goto(server.address)
  const line = page.getByTestId('backup')
  await line.getByRole('button', { name: 'Back up now' }).click()
  await expect(line).toContainText('Backing up.')
  await page.reload()
  await expect(line).toContainText('Backing up.')
  stands = 'away'
  await expect(line.getByRole('alert')).toHaveText('The server does not answer.')
  await expect(line).not.toContainText('Backing up')
  stands = { running: false, last: Date.now() }
  await expect(line).toContainText('Backed up just now')
  await expect(line.getByRole('alert')).toHaveCount(0)
  await page.unroute('**/api/backups')
  await page.route('**/api/backups', (route) =>
    route.request().method() === 'GET'
      ? route.continue()
      : route.fulfill({
          status: 507,
          json: { error: { status: 507, code: 'no-backup', message: 'The disk is full.' } },
        }),
  )
  await line.getByRole('button', { name: 'Back up now' }).click()
  await expect(line.getByRole('alert')).toHaveText('The disk is full.')
})
