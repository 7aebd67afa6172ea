import { describe, expect, it } from 'vitest'
import { FIRST_HOUSE } from './first'
import { instrumentSigma } from './instrument'
import { House } from './schema'

describe('house', () => {
  it('its first day is a house', () => expect(House.safeParse(FIRST_HOUSE).success).toBe(true))
  it('an instrument zeroed just now is known by step and repeatability, one never zeroed by two steps more', () => {
    const at = Date.parse('2026-05-11T10:00:00Z')
    const gauge = { name: 'g', resolution: 2e-6, repeatability: 1e-6 }
    expect(instrumentSigma({ ...gauge, zeroedAt: '2026-05-11T10:00:00Z' }, at)).toBeCloseTo(Math.hypot(2e-6 / Math.sqrt(12), 1e-6), 12)
    expect(instrumentSigma(gauge, at)).toBeCloseTo(Math.hypot(2e-6 / Math.sqrt(12), 1e-6, 4e-6 / Math.sqrt(3)), 12)
    // Two weeks: one step of drift.
    expect(instrumentSigma({ ...gauge, zeroedAt: '2026-04-27T10:00:00Z' }, at)).toBeCloseTo(Math.hypot(2e-6 / Math.sqrt(12), 1e-6, 2e-6 / Math.sqrt(3)), 12)
  })
})
