import { impossibleInSI } from '#core/record/bounds'
import type { Quantity } from '#core/record/quantity'
import type { ImportLine } from '#core/spreadsheet/readings'
import { t } from './of/logbook'
import { named, said } from './speak'

export const IMPORT_STATES = said(t, {
  new: 'spreadsheet.isNew',
  changes: 'spreadsheet.changesIt',
  same: 'spreadsheet.isThere',
  doubtful: 'spreadsheet.isDoubtful',
  refused: 'spreadsheet.isRefused',
}) satisfies Record<ImportLine['state'], string>

/** Why a cell of a spreadsheet is doubtful or refused, and what would be right. */
export function refusedCell(
  { refusal, doubt, cell, quantity }: ImportLine,
  say: (value: number, quantity: Quantity) => string,
): string {
  if (doubt)
    return doubt.proposal === undefined
      ? t('spreadsheet.outOfRange', { low: say(doubt.low, quantity!), high: say(doubt.high, quantity!) })
      : t('spreadsheet.wasMeant', { value: say(doubt.proposal, quantity!) })
  switch (refusal?.code) {
    case 'what':
      return t('spreadsheet.notAReading')
    case 'which-bearing':
      return t('spreadsheet.noBearing')
    case 'not-here':
      return t('spreadsheet.notInThisLayout')
    case 'too-many-cells':
      return t('spreadsheet.tooManyCells')
    case 'unit':
      return refusal.unit ? t('spreadsheet.notItsUnit', { unit: refusal.unit }) : t('spreadsheet.unitNotSaid')
    case 'number':
      return refusal.message === cell ? t('spreadsheet.notANumber') : named(refusal.message)
    case 'twice':
      return t('spreadsheet.standsTwice', { line: refusal.line })
    case 'impossible':
      return named(impossibleInSI(refusal.reason))
    default:
      return ''
  }
}
