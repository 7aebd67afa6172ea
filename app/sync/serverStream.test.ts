import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { openServerStream } from './serverStream'

/** What a browser's event source does, at the word of the test. */
class Source extends EventTarget {
  static readonly CLOSED = 2
  static all: Source[] = []
  readyState = 0
  onopen?: () => void
  onerror?: () => void
  constructor(readonly url: string) {
    super()
    Source.all.push(this)
  }
  opens() {
    this.readyState = 1
    this.onopen?.()
  }
  says(name: string, data: unknown = '') {
    this.dispatchEvent(Object.assign(new Event(name), { data: JSON.stringify(data) }))
  }
  fails(forGood: boolean) {
    this.readyState = forGood ? 2 : 0
    this.onerror?.()
  }
  close() {
    this.readyState = 2
  }
}
const newest = () => Source.all.at(-1)!

describe('what the server tells as it happens', () => {
  let window: EventTarget
  let spoken: boolean[]
  let news: unknown[]
  let ended: number
  let end: () => void
  beforeEach(() => {
    vi.useFakeTimers()
    Source.all = []
    window = new EventTarget()
    vi.stubGlobal('EventSource', Source)
    vi.stubGlobal('addEventListener', window.addEventListener.bind(window))
    vi.stubGlobal('removeEventListener', window.removeEventListener.bind(window))
    spoken = []
    news = []
    ended = 0
    let asked = 0
    end = openServerStream({
      url: () => `/stream?after=${asked++}`,
      beat: 1,
      tells: { news: (each) => news.push(each) },
      speaks: (yes) => spoken.at(-1) !== yes && spoken.push(yes),
      ended: () => ended++,
    })
  })
  afterEach(() => {
    end()
    vi.unstubAllGlobals()
    vi.restoreAllMocks()
    vi.useRealTimers()
  })

  it('speaks while beats come, without anything to tell', () => {
    newest().opens()
    for (let s = 0; s < 60; s++) {
      vi.advanceTimersByTime(1000)
      newest().says('beat')
    }
    expect(spoken).toEqual([true])
    expect(Source.all).toHaveLength(1)
    newest().says('news', { a: 1 })
    expect(news).toEqual([{ a: 1 }])
  })
  it('does not speak once three beats were missed, and is asked again from what is here', () => {
    newest().opens()
    newest().says('beat')
    vi.advanceTimersByTime(2900)
    expect(spoken).toEqual([true])
    vi.advanceTimersByTime(700)
    expect(spoken).toEqual([true, false])
    expect(Source.all.map(({ url, readyState }) => [url, readyState])).toEqual([
      ['/stream?after=0', 2],
      ['/stream?after=1', 0],
    ])
    // What the dead one still brings is not heard twice.
    Source.all[0].says('news', 'late')
    expect([news, spoken]).toEqual([[], [true, false]])
    newest().opens()
    expect(spoken).toEqual([true, false, true])
  })
  it('that nobody answers is asked again and again, and never speaks', () => {
    vi.advanceTimersByTime(20_000)
    expect(Source.all.length).toBeGreaterThan(4)
    expect(spoken).toEqual([false])
  })
  it('asks anew at once when the browser loses its network, where a stream would stand open for minutes', () => {
    newest().opens()
    window.dispatchEvent(new Event('offline'))
    expect(Source.all).toHaveLength(2)
    expect(Source.all[0].readyState).toBe(Source.CLOSED)
    newest().fails(false)
    expect(spoken).toEqual([true, false])
    window.dispatchEvent(new Event('online'))
    newest().opens()
    expect(spoken).toEqual([true, false, true])
  })
  it('a machine without a network still hears its own server', () => {
    newest().opens()
    window.dispatchEvent(new Event('offline'))
    newest().opens()
    expect(spoken).toEqual([true])
  })
  it('that the server refuses is told, and opened again after a while, once', () => {
    newest().fails(true)
    newest().fails(true)
    expect(spoken).toEqual([false])
    vi.advanceTimersByTime(1400)
    expect(Source.all).toHaveLength(1)
    vi.advanceTimersByTime(200)
    expect(Source.all).toHaveLength(2)
    expect(ended).toBeGreaterThan(0)
  })
  it('a page that was busy for seconds does not blame the server', () => {
    newest().opens()
    vi.setSystemTime(Date.now() + 8000)
    vi.spyOn(performance, 'now').mockImplementation(() => Date.now())
    vi.advanceTimersByTime(500)
    expect(spoken).toEqual([true])
    newest().says('beat')
    vi.advanceTimersByTime(2000)
    expect(spoken).toEqual([true])
  })
  it('is silent once nobody wants it any more', () => {
    newest().opens()
    end()
    vi.advanceTimersByTime(60_000)
    window.dispatchEvent(new Event('offline'))
    newest().says('news', 'late')
    expect(Source.all).toHaveLength(1)
    expect(spoken).toEqual([true])
  })
})
