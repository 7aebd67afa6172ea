import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { oilName } from '../engine/experience'
import type { Experience } from '../record/experience'
import type { Sheet } from '../record/schema'
import { drawInputs, pressureBands, varianceShares } from './band'
import { modelOf } from './model'
import { narrowingOf } from './narrowed'
import { outlookOf } from './outlook'
import { namedStates } from './states'

const bare = DEMO_BUILDS.ottiline()
const third = 1 / Math.sqrt(3)
/** What is known of three numbers is their sum alone, and that to a fifth. */
const experience: Experience = {
  engines: 6,
  readings: 6,
  mean: 0,
  spread: 0.01,
  oil: oilName(bare),
  shift: {},
  oils: ['model.viscosity'],
  directions: [{ stays: 0.2, along: { 'model.viscosity': third, 'lifters.gap': -third, 'model.leakage': -third } }],
}
const taught: Sheet = { ...bare, experience }
const hot = namedStates(bare).find(({ name }) => name === 'idleHot')!
/** What becomes of a row of slopes of which one stands alone. */
function narrowed(sheet: Sheet, alone: string): Record<string, number> {
  const uncertain = modelOf(sheet).inputs.filter(({ sigma }) => sigma > 0)
  const row = Float64Array.from(uncertain, ({ key }) => (key === alone ? 1 : 0))
  narrowingOf(sheet, uncertain)?.(row)
  return Object.fromEntries(uncertain.map(({ key }, i) => [key, row[i]]))
}

describe('draws that experience narrows', () => {
  it('keep their whole spread across a direction, and the share that stays along it', () => {
    expect(narrowingOf(bare, modelOf(bare).inputs)).toBeUndefined()
    const row = narrowed(taught, 'model.viscosity')
    expect(row['model.viscosity']).toBeCloseTo(1 - 0.8 / 3, 12)
    expect(row['lifters.gap']).toBeCloseTo(0.8 / 3, 12)
    expect(row['model.leakage']).toBeCloseTo(0.8 / 3, 12)
    const { uncertain, deviates } = drawInputs(modelOf(taught), 4000)
    const at = ['model.viscosity', 'lifters.gap', 'model.leakage'].map((key) =>
      uncertain.findIndex((input) => input.key === key),
    )
    const spread = (of: (z: number[]) => number) =>
      Math.sqrt(
        Array.from({ length: 4000 }, (_, s) => of(at.map((i) => deviates[s * uncertain.length + i])) ** 2).reduce(
          (sum, each) => sum + each / 4000,
          0,
        ),
      )
    expect(spread(([a, b, c]) => third * (a - b - c))).toBeCloseTo(0.2, 1)
    expect(spread(([, b, c]) => (b - c) / Math.SQRT2)).toBeCloseTo(1, 1)
  })

  it('go by nothing that was learnt of what has been measured since, nor of another oil', () => {
    const measured: Sheet = {
      ...taught,
      readings: { ...bare.readings, 'lifters.gap': { value: 25e-6, source: 'measured' } },
    }
    expect(narrowed(measured, 'lifters.gap')).toMatchObject({ 'lifters.gap': 1, 'model.viscosity': 0 })
    const thicker: Sheet = { ...taught, oil: { grade: '20W-50' } }
    expect(narrowed(thicker, 'model.viscosity')).toMatchObject({ 'model.viscosity': 1, 'lifters.gap': 0 })
    expect(narrowed(thicker, 'lifters.gap')['lifters.gap']).toBeLessThan(1)
  })

  it('say what causes the band as the draws themselves do, and a band by few samples is as wide as one by many', () => {
    const model = modelOf(taught)
    const shares = new Map(varianceShares(model, hot).map((share) => [share.key, share]))
    const { uncertain, deviates } = drawInputs(model, 6000)
    const slopes = uncertain.map(({ key }) => shares.get(key)!.effect)
    const whole = Array.from({ length: 6000 }, (_, s) =>
      slopes.reduce((sum, slope, i) => sum + slope * deviates[s * uncertain.length + i], 0),
    )
    const variance = whole.reduce((sum, each) => sum + each * each, 0)
    for (const key of ['model.viscosity', 'lifters.gap', 'pump.tipClearance']) {
      const i = uncertain.findIndex((input) => input.key === key)
      const own = whole.reduce((sum, each, s) => sum + each * slopes[i] * deviates[s * uncertain.length + i], 0)
      expect(shares.get(key)!.share, key).toBeCloseTo(own / variance, 1)
      expect(Math.abs(shares.get(key)!.share - own / variance), key).toBeLessThan(0.02)
    }
    const [many] = pressureBands(model, [hot], 2000)
    const few = outlookOf(taught).states.find(({ name }) => name === 'idleHot')!
    expect((few.high - few.low) / (many.high - many.low)).toBeGreaterThan(0.9)
    expect((few.high - few.low) / (many.high - many.low)).toBeLessThan(1.12)
  })
})
