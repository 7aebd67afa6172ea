import type { Database } from './database'
import { randomUUID } from 'node:crypto'
import { beforeAll, expect, it } from 'vitest'
import { newSheet } from '#core/record/layouts'
import type { Standing } from '../threads/tasks'
import { insertBuild } from './builds'
import { checkRecords } from './integrity'
import { keepStanding, listStandings } from './standings'
import { emptyDatabase } from './testDatabase'

let db: Database
beforeAll(async () => {
  db = await emptyDatabase()
})
const stands = (reading: number): Standing => ({
  states: [{ label: 'idle hot', verdict: 'pass', reading }],
  voids: [],
})

it('keeps the newest of each build with what it was computed from, and nothing of one that is gone', async () => {
  const [build, other] = [randomUUID(), randomUUID()]
  for (const id of [build, other]) await insertBuild(db, id, newSheet('inline4', 'Spare', 'Blank 2.0'))
  await keepStanding(db, { build, computedFrom: 'revision 0', standing: stands(2e5) })
  await keepStanding(db, { build: other, computedFrom: 'revision 0', standing: stands(3e5) })
  await keepStanding(db, { build, computedFrom: 'revision 1', standing: stands(1e5) })
  await keepStanding(db, { build: randomUUID(), computedFrom: 'revision 7', standing: stands(4e5) })
  const sorted = (await listStandings(db)).sort((a, b) => a.computedFrom.localeCompare(b.computedFrom))
  expect(sorted).toEqual([
    { build: other, computedFrom: 'revision 0', standing: stands(3e5) },
    { build, computedFrom: 'revision 1', standing: stands(1e5) },
  ])
  expect(await checkRecords(db)).toEqual([])

  await db.query('delete from build where id = $1', [build])
  expect((await listStandings(db)).map((each) => each.build)).toEqual([other])
})
