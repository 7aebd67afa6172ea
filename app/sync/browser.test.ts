import 'fake-indexeddb/auto'
import { createPinia, setActivePinia, defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { overlap, patchOf } from './kept'
import { CannotKeep, diskKeeper, memoryKeeper } from './keeper'
import { post } from './post'
import { draft } from './testQueue'

const kept = (key: string, order: number, state: 'waiting' | 'refused' = 'waiting') => ({
  ...draft(key),
  order,
  state,
  at: 0,
  failures: 0,
})
afterEach(() => vi.unstubAllGlobals())

describe('paths of two changes', () => {
  it('meet where they are the same or one holds the other, and nowhere else', () => {
    expect(overlap('/readings/a', '/readings/a')).toBe(true)
    expect(overlap('/readings/a/note', '/readings/a')).toBe(true)
    expect(overlap('/readings/a', '/readings/a/note')).toBe(true)
    expect(overlap('/readings/a', '/readings/ab')).toBe(false)
    expect(overlap('/readings/ab', '/readings/a')).toBe(false)
    expect(overlap('/readings/a', '/x/readings/a')).toBe(false)
  })
  it('a change without a patch has an empty one', () => {
    expect(patchOf({ body: {} })).toEqual([])
    const patch = [{ op: 'remove', path: '/a' }]
    expect(patchOf({ body: { patch } })).toBe(patch)
  })
})

describe('what this page alone keeps', () => {
  it('is given oldest first, sent when it waits, changed only while it is there', async () => {
    const keeper = memoryKeeper()
    for (const item of [kept('late', 9), kept('apart', 1, 'refused'), kept('early', 3)]) await keeper.add(item)
    expect((await keeper.all()).map(({ key }) => key)).toEqual(['apart', 'early', 'late'])
    expect((await keeper.first())?.key).toBe('early')
    await keeper.put({ ...kept('early', 3), state: 'refused' })
    await keeper.put(kept('never', 2))
    expect((await keeper.first())?.key).toBe('late')
    await keeper.drop('late')
    expect(await keeper.first()).toBeUndefined()
    expect((await keeper.all()).map(({ key }) => key)).toEqual(['apart', 'early'])
  })
})

describe('what the disk keeps', () => {
  it('gives two tabs that come upon the same number one after the other, and changes only what is there', async () => {
    const keeper = await diskKeeper('numbers')
    const [a, b] = [kept('a', 5), kept('b', 5)]
    await keeper.add(a)
    await keeper.add(b)
    expect([a.order, b.order]).toEqual([5, 6])
    await keeper.put(kept('never', 1))
    await keeper.put({ ...b, state: 'refused' })
    expect((await keeper.all()).map(({ key, state }) => [key, state])).toEqual([
      ['a', 'waiting'],
      ['b', 'refused'],
    ])
    await keeper.drop('a')
    expect(await keeper.first()).toBeUndefined()
  })
  it('a browser that denies it, or is full, says which', async () => {
    const failing = (name: string) =>
      vi.stubGlobal('indexedDB', {
        open: () => {
          throw new DOMException('no', name)
        },
      })
    for (const [name, reason] of [
      ['SecurityError', 'denied'],
      ['QuotaExceededError', 'full'],
      ['VersionError', 'newer'],
    ]) {
      failing(name)
      await expect(diskKeeper('denied')).rejects.toEqual(new CannotKeep(reason as 'denied'))
      await expect(diskKeeper('denied')).rejects.toMatchObject({ reason })
    }
  })
})

describe('one change on its way', () => {
  const sent: { url: string; init: RequestInit }[] = []
  const answers = (status: number, text: string) => {
    sent.length = 0
    vi.stubGlobal('fetch', async (url: string, init: RequestInit) => {
      sent.push({ url, init })
      return new Response(text, { status })
    })
  }
  it('goes as JSON to its address and comes back as what the answer means', async () => {
    answers(200, '{"revision":3}')
    expect(await post({ url: '/api/builds/x/entries', body: { patch: [] } })).toEqual({
      kind: 'done',
      answer: { revision: 3 },
    })
    expect(sent[0]).toMatchObject({
      url: '/api/builds/x/entries',
      init: { method: 'POST', headers: { 'content-type': 'application/json' }, body: '{"patch":[]}' },
    })
  })
  it('a run says when it was sent beside when it began; nothing else is stamped', async () => {
    answers(200, '{}')
    const before = Date.now()
    await post({ url: '/', body: { id: 'r', begunAt: 7 } })
    await post({ url: '/', body: [{ time: 1 }] })
    await post({ url: '/', body: null })
    const [run, samples, none] = sent.map(({ init }) => JSON.parse(String(init.body)) as { sentAt?: number })
    expect(run).toMatchObject({ id: 'r', begunAt: 7 })
    expect(run.sentAt).toBeGreaterThanOrEqual(before)
    expect([samples, none]).toEqual([[{ time: 1 }], null])
  })
  it('a server that is not reached, or busy, or asks for a sign-in, holds up what waits; a refusal does not', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('Failed to fetch')))
    expect(await post({ url: '/', body: {} })).toEqual({ kind: 'unreachable' })
    for (const status of [401, 408, 425, 429, 502, 503]) {
      answers(status, '<html>')
      expect(await post({ url: '/', body: {} }), String(status)).toEqual({ kind: 'unreachable' })
    }
    answers(507, 'no words')
    expect(await post({ url: '/', body: {} })).toEqual({ kind: 'unreachable', why: undefined })
    answers(500, '')
    expect(await post({ url: '/', body: {} })).toEqual({ kind: 'failed' })
    for (const [status, code, kind] of [
      [409, 'conflict', 'conflict'],
      [409, 'ahead', 'conflict'],
      [409, 'twice', 'refused'],
      [400, 'conflict', 'refused'],
    ] as const) {
      answers(status, JSON.stringify({ error: { code, message: 'm' } }))
      expect(await post({ url: '/', body: {} })).toMatchObject({ kind, refusal: { status, code, message: 'm' } })
    }
  })
})

describe('what a browser remembers', () => {
  const storage = () => {
    const map = new Map<string, string>()
    return {
      getItem: (key: string) => map.get(key) ?? null,
      setItem: (key: string, value: string) => map.set(key, value),
    }
  }
  const none = {
    getItem: () => {
      throw new Error('denied')
    },
    setItem: () => {
      throw new Error('denied')
    },
  }
  it.each([
    ['where it keeps things', storage(), storage()],
    ['where it denies them, for this page', none, none],
  ])('%s', async (_, local, session) => {
    vi.stubGlobal('localStorage', local)
    vi.stubGlobal('sessionStorage', session)
    vi.resetModules()
    const { remember, remembered, rememberedJson, sessionRead, sessionWrite } = await import('./browserStorage')
    expect([remembered('who', 'nobody'), sessionRead('run'), sessionRead('run', 'none')]).toEqual([
      'nobody',
      'null',
      'none',
    ])
    expect(rememberedJson('columns', { a: 1 })).toEqual({ a: 1 })
    remember('who', 'Oda')
    remember('columns', '{"a":2}')
    sessionWrite('who', 'a run')
    expect([remembered('who', 'nobody'), sessionRead('who')]).toEqual(['Oda', 'a run'])
    expect(rememberedJson('columns', { a: 1 })).toEqual({ a: 2 })
    remember('columns', 'not json')
    expect(rememberedJson('columns', { a: 1 })).toEqual({ a: 1 })
  })
})

describe('the queue as the page sees it', () => {
  let answer: () => Response
  async function page() {
    setActivePinia(createPinia())
    for (const [name, value] of Object.entries({ defineStore, ref, shallowRef, computed, watch }))
      vi.stubGlobal(name, value)
    vi.stubGlobal('navigator', {})
    vi.stubGlobal('addEventListener', () => undefined)
    vi.stubGlobal('fetch', async () => answer())
    vi.resetModules()
    const { useSync, IDENTITY } = await import('./useSync')
    const sync = useSync()
    await sync.opening
    return { sync, IDENTITY }
  }
  beforeEach(() => indexedDB.deleteDatabase('uldo'))
  it('carries this page’s identity, waits until it is answered, and tells who asks of what document', async () => {
    answer = () => new Response('{"revision":4}')
    const { sync, IDENTITY } = await page()
    const heard: unknown[] = []
    const stop = sync.onAnswer(({ key }, told) => heard.push([key, told]))
    const change = draft('k1')
    const settled = sync.settled('k1')
    const item = await sync.enter(change)
    expect(item.identity).toBe(IDENTITY)
    expect(await settled).toEqual({ answer: { revision: 4 } })
    expect(heard).toEqual([['k1', { revision: 4 }]])
    await vi.waitFor(() => expect(sync.waiting).toEqual([]))
    stop()
    await sync.enter({ ...change, key: 'k2' })
    await sync.send()
    expect(heard).toHaveLength(1)
  })
  it('what is refused stands apart, by document, until it is sent again or forgotten', async () => {
    answer = () => new Response('{"error":{"code":"invalid","message":"No."}}', { status: 400 })
    const { sync } = await page()
    const change = draft('k3')
    const settled = sync.settled('k3')
    await sync.enter(change)
    expect((await settled).apart).toMatchObject({ key: 'k3', state: 'refused', refusal: { message: 'No.' } })
    expect(sync.apart.map(({ key }) => key)).toEqual(['k3'])
    expect(sync.of('build', 'ferry')).toHaveLength(1)
    expect(sync.of('build')).toHaveLength(1)
    expect(sync.of('build', 'tractor')).toEqual([])
    expect(sync.of('shop', 'ferry')).toEqual([])
    answer = () => new Response('{}')
    await sync.retry('k3')
    await vi.waitFor(() => expect(sync.items).toEqual([]))
    expect([sync.reachable, sync.notKept, sync.why]).toEqual([true, undefined, undefined])
  })
  it('says that the server is away, and why it takes nothing', async () => {
    answer = () => new Response('{"error":{"code":"disk","message":"The disk is full."}}', { status: 507 })
    const { sync } = await page()
    const change = draft('k4')
    await sync.enter(change)
    await vi.waitFor(() => expect(sync.why).toBe('The disk is full.'))
    expect(sync.reachable).toBe(false)
    expect(sync.waiting).toHaveLength(1)
    await sync.forget('k4')
    expect(sync.items).toEqual([])
  })
})
