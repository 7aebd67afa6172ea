import { describe, expect, it } from 'vitest'
import { oilGrade } from '#core/oil/grades'
import { powerOf } from '#core/outlook/pumpLoad'
import { namedStates } from '#core/outlook/states'
import { gaugePressure, modelOf } from '#core/outlook/model'
import { triedSheet } from '#core/outlook/tried'
import { pumpDisplacement } from '#core/parts/pumpReadings'
import { requireValue } from '#core/engine/values'
import { primeExpectation } from '#core/prime/prime'
import { primeSetUpOf } from '#core/prime/setUp'
import type { Sheet } from '#core/record/schema'
import type { StateName } from '#core/targets/targets'
import { DEMO_BUILDS } from './make'

const BAR = 1e5
const PSI = 6894.757
const gauge = (sheet: Sheet, name: StateName) =>
  gaugePressure(
    modelOf(sheet),
    namedStates(sheet).find((state) => state.name === name)!,
  )
const changed = (sheet: Sheet, change: (next: Sheet) => void) => {
  const next = structuredClone(sheet)
  change(next)
  return next
}

/** What builders know from their benches, as far as it holds for any engine of such a kind; each told by them and not by the model. */
describe('what builders expect of engines like these', () => {
  it.each(['ottiline', 'dunmarrow'] as const)('a drill on the pump of %s brings 3.5 to 5.2 bar', (name) => {
    const sheet = DEMO_BUILDS[name]()
    const { pressure } = primeExpectation(sheet, primeSetUpOf(sheet, { method: 'drill' }))
    expect(pressure).toBeGreaterThan(3.5 * BAR)
    expect(pressure).toBeLessThan(5.2 * BAR)
  })
  it('a shim of 0.6 mm is worth 2 to 5 psi on the six, cold and at speed', () => {
    const sheet = DEMO_BUILDS.ottiline()
    const more = triedSheet(sheet, { shims: requireValue(sheet, 'relief.shims').value + 0.6e-3 })
    for (const state of ['idleCold', 'workingHot'] as const) {
      const gain = (gauge(more, state) - gauge(sheet, state)) / PSI
      expect(gain).toBeGreaterThan(2)
      expect(gain).toBeLessThan(5)
    }
  })
  it('20W-50 in place of 15W-40 raises the six’s hot idle by 0.6 to 0.9 bar', () => {
    const sheet = DEMO_BUILDS.ottiline()
    const gain = gauge(triedSheet(sheet, { oil: oilGrade('20W-50')! }), 'idleHot') - gauge(sheet, 'idleHot')
    expect(gain).toBeGreaterThan(0.6 * BAR)
    expect(gain).toBeLessThan(0.9 * BAR)
  })
  it('a full groove lowers hot idle', () => {
    const sheet = DEMO_BUILDS.ottiline()
    const full = changed(sheet, (next) => (next.layout.mainGroove = 360))
    expect(gauge(sheet, 'idleHot') - gauge(full, 'idleHot')).toBeGreaterThan(0.2 * BAR)
  })
  it.each(['ottiline', 'talvik'] as const)(
    'a quarter more pump, by longer rotors, raises the hot idle of %s by 15 to 30 percent, and costs power at speed',
    (name) => {
      const sheet = DEMO_BUILDS[name]()
      const larger = changed(sheet, (next) => {
        const value = 1.25 * requireValue(sheet, 'pump.rotorLength').value
        next.readings['pump.rotorLength'] = { value, source: 'measured' }
      })
      expect(pumpDisplacement(larger).value / pumpDisplacement(sheet).value).toBeCloseTo(1.25, 6)
      const gain = gauge(larger, 'idleHot') / gauge(sheet, 'idleHot') - 1
      expect(gain).toBeGreaterThan(0.15)
      expect(gain).toBeLessThan(0.3)
      const drive = (each: Sheet) => {
        const model = modelOf(each)
        const working = namedStates(each).find((state) => state.name === 'workingHot')!
        gaugePressure(model, working)
        return powerOf(model, working)
      }
      expect(drive(larger)).toBeGreaterThan(1.1 * drive(sheet))
    },
  )
})
