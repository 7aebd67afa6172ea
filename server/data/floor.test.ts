import type { Database } from './database'
import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import { newSheet } from '#core/record/layouts'
import { getBuild, insertBuild, listBuilds } from './builds'
import { enterChange } from './enterChange'
import { endSandbox, listFloor, moveBuild, purgeDeleted } from './floor'
import { moveItems } from './shelfMoves'
import { sampleSheet } from '#core/guide/sample'
import { checkRecords } from './integrity'
import { insertPhoto } from './photos'
import { emptyDatabase } from './testDatabase'

const change = (value: string) => ({
  clientKey: randomUUID(),
  device: randomUUID(),
  base: 0,
  who: 'Maren',
  patch: [{ op: 'replace' as const, path: '/work', value }],
  reason: '',
})

describe('where a build is', () => {
  let db: Database
  let id: string
  beforeAll(async () => {
    db = await emptyDatabase()
  })
  const begun = async (name: string) => {
    id = randomUUID()
    await insertBuild(db, id, newSheet('inline4', name, 'Blank 2.0'))
    return id
  }
  const placeOf = async (of: string) => (await listFloor(db)).find((each) => each.id === of)

  it('is archived and brought back, and stays open to work meanwhile', async () => {
    await begun('Archived')
    expect(await moveBuild(db, id, { place: 'archive', who: 'Ilse' })).toEqual({ kind: 'moved', place: 'archive' })
    expect((await placeOf(id))!.place).toBe('archive')
    expect((await enterChange(db, id, change('boat'))).kind).toBe('entered')
    await moveBuild(db, id, { place: 'floor', who: 'Ilse' })
    expect((await placeOf(id))!.place).toBe('floor')
  })

  it('is deleted under its own name alone; then nothing is read of it or written to it until it is brought back', async () => {
    await begun('Ferry')
    expect(await moveBuild(db, id, { place: 'deleted', name: 'Fery', who: 'Ilse' })).toEqual({
      kind: 'other-name',
      name: 'Ferry',
    })
    expect(await getBuild(db, id)).toBeDefined()
    await moveBuild(db, id, { place: 'deleted', name: ' Ferry ', who: 'Ilse' })
    expect(await getBuild(db, id)).toBeUndefined()
    expect((await listBuilds(db)).some((each) => each.id === id)).toBe(false)
    expect((await enterChange(db, id, change('boat'))).kind).toBe('unknown')
    const row = (await placeOf(id))!
    expect(row).toMatchObject({ place: 'deleted', deleted_by: 'Ilse' })
    const days = (Date.parse(row.kept_until!) - Date.now()) / 86_400_000
    expect(days).toBeGreaterThan(29.9)
    expect(days).toBeLessThan(30.1)
    await moveBuild(db, id, { place: 'floor', who: 'Ilse' })
    expect(await getBuild(db, id)).toMatchObject({ sheet: { name: 'Ferry' } })
    expect((await placeOf(id))!.deleted_by).toBe('')
  })

  it('goes for good once its time is over, with all that belongs to it and nothing else', async () => {
    const stays = await begun('Stays')
    await enterChange(db, stays, change('boat'))
    const goes = await begun('Goes')
    await enterChange(db, goes, change('lorry'))
    await insertPhoto(db, {
      id: randomUUID(),
      buildId: goes,
      mediaType: 'image/png',
      bytes: Buffer.from([1]),
      who: 'Ilse',
    })
    const run = randomUUID()
    await db.query(`insert into run (id, build_id, kind, setup, who) values ($1, $2, 'prime', '{}', 'Ilse')`, [
      run,
      goes,
    ])
    await db.query('insert into run_sample (run_id, sequence, pressure) values ($1, 1, 2e5)', [run])
    // Nothing is deleted under a run that is going.
    expect(await moveBuild(db, goes, { place: 'deleted', name: 'Goes', who: 'Ilse' })).toEqual({ kind: 'running' })
    await db.query('update run set ended_at = now() where id = $1', [run])
    await moveBuild(db, goes, { place: 'deleted', name: 'Goes', who: 'Ilse' })
    expect(await purgeDeleted(db)).toBe(0)
    await expect(db.query('delete from entry where build_id = $1', [goes])).rejects.toThrow('append-only')
    await db.query(`update build set deleted_at = now() - interval '31 days' where id = $1`, [goes])
    expect(await purgeDeleted(db)).toBe(1)
    expect(await placeOf(goes)).toBeUndefined()
    await expect(db.query('delete from entry where build_id = $1', [stays])).rejects.toThrow('append-only')
    for (const table of ['entry', 'photo', 'run'])
      expect((await db.query(`select 1 from ${table} where build_id = $1`, [goes])).rows).toEqual([])
    expect((await db.query('select 1 from run_sample where run_id = $1', [run])).rows).toEqual([])
    expect((await db.query('select 1 from entry where build_id = $1', [stays])).rows).toHaveLength(1)
    expect(await checkRecords(db)).toEqual([])
  })

  it('to learn on stands in no list, takes nothing from the shelf, and is ended at once with all that was tried on it; an engine of the shop’s is not', async () => {
    const real = await begun('Real')
    await enterChange(db, real, change('boat'))
    const sandbox = randomUUID()
    await insertBuild(db, sandbox, sampleSheet('2026-05-16T09:00:00.000Z'), true)
    await enterChange(db, sandbox, change('tried'))
    expect((await getBuild(db, sandbox))!.sandbox).toBe(true)
    expect((await getBuild(db, real))!.sandbox).toBe(false)
    for (const list of [await listFloor(db), await listBuilds(db)])
      expect(list.map(({ id }) => id)).toEqual(expect.not.arrayContaining([sandbox]))
    const order = { clientKey: randomUUID(), item: randomUUID(), move: 'take' as const, count: 1 }
    await expect(moveItems(db, sandbox, 'Ilse', [order])).rejects.toThrow('takes nothing from the shelf')
    expect(await endSandbox(db, real)).toBe(false)
    expect(await getBuild(db, real)).toBeDefined()
    // One that nobody ended goes when its time is over, by whoever ends or begins the next.
    const forgotten = randomUUID()
    await insertBuild(db, forgotten, sampleSheet('2026-05-16T09:00:00.000Z'), true)
    await db.query(`update build set sandbox_until = now() - interval '1 hour' where id = $1`, [forgotten])
    expect(await endSandbox(db, sandbox)).toBe(true)
    for (const id of [sandbox, forgotten]) {
      expect(await getBuild(db, id)).toBeUndefined()
      expect((await db.query('select 1 from entry where build_id = $1', [id])).rows).toEqual([])
    }
    expect(await endSandbox(db, sandbox)).toBe(false)
  })

  it('that is not there is unknown', async () => {
    expect(await moveBuild(db, randomUUID(), { place: 'archive', who: '' })).toEqual({ kind: 'unknown' })
  })
})
