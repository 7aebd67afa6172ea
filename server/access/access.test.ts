import { readdirSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { waitFor, waitWords } from './lockout'
import { isOwners, rightFor } from './rights'
import { digestOf, hashOf, isSecret, newToken, passphraseFault, pinFault } from './secret'

/** Every route that there is, by its file. */
function routes(): { method: string; path: string }[] {
  const folder = fileURLToPath(new URL('../api/', import.meta.url))
  return readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.ts') && !file.startsWith('[...]'))
    .map((file) => {
      const [, path, method] = /^(.*?)\.(get|post|put|delete)\.ts$/.exec(file)!
      return {
        method: method.toUpperCase(),
        path: `/api/${path.replace(/\/?index$/, '').replaceAll(/\[\w+\]/g, 'x1')}`,
      }
    })
}

describe('what a request needs', () => {
  it('is nothing or a device for no more than signing in and health', () => {
    const free = routes()
      .filter(({ method, path }) => ['nothing', 'device'].includes(rightFor(method, path).need))
      .map(({ method, path }) => `${method} ${path}`)
    expect(free.sort()).toEqual([
      'GET /api/access',
      'GET /api/guest',
      'GET /api/health',
      'GET /api/health/live',
      'GET /api/health/ready',
      'POST /api/access/passphrase',
      'POST /api/access/sign-in',
      'POST /api/access/sign-out',
    ])
  })
  it('is never a reader for what writes, but one’s own PIN and where one is; people, sessions, tokens and the passphrase are the owner’s', () => {
    expect(routes().length).toBeGreaterThan(40)
    for (const { method, path } of routes()) {
      const { need } = rightFor(method, path)
      if (method !== 'GET' && need === 'reader') expect(path).toMatch(/^\/api\/(access\/pin|builds\/\w+\/presence)$/)
      if (/^\/api\/(people|sessions|tokens|passphrase)/.test(path)) expect(need, path).toBe('owner')
    }
  })
  it('is enough for a logger where readings go, and nowhere else that writes', () => {
    expect(
      routes()
        .filter(({ method, path }) => method !== 'GET' && rightFor(method, path).logger)
        .map(({ path }) => path),
    ).toEqual(['/api/runs/x1/samples'])
  })
  it('is the owner for whatever is not known, written however', () => {
    for (const path of [
      '/api/people/',
      '/api//people',
      '/api/builds/x/../../people',
      '/api/new',
      '/api/builds/x/entries/',
      '/api/access/',
      '/api/healthy',
    ])
      expect(rightFor('POST', path).need, path).toBe('owner')
    expect(rightFor('DELETE', '/api/builds/x').need).toBe('owner')
    expect(rightFor('OPTIONS', '/api/health').need).toBe('owner')
  })
  it('limits, target rules and whose values wait are the owner’s, by whichever path they are written', () => {
    for (const path of ['/rules', '/rules/floor.idleHot', '/school', '/signOff', ''])
      expect(isOwners(path), path).toBe(true)
    for (const path of ['/units', '/instruments/0', '/rulesAndMore', '/cautions/-'])
      expect(isOwners(path), path).toBe(false)
  })
})

describe('after wrong tries', () => {
  it('the first five wait for nothing; then the wait doubles, to an hour and no more', () => {
    expect([0, 4].map((count) => waitFor(count, 1000, 1000))).toEqual([0, 0])
    expect([5, 6, 7, 11, 12, 40].map((count) => waitFor(count, 1000, 1000))).toEqual([
      30e3, 60e3, 120e3, 1920e3, 3600e3, 3600e3,
    ])
    expect(waitFor(5, 1000, 1000 + 30e3)).toBe(0)
    expect(waitFor(6, 1000, 1000 + 59e3)).toBe(1000)
  })
  it('a day’s worth of them is fewer than forty, by which a PIN of six digits is never guessed', () => {
    let now = 0
    let tried = 0
    for (let last = 0; now < 86_400e3; tried++) {
      last = now
      now += Math.max(1000, waitFor(tried + 1, last, now))
    }
    expect(tried).toBeLessThan(40)
  })
  it('is said as people say it', () =>
    expect([1500, 60_000, 91_000, 3600e3].map(waitWords)).toEqual([
      '2 seconds',
      '60 seconds',
      '2 minutes',
      '60 minutes',
    ]))
})

describe('secrets', () => {
  it('are hashed with a salt, and known again however they were composed', async () => {
    const [one, two] = await Promise.all([hashOf('schlüssel unter stein'), hashOf('schlüssel unter stein')])
    expect(one).not.toBe(two)
    expect(one).toMatch(/^\$scrypt\$n=16384,r=8,p=1\$/)
    expect(await isSecret(one, 'schlüssel unter stein'.normalize('NFD'))).toBe(true)
    expect(await isSecret(one, 'schlussel unter stein')).toBe(false)
  })
  it('a passphrase of twelve characters or more is taken, any of them; not one character over and over', () => {
    expect(passphraseFault('kettle anvil osprey')).toBeUndefined()
    expect(passphraseFault('🔧 öl und späne 🔩')).toBeUndefined()
    expect(passphraseFault('elevenchars')).toContain('11 characters')
    expect(passphraseFault('aaaaaaaaaaaaaaaa')).toContain('over and over')
    expect(passphraseFault('abcde fghij'.repeat(20))).toContain('at most 128')
  })
  it('a PIN is digits, and not the ones that are guessed first', () => {
    for (const pin of ['4829', '482913', '112233', '908172635401']) expect(pinFault(pin), pin).toBeUndefined()
    for (const pin of ['482', '4829131234567', '48a9', '', '１２３５'])
      expect(pinFault(pin), pin).toContain('4 to 12 digits')
    for (const pin of ['1111', '1234', '987654', '0123456789']) expect(pinFault(pin), pin).toContain('guessed first')
  })
  it('no two tokens are alike, and a digest tells nothing but which', () => {
    fc.assert(
      fc.property(fc.constant(0), () => {
        const [a, b] = [newToken(), newToken()]
        expect(a).toMatch(/^uldo_[\w-]{43}$/)
        expect(a).not.toBe(b)
        expect(digestOf(a)).not.toContain(a)
        expect(digestOf(a)).toBe(digestOf(a))
      }),
    )
  })
})
