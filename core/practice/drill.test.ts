import { beforeAll, describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { watchRules } from '../start/watchRules'
import { type DrillStart, drillStarts, RATE, scoreDrill, SHOWN, STARTS } from './drill'

describe('the ten seconds', () => {
  const sheet = DEMO_BUILDS.ottiline()
  let starts: DrillStart[]
  beforeAll(() => {
    starts = [...drillStarts(sheet, watchRules(sheet), 1)]
  })

  it('are twenty starts, healthy and faulty mixed, each with a reading ten times a second', () => {
    expect(starts).toHaveLength(STARTS)
    const faulty = starts.filter(({ fault }) => fault)
    expect(faulty.length).toBeGreaterThan(4)
    expect(faulty.length).toBeLessThan(16)
    for (const { samples, firedAt } of starts) {
      expect(samples).toHaveLength(SHOWN * RATE)
      expect(samples.at(-1)!.time).toBeCloseTo(SHOWN, 6)
      expect(firedAt).toBeLessThan(4)
    }
  })

  it('show pressure where one is to be let run, and want a stop only where a fault is, after it fired', () => {
    for (const { samples, stop, fault, firedAt } of starts) {
      expect(stop === undefined).toBe(fault === undefined)
      // What a stop is called by can be seen on the gauge alone.
      if (stop) {
        expect(stop.time).toBeGreaterThan(firedAt)
        if (stop.code === 'no-pressure') expect(stop.time - firedAt).toBeLessThan(watchRules(sheet).deadline + 1.5)
        expect(['no-pressure', 'lost', 'over-limit']).toContain(stop.code)
      } else expect(samples.at(-1)!.pressure!).toBeGreaterThan(0.5e5)
    }
  })

  it('end with a word where an engine gives none that could be called', () => {
    const never = { ...watchRules(sheet), deadline: 1e6, ceilingCold: 1e9, ceilingHot: 1e9, loss: -1 }
    expect(() => [...drillStarts(sheet, never, 1)]).toThrow(/no start of this engine/)
  })

  it('count right calls, false stops, what was missed, and how quick the hand was', () => {
    const stop = (time: number) => ({ stop: { time } as DrillStart['stop'] })
    expect(scoreDrill([stop(7), stop(8), stop(9), stop(6), {}, {}], [7.6, 7.5, 9.25, undefined, undefined, 4])).toEqual(
      {
        right: 4,
        falseStops: 1,
        missed: 1,
        late: expect.closeTo(SHOWN - 6 + 0.6 + 0.25, 9),
        reaction: expect.closeTo(0.25, 9),
      },
    )
    expect(scoreDrill([{}], [undefined])).toEqual({ right: 1, falseStops: 0, missed: 0, late: 0 })
  })
})
