import 'fake-indexeddb/auto'
import { openDB } from 'idb'
import fc from 'fast-check'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { CannotKeep, diskKeeper, type Keeper, memoryKeeper } from './keeper'
import { outcomeOf } from './post'
import type { Queue } from './queue'
import { draft, makeLock, refusal, server, tab } from './testQueue'

let name = 0
beforeEach(() => void name++)
const disk = () => diskKeeper(`test ${name}`)
const states = (queue: Queue) => queue.items().map(({ key, state }) => [key, state])
const settled = (queue: Queue) =>
  vi.waitFor(async () => {
    await queue.send()
    if (queue.items().some(({ state }) => state === 'waiting')) throw new Error('waits')
  })

describe('the queue', () => {
  it('sends in order, once each, and takes out what is answered', async () => {
    const there = server()
    const { queue, answers } = tab(disk, there.post)
    await Promise.all(['a', 'b', 'c', 'd'].map((key) => queue.enter(draft(key))))
    await settled(queue)
    expect(there.entered).toEqual(['a', 'b', 'c', 'd'])
    expect(answers).toEqual(['a', 'b', 'c', 'd'])
    expect(queue.items()).toEqual([])
  })
  it('shows at once what is entered, and calls none of it kept before the disk has it', async () => {
    let written: (() => void) | undefined
    const slow = async (): Promise<Keeper> => {
      const keeper = await disk()
      return { ...keeper, add: (item) => new Promise<void>((done) => (written = done)).then(() => keeper.add(item)) }
    }
    const { queue } = tab(slow, () => Promise.resolve({ kind: 'unreachable' }))
    const entering = queue.enter(draft('a'))
    await vi.waitFor(() => expect(written).toBeDefined())
    expect(states(queue)).toEqual([['a', 'waiting']])
    expect(queue.keeping()).toBe(1)
    written!()
    await entering
    expect(queue.keeping()).toBe(0)
    expect((await (await disk()).all()).map(({ key }) => key)).toEqual(['a'])
  })
  it('what waited when the page went is sent by the next one, and what was entered without its answer is not entered twice', async () => {
    const there = server()
    there.answer((item) => {
      if (!there.entered.includes(item.key)) there.entered.push(item.key)
      return { kind: 'unreachable' }
    })
    const first = tab(disk, there.post)
    await first.queue.enter(draft('a'))
    await first.queue.enter(draft('b'))
    await first.queue.send()
    expect(first.queue.reachable()).toBe(false)
    there.answer(() => undefined)
    const second = tab(disk, there.post)
    await second.queue.opening
    expect(states(second.queue)).toEqual([
      ['a', 'waiting'],
      ['b', 'waiting'],
    ])
    await settled(second.queue)
    expect(there.entered).toEqual(['a', 'b'])
  })
  it('five hundred entered while the server is dead arrive once each, in order, every seventh answer lost on its way', async () => {
    const there = server()
    let dead = true
    let calls = 0
    there.answer((item) => {
      if (dead) return { kind: 'unreachable' }
      if (++calls % 7 !== 0) return undefined
      if (!there.entered.includes(item.key)) there.entered.push(item.key)
      return { kind: 'unreachable' }
    })
    const keys = Array.from({ length: 500 }, (_, i) => `change ${i}`)
    const { queue } = tab(disk, there.post)
    for (const key of keys) await queue.enter(draft(key))
    expect(queue.items()).toHaveLength(500)
    dead = false
    await vi.waitFor(
      async () => {
        await queue.send()
        if (queue.items().length > 0) throw new Error('waits')
      },
      { timeout: 20_000, interval: 1 },
    )
    expect(there.entered).toEqual(keys)
  })
  it.each(['refused', 'conflict'] as const)(
    'a %s stands apart, holds up nothing, and is found again by the next page',
    async (kind) => {
      const there = server()
      there.answer((item) => (item.key === 'a' ? { kind, refusal: refusal(kind) } : undefined))
      const { queue } = tab(disk, there.post)
      await queue.enter(draft('a', { label: 'Main 3 journal', document: 'tractor' }))
      await queue.enter(draft('b'))
      await settled(queue)
      expect(there.entered).toEqual(['b'])
      const next = tab(disk, there.post)
      await next.queue.opening
      expect(next.queue.items()).toMatchObject([
        { key: 'a', state: kind, label: 'Main 3 journal', document: 'tractor', refusal: { code: kind } },
      ])
      there.answer(() => undefined)
      await next.queue.retry('a')
      await settled(next.queue)
      expect(there.entered).toEqual(['b', 'a'])
    },
  )
  it('what the server fails on each time stops holding up the others', async () => {
    const there = server()
    let tries = 0
    there.answer((item) => {
      if (item.key !== 'a') return undefined
      tries++
      return { kind: 'failed' }
    })
    const { queue, tick } = tab(disk, there.post)
    await queue.enter(draft('a'))
    await queue.enter(draft('b'))
    for (let i = 0; i < 6; i++) {
      await queue.send()
      tick()
    }
    await settled(queue)
    expect(there.entered).toEqual(['b'])
    expect(states(queue)).toEqual([['a', 'refused']])
    expect(tries).toBe(4)
    await queue.forget('a')
    expect(queue.items()).toEqual([])
  })
  it('two tabs on one field offline: both are heard, neither waits for ever, and each sees what stands apart', async () => {
    const there = server()
    there.answer(() => ({ kind: 'unreachable' }))
    const tabs: Queue[] = []
    const lock = makeLock()
    const one = tab(disk, there.post, tabs, lock)
    const two = tab(disk, there.post, tabs, lock)
    await one.queue.enter(draft('a', { identity: 'page 1' }))
    await two.queue.enter(draft('b', { identity: 'page 2' }))
    await vi.waitFor(() => expect(one.queue.items()).toHaveLength(2))
    there.answer((item) => (item.key === 'b' ? { kind: 'conflict', refusal: refusal('conflict') } : undefined))
    await one.queue.send()
    for (const { queue } of [one, two]) await vi.waitFor(() => expect(states(queue)).toEqual([['b', 'conflict']]))
    expect(two.answers).toEqual(['a'])
  })
  it('a browser that keeps nothing goes on, sends, and says why', async () => {
    for (const reason of ['denied', 'newer', 'held'] as const) {
      const there = server()
      const { queue } = tab(() => Promise.reject(new CannotKeep(reason)), there.post)
      await queue.enter(draft(`a ${reason}`))
      await settled(queue)
      expect(queue.notKept()).toBe(reason)
      expect(there.entered).toEqual([`a ${reason}`])
    }
  })
  it('a disk that is full keeps the next change in the page and sends all in order', async () => {
    const there = server()
    there.answer(() => ({ kind: 'unreachable' }))
    const own = memoryKeeper()
    let full = false
    const keeper: Keeper = { ...own, add: (item) => (full ? Promise.reject(new CannotKeep('full')) : own.add(item)) }
    const { queue } = tab(async () => keeper, there.post)
    await queue.enter(draft('a'))
    full = true
    await queue.enter(draft('b'))
    expect(queue.notKept()).toBe('full')
    there.answer(() => undefined)
    await settled(queue)
    expect(there.entered).toEqual(['a', 'b'])
  })
  it('what another tab sent for it, it no longer calls unreachable', async () => {
    const there = server()
    const lock = makeLock()
    const tabs: Queue[] = []
    const away = tab(disk, async () => ({ kind: 'unreachable' }), tabs, lock)
    const near = tab(disk, there.post, tabs, lock)
    await away.queue.enter(draft('a'))
    await away.queue.send()
    expect(away.queue.reachable()).toBe(false)
    await near.queue.send()
    expect(there.entered).toEqual(['a'])
    away.tick()
    await vi.waitFor(() => expect(away.queue.reachable()).toBe(true))
    expect(away.queue.items()).toEqual([])
  })
  it('a full disk of the server’s holds everything up, says why for as long, and parks nothing', async () => {
    const there = server()
    there.answer(() => outcomeOf(507, '{"error":{"code":"disk","message":"The disk is full."}}'))
    const { queue } = tab(async () => memoryKeeper(), there.post)
    for (const key of ['a', 'b']) await queue.enter(draft(key))
    for (let tries = 0; tries < 8; tries++) await queue.send()
    expect(queue.why()).toBe('The disk is full.')
    expect(queue.items().map(({ state }) => state)).toEqual(['waiting', 'waiting'])
    there.answer(() => undefined)
    await settled(queue)
    expect(there.entered).toEqual(['a', 'b'])
    expect(queue.why()).toBeUndefined()
  })
  it('whatever the network and the server do, everything is entered once and in order, but for what stands apart', async () => {
    const ways = fc.array(fc.constantFrom('ok', 'ok', 'lost', 'answer lost', 'refused', 'reload'), {
      minLength: 1,
      maxLength: 25,
    })
    await fc.assert(
      fc.asyncProperty(ways, async (steps) => {
        name++
        const there = server()
        const script = [...steps]
        const apart = new Set<string>()
        there.answer((item) => {
          const way = script.shift()
          if (way === 'lost') return { kind: 'unreachable' }
          if (way === 'answer lost') {
            if (!there.entered.includes(item.key)) there.entered.push(item.key)
            return { kind: 'unreachable' }
          }
          if (way === 'refused' && !there.entered.includes(item.key)) {
            apart.add(item.key)
            return { kind: 'refused', refusal: refusal('refused') }
          }
          return undefined
        })
        const tabs: Queue[] = []
        const lock = makeLock()
        let current = tab(disk, there.post, tabs, lock).queue
        const keys = steps.map((_, i) => `k${i}`)
        for (const [i, key] of keys.entries()) {
          if (steps[i] === 'reload') current = tab(disk, there.post, tabs, lock).queue
          await current.enter(draft(key))
        }
        await settled(current)
        expect(there.entered).toEqual(keys.filter((key) => !apart.has(key)))
        // Many changes within one millisecond, over a reload.
      }),
      { numRuns: 40, examples: [[['answer lost', 'ok', 'ok', 'reload', 'lost']]] },
    )
  })
  it('what a page enters comes behind what the page before it kept, in the same millisecond too', async () => {
    const there = server()
    there.answer(({ key }) => (key === 'a' ? undefined : { kind: 'unreachable' }))
    const still = () => 1_000_000
    const one = tab(disk, there.post, [], makeLock(), still).queue
    for (const key of ['a', 'b', 'c']) await one.enter(draft(key))
    // The first is entered, and its place in the order free again.
    await vi.waitFor(() => expect(states(one).map(([key]) => key)).toEqual(['b', 'c']))
    await tab(disk, there.post, [], makeLock(), still).queue.enter(draft('d'))
    expect((await (await disk()).all()).map(({ key }) => key)).toEqual(['b', 'c', 'd'])
  })
})

describe('the disk', () => {
  it('takes over what an earlier version kept', async () => {
    const old = await openDB(`test ${name}`, 2, {
      upgrade: (db) => {
        db.createObjectStore('outbox', { keyPath: 'order', autoIncrement: true })
        db.createObjectStore('runs', { keyPath: 'order', autoIncrement: true })
      },
    })
    await old.add('outbox', {
      buildId: 'ferry',
      clientKey: 'k1',
      device: 'd',
      base: 3,
      who: 'Maren',
      patch: [],
      reason: '',
    })
    await old.add('runs', { runId: 'r', url: '/api/runs/r/events', body: { clientKey: 'k2' } })
    old.close()
    expect(await (await disk()).all()).toMatchObject([
      {
        key: 'k1',
        kind: 'build',
        document: 'ferry',
        identity: 'd',
        url: '/api/builds/ferry/entries',
        body: { clientKey: 'k1', base: 3 },
        state: 'waiting',
      },
      { key: 'k2', kind: 'run', document: 'r', url: '/api/runs/r/events' },
    ])
  })
  it('says when a newer version has written it, and when an older tab holds it', async () => {
    ;(await openDB(`test ${name}`, 9)).close()
    await expect(disk()).rejects.toMatchObject({ reason: 'newer' })
    name++
    const holding = await openDB(`test ${name}`, 1)
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
    const opening = expect(disk()).rejects.toMatchObject({ reason: 'held' })
    await vi.advanceTimersByTimeAsync(5000)
    await opening
    vi.useRealTimers()
    holding.close()
  })
})

describe('what an answer means', () => {
  it.each<[number, string, string]>([
    [200, '{}', 'done'],
    [409, '{"error":{"code":"conflict","message":"m","problems":[]}}', 'conflict'],
    [409, '{"error":{"code":"ahead"}}', 'conflict'],
    [409, '{"error":{"code":"held"}}', 'refused'],
    [400, 'not JSON', 'refused'],
    [413, '<html>', 'refused'],
    [404, '', 'refused'],
    [500, '', 'failed'],
    [502, '', 'unreachable'],
    [503, '{}', 'unreachable'],
    [429, '{}', 'unreachable'],
  ])('%d %s is %s', (status, text, kind) => expect(outcomeOf(status, text).kind).toBe(kind))
})
