import { expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { pressureBands, varianceShares } from './band'
import { type Model, modelOf } from './model'

/** A straight-line engine: p = 3e5 + 2 a − 5 b, with a and b uncertain, in place of a circuit. */
function straightLine(): Model {
  const model = modelOf(DEMO_BUILDS.ottiline())
  const values = { ...model.values, pump: { ...model.values.pump, displacement: 1e4, endClearance: 2e3 } }
  const input = (key: 'displacement' | 'endClearance', value: number, sigma: number) => ({
    key,
    label: key,
    source: 'measured' as const,
    value,
    sigma,
    part: 'pump' as const,
    put: (v: typeof values, x: number) => void (v.pump[key] = x),
  })
  return {
    ...model,
    values,
    inputs: [input('displacement', 1e4, 900), input('endClearance', 2e3, 250)],
    engine: { ...model.engine, gauge: (v) => 3e5 + 2 * v.pump.displacement - 5 * v.pump.endClearance },
  }
}

it('the sampled band of a straight line is the analytic one: ±1.645 √((2·900)² + (5·250)²)', () => {
  const moment = { speed: 10, temperature: 90, meanPressure: 1e5 }
  const [band] = pressureBands(straightLine(), [moment], 20_000)
  const sigma = Math.hypot(2 * 900, 5 * 250)
  expect(band.pressure).toBe(3.1e5)
  expect((band.high - band.pressure) / (1.6449 * sigma)).toBeCloseTo(1, 1)
  expect((band.high - band.low) / (2 * 1.6449 * sigma)).toBeGreaterThan(0.97)
  expect((band.high - band.low) / (2 * 1.6449 * sigma)).toBeLessThan(1.03)
})
it('and its shares are those of the squares', () => {
  const [first, second] = varianceShares(straightLine(), { speed: 10, temperature: 90, meanPressure: 1e5 })
  expect(first).toMatchObject({ key: 'displacement', share: expect.closeTo(1800 ** 2 / (1800 ** 2 + 1250 ** 2), 9) })
  expect(second.share).toBeCloseTo(1 - first.share, 9)
})
