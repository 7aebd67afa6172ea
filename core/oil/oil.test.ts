import { describe, expect, it } from 'vitest'
import { OIL_GRADES, oilGrade } from './grades'
import { oilAt, oilFrom } from './oil'
import { ageOil, blendOils, diluteOil } from './blend'
import { oilFiguresOf } from '../record/oil'
import { kinematicViscosity, oilDensity, waltherLine } from './viscosity'

describe('Walther line (ASTM D341)', () => {
  it.each([
    [108, 14.6, 20, 313.2],
    [108, 14.6, 90, 18.73],
    [108, 14.6, 130, 7.87],
    [44, 8.4, 20, 105.1],
    [44, 8.4, 90, 10.35],
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
  it.each(OIL_GRADES.filter(({ name }) => name.includes('W')))(
    '$name: its typical high-shear viscosity lies over the standard’s least, and cannot fall under it',
    (grade) => {
      const oil = oilFrom(grade)
      expect(grade.highShear150).toBeGreaterThan(grade.highShearLeast)
      expect(oil.highShearRatio).toBeLessThan(1)
      expect(oil.highShearLeast * grade.highShear150).toBeCloseTo(grade.highShearLeast, 12)
      expect(oil.highShearSpread).toBeGreaterThan(0.04)
    },
  )
  it.each(OIL_GRADES.filter(({ name }) => !name.includes('W')))(
    'single $name is as thick in a film as in a pipe',
    (grade) => {
      const oil = oilFrom(grade)
      expect(oil.highShearRatio).toBeCloseTo(1, 9)
      expect([oil.highShearSpread, oil.highShearLeast]).toEqual([0, 1])
      expect(grade.highShear150).toBeGreaterThan(grade.highShearLeast)
    },
  )
  it('grades of one hot number thicken in their order, and each winter grade pumps in more cold than the next', () => {
    for (const name of ['0W-30', '0W-40', '5W-20', '15W-50', '20W-60', '20', '60']) expect(oilGrade(name)).toBeDefined()
    const hot = ['20', '30', '40', '50', '60'].map((name) => oilGrade(name)!.kv100)
    expect(hot).toEqual([...hot].sort((a, b) => a - b))
    const limits = ['0W-40', '5W-40', '10W-40', '15W-40', '20W-50'].map((name) => oilGrade(name)!.pumpingLimit)
    expect(limits).toEqual([-40, -35, -30, -25, -20])
  })
  it('an oil’s own high-shear figure has its test’s spread and no floor; mixed with a grade, the grade’s', () => {
    const own = { kv40: 100, kv100: 13, density15: 875, highShear150: 3.6e-3, pumpingLimit: -25 }
    expect(oilFrom(own)).toMatchObject({ highShearSpread: 0.02, highShearLeast: 0 })
    const half = blendOils(own, oilGrade('20W-50')!, 0.5)
    expect(half.highShearLeast).toBeCloseTo(0.5 * (3.6e-3 + 3.7e-3), 9)
    expect(ageOil(half, 1.2).highShearLeast).toBeCloseTo(1.2 * half.highShearLeast!, 12)
  })
  it('knows when an oil may not pump', () => {
    const oil = oilFrom(oilGrade('20W-50')!)
    expect(oilAt(oil, -19).pumpable).toBe(true)
    expect(oilAt(oil, -21).pumpable).toBe(false)
  })
})

describe('mixtures', () => {
  const [thin, thick] = [oilGrade('5W-30')!, oilGrade('20W-50')!]
  it('blend of nothing and of everything are the oils themselves, half lies between and under the mean', () => {
    expect(blendOils(thin, thick, 0)).toMatchObject({ kv40: expect.closeTo(thin.kv40, 9), pumpingLimit: -35 })
    expect(blendOils(thin, thick, 1).kv100).toBeCloseTo(thick.kv100, 9)
    const half = blendOils(thin, thick, 0.5)
    expect(half.kv40).toBeGreaterThan(thin.kv40)
    expect(half.kv40).toBeLessThan(0.5 * (thin.kv40 + thick.kv40))
    expect(half.pumpingLimit).toBe(-20)
  })
  it('five percent of fuel takes a fifth to a third of the viscosity hot, worked by hand: 14.6 becomes 10.6', () => {
    // log log 15.3 = 0.0736, log log 1.3 = −0.9434: 0.95 · 0.0736 − 0.05 · 0.9434 = 0.0227, 10^10^0.0227 − 0.7 = 10.6.
    expect(diluteOil({ ...thick, kv100: 14.6 }, 0.05).kv100).toBeCloseTo(10.6, 1)
  })
  it('a sheet’s own figures stand above its grade, and fuel and age act on them', () => {
    const own = { kv40: 100, kv100: 13, density15: 875, highShear150: 3.6e-3, pumpingLimit: -25 }
    expect(oilFiguresOf({ oil: { grade: 'no such', figures: own } })).toEqual(own)
    expect(oilFiguresOf({ oil: { grade: '10W-40', ageing: 1.2 } }).kv40).toBeCloseTo(1.2 * 96, 9)
    expect(oilFiguresOf({ oil: { grade: '10W-40', dilution: 0.03 } }).kv100).toBeLessThan(14.4)
    expect(() => oilFiguresOf({ oil: { grade: '10W-40', blend: { grade: 'x', share: 0.1 } } })).toThrow(
      /oil\/blend\/grade/,
    )
  })
})
