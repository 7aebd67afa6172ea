import type { Finding, InspectionItem } from '../record/looked'
import type { Sheet } from '../record/schema'
import { passagesOf } from './catalogue'

/** The finding that stands in a sheet for an item, if any. */
export function findingOf(sheet: Sheet, item: InspectionItem): Finding | undefined {
  const word = sheet.inspections[item.key]?.finding
  return item.findings.find(({ value }) => value === word)
}

/** What a sheet says was left out, among the passages of its layout. */
export function leftOutOf(sheet: Sheet): string[] {
  return passagesOf(sheet.layout)
    .filter(({ key }) => sheet.inspections[key]?.finding === 'left-out')
    .map(({ key }) => key)
}
