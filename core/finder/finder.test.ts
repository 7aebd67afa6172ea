import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { oilGrade } from '../oil/grades'
import { oilAt } from '../oil/oil'
import { modelOf } from '../outlook/model'
import { outlookOf, targetAt } from '../outlook/outlook'
import { namedStates } from '../outlook/states'
import { drawTruth } from '../rig/rig'
import { combinationsOf } from './combinations'
import { findSetups } from './find'
import { OWN_SAMPLES } from './ownChance'
import type { FinderProgress, Offer } from './types'

const offer: Offer = {
  springs: [
    { id: 'S1', springRate: 6600, freeLength: 0.0484, solidLength: 0.028 },
    { id: 'S2', springRate: 5200, freeLength: 0.05, solidLength: 0.026 },
    { id: 'bound', springRate: 6000, freeLength: 0.05, solidLength: 0.04 },
  ],
  stacks: [
    { id: '0.5 mm', thickness: 0.5e-3 },
    { id: '2 mm', thickness: 2e-3 },
  ],
  oils: [
    { id: '20W-50', figures: oilGrade('20W-50')! },
    { id: '5W-30', figures: oilGrade('5W-30')! },
  ],
  pumps: [
    {
      id: 'long',
      displacement: 18e-6,
      rotorDiameter: 0.04002,
      rotorLength: 0.0256,
      endClearance: 60e-6,
      tipClearance: 80e-6,
    },
  ],
  shells: [{ id: 'one grade tighter', mains: -25e-6, rods: -25e-6 }],
}
const run = (sheet = DEMO_BUILDS.ottiline(), given = offer): FinderProgress[] => {
  const all: FinderProgress[] = []
  for (const progress of findSetups(sheet, given)) all.push(progress)
  return all
}

describe('finder', () => {
  const progress = run()
  const last = progress[progress.length - 1]

  it('goes through every combination, and has answers from the first', () => {
    expect(combinationsOf(offer)).toBe(4 * 3 * 3 * 2 * 2)
    expect([last.done, last.total]).toEqual([144, 144])
    expect(progress[0].frontier.length).toBeGreaterThan(0)
  })
  it('keeps what no other beats: of two, the likelier costs power or changes', () => {
    for (const a of last.frontier)
      for (const b of last.frontier) {
        if (a !== b && a.probability >= b.probability && a.power <= b.power)
          expect(a.changes).toBeGreaterThan(b.changes)
      }
    expect(last.frontier.some((setup) => setup.spring === 'bound')).toBe(false)
  })
  it('gives the pressures that the outlook gives for the same parts fitted, within 0.2 percent', () => {
    // A hot idle wanted so high that the longer pump is needed.
    const wanting = () => {
      const sheet = DEMO_BUILDS.ottiline()
      sheet.readings['maker.idleHot'] = { value: 3.3e5, source: 'maker' }
      return sheet
    }
    const setup = run(wanting(), { ...offer, oils: [], shells: [] })
      .at(-1)!
      .frontier.find((each) => each.pump !== undefined)!
    const sheet = wanting()
    const put = (key: string, value: number) => (sheet.readings[key] = { value, source: 'measured' })
    const spring = offer.springs.find(({ id }) => id === setup.spring)
    if (spring)
      for (const field of ['springRate', 'freeLength', 'solidLength'] as const) put(`relief.${field}`, spring[field]!)
    const stack = offer.stacks.find(({ id }) => id === setup.stack)
    if (stack) put('relief.shims', stack.thickness)
    const pump = offer.pumps.find(({ id }) => id === setup.pump)
    if (pump)
      for (const field of ['displacement', 'rotorDiameter', 'rotorLength', 'endClearance', 'tipClearance'] as const)
        put(`pump.${field}`, pump[field])
    for (const state of outlookOf(sheet, 5).states)
      expect(Math.abs(setup.pressures[state.name] / state.pressure - 1)).toBeLessThan(2e-3)
  })
  it('gives each set-up its bands: for what is fitted they are the outlook’s own, within 3 percent of the pressure', () => {
    const asFitted = run(DEMO_BUILDS.ottiline(), { springs: [], stacks: [], oils: [], pumps: [], shells: [] }).at(-1)!
      .frontier[0]
    expect(asFitted.changes).toBe(0)
    for (const { name, pressure, low, high } of outlookOf(DEMO_BUILDS.ottiline(), OWN_SAMPLES).states) {
      const [from, to] = asFitted.bands[name]
      expect(from).toBeLessThanOrEqual(asFitted.pressures[name])
      expect(to).toBeGreaterThanOrEqual(asFitted.pressures[name])
      expect(Math.abs(from - low) / pressure).toBeLessThan(0.03)
      expect(Math.abs(to - high) / pressure).toBeLessThan(0.03)
    }
  })
  it('finds for the generator with low hot idle what the spring cannot give: every likelier set-up changes oil, pump or shells', () => {
    const sheet = DEMO_BUILDS.dunmarrow()
    sheet.readings['maker.idleHot'] = { value: 3.6e5, source: 'maker' }
    const frontier = run(sheet).at(-1)!.frontier
    const now = frontier.find((setup) => setup.changes === 0)?.probability ?? 0
    const better = frontier.filter((setup) => setup.probability > now + 0.2)
    expect(better.length).toBeGreaterThan(0)
    for (const setup of better) expect(setup.oil ?? setup.pump ?? setup.shells).toBeDefined()
  })
  it('gives each that is shown the chance of its own parts: within 0.05 of a thousand engines drawn with them fitted', () => {
    const given: Offer = { ...offer, shells: [], oils: offer.oils.slice(0, 1) }
    const shown = run(DEMO_BUILDS.dunmarrow(), given).at(-1)!.frontier
    expect(shown.every(({ sampled }) => sampled)).toBe(true)
    const changed = shown.filter(({ changes }) => changes > 0).slice(0, 3)
    expect(changed.length).toBeGreaterThan(1)
    for (const setup of changed) {
      const sheet = DEMO_BUILDS.dunmarrow()
      const put = (key: string, value?: number) =>
        value !== undefined && (sheet.readings[key] = { value, source: 'measured' })
      const spring = given.springs.find(({ id }) => id === setup.spring)
      put('relief.springRate', spring?.springRate)
      put('relief.freeLength', spring?.freeLength)
      put('relief.solidLength', spring?.solidLength)
      put('relief.shims', given.stacks.find(({ id }) => id === setup.stack)?.thickness)
      for (const [key, value] of Object.entries(given.pumps.find(({ id }) => id === setup.pump) ?? {}))
        if (typeof value === 'number') put(`pump.${key}`, value)
      if (setup.oil) sheet.oil.figures = given.oils.find(({ id }) => id === setup.oil)!.figures
      const model = modelOf(sheet)
      const states = namedStates(sheet).map((state) => ({ state, target: targetAt(sheet, model.oil, state) }))
      let met = 0
      for (let seed = 1; seed <= 1000; seed++) {
        const { values } = drawTruth(sheet, { seed: 7919 * seed })
        const inTarget = states.every(({ state, target: { least, most } }) => {
          const pressure = model.engine.gauge(values, state, oilAt(model.oil, state.temperature), 1e-5)
          return pressure >= least && pressure <= most
        })
        if (inTarget) met++
      }
      expect(Math.abs(setup.probability - met / 1000), JSON.stringify(setup)).toBeLessThan(0.05)
    }
  })
})
