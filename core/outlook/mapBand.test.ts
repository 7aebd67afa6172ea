import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { pressureBands } from './band'
import { outlookMap } from './map'
import { mapBand } from './mapBand'
import { modelOf } from './model'
import { momentAt } from './states'

describe.each(['ottiline', 'talvik', 'pell'] as const)('the band of a map, %s', (name) => {
  const sheet = DEMO_BUILDS[name]()
  const map = outlookMap(sheet, [20, 12])
  const band = mapBand(sheet, map)
  const direct = (row: number, column: number) =>
    pressureBands(modelOf(sheet), [momentAt(sheet, map.speeds[column], map.temperatures[row])], 300)[0]

  it('holds the best value everywhere', () => {
    map.pressure.forEach((best, i) => {
      expect(band.low[i]).toBeLessThanOrEqual(best + 1)
      expect(band.high[i]).toBeGreaterThanOrEqual(best - 1)
    })
  })
  it('says what sampling each place by itself says, within what eighty samples can tell', () => {
    const off = [2, 5, 8, 11]
      .flatMap((row) =>
        [0, 3, 8, 13, 19].flatMap((column) => {
          const { pressure, low, high } = direct(row, column)
          const at = row * map.speeds.length + column
          return [Math.abs(band.low[at] - low) / pressure, Math.abs(band.high[at] - high) / pressure]
        }),
      )
      .sort((a, b) => a - b)
    expect(off[Math.floor(off.length / 2)]).toBeLessThan(0.035)
    expect(off.at(-1)).toBeLessThan(0.13)
  })
})
it('what is measured narrows it: the same engine with everything assumed has a wider one', () => {
  const sheet = DEMO_BUILDS.ottiline()
  const bare = {
    ...sheet,
    readings: Object.fromEntries(Object.entries(sheet.readings).filter(([key]) => key.startsWith('brief.'))),
  }
  const width = (of: typeof sheet) => {
    const map = outlookMap(of, [8, 6])
    const { low, high } = mapBand(of, map)
    return map.pressure.reduce((sum, best, i) => sum + (high[i] - low[i]) / best, 0)
  }
  expect(width(bare)).toBeGreaterThan(1.5 * width(sheet))
})
