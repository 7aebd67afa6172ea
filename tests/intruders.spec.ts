import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { randomUUID } from 'node:crypto'
import { seal, defaults } from 'iron-webcrypto'
import { cookieOf, expect, own, PASSPHRASE, PINS, test } from './network'
import { buildId } from './server'
import { reading, change, entriesOf } from './intruder'

test('a session that was forged, sealed by another key, signed out, taken over from before, or of somebody who is gone opens nothing', async ({
  shop,
}) => {
  const id = await buildId(shop.server, 'Rescue tractor 2')
  const tried = async (cookie: string | undefined, path = `/api/builds/${id}`) =>
    (await shop.ask('GET', path, { headers: cookie ? { cookie } : {} })).status
  expect(await tried(undefined)).toBe(401)
  for (const nothing of ['__Host-uldo=', '__Host-uldo=x', '__Host-uldo=Fe26.2**a*b*c*d*e*f', 'nuxt-session=x'])
    expect(await tried(nothing), nothing).toBe(401)

  const device = await shop.device()
  expect(await tried(device)).toBe(401)
  const maren = await shop.signIn('Maren', device)
  expect(await tried(maren)).toBe(200)
  // The cookie from before the sign-in is worth nothing now.
  expect(await tried(device, '/api/access')).toBe(200)
  expect((await shop.ask('GET', '/api/access', { headers: { cookie: device } })).json).toMatchObject({
    device: false,
    people: [],
  })
  // A cookie sealed by another's key, naming the very session; and one altered by a character.
  const { sessions } = (await own(shop, 'GET', '/api/people')).json as { sessions: { id: string }[] }
  const forged = await seal(
    globalThis.crypto as Parameters<typeof seal>[0],
    { id: randomUUID(), createdAt: Date.now(), data: { secure: { session: sessions[0].id } } },
    'a'.repeat(64),
    { ...defaults, ttl: 0 },
  )
  expect(await tried(`__Host-uldo=${encodeURIComponent(forged)}`)).toBe(401)
  const at = Math.floor(maren.length / 2)
  expect(await tried(maren.slice(0, at) + (maren[at] === 'A' ? 'B' : 'A') + maren.slice(at + 1))).toBe(401)
  // The cookie is kept from scripts and from plain lines, and goes to no other site.
  const set = String(
    (await shop.ask('POST', '/api/access/passphrase', { body: { passphrase: PASSPHRASE } })).headers['set-cookie'],
  )
  for (const word of ['__Host-uldo=', 'HttpOnly', 'Secure', 'SameSite=Strict', 'Path=/']) expect(set).toContain(word)
  expect(set).not.toContain('Domain')

  // Signed out, played again.
  const out = cookieOf(await shop.ask('POST', '/api/access/sign-out', { headers: { cookie: maren }, body: {} }))
  expect(await tried(maren)).toBe(401)
  expect(await tried(out)).toBe(401)
  // Somebody whose PIN is taken away, and somebody who is gone.
  const ilse = await shop.signIn('Ilse')
  const person = async (name: string) =>
    ((await own(shop, 'GET', '/api/access')).json as { people: { id: string; name: string }[] }).people.find(
      (each) => each.name === name,
    )!.id
  expect(await tried(ilse)).toBe(200)
  await own(shop, 'PUT', `/api/people/${await person('Ilse')}`, { pin: null })
  expect(await tried(ilse)).toBe(401)
  const tobi = await shop.signIn('Tobi')
  await own(shop, 'PUT', `/api/people/${await person('Tobi')}`, { gone: true })
  expect(await tried(tobi)).toBe(401)
  // Another passphrase: everything that stood open has ended.
  const last = await shop.signIn('Maren')
  await own(shop, 'PUT', '/api/passphrase', { passphrase: 'another one than before' })
  expect(await tried(last)).toBe(401)
})

test('nobody does more than the role: not an apprentice, not a reader, not a logger; and nobody writes in another’s name', async ({
  shop,
}) => {
  const id = await buildId(shop.server, 'Rescue tractor 2')
  const [maren, ilse, tobi] = [await shop.signIn('Maren'), await shop.signIn('Ilse'), await shop.signIn('Tobi')]
  const as = (cookie: string) => (method: string, path: string, body?: unknown) =>
    shop.ask(method, path, { headers: { cookie }, body })
  const [asMaren, asIlse, asTobi] = [as(maren), as(ilse), as(tobi)]

  const waits = await asTobi('POST', `/api/builds/${id}/entries`, change('Tobi'))
  expect(waits).toMatchObject({ status: 202, json: { proposal: { who: 'Tobi' } } })
  const { number } = (waits.json as { proposal: { number: number } }).proposal
  const sign = (who: typeof asTobi, more: object = {}) =>
    who('POST', `/api/builds/${id}/proposals/${number}`, { decision: 'signed', ...more })
  expect((await sign(asTobi)).status).toBe(403)
  expect((await sign(asTobi, { who: 'Maren' })).status).toBe(403)
  // Nothing else lets it in either: another's name, another door, a switch that is not the apprentice's.
  expect((await asTobi('POST', `/api/builds/${id}/entries`, change('Maren'))).json).toMatchObject({
    error: { code: 'other-person' },
  })
  expect(
    (await asTobi('POST', '/api/house/changes', change('Tobi', [{ op: 'replace', path: '/signOff', value: false }])))
      .status,
  ).toBe(403)
  expect(
    (await asIlse('POST', '/api/house/changes', change('Ilse', [{ op: 'replace', path: '/signOff', value: false }])))
      .status,
  ).toBe(403)
  expect(
    (
      await asIlse(
        'POST',
        '/api/house/changes',
        change('Ilse', [{ op: 'add', path: '/rules/floor.idleHot', value: { value: 1e5, reason: 'r' } }]),
      )
    ).status,
  ).toBe(403)
  for (const [method, path] of [
    ['POST', '/api/builds'],
    ['PUT', '/api/house'],
    ['POST', '/api/backups'],
    ['POST', '/api/check'],
    ['DELETE', `/api/shelf/items/${randomUUID()}`],
    ['POST', '/api/people'],
    ['POST', '/api/tokens'],
    ['GET', '/api/people'],
    ['PUT', '/api/passphrase'],
    ['PUT', `/api/people/${randomUUID()}`],
  ] as const)
    expect((await asTobi(method, path, {})).status, `${method} ${path}`).toBe(403)
  for (const path of ['/api/people', '/api/tokens'])
    expect((await asIlse('POST', path, { name: 'X', role: 'owner', kind: 'script' })).status).toBe(403)
  expect((await asMaren('PUT', '/api/passphrase', { passphrase: 'from over the network' })).status).toBe(403)
  // A builder's record bears no other name, wherever in it that is put.
  expect(
    (
      await asIlse(
        'POST',
        `/api/builds/${id}/entries`,
        change('Ilse', [{ op: 'add', path: '/readings/main.1.journal', value: reading('Maren') }]),
      )
    ).status,
  ).toBe(400)
  expect(await entriesOf(shop, id)).toEqual([])
  expect((await sign(asIlse)).status).toBe(200)
  expect(await entriesOf(shop, id)).toMatchObject([{ who: 'Tobi', signedBy: 'Ilse' }])
  expect((await sign(asIlse)).status).toBe(404)
  // Runs, events and photos bear who is signed in.
  const run = randomUUID()
  expect(
    (
      await asIlse('POST', `/api/builds/${id}/runs`, {
        id: run,
        kind: 'start',
        who: 'Maren',
        setup: { source: 'logger' },
      })
    ).status,
  ).toBe(403)
  expect(
    (
      await asIlse('POST', `/api/builds/${id}/runs`, {
        id: run,
        kind: 'start',
        who: 'Ilse',
        setup: { source: 'logger' },
      })
    ).status,
  ).toBe(201)

  // A reader looks, and writes nothing.
  const { people } = (await own(shop, 'GET', '/api/access')).json as { people: { id: string; name: string }[] }
  await own(shop, 'PUT', `/api/people/${people.find(({ name }) => name === 'Tobi')!.id}`, { role: 'reader' })
  expect((await asTobi('GET', `/api/builds/${id}`)).status).toBe(200)
  for (const [method, path] of [
    ['POST', `/api/builds/${id}/entries`],
    ['POST', `/api/runs/${run}/events`],
    ['POST', `/api/runs/${run}/samples`],
    ['PUT', `/api/builds/${id}/photos/${randomUUID()}`],
    ['POST', `/api/builds/${id}/proposals/1`],
  ] as const)
    expect((await asTobi(method, path, change('Tobi'))).status, path).toBe(403)

  // Tokens are made by an owner; a logger's sends readings to runs and nothing else; ended, it opens nothing.
  const made = (await asMaren('POST', '/api/tokens', { name: 'Bench logger', kind: 'logger' })).json as {
    id: string
    secret: string
  }
  const script = (await asMaren('POST', '/api/tokens', { name: 'Import script', kind: 'script' })).json as {
    secret: string
  }
  expect((await asMaren('POST', '/api/tokens', { name: 'ilse', kind: 'script' })).status).toBe(409)
  const by = (secret: string) => (method: string, path: string, body?: unknown) =>
    shop.ask(method, path, { headers: { authorization: `Bearer ${secret}` }, body })
  expect((await by(made.secret)('POST', `/api/runs/${run}/samples`, [{ time: 1, pressure: 3e5 }])).json).toMatchObject({
    taken: 1,
  })
  for (const [method, path] of [
    ['POST', `/api/builds/${id}/entries`],
    ['POST', `/api/runs/${run}/events`],
    ['GET', `/api/builds/${id}`],
    ['GET', '/api/people'],
    ['POST', '/api/access/sign-in'],
    ['POST', '/api/tokens'],
  ] as const)
    expect((await by(made.secret)(method, path, {})).status, path).toBe(403)
  expect((await by(`${made.secret}x`)('POST', `/api/runs/${run}/samples`, [{ time: 2, pressure: 3e5 }])).status).toBe(
    401,
  )
  expect(
    (
      await by(script.secret)(
        'POST',
        `/api/builds/${id}/entries`,
        change('Maren', [{ op: 'add', path: '/choices/relief.stack', value: 'by a script' }], 1),
      )
    ).json,
  ).toMatchObject({ who: 'Import script' })
  expect((await by(script.secret)('GET', '/api/people')).status).toBe(403)
  expect((await asMaren('DELETE', `/api/tokens/${made.id}`)).status).toBe(200)
  expect((await by(made.secret)('POST', `/api/runs/${run}/samples`, [{ time: 3, pressure: 3e5 }])).status).toBe(401)
  // Neither a secret nor a PIN lies in the log.
  const log = readFileSync(join(shop.server.folder, 'log/uldo.log'), 'utf8')
  for (const secret of [made.secret, script.secret, PASSPHRASE, ...Object.values(PINS), maren.split('=')[1]])
    expect(log).not.toContain(secret)
  expect(log).toContain('"who":"Import script"')
})

test('wrong tries are slowed down, however many are sent at once; a right one does not pass while it waits; an owner unlocks', async ({
  shop,
}) => {
  const cookie = await shop.device()
  const { people } = (await shop.ask('GET', '/api/access', { headers: { cookie } })).json as {
    people: { id: string; name: string }[]
  }
  const ilse = people.find(({ name }) => name === 'Ilse')!.id
  const enter = (pin: string) =>
    shop.ask('POST', '/api/access/sign-in', { headers: { cookie }, body: { person: ilse, pin } })
  const tried = await Promise.all(Array.from({ length: 20 }, (_, i) => enter(String(100_000 + 7 * i))))
  expect(tried.map(({ status }) => status).sort()).toEqual([
    ...new Array<number>(5).fill(403),
    ...new Array<number>(15).fill(429),
  ])
  const late = await enter(PINS.Ilse)
  expect(late.status).toBe(429)
  expect(Number(late.headers['retry-after'])).toBeGreaterThan(5)
  expect((late.json as { error: { message: string } }).error.message).toMatch(
    /^5 wrong PINs for Ilse: the next try is taken in \d+ seconds\.$/,
  )
  // Others come in all the while.
  expect(await shop.signIn('Tobi')).toContain('__Host-uldo=')
  await own(shop, 'PUT', `/api/people/${ilse}`, { unlock: true, who: 'Maren' })
  expect((await enter(PINS.Ilse)).status).toBe(200)

  const words = await Promise.all(
    Array.from({ length: 8 }, (_, i) =>
      shop.ask('POST', '/api/access/passphrase', { body: { passphrase: `guess number ${i} of them` } }),
    ),
  )
  expect(words.map(({ status }) => status).sort()).toEqual([403, 403, 403, 403, 403, 429, 429, 429])
  expect((await shop.ask('POST', '/api/access/passphrase', { body: { passphrase: PASSPHRASE } })).status).toBe(429)
  const { log } = (await own(shop, 'GET', '/api/people')).json as {
    log: { what: string; subject: string; address: string }[]
  }
  expect(log.filter(({ what }) => what === 'passphrase-wrong')).toHaveLength(5)
  expect(
    log.filter(({ what, subject }) => what === 'pin-wrong' && subject === 'Ilse').map(({ address }) => address),
  ).toEqual(new Array(5).fill('127.0.0.1'))
  // And who is not known asks no more often than a person would.
  const asked = await Promise.all(
    Array.from({ length: 160 }, () => shop.ask('GET', '/api/builds').then(({ status }) => status)),
  )
  expect(asked.filter((status) => status === 429).length).toBeGreaterThan(30)
  expect(new Set(asked)).toEqual(new Set([401, 429]))
})
