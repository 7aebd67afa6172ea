import { describe, expect, it } from 'vitest'
import { buildCases } from './engine'
import { judgeStart } from './judge'

const EACH = 60

describe('starts of another generator', () => {
  const builds = buildCases()
  it(`${EACH} healthy ones, hunting, lagging, spiked, without temperature or speed, restarted: none is stopped; the benchmark runs a thousand`, () => {
    const stopped = Array.from({ length: EACH }, (_, i) => judgeStart(builds, i + 1, false)).filter(({ stop }) => stop)
    expect(stopped.map(({ stop, manner }) => ({ stop, manner }))).toEqual([])
  })
  it(`${EACH} faulty ones are called in time, and not before anything went wrong`, () => {
    const late = Array.from({ length: EACH }, (_, i) => judgeStart(builds, i + 1, true)).filter(({ fault }) => fault)
    expect(late.map(({ fault, wrong, manner }) => ({ fault, wrong, manner }))).toEqual([])
  })
})
