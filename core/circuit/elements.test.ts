import { describe, expect, it } from 'vitest'
import { prepareElimination } from './factor'
import { elementFlow } from './flow'
import { transitionPressure } from '../orifice/orifice'
import { frictionFactor } from './pipe'
import type { ElementSpec, Fluid, FlowSlope, OrificeSpec, PipeSpec, ReliefSpec } from './types'

const out = (): FlowSlope => ({ flow: 0, slopeFrom: 0, slopeTo: 0 })
/** Puts an element's flow and slopes for a difference into a result. */
const flowOf = (element: ElementSpec, difference: number, fluid: Fluid, result: FlowSlope) =>
  Object.assign(result, elementFlow(element, difference, 0, fluid))
const hole = (area: number): OrificeSpec => ({
  id: 'h',
  kind: 'orifice',
  from: 'a',
  to: 'b',
  diameter: Math.sqrt((4 * area) / Math.PI),
  dischargeCoefficient: 0.65,
})
const hot = { density: 830, viscosity: 0.011 }
const cold = { density: 890, viscosity: 3 }

describe('orifice', () => {
  it('far above its transition is C_d A √(2 Δp / ρ): 1 mm at 400 kPa and 830 kg/m³ passes 15.85 mL/s', () => {
    const result = out()
    flowOf(hole(0.25 * Math.PI * 1e-6), 4e5, { density: 830, viscosity: 1e-5 }, result)
    expect(result.flow * 1e6).toBeCloseTo(0.65 * 0.785398 * Math.sqrt((2 * 4e5) / 830), 2)
  })
  it('is laminar for small differences: doubling them doubles the flow', () => {
    const area = 0.25 * Math.PI * 1e-6
    const small = 1e-4 * transitionPressure(area, 0.65, cold.density, cold.viscosity)
    const [one, two] = [out(), out()]
    flowOf(hole(area), small, cold, one)
    flowOf(hole(area), 2 * small, cold, two)
    expect(two.flow / one.flow).toBeCloseTo(2, 4)
  })
  it('is odd: backwards it passes as much', () => {
    const [there, back] = [out(), out()]
    flowOf(hole(1e-6), 5e4, hot, there)
    flowOf(hole(1e-6), -5e4, hot, back)
    expect(back.flow).toBe(-there.flow)
    expect(back.slopeFrom).toBe(there.slopeFrom)
  })
  it('closed passes nothing', () => {
    const result = out()
    flowOf(hole(0), 5e4, hot, result)
    expect([result.flow, result.slopeFrom, Math.abs(result.slopeTo)]).toEqual([0, 0, 0])
  })
})

describe('pipe', () => {
  const pipe: PipeSpec = { id: 'p', kind: 'pipe', from: 'a', to: 'b', length: 0.5, diameter: 0.01, k: 1, k1: 300 }
  it('is monotone and continuous through the turn to turbulence', () => {
    let last = 0
    for (let pressure = 100; pressure < 3e5; pressure *= 1.02) {
      const result = out()
      flowOf(pipe, pressure, { density: 850, viscosity: 0.005 }, result)
      expect(result.flow).toBeGreaterThan(last)
      if (last > 0) expect(result.flow / last).toBeLessThan(1.05)
      last = result.flow
    }
  })
  it('a turning crank’s head drives flow with no difference at all', () => {
    const result = out()
    flowOf({ ...pipe, head: 5e4 }, 0, hot, result)
    expect(result.flow).toBeGreaterThan(0)
    const pushed = out()
    flowOf(pipe, 5e4, hot, pushed)
    expect(result.flow / pushed.flow).toBeCloseTo(1, 12)
  })
  it('rough pipes at high Reynolds number follow von Kármán: e/D 0.01 gives 0.0379', () => {
    expect(frictionFactor(1e8, 0.01)).toBeCloseTo(0.0379, 3)
  })
})

describe('bearing', () => {
  const bearing = { id: 'b', kind: 'bearing' as const, from: 'a', to: 'b', conductance: 2e-11, carried: 3e-6 }
  it('well fed gives its leakage and all it carries; unfed gives nothing', () => {
    const result = out()
    flowOf(bearing, 4e5, hot, result)
    expect(result.flow).toBeCloseTo(2e-11 * 4e5 + 3e-6, 12)
    flowOf(bearing, 0, hot, result)
    expect(result.flow).toBeCloseTo(0, 18)
  })
  it('has one slope on both sides of nothing', () => {
    const [above, below] = [out(), out()]
    flowOf(bearing, 1e-3, hot, above)
    flowOf(bearing, -1e-3, hot, below)
    expect(above.slopeFrom / below.slopeFrom).toBeCloseTo(1, 6)
    expect(above.flow).toBeCloseTo(-below.flow, 16)
  })
})

describe('valves', () => {
  const relief: ReliefSpec = {
    id: 'r',
    kind: 'relief',
    from: 'a',
    to: 'b',
    valve: {
      plungerDiameter: 0.0127,
      springRate: 6000,
      freeLength: 0.048,
      installedLength: 0.0412,
      shims: [],
      port: { shape: 'round', diameter: 0.0065 },
    },
  }
  const opens = (6000 * 0.0068) / (0.25 * Math.PI * 0.0127 ** 2)
  it('just opening is continuous: nothing before, a trickle after, more with every kilopascal', () => {
    const flow = (pressure: number) => {
      const result = out()
      flowOf(relief, pressure, hot, result)
      return result.flow
    }
    expect(flow(opens - 1)).toBeLessThan(1e-10)
    expect(flow(opens + 1)).toBeLessThan(1e-7)
    let last = 0
    for (let pressure = opens; pressure < opens + 4e5; pressure += 1e3) {
      expect(flow(pressure)).toBeGreaterThan(last)
      last = flow(pressure)
    }
  })
  it('backwards it is shut', () => {
    const result = out()
    flowOf(relief, -2e5, hot, result)
    expect(Math.abs(result.flow)).toBeLessThan(1e-11)
  })
  it('a check valve opens at its pressure and lifts over two kilopascals, without a step', () => {
    const check = { id: 'c', kind: 'check' as const, from: 'a', to: 'b', diameter: 0.01, openingPressure: 1e5 }
    const flow = (pressure: number) => {
      const result = out()
      flowOf(check, pressure, hot, result)
      return result.flow
    }
    expect(flow(99e3)).toBeLessThan(1e-11)
    expect(flow(1e5 + 1)).toBeLessThan(1e-7)
    expect(flow(102e3 + 1) / flow(102e3 - 1)).toBeCloseTo(1, 2)
  })
})

describe('pump', () => {
  const pump = {
    id: 'p',
    kind: 'pump' as const,
    from: 'a',
    to: 'b',
    displacement: 15e-6,
    speed: 10,
    slipConductance: 4e-11,
  }
  it('delivers swept less slip: 150 − 4·10⁻⁵·… at 400 kPa leaves 134 mL/s', () => {
    const result = out()
    Object.assign(result, elementFlow(pump, 0, 4e5, hot))
    expect(result.flow * 1e6).toBeCloseTo(150 - 16, 9)
  })
  it('starves as its inlet empties', () => {
    const [full, half, none] = [out(), out(), out()]
    Object.assign(full, elementFlow(pump, -2e4, 0, hot))
    Object.assign(half, elementFlow(pump, -62.5e3, 0, hot))
    Object.assign(none, elementFlow(pump, -96e3, 0, hot))
    expect(half.flow / 1.5e-4).toBeCloseTo(0.5, 1)
    expect(none.flow).toBeLessThan(0)
    expect(full.flow).toBeGreaterThan(half.flow)
  })
})

describe('elimination', () => {
  it('solves a matrix with fill like the textbook: residual nothing but rounding', () => {
    const size = 7
    const pairs: [number, number][] = [
      [0, 1],
      [0, 2],
      [1, 3],
      [2, 3],
      [3, 4],
      [4, 5],
      [5, 6],
      [6, 0],
    ]
    const matrix = prepareElimination(size, pairs)
    const dense = Array.from({ length: size }, () => new Array<number>(size).fill(0))
    const put = (i: number, j: number, value: number) => {
      dense[i][j] = value
      matrix.values[matrix.position(i, j)] = value
    }
    for (let i = 0; i < size; i++) put(i, i, 5 + i)
    pairs.forEach(([i, j], n) => {
      put(i, j, -1 - 0.1 * n)
      put(j, i, -0.5 - 0.07 * n)
    })
    const wanted = Float64Array.from({ length: size }, (_, i) => Math.sin(i + 1))
    const right = Float64Array.from(dense, (row) => row.reduce((sum, value, j) => sum + value * wanted[j], 0))
    matrix.solve(right)
    right.forEach((value, i) => expect(value).toBeCloseTo(wanted[i], 12))
  })
  it('knows where it has nothing', () => {
    expect(
      prepareElimination(4, [
        [0, 1],
        [2, 3],
      ]).position(0, 3),
    ).toBe(-1)
  })
})
