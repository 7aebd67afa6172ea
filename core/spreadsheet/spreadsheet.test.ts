import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { readingsCsv } from '../engine/readingsCsv'
import { toSI, UNITS } from '../quantity/units'
import { newSheet } from '../record/layouts'
import type { Sheet } from '../record/schema'
import { cellsOf, decimalMarkOf, linesOf, separatorOf, withPoint } from './cells'
import { decodeText } from './decode'
import { firstRow, guessHeader, headingsOf, splitHeading } from './headings'
import { bestMatch, rememberedAs } from './matching'
import { type ImportLine, importedReadings, importLines } from './readings'
import { guessUses, patternsOf } from './roles'

const blank = () => newSheet('inline6', 'Anna', 'Engine')

/** A file read as the page reads it, with nothing said by hand but what is given. */
function read(
  text: string,
  sheet: Sheet = blank(),
  remembered: Record<string, string> = {},
  units: Record<string, string> = {},
) {
  const rows = cellsOf(text, separatorOf(linesOf(text)))
  const header = guessHeader(rows)
  const from = firstRow(header)
  const columns = guessUses(headingsOf(rows, header), rows.slice(from), patternsOf(sheet.layout), remembered).map(
    (column) => ({
      ...column,
      unit: column.unit ?? units[column.text],
    }),
  )
  return {
    rows,
    header,
    columns,
    lines: importLines(sheet, rows, from, columns, decimalMarkOf(rows.slice(from).flat())),
  }
}
const said = (lines: readonly ImportLine[]) =>
  lines.map(({ key, value, state, refusal }) => [
    key,
    value === undefined ? refusal?.code : Number(value.toPrecision(9)),
    state,
  ])

describe('text of a file', () => {
  it('is the same in every encoding that spreadsheets write', () => {
    const words = 'Größe;µm\r\nø 3;0,061\r\n'
    const utf16 = (little: boolean, mark: boolean) => {
      const codes = [...(mark ? [0xfeff] : []), ...Array.from(words, (letter) => letter.charCodeAt(0))]
      return Uint8Array.from(codes.flatMap((code) => (little ? [code & 255, code >> 8] : [code >> 8, code & 255])))
    }
    expect(decodeText(new TextEncoder().encode(words))).toBe(words)
    expect(decodeText(new TextEncoder().encode(`\uFEFF${words}`))).toBe(words)
    for (const little of [true, false])
      for (const mark of [true, false]) expect(decodeText(utf16(little, mark))).toBe(words)
    const windows = Uint8Array.from(Array.from(words, (letter) => letter.charCodeAt(0)))
    expect(decodeText(windows)).toBe(words)
  })
  it('is parted by what most of its lines have, not by what stands in quotes', () => {
    expect(separatorOf(['a;b', '"1,5";2,5'])).toBe(';')
    expect(separatorOf(['Journals, measured cold', 'a\tb', '1,5\t2'])).toBe('\t')
    expect(separatorOf(['Crank; cold', 'a,b', '1,2', '3,4'])).toBe(',')
    expect(separatorOf(['"x;y",1', '"z;w",2'])).toBe(',')
    expect(cellsOf('a,"b ""c"", d"\r\n1, 2 ', ',')).toEqual([
      ['a', 'b "c", d'],
      ['1', '2'],
    ])
  })
  it('has one decimal mark, told by the cells that can be read one way only', () => {
    expect(decimalMarkOf(['1,5', '1.234'])).toBe(',')
    expect(decimalMarkOf(['1,234', '0.061'])).toBe('.')
    expect(decimalMarkOf(['0,061'])).toBe(',')
    expect(decimalMarkOf(['65,981', '66,041'])).toBe(',')
    expect(decimalMarkOf(['1,5', '1.5'])).toBeUndefined()
    expect(decimalMarkOf(['12', 'none'])).toBeUndefined()
    expect(withPoint('1.234,5 mm', ',')).toBe('1234.5 mm')
    expect(withPoint('1,234.5', '.')).toBe('1234.5')
    expect(withPoint('−0,05', ',')).toBe('-0.05')
    expect(withPoint(',0024"', ',')).toBe('.0024"')
  })
  it('written with either mark gives back the same numbers (property)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 9_999_999 }), { minLength: 2, maxLength: 9 }),
        fc.boolean(),
        (numbers, comma) => {
          const cells = numbers.map((each) => (each / 10_000).toFixed(4))
          const written = cells.map((cell) => (comma ? cell.replace('.', ',') : cell))
          const mark = decimalMarkOf(written)
          expect(written.map((cell) => Number(withPoint(cell, mark)))).toEqual(cells.map(Number))
        },
      ),
    )
  })
})

describe('headings', () => {
  it('are found under titles, with their units beside or under them', () => {
    const rows = [
      ['Crankshaft, cold'],
      ['Anna', '12 May'],
      [],
      ['No', 'Journal', 'Bore'],
      ['', 'mm', 'in'],
      ['1', '65.98', '2.6'],
    ]
    expect(guessHeader(rows)).toEqual({ row: 3, units: true })
    expect(headingsOf(rows, { row: 3, units: true }).map(({ unit }) => unit)).toEqual([undefined, 'mm', 'in'])
    expect(
      guessHeader([
        ['1', '2'],
        ['3', '4'],
      ]),
    ).toEqual({ row: -1, units: false })
    expect(headingsOf([['1', '2']], { row: -1, units: false }).map(({ text }) => text)).toEqual(['A', 'B'])
  })
  it('give away their unit where they name one, and nothing else', () => {
    for (const [text, name, unit] of [
      ['Main bore (mm)', 'Main bore', 'mm'],
      ['Oil press [psi]', 'Oil press', 'psi'],
      ['Bore, thou', 'Bore', 'thou'],
      ['Bore in mm', 'Bore', 'mm'],
      ['pressure_bar', 'pressure', 'bar'],
      ['Spring rate N/mm', 'Spring rate', 'N/mm'],
    ])
      expect(splitHeading(text!), text).toEqual({ name, unit })
    for (const text of ['Main bore', 'Journal (front)', 'Plan B', 'Side in'])
      expect(splitHeading(text).unit, text).toBeUndefined()
  })
  it('mean a reading only where that is plain', () => {
    const patterns = patternsOf(blank().layout)
    const key = (text: string) => bestMatch(text, patterns)?.key
    expect(key('Main journal')).toBe('main.#.journal')
    expect(key('Big-end bore')).toBe('rod.#.bore')
    expect(key('conrod jnl dia')).toBe('rod.#.journal')
    expect(key('Journal')).toBe('*.#.journal')
    expect(key('Crank end float')).toBe('thrust.endFloat')
    expect(key('spring rate')).toBe('relief.springRate')
    expect(key('relief.shims')).toBe('relief.shims')
    for (const vague of [
      'Clearance of something',
      'Volts',
      'Length',
      '',
      'Bore before honing and plating',
      'Cover thickness somewhere strange',
      'Groove, upper or lower shell',
    ])
      expect(key(vague), vague).toBeUndefined()
    expect(rememberedAs('Main Jnl. dia (mm)')).toBe(rememberedAs('main journal'))
  })
})

describe('a spreadsheet of readings', () => {
  it('one row for each journal: title, units row, semicolons, decimal commas and quotes', () => {
    const { lines } = read(
      'Crank after grinding;;;\n;;;\n"Main no.";"Journal";"Bore, with shells";Measured with\n;mm;mm;\n1;65,981;66,041;Micrometer 50-75\n2;65,979;66,043;\n3;65,980;n/a;\n',
      blank(),
      { [rememberedAs('Bore, with shells')]: 'main.#.bore', [rememberedAs('Journal')]: 'main.#.journal' },
    )
    expect(said(lines)).toEqual([
      ['main.1.journal', 0.065981, 'new'],
      ['main.1.bore', 0.066041, 'new'],
      ['main.2.journal', 0.065979, 'new'],
      ['main.2.bore', 0.066043, 'new'],
      ['main.3.journal', 0.06598, 'new'],
      ['main.3.bore', 'number', 'refused'],
    ])
    expect(lines[0]!.instrument).toBe('Micrometer 50-75')
    expect(lines[5]).toMatchObject({ line: 7, cell: 'n/a' })
  })
  it('mains and rods in one column, told apart by their rows', () => {
    const { lines, columns } = read(
      'bearing\tjournal (in)\tbore (in)\nM1\t2.5976\t2.6001\nRod 2\t2.0472\t2.0496\n3\t2.5\t2.6\n',
    )
    expect(columns.map(({ use }) => use)).toEqual(['number', '*.#.journal', '*.#.bore'])
    expect(said(lines)).toEqual([
      ['main.1.journal', Number((2.5976 * 0.0254).toPrecision(9)), 'new'],
      ['main.1.bore', Number((2.6001 * 0.0254).toPrecision(9)), 'new'],
      ['rod.2.journal', Number((2.0472 * 0.0254).toPrecision(9)), 'new'],
      ['rod.2.bore', Number((2.0496 * 0.0254).toPrecision(9)), 'new'],
      [undefined, 'which-bearing', 'refused'],
      [undefined, 'which-bearing', 'refused'],
    ])
  })
  it('a bare number of which nobody says the unit is refused and never guessed; a cell of its own unit needs none', () => {
    const text = 'Main,Main journal\n1,65.98\n2,2.5976 in\n'
    expect(said(read(text).lines)).toEqual([
      ['main.1.journal', 'unit', 'refused'],
      ['main.2.journal', Number((2.5976 * 0.0254).toPrecision(9)), 'new'],
    ])
    expect(said(read(text, blank(), {}, { 'Main journal': 'mm' }).lines)[0]).toEqual(['main.1.journal', 0.06598, 'new'])
    expect(read('Main,Main journal (psi)\n1,65.98\n').lines[0]!.refusal).toEqual({ code: 'unit', unit: 'psi' })
  })
  it('names and values one under another, with units of their own', () => {
    const { lines } = read(
      'Measurement;Value;Unit;Note\nMain 1 journal;65,98;mm;cold\nSpring rate;12,5;N/mm;\nSwing of the pendulum;3;mm;\nMain 12 journal;65,98;mm;\nMain 1 journal;65,97;mm;again\n',
    )
    expect(said(lines)).toEqual([
      ['main.1.journal', 0.06598, 'new'],
      ['relief.springRate', 12500, 'new'],
      [undefined, 'what', 'refused'],
      [undefined, 'what', 'refused'],
      ['main.1.journal', 'twice', 'refused'],
    ])
    expect(lines[0]!.note).toBe('cold')
    expect(lines[4]!.refusal).toEqual({ code: 'twice', line: 2 })
  })
  it('says what is there already, what it would change, what is doubtful and what cannot be', () => {
    const sheet = blank()
    for (const [key, value] of [
      ['main.1.journal', 0.06598],
      ['main.2.journal', 0.06598],
      ['main.3.journal', 0.06598],
    ] as const)
      sheet.readings[key] = { value, source: 'measured' }
    const { lines } = read('Main;Main journal (mm)\n1;65,98\n2;65,97\n3;6,598\n4;-3\n5;65,98;7\n9;65,98\n', sheet)
    expect(lines.map(({ state }) => state)).toEqual(['same', 'changes', 'doubtful', 'refused', 'refused', 'refused'])
    expect(lines[2]!.doubt?.proposal).toBeCloseTo(0.06598)
    expect(lines.slice(3).map(({ refusal }) => refusal?.code)).toEqual(['impossible', 'too-many-cells', 'not-here'])
    const hand = { by: 'Anna', at: '2026-05-12T10:00:00.000Z' }
    expect(Object.keys(importedReadings(lines, new Set(), hand))).toEqual(['main.2.journal'])
    expect(importedReadings(lines, new Set(['main.3.journal']), hand)).toEqual({
      'main.2.journal': { value: expect.closeTo(0.06597, 9) as number, source: 'measured', ...hand, typed: '65,97 mm' },
      'main.3.journal': {
        value: expect.closeTo(0.006598, 9) as number,
        source: 'measured',
        ...hand,
        typed: '6,598 mm',
        confirmed: true,
      },
    })
  })
  it('takes what is planned for a plan, and no figures for the numbers of bearings', () => {
    const { lines } = read('Reading;Value\nIt runs in a week;6 h\nDrive ratio, pump to crank;0,5\n')
    const hand = { by: 'Anna', at: '2026-05-12T10:00:00.000Z' }
    expect(importedReadings(lines, new Set(), hand)).toMatchObject({
      'start.hoursPerWeek': { value: 6 * 3600, source: 'planned' },
      'pump.driveRatio': { value: 0.5, source: 'measured' },
    })
    expect(read('Batch;Main journal (mm)\n18;65,98\n19;65,98\n').columns[0]!.use).toBe('none')
  })
  it('a slip makes no slip of what is right beside it', () => {
    const sheet = blank()
    for (const [key, value] of [
      ['main.2.journal', 0.06598],
      ['main.2.bore', 0.06604],
    ] as const)
      sheet.readings[key] = { value, source: 'measured' }
    const { lines } = read(
      'Main;Main journal (mm);Main bore (mm)\n1;65,98;66,04\n2;6,598;66,041\n3;65,98;6,604\n',
      sheet,
    )
    expect(lines.map(({ key, state }) => [key, state])).toEqual([
      ['main.1.journal', 'new'],
      ['main.1.bore', 'new'],
      ['main.2.journal', 'doubtful'],
      ['main.2.bore', 'changes'],
      ['main.3.journal', 'new'],
      ['main.3.bore', 'doubtful'],
    ])
  })
  it('takes in every reading of what this application itself writes, for each demo build', () => {
    for (const make of Object.values(DEMO_BUILDS)) {
      const sheet = make()
      const text = readingsCsv(sheet, ({ dimension }) => UNITS[dimension][0]!)
      const { lines } = read(text, { ...sheet, readings: {} })
      expect(lines.filter(({ state }) => state === 'refused')).toEqual([])
      for (const { key, value } of lines)
        expect(value! / (sheet.readings[key!]!.value || 1)).toBeCloseTo(sheet.readings[key!]!.value ? 1 : 0, 6)
      expect(lines).toHaveLength(Object.keys(sheet.readings).length)
      expect(read(text, sheet).lines.every(({ state }) => state === 'same')).toBe(true)
    }
  })
  it('rows that name no journal are counted in their order', () => {
    const { lines } = read('Main journal (mm)\tMain bore (mm)\n65.98\t66.04\n65.97\t66.03\n')
    expect(lines.map(({ key }) => key)).toEqual(['main.1.journal', 'main.1.bore', 'main.2.journal', 'main.2.bore'])
    expect(lines[3]!.value).toBeCloseTo(toSI(66.03, UNITS.diameter[0]!), 9)
  })
})
