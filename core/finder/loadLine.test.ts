import { elementOf } from '../parts/circuitBuilder'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { oilAt } from '../oil/oil'
import { modelOf } from '../outlook/model'
import { namedStates } from '../outlook/states'
import { flowStartPressure, type ReliefValve } from '../relief/valve'
import { loadLine, meet } from './loadLine'

/** The demo six at working speed, hot, with its load line. */
function prepared() {
  const model = modelOf(DEMO_BUILDS.ottiline())
  const state = namedStates(model.sheet)[3]
  const oil = oilAt(model.oil, state.temperature)
  const fluid = { density: oil.density, viscosity: oil.viscosity }
  const { engine, values } = model
  const [outlet, behind, gauge] = ['pump outlet', 'relief return', engine.plan.gauge].map((node) =>
    engine.circuit.indexOf(node),
  )
  engine.set(values, state, oil)
  const relief = elementOf(engine.plan, 'relief', 'relief')
  const line = loadLine(engine.circuit, relief, fluid, outlet, behind, gauge, 2e5)
  const solved = (valve: ReliefValve) => {
    engine.set(values, state, oil)
    relief.valve = valve
    engine.circuit.solve(fluid)
    return engine.circuit.pressures[gauge]
  }
  return { line, fluid, values, solved }
}

describe('load line', () => {
  const { line, fluid, values, solved } = prepared()
  it('falls from what the valve takes wide open to nothing at the shut end, while the gauge rises with the outlet', () => {
    for (let k = 1; k < line.outlet.length; k++) {
      expect(line.outlet[k]).toBeGreaterThan(line.outlet[k - 1])
      expect(line.across[k]).toBeGreaterThan(line.across[k - 1])
      expect(line.taken[k]).toBeLessThan(line.taken[k - 1])
      expect(line.gauge[k]).toBeGreaterThan(line.gauge[k - 1])
    }
    expect(Math.abs(line.taken[line.taken.length - 1])).toBeLessThan(1e-9)
  })
  it('any valve laid against it reads as the whole circuit does, within 0.2 percent', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 4000, max: 9000, noNaN: true }),
        fc.double({ min: 0, max: 3e-3, noNaN: true }),
        (springRate, shim) => {
          const valve: ReliefValve = { ...values.relief, springRate, shims: [shim] }
          fc.pre(flowStartPressure(valve) > 2.1e5)
          expect(Math.abs(meet(line, valve, fluid, values.model.discharge).gauge / solved(valve) - 1)).toBeLessThan(
            2e-3,
          )
        },
      ),
      { numRuns: 60 },
    )
  })
  it('a valve that opens above the shut end changes nothing', () => {
    const stiff: ReliefValve = { ...values.relief, springRate: 60_000 }
    expect(meet(line, stiff, fluid, values.model.discharge).gauge).toBe(line.gauge[line.gauge.length - 1])
  })
})
