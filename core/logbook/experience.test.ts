import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { oilName, withExperience } from '../engine/experience'
import { passagesOf } from '../engine/catalogue'
import { modelInputs } from '../engine/inputs'
import { pressureBands, quantile, varianceShares } from '../outlook/band'
import { modelOf } from '../outlook/model'
import { outlookOf } from '../outlook/outlook'
import { namedStates } from '../outlook/states'
import { mean } from '../quantity/mean'
import type { Sheet } from '../record/schema'
import { expectationOf, expectedAt } from '../start/expectation'
import { simulate } from '../trace/simulated'
import { learntFrom, learntOf, weighLessons } from './experience'
import { kindOf, type Lesson, lessonOf, noLesson } from './lessons'

/** An engine of the main demo's kind whose gauge read so much of what its record predicts, at each state. */
function started(share: number, day = 1): Sheet {
  const sheet = DEMO_BUILDS.ottiline()
  const model = modelOf(sheet)
  for (const state of namedStates(sheet).filter(({ name }) => name !== 'crankingCold')) {
    const [{ pressure }] = pressureBands(model, [state], 1)
    const put = (field: string, value: number) =>
      (sheet.readings[`start.${state.name}.${field}`] = {
        value,
        source: 'measured',
        at: `2026-06-${String(day).padStart(2, '0')}T10:00:00Z`,
      })
    // Where the relief valve holds the pressure a habit of the leaks hardly shows.
    put('pressure', pressure * (state.name === 'idleHot' ? share : 1))
    put('speed', state.speed)
    put('temperature', state.temperature)
  }
  return sheet
}
const lessons = (shares: number[]): Lesson[] => shares.map((share, i) => lessonOf(started(share, i + 1))!)
const next = DEMO_BUILDS.ottiline()
const hot = namedStates(next).find(({ name }) => name === 'idleHot')!
const bandWith = (sheet: Sheet) => pressureBands(modelOf(sheet), [hot], 1000)[0]

describe('what earlier starts teach', () => {
  const alone = bandWith(next)
  it('six that read five percent under move the next prediction most of the way there, and narrow it', () => {
    const experience = learntFrom(next, lessons([0.95, 0.94, 0.96, 0.95, 0.955, 0.945]))!
    expect(experience).toMatchObject({ engines: 6, readings: 18 })
    expect(experience.mean).toBeCloseTo(-0.05, 3)
    expect(experience.spread).toBeCloseTo(0.0065, 3)
    const learnt = bandWith({ ...next, experience })
    expect(learnt.pressure / alone.pressure).toBeGreaterThan(0.94)
    expect(learnt.pressure / alone.pressure).toBeLessThan(0.97)
    expect((learnt.high - learnt.low) / (alone.high - alone.low)).toBeLessThan(0.72)
    // The strip says the same, and what causes its band still adds up to one.
    expect(outlookOf({ ...next, experience }).states[2].pressure).toBeCloseTo(learnt.pressure, 0)
    const shares = varianceShares(modelOf({ ...next, experience }), hot)
    expect(shares.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9)
    expect(shares.find(({ key }) => key === 'model.viscosity')!.share).toBeLessThan(
      varianceShares(modelOf(next), hot).find(({ key }) => key === 'model.viscosity')!.share,
    )
  })

  it('the watch of a start and Trace go by it as the strip does', () => {
    const taught = { ...next, experience: learntFrom(next, lessons([0.9, 0.91, 0.89, 0.9]))! }
    const expected = (sheet: Sheet) => expectedAt(expectationOf(sheet), hot.speed, hot.temperature)
    const [without, withOthers] = [expected(next), expected(taught)]
    expect(withOthers.pressure / without.pressure).toBeLessThan(0.95)
    expect(withOthers.high - withOthers.low).toBeLessThan(0.9 * (without.high - without.low))
    const sound = (sheet: Sheet) => simulate(sheet, [hot]).pressures['by-design']
    const width = (all: Float64Array) => quantile(all.slice().sort(), 0.95) - quantile(all.slice().sort(), 0.05)
    expect(mean(sound(taught)) / mean(sound(next))).toBeLessThan(0.95)
    expect(width(sound(taught))).toBeLessThan(0.9 * width(sound(next)))
  })

  it('two say nothing yet; engines that read as predicted narrow the band and move it nowhere', () => {
    expect(learntFrom(next, lessons([0.9, 0.9]))).toBeUndefined()
    const experience = learntFrom(next, lessons([1, 1, 1, 1]))!
    const learnt = bandWith({ ...next, experience })
    expect(Math.abs(learnt.pressure / alone.pressure - 1)).toBeLessThan(1e-6)
    expect(learnt.high - learnt.low).toBeLessThan(0.85 * (alone.high - alone.low))
  })

  it('more engines narrow more, and never below what is each engine’s own', () => {
    const width = (count: number) => {
      const { low, high } = bandWith({ ...next, experience: learntFrom(next, lessons(Array(count).fill(0.97)))! })
      return (high - low) / (alone.high - alone.low)
    }
    const [three, twelve] = [width(3), width(12)]
    expect(twelve).toBeLessThan(three)
    // Clearances of the pump and half of each instrument's zero are nobody else's: a third of the variance.
    expect(twelve).toBeGreaterThan(0.5)
  })

  it('an engine that reads a quarter of its prediction has a fault: it is named with its odds and moves nothing', () => {
    const with80 = [...lessons([0.95, 0.96, 0.94, 0.95]), lessonOf(started(0.25))!]
    expect(weighLessons(with80).map(({ counts }) => counts)).toEqual([true, true, true, true, false])
    expect(learntFrom(next, with80)).toEqual(learntFrom(next, with80.slice(0, 4)))
    // And one that its own band allows, which the others' agreement does not.
    const odd = [...lessons(Array(8).fill(0.8)), lessonOf(started(1.12))!]
    expect(weighLessons(odd).at(-1)!.counts).toBe(false)
    const { engines } = learntOf(
      next,
      odd.map((lesson, i) => ({ build: String(i), name: `Engine ${i}`, engine: next.engine, lesson })),
    )
    const left = engines.find(({ counts }) => !counts)!
    expect(left).toMatchObject({ name: 'Engine 8', sister: true })
    expect(left.far).toBeGreaterThan(3.3)
    expect(left.odds).toBeGreaterThan(1000)
  })

  /**
   * Three engines whose only uncertain number is a of one slope, each read by so much off: its mean by hand. With the part c in common the readings' covariance is
   * (a² (1 − c) + n²) on its own and a² c between any two, so that the mean is m c a y / (a² (1 − c) + n² + m a² c) for m engines; c is what docs/physics.md names.
   */
  it.each([
    ['model.leakage', 'shop', 'same', 0.9],
    ['model.leakage', 'shop', 'other', 0.5],
    ['model.viscosity', 'oil', 'other', 0.9],
    ['lifters.gap', 'kind', 'same', 0.9],
    ['lifters.gap', 'kind', 'other', 0],
    ['zero.Micrometer 50 to 75', 'instrument', 'other', 0.5],
  ] as const)('%s is shared by %s: of engines of the %s kind, by its part', (key, shared, kind, part) => {
    const [a, noise, y, engines] = [0.08, 0.03, -0.05, 3]
    const reading = {
      state: 'idleHot',
      read: Math.exp(y) * 2e5,
      predicted: 2e5,
      sigma: a,
      noise,
      slopes: { [key]: a },
    } as const
    const taught = Array.from({ length: engines }, (): Lesson => ({
      kind: kind === 'same' ? kindOf(next) : 'another',
      oil: oilName(next),
      at: '',
      readings: [{ ...reading }],
      shared: { [key]: shared },
    }))
    // Engines are of one kind among themselves, and the next one is or is not.
    const among = shared === 'instrument' ? 0.5 : 0.9
    const mean = (engines * part * a * y) / (a * a * (1 - among) + noise * noise + engines * a * a * among)
    const experience = learntFrom(next, taught)!
    expect(experience.shift[key] ?? 0).toBeCloseTo(mean, 5)
    const known = (engines * (part * a) ** 2) / (a * a * (1 - among) + noise * noise + engines * a * a * among)
    if (part > 0) expect(experience.directions[0].stays).toBeCloseTo(Math.sqrt(1 - known), 9)
    else expect(experience.directions).toEqual([])
  })

  it('of many the latest forty count', () => {
    const many = Array.from({ length: 45 }, (_, i): Lesson => ({
      ...lessons([1])[0],
      readings: [
        {
          state: 'idleHot',
          read: (i < 5 ? 0.93 : 1) * 2e5,
          predicted: 2e5,
          sigma: 0.1,
          noise: 0.03,
          slopes: { 'model.leakage': 0.1 },
        },
      ],
      at: `2026-01-01T00:00:${String(i).padStart(2, '0')}Z`,
    }))
    expect(learntFrom(next, many)).toMatchObject({ engines: 40, mean: 0 })
  })

  it('of another kind on another oil less is learnt than of a sister', () => {
    const width = (taught: Lesson[]) => {
      const { low, high } = bandWith({ ...next, experience: learntFrom(next, taught)! })
      return high - low
    }
    const own = lessons([1, 1, 1, 1])
    const strangers = own.map((lesson) => ({ ...lesson, kind: 'other', oil: 'other' }))
    expect(width(strangers)).toBeGreaterThan(1.1 * width(own))
    expect(width(strangers)).toBeLessThan(alone.high - alone.low)
  })

  it('says nothing of what has been measured since, nor of another oil, and not where its builder does not want it', () => {
    const experience = learntFrom(next, lessons([0.9, 0.9, 0.9]))!
    const valueOf = (sheet: Sheet, key: string) => modelInputs(sheet).inputs.find((input) => input.key === key)!.value
    expect(valueOf({ ...next, experience }, 'lifters.gap')).toBeGreaterThan(valueOf(next, 'lifters.gap'))
    const measured = {
      ...next,
      readings: { ...next.readings, 'lifters.gap': { value: 30e-6, source: 'measured' as const } },
    }
    expect(valueOf({ ...measured, experience }, 'lifters.gap')).toBe(30e-6)
    const thicker = { ...next, oil: { grade: '20W-50' } }
    expect(oilName(thicker)).not.toBe(experience.oil)
    expect(valueOf({ ...next, experience }, 'model.viscosity')).toBeLessThan(1)
    expect(valueOf({ ...thicker, experience }, 'model.viscosity')).toBe(1)
    expect(valueOf({ ...thicker, experience }, 'model.leakage')).toBeGreaterThan(1)
    expect(withExperience({ ...next, choices: { 'shop.experience': 'off' } }, experience).experience).toBeUndefined()
    expect(withExperience(next, experience).experience).toBe(experience)
  })

  it('nothing is learnt of what is void, at fault, being traced, or never read', () => {
    const sheet = started(0.95)
    expect(lessonOf(sheet)!.readings.map(({ state }) => state)).toEqual(['idleCold', 'idleHot', 'workingHot'])
    expect(lessonOf(DEMO_BUILDS.ottiline())).toBeUndefined()
    const crank = {
      ...sheet,
      readings: { ...sheet.readings, 'main.1.bore': { value: 0.04, source: 'measured' as const } },
    }
    expect(lessonOf(crank)).toBeUndefined()
    const key = passagesOf(sheet.layout).find(({ kind }) => kind === 'plug')!.key
    expect(
      lessonOf({ ...sheet, inspections: { ...sheet.inspections, [key]: { finding: 'left-out' } } }),
    ).toBeUndefined()
    expect(noLesson(crank)).toBe('void')
    // A gauge says nothing of what was measured after it was read.
    const later = { ...sheet.readings['pump.endClearance'], at: '2026-07-01T08:00:00Z' }
    const since = { ...sheet, readings: { ...sheet.readings, 'pump.endClearance': later } }
    expect(noLesson(since)).toBe('measured-since')
    expect(lessonOf(since)).toBeUndefined()
    expect(
      noLesson({
        ...since,
        readings: { ...since.readings, 'pump.endClearance': { ...later, at: '2026-05-30T08:00:00Z' } },
      }),
    ).toBeUndefined()
    // What was learnt before is no part of what an engine teaches.
    const again = lessonOf({ ...sheet, experience: learntFrom(next, lessons([0.9, 0.9, 0.9])) })!
    expect(again.readings.map(({ predicted }) => predicted / 1e5)).toEqual(
      lessonOf(sheet)!.readings.map(({ predicted }) => expect.closeTo(predicted / 1e5, 6)),
    )
  })
})
