import { describe, expect, it, vi } from 'vitest'
import { arrive, hearPresence, holdStream, presentAt } from './presence'

const at = (device: string, who: string, page: string) => ({ device, who, page })

describe('who is at a build', () => {
  it('is told at once and at each change, to those at that build alone, and no more once they stopped listening', () => {
    const heard: string[][] = []
    const letGo = { 1: holdStream('a', '1'), 2: holdStream('a', '2'), 3: holdStream('b', '3') }
    arrive('a', at('1', 'Maren', 'brief'))
    const stop = hearPresence('a', (present) => heard.push(present.map(({ who, page }) => `${who} ${page}`)))
    arrive('a', at('2', 'Ilse', 'pump'))
    arrive('b', at('3', 'Oskar', 'relief'))
    arrive('a', at('2', 'Ilse', 'relief'))
    // Said again it is no news.
    arrive('a', at('2', 'Ilse', 'relief'))
    letGo[1]()
    stop()
    letGo[2]()
    expect(heard).toEqual([
      ['Maren brief'],
      ['Maren brief', 'Ilse pump'],
      ['Maren brief', 'Ilse relief'],
      ['Ilse relief'],
    ])
    expect(presentAt('a')).toEqual([])
    expect(presentAt('b').map(({ who }) => who)).toEqual(['Oskar'])
    letGo[3]()
  })
  it('counts a tab only while it holds a stream: one that spoke before and never came is forgotten', () => {
    vi.useFakeTimers()
    arrive('c', at('4', 'Maren', 'brief'))
    expect(presentAt('c')).toEqual([])
    const first = holdStream('c', '4')
    expect(presentAt('c')).toHaveLength(1)
    // It opens its stream anew before the old one is known to be gone.
    const second = holdStream('c', '4')
    first()
    expect(presentAt('c')).toHaveLength(1)
    second()
    expect(presentAt('c')).toEqual([])
    arrive('c', at('5', 'Ilse', 'pump'))
    vi.advanceTimersByTime(31_000)
    const late = holdStream('c', '5')
    expect(presentAt('c')).toEqual([])
    late()
    vi.useRealTimers()
  })
})
