import type { EngineValues, FaultKey } from '../parts/list'
import { passagesOf } from './catalogue'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { PRESETS, newSheet } from '../record/layouts'
import { prepareEngine, scaleBearings } from './engine'
import { modelOf } from '../outlook/model'
import { namedStates } from '../outlook/states'
import { oilAt } from '../oil/oil'
import { canHave, FAULT_KEYS, faultOf } from './faults'

/** Gauge at a state with a fault in a demo engine, Pa. */
function gaugeWith(key: FaultKey | undefined, state: number, severity = 0.5, sheet = DEMO_BUILDS.ottiline()) {
  const model = modelOf(sheet)
  const fault = key && faultOf(key, sheet.layout, severity)
  const values: EngineValues = structuredClone(model.values)
  fault?.change?.(values)
  const moment = namedStates(sheet)[state]
  return prepareEngine(sheet.layout, fault?.leftOut ?? []).gauge(
    values,
    { ...moment, ...(fault?.undriven ? { pumpSpeed: 0 } : {}) },
    oilAt(model.oil, moment.temperature),
  )
}
const [CRANKING_COLD, IDLE_COLD, IDLE_HOT, WORKING_HOT] = [0, 1, 2, 3]

describe('faults', () => {
  it('each says in plain words what it is and where to look, for every layout, at every severity', () => {
    for (const key of FAULT_KEYS)
      for (const { layout } of Object.keys(PRESETS).map((preset) => newSheet(preset, 'a', 'b')))
        for (const severity of canHave(key, layout) ? [0, 0.5, 1] : []) {
          const fault = faultOf(key, layout, severity)
          expect(fault.key).toBe(key)
          expect(fault.words).toMatch(/^[a-z]/)
          expect(fault.look).toMatch(/^[A-Z].*\.$/)
        }
  })
  it('each changes something: the engine, its passages, its pump, its pickup, its drive or its sender', () => {
    const layouts = Object.keys(PRESETS).map((preset) => newSheet(preset, 'a', 'b').layout)
    for (const key of FAULT_KEYS) {
      const fault = faultOf(
        key,
        layouts.find((layout) => canHave(key, layout))!,
      )
      expect(
        [
          fault.change,
          fault.leftOut,
          fault.pump,
          fault.airLeak,
          fault.undriven,
          fault.sender,
          fault.lamp,
          fault.uncoversAfter,
        ].some((each) => each !== undefined),
        key,
      ).toBe(true)
    }
  })
  it('a plug left out is one inside the engine’s own gallery, of every layout', () => {
    for (const layout of Object.keys(PRESETS))
      for (const severity of [0, 0.3, 1]) {
        const sheet = newSheet(layout, 'a', 'b')
        const [key] = faultOf('plug-out', sheet.layout, severity).leftOut!
        const plug = passagesOf(sheet.layout).find((each) => each.key === key)!
        expect(plug).toMatchObject({ kind: 'plug', absent: { kind: 'leak' } })
      }
  })
  it('relief that stands open, plug left out, loose bearings: less at the gauge, and less the worse it is', () => {
    for (const key of ['relief-open', 'plug-out', 'clearance'] as const)
      for (const state of [IDLE_COLD, IDLE_HOT, WORKING_HOT]) {
        // Cold oil is held up by the relief valve whatever the bearings leak.
        expect(gaugeWith(key, state, 0), `${key} ${state}`).toBeLessThan(
          (key === 'clearance' && state === IDLE_COLD ? 1 : 0.9) * gaugeWith(undefined, state),
        )
        if (key !== 'plug-out') expect(gaugeWith(key, state, 1)).toBeLessThan(gaugeWith(key, state, 0))
      }
  })
  it('a valve that sticks shut shows where it should have opened, cold, and nowhere else', () => {
    expect(gaugeWith('relief-shut', IDLE_COLD)).toBeGreaterThan(1.15 * gaugeWith(undefined, IDLE_COLD))
    expect(gaugeWith('relief-shut', IDLE_HOT) / gaugeWith(undefined, IDLE_HOT)).toBeCloseTo(1, 3)
  })
  it('of two valves both stick, or the other would hide it', () => {
    const sheet = newSheet('flat4', 'a', 'b')
    sheet.layout.galleryRelief = true
    const values = structuredClone(modelOf(sheet).values)
    const before = structuredClone(values)
    faultOf('relief-shut', sheet.layout).change!(values)
    expect(values.relief.springRate).toBe(50 * before.relief.springRate)
    expect(values.relief2!.springRate).toBe(50 * before.relief2!.springRate)
  })
  it('a pump that nothing drives gives nothing', () => {
    expect(gaugeWith('undriven', CRANKING_COLD)).toBeLessThan(1e3)
  })
  it('a worn dry pump has wider gaps, a sender shows less, air comes sooner: all with severity', () => {
    const { layout } = DEMO_BUILDS.ottiline()
    const gap = (severity: number) => {
      const values = structuredClone(modelOf(DEMO_BUILDS.ottiline()).values)
      const before = values.pump.endClearance
      faultOf('dry-pump', layout, severity).change!(values)
      return values.pump.endClearance / before
    }
    expect([gap(0), gap(1)]).toEqual([expect.closeTo(1.3, 9), expect.closeTo(2, 9)])
    expect(faultOf('dry-pump', layout).pump).toEqual({ packing: 'dry', filter: 'filled' })
    expect(faultOf('sender-low', layout, 0).sender).toBeGreaterThan(faultOf('sender-low', layout, 1).sender!)
    expect(faultOf('uncovered', layout, 0).uncoversAfter).toBeGreaterThan(
      faultOf('uncovered', layout, 1).uncoversAfter!,
    )
    expect(faultOf('pickup-air', layout, 0).airLeak).toBeLessThan(faultOf('pickup-air', layout, 1).airLeak!)
  })
  it('scales every main and rod, and nothing else', () => {
    const values = structuredClone(modelOf(DEMO_BUILDS.ottiline()).values)
    const before = structuredClone(values)
    scaleBearings(values, 1.25)
    values.main.clearance.forEach((each, i) => expect(each / before.main.clearance[i]).toBeCloseTo(1.25, 12))
    values.rod.clearance.forEach((each, i) => expect(each / before.rod.clearance[i]).toBeCloseTo(1.25, 12))
    const rest = ({ main, rod, ...others }: EngineValues) => [main.diameter, { ...rod, clearance: [] }, others]
    expect(rest(values)).toEqual(rest(before))
  })
})
