import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import { setUpAccess } from '../access/setUp'
import type { Change } from '#core/record/entry'
import { newSheet } from '#core/record/layouts'
import { Sheet } from '#core/record/schema'
import { OBSERVATION_KEYS, OBSERVATIONS, type Observation } from '#core/record/traceWords'
import { accessLog, HERE, logAccess, wrongPassphrases, wrongPins, wrongWithinHour } from './accessLog'
import { entriesAfter, getBuild, insertBuild } from './builds'
import { enterChange } from './enterChange'
import { type Database, migrate } from './database'
import { getHouse } from './house'
import { checkRecords } from './integrity'
import { addPerson, changePerson, getPassphrase, hasOwner, listPeople, pinOf } from './people'
import { propose, proposalCounts, proposalsOf, waitingProposal } from './proposals'
import { insertEvent, insertRun } from './runs'
import { beginSession, endSessions, listSessions, liveSession, stillStands } from './sessions'
import { bareDatabase, emptyDatabase, migrations } from './testDatabase'
import { addToken, endToken, listTokens, tokenOf } from './tokens'

let db: Database
beforeAll(async () => {
  db = await emptyDatabase()
})
const origin = { address: '192.168.7.9', agent: 'a tablet' }

describe('people', () => {
  it('of a shop’s former list work there still, as builders, and their names are in the house’s document no more', async () => {
    const old = await bareDatabase()
    await migrate(
      old,
      migrations.filter(({ name }) => name < '0008'),
    )
    await old.query(
      `insert into house (document) values ('{"people": ["Maren", "Ilse", "maren"], "units": "mm, bar"}')`,
    )
    await migrate(old, migrations)
    expect((await listPeople(old)).map(({ name, role, pin }) => [name.toLowerCase(), role, pin])).toEqual([
      ['ilse', 'builder', false],
      ['maren', 'builder', false],
    ])
    expect((await getHouse(old)).house).toEqual({
      signOff: true,
      units: 'mm, bar',
      plan: { hands: {}, engines: {}, order: [] },
    })
  })
  it('have a name once, whichever way it is written; who is gone makes room', async () => {
    const nils = (await addPerson(db, 'Nils', 'reader'))!
    expect(await addPerson(db, 'NILS', 'owner')).toBeUndefined()
    await changePerson(db, nils.id, { gone: true })
    expect(await addPerson(db, 'NILS', 'owner')).toMatchObject({ name: 'NILS', role: 'owner', pin: false })
  })
  it('keep their PIN when their role changes, and their role when their PIN does', async () => {
    const { id } = (await addPerson(db, 'Jette', 'reader', 'hash'))!
    await changePerson(db, id, { role: 'builder' })
    expect(await pinOf(db, id)).toBe('hash')
    await changePerson(db, id, { pin: null })
    expect((await listPeople(db)).find((each) => each.id === id)).toMatchObject({ role: 'builder', pin: false })
  })
  it('a passphrase is set with an owner, and all that stood open has ended; a bad one sets nothing', async () => {
    const session = await beginSession(db, origin)
    expect(await setUpAccess(db, 'short', { name: 'Maren', pin: '482913' })).toMatchObject({ path: 'passphrase' })
    expect(await setUpAccess(db, 'kettle anvil osprey', { name: 'Maren', pin: '1234' })).toMatchObject({ path: 'pin' })
    expect(await getPassphrase(db)).toBeUndefined()
    expect(await hasOwner(db)).toBe(false)
    expect(await setUpAccess(db, 'kettle anvil osprey', { name: 'Maren', pin: '482913' })).toEqual({
      ended: [session.id],
    })
    expect(await hasOwner(db)).toBe(true)
    expect(await hasOwner(db, (await listPeople(db)).find(({ name }) => name === 'Maren')!.id)).toBe(false)
  })
})

describe('a session', () => {
  const age = (id: string, column: 'seen_at' | 'began_at', by: string) =>
    db.query(`update session set ${column} = now() - interval '${by}' where id = $1`, [id])
  const person = async (name: string) => (await addPerson(db, name, 'builder', 'hash'))!.id

  it('is another at each sign-in, and the one before is worth nothing', async () => {
    const before = await beginSession(db, origin)
    const after = await beginSession(db, origin, await person('Ada'), before.device)
    expect(after.device).toBe(before.device)
    expect(after.id).not.toBe(before.id)
    expect(await liveSession(db, before.id)).toBeUndefined()
    expect(await liveSession(db, after.id)).toMatchObject({ person: { name: 'Ada', role: 'builder' } })
    expect(await liveSession(db, randomUUID())).toBeUndefined()
  })
  it('lets its person go after two hours unused or sixteen in all; the device is known for ninety days', async () => {
    const ids = await Promise.all(
      ['Bo', 'Cy', 'Di'].map(async (name) => (await beginSession(db, origin, await person(name))).id),
    )
    await age(ids[0], 'seen_at', '119 minutes')
    await age(ids[1], 'seen_at', '121 minutes')
    await age(ids[2], 'began_at', '961 minutes')
    expect(await stillStands(db, ids[0])).toBe(true)
    expect(await stillStands(db, ids[1])).toBe(false)
    expect(await liveSession(db, ids[0])).toHaveProperty('person')
    for (const late of [ids[1], ids[2]]) expect(await liveSession(db, late)).not.toHaveProperty('person')
    // Asked again at once it stays so: being seen does not bring the person back.
    expect(await liveSession(db, ids[1])).not.toHaveProperty('person')
    await age(ids[0], 'seen_at', '91 days')
    expect(await liveSession(db, ids[0])).toBeUndefined()
    expect(await liveSession(db, ids[0])).toBeUndefined()
  })
  it('does not run out under a start that its person has going', async () => {
    const { id } = await beginSession(db, origin, await person('Edda'))
    const build = (await insertBuild(db, randomUUID(), newSheet('inline4', 'Boat', 'x', ''))).id
    const run = (await insertRun(db, build, {
      id: randomUUID(),
      kind: 'start',
      setup: { source: 'hand' },
      who: 'Edda',
    }))!
    await age(id, 'began_at', '17 hours')
    expect(await liveSession(db, id)).toHaveProperty('person')
    await insertEvent(db, run.id, {
      clientKey: randomUUID(),
      time: 1,
      kind: 'end',
      words: 'done',
      data: {},
      who: 'Edda',
    })
    expect(await liveSession(db, id)).not.toHaveProperty('person')
  })
  it('ends with its person’s leave, and with a PIN taken away', async () => {
    const id = await person('Finn')
    const session = await beginSession(db, origin, id)
    await changePerson(db, id, { pin: null })
    expect(await liveSession(db, session.id)).not.toHaveProperty('person')
    await changePerson(db, id, { pin: 'hash' })
    expect(await endSessions(db, id)).toEqual([session.id])
    expect((await listSessions(db)).some((each) => each.id === session.id)).toBe(false)
  })
})

describe('wrong tries', () => {
  it('count by name whichever way it is written, until a right one; by address for the passphrase', async () => {
    for (let i = 0; i < 3; i++) await logAccess(db, 'pin-wrong', origin, i % 2 ? 'GRETA' : 'Greta')
    expect((await wrongPins(db, 'greta')).count).toBe(3)
    await logAccess(db, 'pin-right', origin, 'Greta')
    expect((await wrongPins(db, 'Greta')).count).toBe(0)
    await logAccess(db, 'pin-wrong', origin, 'Greta')
    await logAccess(db, 'unlocked', HERE, 'Greta', 'Maren')
    expect((await wrongPins(db, 'Greta')).count).toBe(0)
    for (const address of ['10.0.0.1', '10.0.0.1', '10.0.0.2'])
      await logAccess(db, 'passphrase-wrong', { address, agent: '' })
    expect((await wrongPassphrases(db, '10.0.0.1')).count).toBe(2)
    expect((await wrongPassphrases(db, '10.0.0.1')).last).toBeGreaterThan(Date.now() - 60_000)
    expect((await wrongWithinHour(db)).count).toBe(3)
  })
  it('are in a log that nobody alters', async () => {
    await expect(db.query('delete from access_entry')).rejects.toThrow('append-only')
    await expect(db.query("update access_entry set who = 'x'")).rejects.toThrow('append-only')
    expect((await accessLog(db, 2)).map(({ what }) => what)).toEqual(['passphrase-wrong', 'passphrase-wrong'])
  })
})

it('a token opens until it is ended, and its name is free then', async () => {
  const id = (await addToken(db, { name: 'Bench logger', kind: 'logger', digest: 'd1', madeBy: 'Maren' }))!
  expect(await addToken(db, { name: 'bench logger', kind: 'script', digest: 'd2', madeBy: 'Maren' })).toBeUndefined()
  expect(await tokenOf(db, 'd1')).toEqual({ id, name: 'Bench logger', kind: 'logger' })
  expect((await listTokens(db))[0].usedAt).not.toBeNull()
  expect(await endToken(db, id)).toBe('Bench logger')
  expect(await tokenOf(db, 'd1')).toBeUndefined()
  expect(await endToken(db, id)).toBeUndefined()
  expect(await addToken(db, { name: 'Bench logger', kind: 'script', digest: 'd3', madeBy: 'Maren' })).toBeDefined()
})

describe('a change of an apprentice', () => {
  const reading = (value: number, by = 'Tobi') => ({
    value,
    source: 'measured' as const,
    by,
    at: '2026-05-11T08:00:00Z',
  })
  const change = (who: string, path: string, value: unknown, base = 0): Change => ({
    clientKey: randomUUID(),
    device: randomUUID(),
    base,
    who,
    patch: [{ op: 'add', path, value }],
    reason: '',
  })
  const fresh = async () => (await insertBuild(db, randomUUID(), newSheet('inline4', 'Boat', 'x', ''))).id

  it('waits without touching the sheet; signed off it is entered once, in its maker’s name, and says by whom', async () => {
    const build = await fresh()
    const made = change('Tobi', '/readings/main.1.journal', reading(0.06))
    const { number } = await propose(db, build, made)
    expect((await propose(db, build, made)).number).toBe(number)
    expect((await getBuild(db, build))!.revision).toBe(0)
    expect(await proposalsOf(db, build)).toMatchObject([{ number, who: 'Tobi', patch: made.patch }])
    expect((await proposalCounts(db)).get(build)).toBe(1)
    const sign = async () =>
      enterChange(
        db,
        build,
        (await waitingProposal(db, build, number))?.change ?? { ...made, clientKey: randomUUID() },
        { bound: true, signed: { number, by: 'Maren', words: '' } },
      )
    expect(await sign()).toMatchObject({ kind: 'entered', entry: { who: 'Tobi', signedBy: 'Maren', revision: 1 } })
    expect(await sign()).toMatchObject({
      kind: 'invalid',
      problems: [{ message: expect.stringContaining('waits no longer') as string }],
    })
    expect(await proposalsOf(db, build)).toEqual([])
    expect((await getBuild(db, build))!).toMatchObject({
      revision: 1,
      sheet: { readings: { 'main.1.journal': { value: 0.06, by: 'Tobi' } } },
    })
    expect((await entriesAfter(db, build, 0))[0].signedBy).toBe('Maren')
    expect((await checkRecords(db)).filter(({ where }) => where.includes(build))).toEqual([])
  })
  it('over which somebody wrote since is a conflict, and waits on', async () => {
    const build = await fresh()
    const { number } = await propose(db, build, change('Tobi', '/readings/main.1.journal', reading(0.06)))
    await enterChange(db, build, change('Ilse', '/readings/main.1.journal', reading(0.0601, 'Ilse')))
    const waiting = (await waitingProposal(db, build, number))!
    expect(await enterChange(db, build, waiting.change, { signed: { number, by: 'Maren', words: '' } })).toMatchObject({
      kind: 'conflict',
      who: 'Ilse',
    })
    expect(await proposalsOf(db, build)).toHaveLength(1)
  })
})

describe('a name on a record', () => {
  const reading = (value: number, by: string, more: object = {}) => ({
    value,
    source: 'measured' as const,
    by,
    at: '2026-05-11T08:00:00Z',
    ...more,
  })
  const put = (who: string, base: number, value: unknown, path = '/readings/main.1.journal'): Change => ({
    clientKey: randomUUID(),
    device: randomUUID(),
    base,
    who,
    patch: [{ op: 'add', path, value }],
    reason: '',
  })

  it('is its maker’s own: another’s is refused by name, put in whichever way; what stood so may be given back or added to', async () => {
    const id = (await insertBuild(db, randomUUID(), newSheet('inline4', 'Boat', 'x', ''))).id
    const enter = (change: Change) => enterChange(db, id, change, { bound: true })
    expect(await enter(put('Ilse', 0, reading(0.06, 'Ilse')))).toMatchObject({ kind: 'entered' })
    expect(await enter(put('Tobi', 1, reading(0.07, 'Ilse')))).toMatchObject({
      kind: 'invalid',
      problems: [{ path: '/readings/main.1.journal', message: 'bears the name Ilse, and Tobi writes it' }],
    })
    expect(await enter(put('Tobi', 1, 'Ilse', '/readings/main.1.journal/by'))).toMatchObject({ kind: 'entered' })
    expect(await enter(put('Tobi', 2, 'Oda', '/readings/main.1.journal/by'))).toMatchObject({ kind: 'invalid' })
    expect(
      await enter(
        put(
          'Tobi',
          2,
          { 'main.1.journal': reading(0.06, 'Ilse'), 'main.2.journal': reading(0.06, 'Ilse') },
          '/readings',
        ),
      ),
    ).toMatchObject({ kind: 'invalid', problems: [{ path: '/readings/main.2.journal' }] })
    // A note beside it leaves it its hand; over it, it is one's own; and an undo gives back what stood.
    expect(await enter(put('Tobi', 2, reading(0.06, 'Ilse', { note: 'seen' })))).toMatchObject({ kind: 'entered' })
    expect(await enter(put('Tobi', 3, reading(0.0605, 'Tobi')))).toMatchObject({ kind: 'entered' })
    expect(await enter(put('Tobi', 4, reading(0.06, 'Ilse')))).toMatchObject({ kind: 'entered' })
    expect((await getBuild(db, id))!.sheet.readings['main.1.journal']).toMatchObject({ value: 0.06, by: 'Ilse' })
  })

  it('an engine with a case of one hand is recorded on by another, who may add to the case and not write in it', async () => {
    const begun = '2026-11-20T10:00:00.000Z'
    const seen = (by: string) => ({ value: 'no', by, at: begun })
    const found = {
      opened: begun,
      by: 'Oda',
      from: 'hand',
      symptom: 'low when hot',
      context: 'fresh',
      moment: 'idle-hot',
      readings: [{ moment: 'idle-hot', pressure: 1e5, with: 'mechanical', by: 'Oda', at: begun }],
      observations: {
        [OBSERVATION_KEYS[0]]: { ...seen('Oda'), value: OBSERVATIONS[OBSERVATION_KEYS[0] as Observation][0] },
      },
    }
    const sheet = Sheet.parse({ ...newSheet('inline4', 'Boat', 'x', ''), cases: { 'case.1': found } })
    const id = (await insertBuild(db, randomUUID(), sheet)).id
    const enter = (change: Change) => enterChange(db, id, change, { bound: true })
    const other = OBSERVATION_KEYS[1] as Observation
    const into = (path: string, value: unknown, base: number, who = 'Tobi') =>
      enter(put(who, base, value as never, `/cases/case.1${path}`))
    expect(await enter(put('Tobi', 0, reading(0.06, 'Tobi')))).toMatchObject({ kind: 'entered' })
    const answer = { ...seen('Tobi'), value: OBSERVATIONS[other][0] }
    expect(await into(`/observations/${other}`, answer, 1)).toMatchObject({ kind: 'entered' })
    expect(await into('/readings/-', { moment: 'idle-hot', pressure: 2e5, by: 'Tobi', at: begun }, 2)).toMatchObject({
      kind: 'entered',
    })
    expect(await into('/closed', begun, 3)).toMatchObject({ kind: 'entered' })
    for (const [path, value] of [
      ['/symptom', 'low when cold'],
      [
        `/observations/${OBSERVATION_KEYS[2]}`,
        { ...seen('Oda'), value: OBSERVATIONS[OBSERVATION_KEYS[2] as Observation][0] },
      ],
      ['/readings/0/pressure', 3e5],
    ] as const)
      expect(await into(path, value, 4), path).toMatchObject({
        kind: 'invalid',
        problems: [{ message: expect.stringContaining('bears the name Oda') }],
      })
  })
})
