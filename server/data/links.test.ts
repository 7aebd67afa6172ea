import { beforeEach, expect, it } from 'vitest'
import { MOST_LINKS } from '#core/house/guest'
import { DEMO_BUILDS } from '../../demo/make'
import { insertBuild } from './builds'
import type { Database } from './database'
import { moveBuild, purgeDeleted } from './floor'
import { addLink, endLink, linkOf, listLinks } from './links'
import { emptyDatabase } from './testDatabase'

const [BUILD, OTHER] = ['c3b9ad3c-5a2a-4a0f-9f57-2e3f0c3a1b01', 'c3b9ad3c-5a2a-4a0f-9f57-2e3f0c3a1b02']
const DAY = 86400e3
let db: Database
let made = 0
const add = (name: string, days = 1, build = BUILD) =>
  addLink(db, { build, name, digest: `digest ${made++}`, until: new Date(Date.now() + days * DAY), madeBy: 'Maren' })
beforeEach(async () => {
  db = await emptyDatabase()
  made = 0
  for (const id of [BUILD, OTHER]) await insertBuild(db, id, DEMO_BUILDS.ottiline())
  return () => db.close()
})

it('opens its own build by its digest alone, until it ends, is ended, or the build is gone', async () => {
  const id = (await add('Harbour trust'))!
  await add('Over', -0.001)
  expect((await listLinks(db, BUILD)).map(({ name }) => name)).toEqual(['Harbour trust'])
  expect(await listLinks(db, OTHER)).toEqual([])
  expect(await linkOf(db, 'digest 0')).toMatchObject({
    name: 'Harbour trust',
    madeBy: 'Maren',
    build: BUILD,
    first: true,
  })
  expect(await linkOf(db, 'digest 0')).toMatchObject({ first: false })
  expect((await listLinks(db, BUILD))[0].usedAt).not.toBeNull()
  expect(await linkOf(db, 'digest 1')).toBeUndefined()
  expect(await linkOf(db, id)).toBeUndefined()
  // Of another build nobody ends it.
  expect(await endLink(db, OTHER, id)).toBeUndefined()
  expect(await endLink(db, BUILD, id)).toBe('Harbour trust')
  expect(await endLink(db, BUILD, id)).toBeUndefined()
  expect(await linkOf(db, 'digest 0')).toBeUndefined()

  await add('Second')
  expect(await linkOf(db, 'digest 2')).toBeTruthy()
  await moveBuild(db, BUILD, { place: 'deleted', name: DEMO_BUILDS.ottiline().name, who: 'Maren' })
  expect(await linkOf(db, 'digest 2')).toBeUndefined()
  await db.query("update build set deleted_at = now() - interval '90 days' where id = $1", [BUILD])
  expect(await purgeDeleted(db)).toBe(1)
  expect((await db.query('select 1 from link')).rows).toEqual([])
})

it('so many of a build stand at once, and one that is ended makes room', async () => {
  const all = []
  for (let i = 0; i < MOST_LINKS; i++) all.push(await add(`customer ${i}`))
  expect(await add('one too many')).toBeUndefined()
  expect(await add('of another', 1, OTHER)).toBeTruthy()
  await endLink(db, BUILD, all[3]!)
  expect(await add('room again')).toBeTruthy()
})
