import { quantitiesOf } from '#core/engine/catalogue'
import { describe, expect, it } from 'vitest'
import { newSheet } from '#core/record/layouts'
import { UNITS } from '#core/quantity/units'
import { cellsOf } from './pasteReadings'
import { readTyped } from './useReadingEntry'

const bore = quantitiesOf(newSheet('inline4', 'a', 'b').layout).find(({ key }) => key === 'main.1.bore')!
const mm = UNITS.diameter[0]

describe('what is typed into a reading', () => {
  it('one value is itself, two or three of the same thing are their mean', () => {
    expect(readTyped('66.037', bore, mm)).toEqual({ ok: true, value: expect.closeTo(0.066037, 12) })
    expect(readTyped('66.037; 66.039;66.038', bore, mm)).toMatchObject({
      value: expect.closeTo(0.066038, 12),
      repeats: [expect.closeTo(0.066037, 9), expect.closeTo(0.066039, 9), expect.closeTo(0.066038, 9)],
    })
  })
  it('a unit behind the last counts for those before it', () => {
    expect(readTyped('2.6; 2.61 in', bore, mm)).toMatchObject({ ok: true, value: expect.closeTo(2.605 * 0.0254, 9) })
  })
  it('four are one too many, and what is no number is said so', () => {
    expect(readTyped('1;2;3;4', bore, mm)).toMatchObject({ ok: false, message: expect.stringContaining('Three') })
    expect(readTyped('66.0; x', bore, mm)).toMatchObject({ ok: false, message: expect.stringContaining('“x”') })
    expect(readTyped(' ; ', bore, mm).ok).toBe(false)
  })
})

it('a copied block is rows of cells, with the last line’s end left off', () => {
  expect(cellsOf('65.981\t66.037\r\n65.982\t\r\n')).toEqual([
    ['65.981', '66.037'],
    ['65.982', ''],
  ])
})
