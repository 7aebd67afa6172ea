import { catalogueOf } from '../engine/catalogue'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { circuitAtState, circuitState } from './circuitState'
import { nextMeasurements } from './nextMeasurement'
import { outlookOf } from './outlook'
import { scenarios } from './scenarios'
import { namedStates } from './states'

describe('the circuit as it works', () => {
  it('shares of what leaves the gallery and the valve add up to the pump’s flow', () => {
    const state = circuitAtState(DEMO_BUILDS.ottiline(), 3)
    const back = state.elements
      .filter(({ to, id }) => to === 'sump' && id !== 'pickup')
      .reduce((sum, { share }) => sum + share, 0)
    expect(back).toBeCloseTo(1, 6)
  })
  it('says where each element’s numbers came from, and names only readings of the layout', () => {
    const sheet = DEMO_BUILDS.ottiline()
    const keys = catalogueOf(sheet.layout).quantities
    const { elements } = circuitState(sheet, namedStates(sheet)[2])
    for (const { reading } of elements) if (reading) expect(keys.has(reading)).toBe(true)
    expect(elements.find(({ id }) => id === 'main 4 film')).toMatchObject({
      station: 'bearings',
      reading: 'main.4.bore',
      source: 'measured',
    })
    expect(elements.find(({ id }) => id === 'filter')).toMatchObject({ station: 'passages', source: 'layout' })
  })
})

describe('scenarios', () => {
  const found = scenarios(DEMO_BUILDS.ottiline())
  const idle = (key: string) => found.find((each) => each.key === key)!.states.idleHot.pressure
  it('as it stands reads as the outlook does; worn, diluted, hot and thin all read less at hot idle, all at once least', () => {
    for (const state of outlookOf(DEMO_BUILDS.ottiline(), 3).states)
      expect(found[0].states[state.name].pressure).toBeCloseTo(state.pressure, 2)
    for (const key of ['worn', 'diluted', 'hot', 'thin']) expect(idle(key)).toBeLessThan(0.95 * idle('now'))
    for (const key of ['worn', 'diluted', 'hot']) expect(idle('all')).toBeLessThan(idle(key))
  })
  it('a filter nearly blocked takes pressure at working speed, until its bypass opens', () => {
    const at = (key: string) => found.find((each) => each.key === key)!.states.workingHot.pressure
    expect(at('blocked')).toBeLessThan(at('now') - 2e4)
    expect(at('blocked')).toBeGreaterThan(at('now') - 1.2e5)
  })
})

describe('the next measurement', () => {
  it('is what narrows the band most for its minutes; once made it is gone, and the band is narrower as was said', () => {
    const sheet = DEMO_BUILDS.talvik()
    const [best, ...others] = nextMeasurements(sheet)
    for (const each of others) expect(each.narrows / each.minutes).toBeLessThanOrEqual(best.narrows / best.minutes)
    const width = () => {
      const { high, low } = outlookOf(sheet, 1500).states.find(({ name }) => name === 'idleHot')!
      return high - low
    }
    const before = width()
    const quantity = catalogueOf(sheet.layout).quantities.get(best.key)!
    sheet.readings[best.key] = { value: quantity.fallback!, source: 'measured' }
    expect(nextMeasurements(sheet).some(({ key }) => key === best.key)).toBe(false)
    expect(1 - width() / before).toBeGreaterThan(0.6 * best.narrows)
    expect(1 - width() / before).toBeLessThan(1.4 * best.narrows + 0.03)
  })
  it('has nothing to say of what nobody can measure', () => {
    for (const { key } of nextMeasurements(DEMO_BUILDS.ottiline())) expect(key).not.toMatch(/^model\./)
  })
})
