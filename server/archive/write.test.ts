import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { insertBuild } from '../data/builds'
import type { Database } from '../data/database'
import { emptyDatabase } from '../data/testDatabase'
import { writeArchive } from './write'

let db: Database
const asked = { experienceOf: () => Promise.resolve(undefined), application: 'test', now: Date.UTC(2026, 5, 1) }

describe('a shop that is sent', () => {
  const [large, other] = [randomUUID(), randomUUID()]
  beforeAll(async () => {
    db = await emptyDatabase()
    // More than a stream holds that nobody reads.
    const note = Array.from({ length: 20_000 }, () => randomUUID()).join(' ')
    await insertBuild(db, large, { ...DEMO_BUILDS.ottiline(), note } as never)
    await insertBuild(db, other, DEMO_BUILDS.ottiline())
  })
  afterAll(() => db.close())
  const readOf = (spy: { mock: { calls: unknown[][] } }, id: string) =>
    spy.mock.calls.some(([sql, values]) => /from build where/.test(String(sql)) && (values as string[])[0] === id)

  it('is read as the stream comes to it: a build that nobody has come to is not held', async () => {
    const query = vi.spyOn(db, 'query')
    const stream = await writeArchive(db, { ...asked, builds: [large, other] })
    await new Promise((done) => setTimeout(done, 400))
    expect(readOf(query, large)).toBe(true)
    expect(readOf(query, other)).toBe(false)
    for await (const chunk of stream) void chunk
    expect(readOf(query, other)).toBe(true)
    query.mockRestore()
  })

  it('ends with the error where a later build cannot be read: half of an archive is none', async () => {
    const real = db.query.bind(db)
    const query = vi
      .spyOn(db, 'query')
      .mockImplementation((sql: string, values?: unknown[]) =>
        values?.[0] === other ? Promise.reject(new Error('the disk failed')) : (real(sql, values) as never),
      )
    const stream = await writeArchive(db, { ...asked, builds: [large, other] })
    await expect(
      (async () => {
        for await (const chunk of stream) void chunk
      })(),
    ).rejects.toThrow('the disk failed')
    await expect(writeArchive(db, { ...asked, builds: [other] })).rejects.toThrow('the disk failed')
    query.mockRestore()
  })
})
