import { readFileSync } from 'node:fs'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { UNITS } from '../quantity/units'
import { Sheet } from '../record/schema'
import { readingsCsv } from './readingsCsv'

const talvik = () => Sheet.parse(JSON.parse(readFileSync('demo/builds/talvik.json', 'utf8')))
const rowsOf = (sheet: Sheet, symbol?: string) =>
  Papa.parse<Record<string, string>>(
    readingsCsv(
      sheet,
      ({ dimension }) => UNITS[dimension].find((unit) => unit.symbol === symbol) ?? UNITS[dimension][0],
    ),
    { header: true, skipEmptyLines: true },
  ).data

describe('readings as CSV', () => {
  it('has a row for each reading, in the order of the stations, with its unit', () => {
    const sheet = talvik()
    const rows = rowsOf(sheet)
    expect(rows).toHaveLength(Object.keys(sheet.readings).length)
    const main = rows.find(({ reading }) => reading === 'main.2.bore')!
    expect(Number(main.value)).toBeCloseTo(1e3 * sheet.readings['main.2.bore'].value, 6)
    expect(main.unit).toBe('mm')
    expect(rows.findIndex(({ reading }) => reading.startsWith('brief'))).toBeLessThan(rows.indexOf(main))
  })

  it('says a spread in degrees without their zero, and keeps words from being run', () => {
    const sheet = talvik()
    const key = 'brief.hotOil'
    sheet.readings[key] = { ...sheet.readings[key], value: 100, uncertainty: 2, note: '=1+1' }
    const row = rowsOf(sheet, '°F').find(({ reading }) => reading === key)!
    expect(row.unit).toBe('°F')
    expect(Number(row.value)).toBeCloseTo(212, 6)
    expect(Number(row.uncertainty)).toBeCloseTo(3.6, 6)
    expect(row.note).toBe("'=1+1")
  })
})
