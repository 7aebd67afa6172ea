import Papa from 'papaparse'
import { fromSI, type Unit } from '../quantity/units'
import type { Quantity } from '../record/quantity'
import type { Sheet } from '../record/schema'
import { catalogueOf } from './catalogue'

const HEADINGS = [
  'reading',
  'label',
  'value',
  'unit',
  'source',
  'instrument',
  'uncertainty',
  'by',
  'at',
  'typed',
  'note',
]

/**
 * What was measured and what the maker gives as a CSV file, in the order of the stations: one row for each reading.
 *
 * @param unitOf unit that a reading, and its uncertainty, is written in
 */
export function readingsCsv(sheet: Sheet, unitOf: (quantity: Quantity) => Unit): string {
  const data = [...catalogueOf(sheet.layout).quantities.values()].flatMap((quantity) => {
    const reading = sheet.readings[quantity.key]
    if (!reading) return []
    const unit = unitOf(quantity)
    const inUnit = (value: number) => Number(fromSI(value, unit).toPrecision(9))
    // A spread of degrees has no zero to start from.
    const spread = reading.uncertainty && inUnit(reading.value + reading.uncertainty) - inUnit(reading.value)
    return [
      [
        quantity.key,
        quantity.label,
        inUnit(reading.value),
        unit.symbol,
        reading.source,
        reading.instrument ?? '',
        spread === undefined ? '' : Number(spread.toPrecision(4)),
        reading.by ?? '',
        reading.at ?? '',
        reading.typed ?? '',
        reading.note ?? '',
      ],
    ]
  })
  // A cell that a spreadsheet would run as a formula is kept from it.
  return `${Papa.unparse({ fields: HEADINGS, data }, { newline: '\n', escapeFormulae: true })}\n`
}
