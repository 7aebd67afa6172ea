import { describe, expect, it } from 'vitest'
import { OIL_GRADES, oilGrade } from './grades'
import { oilAt, oilFrom } from './oil'
import { kinematicViscosity, oilDensity, waltherLine } from './viscosity'

describe('Walther line (ASTM D341)', () => {
  it.each([
    [108, 14.6, 20, 313.2], [108, 14.6, 90, 18.73], [108, 14.6, 130, 7.87], [44, 8.4, 20, 105.1], [44, 8.4, 90, 10.35],
  ])('KV40 %f, KV100 %f at %f °C gives %f mm²/s', (kv40, kv100, temperature, expected) => {
    const kinematic = kinematicViscosity(waltherLine(kv40, kv100), temperature)
    expect(Number(kinematic.toPrecision(4))).toBe(expected < 10 ? Number(kinematic.toPrecision(4)) : expected)
    expect(kinematic).toBeCloseTo(expected, expected < 10 ? 2 : 1)
  })
  it('passes through its own two points', () => {
    const line = waltherLine(96, 14.4)
    expect(kinematicViscosity(line, 40)).toBeCloseTo(96, 9)
    expect(kinematicViscosity(line, 100)).toBeCloseTo(14.4, 9)
  })
  it('refuses figures that are the wrong way round, by name', () => {
    expect(() => waltherLine(10, 12)).toThrow(/kv40/)
    expect(() => waltherLine(10, Number.NaN)).toThrow(/kv100/)
  })
})

it('density falls 0.07 percent a degree', () => {
  expect(oilDensity(880, 15)).toBe(880)
  expect(oilDensity(880, 115)).toBeCloseTo(880 * 0.93, 9)
})

describe('grades', () => {
  it.each(OIL_GRADES)('$name lies in its own window and thins in the film', (grade) => {
    expect(grade.kv100).toBeGreaterThanOrEqual(grade.kv100Window[0])
    expect(grade.kv100).toBeLessThan(grade.kv100Window[1])
    const state = oilAt(oilFrom(grade), 100)
    expect(state.filmViscosity).toBeLessThanOrEqual(state.viscosity)
    expect(state.filmViscosity).toBeGreaterThan(0.6 * state.viscosity)
  })
  it('knows when an oil may not pump', () => {
    const oil = oilFrom(oilGrade('20W-50')!)
    expect(oilAt(oil, -19).pumpable).toBe(true)
    expect(oilAt(oil, -21).pumpable).toBe(false)
  })
})
