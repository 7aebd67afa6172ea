import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { shelfFromCsv, shelfToCsv } from './csv'
import { SHELF_FIELDS, SHELF_KINDS } from './fields'
import { ShelfEntry } from './schema'
import { type BuildStock, free, moved, type Move, type Stock } from './stock'

const HEAD = 'kind,label,engine,count,place,note,price,thickness (mm),outside (mm),hole (mm),stainless'

/** Any item that the shelf takes. */
const entry = fc
  .constantFrom(...SHELF_KINDS)
  .chain((kind) =>
    fc.record({
      kind: fc.constant(kind),
      label: fc
        .string({ minLength: 1, maxLength: 30 })
        .map((text) => text.trim())
        .filter((text) => text !== '' && !text.startsWith("'")),
      engine: fc.constantFrom('', 'Talvik 1.9'),
      count: fc.integer({ min: 0, max: 9999 }),
      place: fc.constantFrom('', 'drawer 3, left', 'a "back" shelf'),
      note: fc.constantFrom('', 'line one\nline two', '=1+1'),
      properties: fc.record(
        Object.fromEntries(
          SHELF_FIELDS[kind].map((field) => [
            field.key,
            field.type === 'choice'
              ? fc.constantFrom(...field.options)
              : field.type === 'words'
                ? fc.constantFrom('slot', '2001')
                : fc
                    .double({ min: field.range[0], max: field.range[1], noNaN: true })
                    .map((value) => Number(value.toPrecision(6))),
          ]),
        ),
      ),
    }),
  )
  .filter((item) => ShelfEntry.safeParse(item).success)

describe('CSV of the shelf', () => {
  it('what is written is read again, whatever stands in a cell', () => {
    fc.assert(
      fc.property(fc.array(entry, { minLength: 1, maxLength: 12 }), (items) => {
        const { good, bad } = shelfFromCsv(shelfToCsv(items as ShelfEntry[]))
        expect(bad).toEqual([])
        good.forEach(({ entry: read }, i) => {
          const { properties, ...rest } = items[i]
          expect(read).toMatchObject(rest)
          for (const [key, value] of Object.entries(properties))
            expect(
              typeof value === 'number'
                ? Math.abs(Number(read.properties[key]) - value) <= 1e-8 * Math.abs(value)
                : read.properties[key] === value,
            ).toBe(true)
        })
      }),
    )
  })
  it('a bad row is named by its line in the file and its column, and the good ones stand', () => {
    const { good, bad } = shelfFromCsv(
      [
        HEAD,
        'washer,W 0.5,,8,"drawer',
        'two",,,0.5,14,6.5,yes',
        'washer,W x,,8,,,,wide,14,6.5,yes',
        'washer,W 1,,-2,,,,1.0,14,6.5,yes',
        'bolt,B,,1,,,,,,,',
        'washer,W 1.5,,3,,,0.40,60 thou,.55 in,6.5,no',
        'washer,W 2,,3,,,,,,,rust',
      ].join('\n'),
    )
    expect(good.map(({ line, entry: read }) => [line, read.label, read.count])).toEqual([
      [2, 'W 0.5', 8],
      [7, 'W 1.5', 3],
    ])
    expect(good[1].entry.properties.thickness).toBeCloseTo(60 * 25.4e-6, 12)
    expect(good[1].entry.properties.outside).toBeCloseTo(0.55 * 25.4e-3, 12)
    expect(bad.map(({ line, column }) => [line, column])).toEqual([
      [4, 'thickness (mm)'],
      [5, 'count'],
      [6, 'kind'],
      [8, 'thickness (mm)'],
      [8, 'stainless'],
    ])
    expect(bad[0].message).toContain('“wide”')
  })
  it('a heading with a unit counts for its bare numbers', () => {
    const { good } = shelfFromCsv('label,kind,count,"thickness (thou)"\nW,washer,1,20\n')
    expect(good[0].entry.properties.thickness).toBeCloseTo(20 * 25.4e-6, 12)
  })
  it.each([
    ['', 'empty'],
    ['kind,label\nwasher,W', '“count”'],
    ['kind,label,count,colour\n', '“colour”'],
    ['kind,label,count,thickness (bar)\n', 'unit'],
    ['kind,label,count,count\n', 'twice'],
  ])('refuses headings that it cannot use: %s', (text, word) => {
    expect(() => shelfFromCsv(text)).toThrow(word)
  })
  it('a property of another kind is refused', () => {
    expect(shelfFromCsv('kind,label,count,thickness,wall\nwasher,W,1,1,0.01').bad).toEqual([
      { line: 2, column: 'wall', message: 'is not a property of a washer' },
    ])
  })
})

describe('stock', () => {
  it('nothing is made or lost by any run of moves, and no more is set aside than lies there', () => {
    const run = fc.array(
      fc.tuple(
        fc.constantFrom<Move>('reserve', 'release', 'take', 'put-back'),
        fc.integer({ min: 1, max: 6 }),
        fc.nat(1),
      ),
      { maxLength: 40 },
    )
    fc.assert(
      fc.property(fc.nat(12), run, (count, moves) => {
        let stock: Stock = { count, reserved: 0 }
        const share: BuildStock[] = [
          { reserved: 0, taken: 0 },
          { reserved: 0, taken: 0 },
        ]
        for (const [move, many, build] of moves) {
          try {
            const next = moved(stock, share[build], move, many)
            stock = next.stock
            share[build] = next.share
          } catch (error) {
            expect(error).toBeInstanceOf(RangeError)
          }
          expect(stock.count + share[0].taken + share[1].taken).toBe(count)
          expect(stock.reserved).toBe(share[0].reserved + share[1].reserved)
          expect(free(stock)).toBeGreaterThanOrEqual(0)
          expect(Math.min(...share.flatMap((each) => [each.reserved, each.taken]))).toBeGreaterThanOrEqual(0)
        }
      }),
    )
  })
  it('one build cannot take what is set aside for another', () => {
    const { stock } = moved({ count: 3, reserved: 0 }, { reserved: 0, taken: 0 }, 'reserve', 2)
    expect(() => moved(stock, { reserved: 0, taken: 0 }, 'take', 2)).toThrow('1 can be taken, 2 are wanted')
    expect(moved(stock, { reserved: 2, taken: 0 }, 'take', 3)).toEqual({
      stock: { count: 0, reserved: 0 },
      share: { reserved: 0, taken: 3 },
    })
  })
})
