import { afterEach, expect, test } from 'vitest'
import { formatQuantity } from '#core/quantity/format'
import { parseQuantity } from '#core/quantity/parse'
import { unitFor, UNIT_CHOICES } from '#core/quantity/unitChoices'
import { decimalMark, figure, short, significant, whole, writeNumbersAs } from './numbers'

afterEach(() => writeNumbersAs('en'))

test('numbers go by the language: its decimal mark, and thousands that cannot be read as decimals', () => {
  expect([figure(0.3, 2), short(2.5, 2), short(3, 2), whole(1234567), significant(18.73, 3)]).toEqual([
    '0.30',
    '2.5',
    '3',
    '1,234,567',
    '18.7',
  ])
  writeNumbersAs('de-AT')
  expect([figure(0.3, 2), short(2.5, 2), short(3, 2), whole(1234567), significant(1230, 3)]).toEqual([
    '0,30',
    '2,5',
    '3',
    '1\u202f234\u202f567',
    '1\u202f230',
  ])
  writeNumbersAs('no language at all')
  expect(figure(0.3, 2)).toBe('0.30')
})

test('what is shown with a comma is read back as it was', () => {
  writeNumbersAs('de')
  const choice = UNIT_CHOICES['mm, bar']
  for (const [dimension, value] of [
    ['diameter', 0.05711],
    ['speed', 12_345 / 60],
    ['pressure', 2.85e5],
  ] as const) {
    const unit = unitFor(dimension, choice)
    const shown = formatQuantity(value, unit, undefined, decimalMark())
    expect(shown).not.toContain('.')
    const read = parseQuantity(shown, dimension, unit)
    expect(read.ok && formatQuantity(read.value, unit)).toBe(formatQuantity(value, unit))
  }
})
