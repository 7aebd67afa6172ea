import { randomUUID } from 'node:crypto'
import { beforeEach, describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { paceOf } from '#core/plan/pace'
import { insertBuild } from './builds'
import type { Database } from './database'
import { paceHistories } from './pace'
import { emptyDatabase } from './testDatabase'

let db: Database
beforeEach(async () => {
  db = await emptyDatabase()
})

/** Entries of one hand on a build, so many minutes apart. */
async function enter(build: string, who: string, paths: string[], minutes: number): Promise<void> {
  for (const [i, path] of paths.entries())
    await db.query(
      `insert into entry (build_id, revision, client_key, device, who, at, patch, inverse)
       values ($1, $2, $3, $3, $4, $5, $6, '[]')`,
      [
        build,
        i + 1,
        randomUUID(),
        who,
        new Date(Date.UTC(2026, 10, 2, 8) + i * minutes * 60_000).toISOString(),
        JSON.stringify([{ op: 'add', path, value: 1 }]),
      ],
    )
}

describe('the pace of a shop', () => {
  it('is learnt from the paths and times of its entries, by build, with each build’s own layout', async () => {
    const [one, two] = [randomUUID(), randomUUID()]
    await insertBuild(db, one, DEMO_BUILDS.ottiline())
    await insertBuild(db, two, DEMO_BUILDS.pell())
    await enter(one, 'Oda', ['/readings/main.1.bore', '/readings/main.2.bore', '/readings/main.3.bore'], 2)
    await enter(two, 'Oda', ['/readings/relief2.springRate', '/readings/relief2.plungerDiameter'], 7)
    const histories = await paceHistories(db)
    expect(histories.map(({ layout, entries }) => [layout.preset, entries.length]).sort()).toEqual(
      [
        [DEMO_BUILDS.ottiline().layout.preset, 3],
        [DEMO_BUILDS.pell().layout.preset, 2],
      ].sort(),
    )
    const pace = paceOf(histories)
    expect([pace.seen.bearings, pace.seen.relief, pace.seen.pump]).toEqual([2, 1, 0])
    expect(pace.item.bearings).toBeCloseTo((2 * 2 + 10 * 4) / 12, 9)
  })
  it('of a shop that has entered nothing is nothing', async () => {
    expect(await paceHistories(db)).toEqual([])
  })
})
