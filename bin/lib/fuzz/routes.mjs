import { randomUUID } from 'node:crypto'

/** Every route of a server, each with a body that it takes: [method, path, body]. */
const practised = {
  kind: 'drill',
  engine: 'Ottiline',
  starts: 20,
  right: 17,
  falseStops: 1,
  missed: 2,
  reaction: 2.5,
  late: 4,
}

/** What works for seconds on all of the records: asked for seldom, as nobody asks for it often. */
export const isHeavy = (path) => /^\/api\/(archive|backups|check)|\/archive/.test(path)

/**
 * Routes that a server says it has and that nothing is sent to, so that a new one is not left out.
 *
 * @param described its `/api/openapi.json`
 */
export function leftOut(described, routes) {
  return Object.entries(described.paths).flatMap(([path, methods]) => {
    const named = new RegExp(`^${path.replaceAll('.', '\\.').replace(/\{[^}]+\}/g, '[^/]+')}$`)
    return Object.keys(methods)
      .map((method) => method.toUpperCase())
      .filter((method) => !routes.some(([m, p]) => m === method && named.test(p.split('?')[0])))
      .map((method) => `${method} ${path}`)
  })
}

export function routesOf({ build, run, item, person, house, revision, random, pick, sandbox }) {
  const change = () => ({
    clientKey: randomUUID(),
    device: randomUUID(),
    base: 0,
    who: 'A program',
    patch: [{ op: 'add', path: '/readings/main.1.journal', value: { value: 0.066, source: 'measured' } }],
    reason: '',
  })
  const entry = {
    kind: 'washer',
    label: 'W',
    engine: '',
    count: 1,
    place: '',
    note: '',
    properties: { thickness: 0.001 },
  }

  return [
    ['GET', '/api/health'],
    ['GET', '/api/builds'],
    ['GET', '/api/plan'],
    ['GET', `/api/builds/${build.id}`],
    ['GET', `/api/builds/${build.id}/file`],
    ['GET', `/api/builds/${build.id}/entries?after=0`],
    ['GET', `/api/builds/${build.id}/reminders`],
    ['GET', `/api/builds/${build.id}/label?valve=relief&form=svg`],
    ['GET', `/api/builds/${build.id}/label?valve=relief&form=pdf`],
    ['GET', `/api/builds/${build.id}/gauge?reading=main.1.journal&engine=3&press=1`],
    ['GET', `/api/builds/${build.id}/runs`],
    ['GET', `/api/runs/${run}`],
    ['GET', `/api/runs/${run}/samples?after=-1&most=100`],
    ['GET', `/api/runs/${run}/samples?format=csv`],
    ['GET', '/api/shelf'],
    ['GET', '/api/shelf/csv?kind=washer'],
    ['GET', '/api/house'],
    ['GET', `/api/shelf/photos/${randomUUID()}`],
    ['GET', `/api/builds/${build.id}/photos/${randomUUID()}`],
    ['GET', '/'],
    ['GET', `/build/${build.id}/bearings`],
    ['POST', '/api/builds', () => ({ preset: 'inline4', name: 'n', engine: 'e', work: '' })],
    ['POST', `/api/builds/${build.id}/entries`, change],
    [
      'POST',
      `/api/builds/${build.id}/entries`,
      () => ({ ...change(), orders: [{ clientKey: randomUUID(), item, move: 'reserve', count: 1 }] }),
    ],
    [
      'POST',
      `/api/builds/${build.id}/runs`,
      () => ({
        id: randomUUID(),
        kind: pick(['start', 'prime']),
        who: 'A program',
        setup: { source: pick(['logger', 'hand', 'file']) },
      }),
    ],
    [
      'POST',
      `/api/builds/${build.id}/shelf`,
      () => ({ who: 'A program', orders: [{ clientKey: randomUUID(), item, move: 'reserve', count: 1 }] }),
    ],
    [
      'POST',
      `/api/runs/${run}/events`,
      () => ({
        clientKey: randomUUID(),
        time: 1,
        kind: pick(['act', 'mark', 'note', 'oil', 'found']),
        words: 'w',
        data: { action: 'crank', temperature: 20 },
        who: 'A program',
      }),
    ],
    ['POST', `/api/runs/${run}/samples`, () => [{ time: Math.round(random() * 1e6) / 1000, pressure: 3e5, speed: 15 }]],
    ['POST', '/api/shelf/csv?who=Someone', () => 'kind,label'],
    ['POST', '/api/shelf/items', () => ({ ...entry, label: `W ${Math.floor(random() * 1e6)}` })],
    [
      'POST',
      '/api/shelf/changes',
      () => ({ clientKey: randomUUID(), who: 'A program', item, kind: 'set', was: { count: 1 }, set: { count: 2 } }),
    ],
    [
      'POST',
      '/api/shelf/changes',
      () => ({
        clientKey: randomUUID(),
        who: 'A program',
        item: randomUUID(),
        kind: 'add',
        entry: { ...entry, label: `X ${Math.floor(random() * 1e6)}` },
      }),
    ],
    ['PUT', `/api/shelf/items/${item}`, () => ({ base: 0, entry })],
    ['DELETE', `/api/shelf/items/${randomUUID()}`],
    [
      'POST',
      '/api/house/changes',
      () => ({
        clientKey: randomUUID(),
        device: randomUUID(),
        base: revision,
        who: 'A program',
        patch: [{ op: 'replace', path: '/units', value: 'mm, bar' }],
        reason: '',
      }),
    ],
    ['PUT', '/api/house', () => ({ base: revision, house })],
    [
      'POST',
      '/api/house/preview',
      () => ({ rules: { 'relief.bindMargin': { value: 2e-3, reason: 'r' } }, school: 'auto' }),
    ],
    ['PUT', `/api/builds/${build.id}/photos/${randomUUID()}?who=Someone`, () => 'JPEG'],
    ['PUT', `/api/shelf/photos/${randomUUID()}?who=Someone`, () => 'JPEG'],
    ['GET', '/api/health/live'],
    ['GET', '/api/health/ready'],
    ['GET', '/api/openapi.json'],
    ['GET', '/api/metrics'],
    ['GET', '/api/cases'],
    ['GET', '/api/practice'],
    ['GET', '/api/backups'],
    ['GET', '/api/events'],
    ['GET', `/api/builds/${build.id}/events?after=0&device=d`],
    ['GET', `/api/runs/${run}/stream?after=-1`],
    ['GET', `/api/builds/${build.id}/experience`],
    ['GET', `/api/builds/${build.id}/sisters`],
    ['GET', `/api/builds/${build.id}/links`],
    [
      'POST',
      `/api/builds/${build.id}/links`,
      () => ({ name: 'n', until: new Date(Date.now() + 86400e3).toISOString() }),
    ],
    ['DELETE', `/api/builds/${build.id}/links/${randomUUID()}`],
    ['GET', '/api/guest'],
    ['PUT', `/api/builds/${build.id}/presence`, () => ({ device: 'd', who: 'A program', page: 'brief' })],
    ['PUT', `/api/builds/${build.id}/place`, () => ({ place: 'floor' })],
    ['POST', '/api/builds/sandbox', () => ({ id: randomUUID() })],
    ['DELETE', `/api/builds/sandbox/${sandbox}`],
    ['POST', '/api/practice', () => ({ id: randomUUID(), result: practised })],
    ['POST', '/api/archive', () => 'no archive'],
    ['GET', `/api/builds/${build.id}/archive`],
    ['GET', '/api/archive'],
    ['POST', '/api/backups', () => ({})],
    ['POST', '/api/check', () => ({})],
    ['GET', '/api/access'],
    ['GET', '/api/people'],
    ['GET', '/api/network'],
    ['GET', `/api/builds/${build.id}/proposals`],
    ['POST', `/api/builds/${build.id}/entries`, () => ({ ...change(), who: 'Tobi' })],
    [
      'POST',
      `/api/builds/${build.id}/proposals/${1 + Math.floor(random() * 200)}`,
      () => ({ decision: pick(['signed', 'sent-back', 'taken-back']), who: pick(['Maren', 'Tobi', 'Oda']) }),
    ],
    [
      'POST',
      '/api/people',
      () => ({ name: `P ${Math.floor(random() * 1e6)}`, role: pick(['owner', 'builder', 'apprentice', 'reader']) }),
    ],
    ['PUT', `/api/people/${person}`, () => ({ role: 'reader', unlock: true })],
    ['POST', '/api/tokens', () => ({ name: `T ${Math.floor(random() * 1e6)}`, kind: pick(['logger', 'script']) })],
    ['DELETE', `/api/tokens/${randomUUID()}`],
    ['DELETE', `/api/sessions/${randomUUID()}`],
    ['POST', '/api/access/passphrase', () => ({ passphrase: 'guessed at random' })],
    ['POST', '/api/access/sign-in', () => ({ person, pin: '482913' })],
    ['POST', '/api/access/sign-out', () => ({})],
    ['PUT', '/api/access/pin', () => ({ now: '482913', pin: '713904' })],
    ['PUT', '/api/passphrase', () => ({ passphrase: 'short' })],
  ]
}
