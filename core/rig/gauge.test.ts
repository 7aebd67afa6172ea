import { quantitiesOf } from '../engine/catalogue'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { newSheet } from '../record/layouts'
import { gaugeReading } from './gauge'

describe('the simulated digital gauge', () => {
  const six = DEMO_BUILDS.ottiline()
  it('shows the same place the same within its scatter, and another engine another', () => {
    const presses = Array.from({ length: 20 }, (_, press) => gaugeReading(six, 'main.4.bore', 1, press))
    const recorded = six.readings['main.4.bore'].value
    for (const value of presses) expect(Math.abs(value - recorded)).toBeLessThan(6e-6)
    expect(new Set(presses).size).toBeGreaterThan(2)
    expect(gaugeReading(six, 'main.4.bore', 1, 3)).toBe(presses[3])
    const blank = newSheet('inline4', 'x', 'y')
    expect(gaugeReading(blank, 'pump.rotorLength', 1, 0)).not.toBe(gaugeReading(blank, 'pump.rotorLength', 2, 0))
  })
  it('has something plausible to show at every place of every demo engine, to its step', () => {
    for (const make of Object.values(DEMO_BUILDS)) {
      const sheet = make()
      for (const { key, plausible, dimension } of quantitiesOf(sheet.layout)) {
        const value = gaugeReading(sheet, key, 7, 0)
        expect(value, key).toBeGreaterThanOrEqual(plausible[0] - 1e-9)
        expect(value, key).toBeLessThanOrEqual(plausible[1] * (1 + 1e-9) + 1e-9)
        if (dimension === 'diameter') expect(Math.abs(value * 1e6 - Math.round(value * 1e6)), key).toBeLessThan(1e-6)
      }
    }
  })
  it('refuses what the layout does not have', () => {
    expect(() => gaugeReading(six, 'main.99.bore', 1, 0)).toThrow(/^reading: /)
  })
})
