import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import type { ChannelSample } from '#core/run/channels'
import { makePieces } from './pieces'

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())
const of = (id: string, source: 'hand' | 'camera') => ({ id, setup: { source } })

it('readings of a hand go at once, those that come ten times a second in pieces; none is lost, twice or given to another run', async () => {
  const sent: [string, number[]][] = []
  const pieces = makePieces((run, some: ChannelSample[]) => {
    sent.push([run, some.map(({ time }) => time)])
    return Promise.resolve()
  })
  await pieces.push(of('a', 'hand'), [{ time: 1, pressure: 1 }])
  expect(sent).toEqual([['a', [1]]])
  for (const time of [2, 2.1, 2.2]) await pieces.push(of('b', 'camera'), [{ time, gauge: 1 }])
  expect(sent).toHaveLength(1)
  await vi.advanceTimersByTimeAsync(260)
  expect(sent.slice(1)).toEqual([['b', [2, 2.1, 2.2]]])
  // What is said of the run goes after what was read before.
  await pieces.push(of('b', 'camera'), [{ time: 3, gauge: 1 }])
  await pieces.send()
  await pieces.push(of('b', 'camera'), [{ time: 4, gauge: 1 }])
  await pieces.push(of('c', 'camera'), [{ time: 0, gauge: 1 }])
  await vi.advanceTimersByTimeAsync(260)
  expect(sent.slice(2)).toEqual([
    ['b', [3]],
    ['b', [4]],
    ['c', [0]],
  ])
})
