import { describe, expect, it } from 'vitest'
import { BOUNDS, impossible } from '#core/record/bounds'
import { impossibleWords } from './impossible'
import { fitWords, pumpTradeWords } from './pumpFit'

const mm = (value: number) => `${(1e3 * value).toFixed(1)} mm`

describe('why what was typed cannot be', () => {
  const gap = { dimension: 'clearance', plausible: [10e-6, 200e-6] } as const
  const of = (
    value: number,
    quantity: Parameters<typeof impossible>[0] = { ...gap, plausible: [...gap.plausible] },
  ) => {
    const reason = impossible(quantity, value)
    return reason && impossibleWords(reason, 'End clearance', 'what was typed', mm)
  }
  it('says the limit on its own side, in the builder’s units', () => {
    expect(of(60e-6)).toBeUndefined()
    expect(of(NaN)).toBe('End clearance must be a number.')
    expect(of(0)).toBe('End clearance must be greater than zero.')
    expect(of(-1)).toBe('End clearance must be greater than zero.')
    expect(of(5)).toBe('End clearance cannot be what was typed, over 10.0 mm: look at the unit and the decimal.')
    expect(of(1e-9)).toMatch(/cannot be what was typed, under 0\.0 mm/)
  })
  it('nothing under zero where zero may be, and a limit is inside', () => {
    const pressure = { dimension: 'pressure', plausible: [0, 1e6] } as Parameters<typeof impossible>[0]
    expect(of(-1, pressure)).toBe('End clearance must not be less than zero.')
    expect([of(0, pressure), of(BOUNDS.pressure[1], pressure)]).toEqual([undefined, undefined])
  })
})

describe('another pump in words', () => {
  it('says each way in which it may not fit, and by how much, longer or shorter', () => {
    expect(fitWords({ code: 'drive-length', by: 2e-3 }, mm)).toBe('drive 2.0 mm longer')
    expect(fitWords({ code: 'drive-length', by: -2e-3 }, mm)).toBe('drive 2.0 mm shorter')
    expect(fitWords({ code: 'body-longer', by: 4.8e-3 }, mm)).toMatch(/^body 4\.8 mm longer: look at the sump/)
    expect(fitWords({ code: 'other-engine', engine: 'Talvik 1.9' }, mm)).toBe('kept for the Talvik 1.9')
    expect(fitWords({ code: 'drive', has: 'hexagon', wants: 'slot' }, mm)).toBe('drive is hexagon, the engine’s slot')
    expect(fitWords({ code: 'year', has: 'late', wants: 'early' }, mm)).toMatch(/^of late, the engine’s of early/)
  })
  const pump = (idle: number, work: number, power: number, cold = false, fast = false) =>
    ({
      states: { idleHot: { pressure: idle }, workingHot: { pressure: work } },
      working: { power: { best: power } },
      coldest: { starves: cold },
      fastest: { starves: fast },
    }) as never as Parameters<typeof pumpTradeWords>[0]
  const units = { say: (value: number, what: string) => (what === 'power' ? `${value} W` : `${value / 1e5} bar`) }
  const words = (other: Parameters<typeof pumpTradeWords>[0], stiffer = false) =>
    pumpTradeWords(other, pump(2e5, 4e5, 200), stiffer, units)
  it('says what it buys and costs, where it starves, and of a stiffer spring the ceiling alone', () => {
    expect(words(pump(2.5e5, 4e5, 250))).toBe(
      'Buys 0.5 bar at idle hot, costs 50 W at working speed. The suction keeps up.',
    )
    expect(words(pump(1.5e5, 4e5, 180))).toMatch(/^Loses 0\.5 bar at idle hot, saves 20 W/)
    expect(words(pump(2.5e5, 4e5, 250, true, true))).toContain('starves at cold idle')
    expect(words(pump(2.5e5, 4e5, 250, false, true))).toContain('starves at maximum speed')
    expect(words(pump(2e5, 5e5, 200), true)).toBe(
      'Raises the ceiling by 1 bar, working hot; idle hot stays where it is.',
    )
  })
})
