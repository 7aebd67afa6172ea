import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { bandOf, drawInputs, pressureBands, quantile, samplePressures, sampleReadings, varianceShares } from './band'
import { BAND_SIGMAS } from '../quantity/uncertain'
import { deviation } from '../quantity/mean'
import { type Model, modelOf } from './model'
import { steadied } from './steadied'

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

it('a quantile holds its share of what is still to come: of 19 samples the first stands for one in twenty', () => {
  const sorted = Float64Array.from({ length: 19 }, (_, i) => i + 1)
  expect([quantile(sorted, 0.05), quantile(sorted, 0.5), quantile(sorted, 0.95)]).toEqual([1, 10, 19])
  expect(quantile(sorted, 0.075)).toBeCloseTo(1.5, 12)
  expect(quantile(sorted, 0.01)).toBe(1)
})
describe('a band of few samples', () => {
  const moment = { speed: 10, temperature: 90, meanPressure: 1e5 }
  const model = straightLine()
  const half = BAND_SIGMAS * Math.hypot(2 * 900, 5 * 250)
  const slopes = new Map(varianceShares(model, moment).map(({ key, effect }) => [key, effect]))
  it('is that of many once it is steadied by the same straight line, whatever was drawn', () => {
    const off = { plain: 0, steadied: 0 }
    for (let seed = 1; seed <= 30; seed++) {
      const draws = drawInputs(model, 60, 977 * seed * seed)
      const [sampled] = sampleReadings(model, [moment], 60, [], draws)
      for (const [name, { low, high, pressure }] of [
        ['plain', bandOf(sampled[0])],
        ['steadied', steadied(sampled, draws, slopes)[0]],
      ] as const)
        off[name] += (Math.abs(high - pressure - half) + Math.abs(pressure - low - half)) / (60 * half)
    }
    expect(off.plain).toBeGreaterThan(0.1)
    expect(off.steadied).toBeLessThan(1e-3)
  })
  it('moves the other way of what falls where the line rises, and leaves alone what has nothing to do with it', () => {
    const draws = drawInputs(model, 60)
    const [rising] = sampleReadings(model, [moment], 60, [], draws)[0]
    const falling = { best: -rising.best, drawn: rising.drawn.map((each) => -each) }
    const [up, down] = steadied([rising, falling], draws, slopes)
    expect([down.low, down.high]).toEqual([expect.closeTo(-up.high, 6), expect.closeTo(-up.low, 6)])
    const other = { best: 0, drawn: Float64Array.from({ length: 60 }, (_, i) => (i % 2 === 0 ? 1 : -1)) }
    const [alone] = steadied([other], draws, slopes)
    // Out by a quantile's own error: √(0.05 · 0.95)/0.1031 of what is left to luck, over √60.
    const luck = (drawn: Float64Array) => (2.113 * deviation([...drawn]) * Math.sqrt(60 / 59)) / Math.sqrt(60)
    expect(alone.high - bandOf(other).high - luck(other.drawn)).toBeCloseTo(0, 1)
    // Without any slope known all of it is.
    const plain = bandOf(samplePressures(model, [moment], 60)[0])
    const [unknown] = steadied([rising], draws, new Map())
    expect([plain.low - unknown.low, unknown.high - plain.high]).toEqual([
      expect.closeTo(luck(rising.drawn), 0),
      expect.closeTo(luck(rising.drawn), 0),
    ])
  })
})
