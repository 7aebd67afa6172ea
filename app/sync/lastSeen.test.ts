import 'fake-indexeddb/auto'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { Refused } from './ask'
import { askOrSeen, forgetSeen, keepSeen } from './lastSeen'

const house = (revision: number) => ({ revision, house: { units: 'mm, bar' } }) as never
const answers =
  (value: unknown, status = 200) =>
  () =>
    Promise.resolve(new Response(JSON.stringify(value), { status }))
const gone = () => Promise.reject(new TypeError('Failed to fetch'))
const server = (does: () => Promise<Response>) => vi.stubGlobal('fetch', vi.fn(does))
const kept = () =>
  vi.waitFor(async () => {
    server(gone)
    return askOrSeen('GET /api/house')
  })

describe('what was last seen', () => {
  beforeEach(() => forgetSeen())
  afterEach(() => {
    vi.unstubAllGlobals()
    vi.useRealTimers()
  })

  it('is the server’s answer while it answers, and what it said last once it does not', async () => {
    server(answers(house(3)))
    expect(await askOrSeen('GET /api/house')).toEqual({ answer: house(3), fresh: true })
    expect(await kept()).toEqual({ answer: house(3), fresh: false })
  })
  it('is as it has become since it was fetched', async () => {
    server(answers(house(3)))
    await askOrSeen('GET /api/house')
    await keepSeen('GET /api/house', undefined, house(4))
    expect((await kept()).answer).toEqual(house(4))
  })
  it('is kept apart by what was asked of', async () => {
    await keepSeen('GET /api/builds/:build/proposals', { build: 'a' }, [])
    server(gone)
    expect(await askOrSeen('GET /api/builds/:build/proposals', { at: { build: 'a' } })).toEqual({
      answer: [],
      fresh: false,
    })
    await expect(askOrSeen('GET /api/builds/:build/proposals', { at: { build: 'b' } })).rejects.toBeInstanceOf(Refused)
  })
  it('never stands in for a refusal', async () => {
    await keepSeen('GET /api/house', undefined, house(3))
    server(answers({ error: { code: 'signed-out', message: 'Sign in.' } }, 401))
    await expect(askOrSeen('GET /api/house')).rejects.toMatchObject({ refusal: { status: 401 } })
  })
  it('is forgotten with whoever signs out', async () => {
    await keepSeen('GET /api/house', undefined, house(3))
    await forgetSeen()
    server(gone)
    await expect(askOrSeen('GET /api/house')).rejects.toBeInstanceOf(Refused)
  })
  it('stands in for a network that died without a word, after a while', async () => {
    await keepSeen('GET /api/house', undefined, house(3))
    server(() => new Promise<Response>(() => undefined))
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
    const asked = askOrSeen('GET /api/house')
    await vi.advanceTimersByTimeAsync(8000)
    vi.useRealTimers()
    expect(await asked).toEqual({ answer: house(3), fresh: false })
  })
})
