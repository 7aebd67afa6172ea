import type { Database } from './database'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { keepResult, listResults } from './practice'
import { emptyDatabase } from './testDatabase'
import { DRILL } from './testPractice'

describe('what was done on the practice bench', () => {
  let db: Database
  beforeAll(async () => {
    db = await emptyDatabase()
  })
  afterAll(() => db.close())

  it('is kept by person, once however often it is sent, the newest first', async () => {
    const [one, two] = ['0b1f2f0e-0d8c-4c53-9f39-0a9d7a2f7a10', '1b1f2f0e-0d8c-4c53-9f39-0a9d7a2f7a10']
    await keepResult(db, { id: one, person: 'Ilse', result: DRILL })
    await keepResult(db, { id: two, person: 'Tobi', result: { ...DRILL, right: 9 } })
    await keepResult(db, { id: one, person: 'Somebody', result: { ...DRILL, right: 20 } })
    const kept = await listResults(db)
    expect(kept.map(({ person }) => person)).toEqual(['Tobi', 'Ilse'])
    expect(kept[1]).toMatchObject({ id: one, result: DRILL })
    expect(Math.abs(Date.parse(kept[0].at) - Date.now())).toBeLessThan(60_000)
  })

  it('that a newer version has written in its own way is left out, and takes nothing else with it', async () => {
    await db.query(`insert into practice (id, person, result) values (gen_random_uuid(), 'Oda', '{"kind":"race"}')`)
    expect((await listResults(db)).map(({ person }) => person)).not.toContain('Oda')
    expect(await listResults(db)).toHaveLength(2)
  })
})
