import Qty from 'js-quantities'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { decimalsFor, formatNumber, formatQuantity } from './format'
import { findUnit, parseQuantity } from './parse'
import { type Dimension, UNITS, fromSI, toSI } from './units'

const mm = findUnit('mm', 'clearance')!

describe('factors', () => {
  const oracle: [Dimension, string, string, string][] = [
    ['length', 'in', '1 in', 'm'], ['length', 'thou', '1 mil', 'm'], ['length', 'ft', '1 ft', 'm'],
    ['pressure', 'psi', '1 psi', 'Pa'], ['pressure', 'bar', '1 bar', 'Pa'], ['springRate', 'lb/in', '1 lbf/in', 'N/m'],
    ['displacement', 'in³/rev', '1 in3', 'm3'], ['volume', 'qt', '1 qt', 'm3'], ['flow', 'gal/min', '1 gal/min', 'm3/s'],
    ['power', 'hp', '1 hp', 'W'], ['torque', 'ft·lb', '1 ft*lbf', 'N*m'], ['mass', 'oz', '1 oz', 'kg'], ['mass', 'lb', '1 lb', 'kg'], ['force', 'lbf', '1 lbf', 'N'], ['force', 'kgf', '9.80665 N', 'N'], ['angle', '°', '1 deg', 'rad'],
  ]
  it.each(oracle)('%s in %s agrees with an independent library', (dimension, symbol, theirs, si) => {
    expect(findUnit(symbol, dimension)!.factor / new Qty(theirs).to(si).scalar).toBeCloseTo(1, 5)
  })
  it('brings 32 and 212 °F to 0 and 100 °C', () => {
    const fahrenheit = findUnit('f', 'temperature')!
    expect(toSI(32, fahrenheit)).toBeCloseTo(0, 12)
    expect(toSI(212, fahrenheit)).toBeCloseTo(100, 12)
  })
})

describe('parseQuantity', () => {
  const cases: [string, Dimension, number][] = [
    ['2.4 thou', 'clearance', 6.096e-5], ['.0024"', 'clearance', 6.096e-5], ['0.061 mm', 'clearance', 6.1e-5],
    ['61 µm', 'clearance', 6.1e-5], ['61um', 'clearance', 6.1e-5], ['3/8 in', 'length', 0.009525],
    ['1 3/8 in', 'length', 0.034925], ['27 ft lb', 'torque', 36.607], ['10.6 in lb', 'torque', 1.19764], ['170 oz in', 'torque', 1.200464], ['52 psi', 'pressure', 358527.4],
    ['3.6 bar', 'pressure', 3.6e5], ['53,984', 'length', 0.053984], ['1,200', 'speed', 20], ['-20', 'temperature', -20],
    ['203 °F', 'temperature', 95], ['5.92', 'springRate', 5920],
  ]
  it.each(cases)('%s', (text, dimension, value) => {
    const parsed = parseQuantity(text, dimension, UNITS[dimension][0])
    expect(parsed.ok && parsed.value / value).toBeCloseTo(1, 5)
  })
  it.each([['', 'empty'], ['abc', 'number'], ['3 parsec', 'unit'], ['1/0', 'number'], ['3 bar', 'unit']])('refuses “%s” by %s', (text, code) => {
    const parsed = parseQuantity(text, 'clearance', mm)
    expect(parsed).toMatchObject({ ok: false, code })
  })
  it('reads back what it wrote, in every unit', () => {
    const anyUnit = fc.constantFrom(...(Object.keys(UNITS) as Dimension[]).flatMap((d) => UNITS[d].map((u) => [d, u] as const)))
    fc.assert(fc.property(anyUnit, fc.double({ min: 0.001, max: 9000, noNaN: true }), ([dimension, unit], number) => {
      const parsed = parseQuantity(`${number.toFixed(6)} ${unit.symbol}`, dimension, UNITS[dimension][0])
      expect(parsed.ok && fromSI(parsed.value, unit)).toBeCloseTo(number, 5)
    }))
  })
})

describe('format', () => {
  it('keeps the decimals of the unit, or of the instrument', () => {
    expect(formatQuantity(1.6e5, UNITS.pressure[0])).toBe('1.6 bar')
    expect(formatNumber(-0.00004e-3, mm)).toBe('0.000')
    expect(formatNumber(53, UNITS.speed[0])).toBe('3,180')
    expect(decimalsFor(1e-6, mm)).toBe(3)
    expect(decimalsFor(1e-5, mm)).toBe(2)
  })
})
