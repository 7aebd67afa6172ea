import { describe, expect, it } from 'vitest'
import { UNITS } from '#core/quantity/units'
import { keptApart, roundTicks } from './plot'

describe('parts of a chart', () => {
  it('marks stand at round values of the unit, inside what is shown', () => {
    const [rpm] = UNITS.speed
    expect(roundTicks(180 / 60, 4200 / 60, rpm, 5).map((tick) => Math.round(tick * 60))).toEqual([
      1000, 2000, 3000, 4000,
    ])
    const psi = UNITS.pressure.find(({ symbol }) => symbol === 'psi')!
    const tens = (value: number) => expect(value / 10).toBeCloseTo(Math.round(value / 10), 9)
    for (const tick of roundTicks(0, 4e5, psi)) tens(tick / psi.factor)
    const fahrenheit = UNITS.temperature[1]
    for (const tick of roundTicks(-20, 100, fahrenheit)) tens((tick - fahrenheit.offset!) / fahrenheit.factor)
    expect(roundTicks(0, 0, rpm)).toEqual([0])
  })
  it('labels keep their order and their room, and stay where they have it', () => {
    expect(keptApart([50, 10, 12])).toEqual([50, 10, 26])
    expect(keptApart([30, 20, 25], 10)).toEqual([40, 20, 30])
    expect(keptApart([10, 100])).toEqual([10, 100])
  })
})
