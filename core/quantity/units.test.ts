import Qty from 'js-quantities'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { decimalsFor, formatNumber, formatQuantity } from './format'
import { readNumber } from './number'
import { findUnit, parseQuantity } from './parse'
import { type Dimension, UNITS, fromSI, toSI } from './units'

const mm = findUnit('mm', 'clearance')!

describe('factors', () => {
  const oracle: [Dimension, string, string, string][] = [
    ['length', 'in', '1 in', 'm'],
    ['length', 'thou', '1 mil', 'm'],
    ['length', 'ft', '1 ft', 'm'],
    ['pressure', 'psi', '1 psi', 'Pa'],
    ['pressure', 'bar', '1 bar', 'Pa'],
    ['springRate', 'lb/in', '1 lbf/in', 'N/m'],
    ['displacement', 'in³/rev', '1 in3', 'm3'],
    ['volume', 'qt', '1 qt', 'm3'],
    ['flow', 'gal/min', '1 gal/min', 'm3/s'],
    ['power', 'hp', '1 hp', 'W'],
    ['torque', 'ft·lb', '1 ft*lbf', 'N*m'],
    ['mass', 'oz', '1 oz', 'kg'],
    ['mass', 'lb', '1 lb', 'kg'],
    ['force', 'lbf', '1 lbf', 'N'],
    ['force', 'kgf', '9.80665 N', 'N'],
    ['angle', '°', '1 deg', 'rad'],
    ['length', 'tenth', '0.1 mil', 'm'],
    ['pressure', 'mbar', '1 mbar', 'Pa'],
    ['pressure', 'kg/cm²', '98066.5 Pa', 'Pa'],
    ['pressure', 'inHg', '1 inHg', 'Pa'],
    ['volume', 'gal', '1 gal', 'm3'],
    ['power', 'kW', '1 kW', 'W'],
    ['torque', 'in·lb', '1 in*lbf', 'N*m'],
    ['ratio', '%', '0.01', ''],
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
    ['2.4 thou', 'clearance', 6.096e-5],
    ['.0024"', 'clearance', 6.096e-5],
    ['0.061 mm', 'clearance', 6.1e-5],
    ['61 µm', 'clearance', 6.1e-5],
    ['61um', 'clearance', 6.1e-5],
    ['3/8 in', 'length', 0.009525],
    ['1 3/8 in', 'length', 0.034925],
    ['27 ft lb', 'torque', 36.607],
    ['10.6 in lb', 'torque', 1.19764],
    ['170 oz in', 'torque', 1.200464],
    ['52 psi', 'pressure', 358527.4],
    ['3.6 bar', 'pressure', 3.6e5],
    ['53,984', 'length', 0.053984],
    ['1,200', 'speed', 20],
    ['-20', 'temperature', -20],
    ['203 °F', 'temperature', 95],
    ['5.92', 'springRate', 5920],
    // Signs, fractions and marks, one way each.
    ['-0 1/2 in', 'length', -0.0127],
    ['−0.5 mm', 'length', -5e-4],
    ['–0.5 mm', 'length', -5e-4],
    ['1-3/8"', 'length', 0.034925],
    ['½"', 'length', 0.0127],
    ['1½ thou', 'clearance', 3.81e-5],
    ['1 ½ thou', 'clearance', 3.81e-5],
    ['-1½ thou', 'clearance', -3.81e-5],
    ['1,5', 'count', 1.5],
    ['0,5 rpm', 'speed', 1 / 120],
    ['3 000 rpm', 'speed', 50],
    ['3\u202f000 rpm', 'speed', 50],
    ['1.234,5 mm', 'length', 1.2345],
    ['1,234.5 mm', 'length', 1.2345],
    ['1.234.567 mm', 'length', 1234.567],
    ['12,000', 'speed', 200],
    ['0,056', 'clearance', 5.6e-5],
    ['2e-3 mm', 'clearance', 2e-6],
    // Units as they are said across a bench.
    ['27 ft-lbs', 'torque', 36.607],
    ['27 lb·ft', 'torque', 36.607],
    ['27 lb-ft', 'torque', 36.607],
    ['27 Nm', 'torque', 27],
    ['240 in lb', 'torque', 27.1163],
    ['170 oz·in', 'torque', 1.200464],
    ['3 tenths', 'clearance', 7.62e-6],
    ['15 inHg', 'pressure', 50795.8],
    ['500 mbar', 'pressure', 5e4],
    ['4 kg/cm²', 'pressure', 392266],
    ['1 gal', 'volume', 3.785412e-3],
    ['1 qt', 'volume', 9.46353e-4],
    ['1.2 kW', 'power', 1200],
    ['2 hp', 'power', 1491.4],
    ['45%', 'ratio', 0.45],
    ['3 BAR', 'pressure', 3e5],
    ['5 MPa', 'pressure', 5e6],
    ['5 mpa', 'pressure', 5e6],
    ['61 MM', 'length', 0.061],
    ['5 psi.', 'pressure', 34473.8],
  ]
  it.each(cases)('%s', (text, dimension, value) => {
    const parsed = parseQuantity(text, dimension, UNITS[dimension][0])
    expect(parsed.ok && parsed.value / value).toBeCloseTo(1, 5)
  })
  it.each([
    ['', 'empty'],
    ['abc', 'number'],
    ['3 parsec', 'unit'],
    ['1/0', 'number'],
    ['3 bar', 'unit'],
    ['5 Mm', 'unit'],
    ['1,2,3', 'number'],
    ['1.2.3', 'number'],
    ['1.2,3,4', 'number'],
    ['12,34.5,6', 'number'],
    ['--3', 'number'],
    ['3 000 00', 'unit'],
  ])('refuses “%s” by %s', (text, code) => {
    const parsed = parseQuantity(text, 'clearance', mm)
    expect(parsed).toMatchObject({ ok: false, code })
  })
  it('takes milli for milli and mega for mega, and says what could have been meant', () => {
    const message = (text: string, dimension: Dimension) => {
      const parsed = parseQuantity(text, dimension, UNITS[dimension][0])
      return parsed.ok ? 'taken' : parsed.message
    }
    expect(message('5 mPa', 'pressure')).toContain('Was MPa meant?')
    expect(message('5 Mm', 'length')).toContain('Was mm meant?')
    expect(message('5 Mbar', 'pressure')).toContain('Was mbar meant?')
    expect(message('52 pis', 'pressure')).not.toContain('meant')
    expect(message('52 ppsi', 'pressure')).toContain('Was psi meant?')
    expect(message('2.4 thouu', 'clearance')).toContain('Was thou meant?')
    expect(message('3 mm', 'pressure')).toMatch(/^“mm” is not a unit for this\. Use bar/)
    expect(message('3 mm', 'count')).toBe('A plain number is wanted here, without “mm”.')
  })
  it('a number is read as any hand writes it: with points or commas, groups parted or not', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 9_999_999 }),
        fc.integer({ min: 0, max: 999 }),
        fc.constantFrom([',', '.'], ['.', ','], [' ', '.'], [' ', ','], ['', '.'], ['', ',']),
        fc.boolean(),
        (whole, after, [group, mark], negative) => {
          const grouped = String(whole).replace(/\B(?=(\d{3})+$)/g, group)
          const text = `${negative ? '-' : ''}${grouped}${mark}${String(after).padStart(3, '0')}`
          expect(readNumber(text)?.value).toBeCloseTo((negative ? -1 : 1) * (whole + after / 1000), 6)
        },
      ),
    )
  })
  it('reads back what it wrote, in every unit', () => {
    const anyUnit = fc.constantFrom(
      ...(Object.keys(UNITS) as Dimension[]).flatMap((d) => UNITS[d].map((u) => [d, u] as const)),
    )
    fc.assert(
      fc.property(anyUnit, fc.double({ min: 0.001, max: 9000, noNaN: true }), ([dimension, unit], number) => {
        const parsed = parseQuantity(`${number.toFixed(6)} ${unit.symbol}`, dimension, UNITS[dimension][0])
        expect(parsed.ok && fromSI(parsed.value, unit)).toBeCloseTo(number, 5)
      }),
    )
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
