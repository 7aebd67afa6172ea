import { describe, expect, it } from 'vitest'
import { type Port, fullLift, uncoveredArea, uncoveredWidth } from './port'
import { preload, rateFromHeights, rateFromWire } from './spring'
import {
  type ReliefValve,
  bindMargin,
  flowStartPressure,
  fullFlowPressure,
  openingPressure,
  shimEffect,
  valveFlow,
} from './valve'

// Plunger 12.68 mm: 126.28 mm². Preload 5.92 · (48.35 − 41.20) = 42.328 N, so it opens at 335.2 kPa.
const valve: ReliefValve = {
  plungerDiameter: 0.01268,
  springRate: 5920,
  freeLength: 0.04835,
  installedLength: 0.0412,
  shims: [],
  solidLength: 0.0274,
  port: { shape: 'round', diameter: 0.0065, overlap: 0 },
}

describe('spring', () => {
  it('rate from wire: 79.3 GPa · 1.6⁴ / (8 · 9.9³ · 8) = 8.37 N/mm', () => {
    expect(rateFromWire(0.0016, 0.0099, 8)).toBeCloseTo(8368.9, 0)
  })
  it('rate from two heights, and refuses them swapped', () => {
    expect(rateFromHeights({ height: 0.045, load: 20 }, { height: 0.04, load: 50 })).toBeCloseTo(6000, 9)
    expect(() => rateFromHeights({ height: 0.04, load: 20 }, { height: 0.045, load: 50 })).toThrow(/load/)
  })
  it('has no preload when it is shorter than its place', () => {
    expect(preload({ springRate: 5000, freeLength: 0.03, installedLength: 0.04, shims: [] })).toBe(0)
  })
})

describe('valve', () => {
  it('opens at preload over area', () => expect(openingPressure(valve) / 1e3).toBeCloseTo(335.2, 1))
  it('a shim adds k s / A: 1.50 mm adds 70.3 kPa', () => {
    expect(shimEffect(valve, 0.0015) / 1e3).toBeCloseTo(70.32, 2)
    expect(openingPressure({ ...valve, shims: [0.001, 0.0005] }) - openingPressure(valve)).toBeCloseTo(
      shimEffect(valve, 0.0015),
      6,
    )
  })
  it('passes nothing within the overlap', () => {
    const lapped = { ...valve, port: { ...valve.port, overlap: 0.002 } as Port }
    expect(openingPressure(lapped)).toBe(openingPressure(valve))
    expect(valveFlow(lapped, flowStartPressure(lapped) - 10, 850, 0.01)).toBe(0)
    expect(valveFlow(lapped, flowStartPressure(lapped) + 1e4, 850, 0.01)).toBeGreaterThan(0)
  })
  it('bind margin is what is left at full lift: 41.20 − 6.50 − 27.40 = 7.30 mm, less the shims', () => {
    expect(bindMargin(valve)! * 1e3).toBeCloseTo(7.3, 9)
    expect(bindMargin({ ...valve, shims: [0.0015] })! * 1e3).toBeCloseTo(5.8, 9)
    expect(fullLift(valve.port)).toBe(0.0065)
  })
  it('settles where its flow equals what it is given, rising with flow and with thicker oil', () => {
    const settled = fullFlowPressure(valve, 3e-4, 870, 0.012)
    expect(valveFlow(valve, settled, 870, 0.012)).toBeCloseTo(3e-4, 9)
    expect(settled).toBeGreaterThan(openingPressure(valve))
    expect(fullFlowPressure(valve, 4e-4, 870, 0.012)).toBeGreaterThan(settled)
    expect(fullFlowPressure(valve, 3e-4, 890, 1)).toBeGreaterThan(settled)
    expect(() => fullFlowPressure(valve, 1, 870, 0.012)).toThrow(/flow/)
  })
})

describe('port', () => {
  it('a round port uncovers half its area at half its height and all at full', () => {
    const round: Port = { shape: 'round', diameter: 0.006, count: 2 }
    expect(uncoveredArea(round, 0.003) * 1e6).toBeCloseTo(Math.PI * 9, 6)
    expect(uncoveredArea(round, 0.01) * 1e6).toBeCloseTo(2 * Math.PI * 9, 6)
    expect(uncoveredWidth(round, 0.003)).toBeCloseTo(0.012, 9)
  })
  it('a slot is width times height', () => {
    expect(uncoveredArea({ shape: 'slot', width: 0.008, height: 0.004 }, 0.002)).toBeCloseTo(1.6e-5, 12)
  })
})
