import { describe, expect, it } from 'vitest'
import { UNIT_CHOICES, unitFor } from '#core/quantity/unitChoices'
import { oilSheetForm, shelfForm } from './typedForms'

const metric = UNIT_CHOICES['mm, bar']
const faults = (result: { error?: { issues: { path: PropertyKey[]; message: string }[] } }) =>
  Object.fromEntries((result.error?.issues ?? []).map(({ path, message }) => [path.join('.'), message]))

describe('an oil’s data sheet as it is typed', () => {
  const sheet = { kv40: '104', kv100: '12,4', density15: '878', highShear150: '3.7', pumpingLimit: '−20' }
  it('takes a decimal comma and a real minus, and gives SI', () => {
    expect(oilSheetForm.parse(sheet)).toEqual({
      kv40: 104,
      kv100: 12.4,
      density15: 878,
      highShear150: 0.0037,
      pumpingLimit: -20,
    })
  })
  it('says each fault at its field, limits in the unit that is printed', () => {
    expect(faults(oilSheetForm.safeParse({ ...sheet, density15: 'thick', highShear150: '40' }))).toEqual({
      density15: '“thick” is not a number',
      highShear150: 'must be at most 20 mPa·s',
    })
    expect(faults(oilSheetForm.safeParse({ ...sheet, kv100: '300' }))).toEqual({
      kv40: 'must be greater than the viscosity at 100 °C',
    })
    expect(faults(oilSheetForm.safeParse({ ...sheet, kv40: '2', kv100: '' }))).toEqual({
      kv40: 'must be at least 3 mm²/s',
      kv100: '“” is not a number',
    })
  })
})

describe('something for the shelf as it is typed', () => {
  const washer = shelfForm('washer', (dimension) => unitFor(dimension, metric))
  const typed = { label: ' Washer 0.5 ', thickness: '20 thou', outside: '14', hole: '8.2' }
  it('is read in the units shown or those typed, one of it where no count is given', () => {
    const entry = washer.parse(typed)
    expect(entry).toMatchObject({ kind: 'washer', label: 'Washer 0.5', count: 1, engine: '' })
    expect(entry.properties.thickness).toBeCloseTo(20 * 25.4e-6, 12)
  })
  it('says what is missing or cannot be read at its field, once', () => {
    expect(faults(washer.safeParse({ ...typed, label: ' ', count: 'many', thickness: 'thick' }))).toEqual({
      label: 'must not be empty',
      count: 'must be a whole number from 0 to 9999',
      thickness: expect.stringContaining('number'),
    })
    expect(faults(washer.safeParse({ ...typed, thickness: '' }))).toEqual({ thickness: 'must be given' })
  })
})
