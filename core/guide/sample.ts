import { checksOf, inspectionsOf, quantitiesOf } from '../engine/catalogue'
import { requireValue } from '../engine/values'
import { newSheet } from '../record/layouts'
import type { ReadingKey } from '../parts/list'
import type { Sheet } from '../record/schema'
import { GUIDE } from './guide'

/** Readings of the sample that are no layout's default, SI: a small four of nobody's. */
const MEASURED: Record<string, number> = {
  'brief.idleSpeed': 650 / 60,
  'brief.coldIdleSpeed': 1000 / 60,
  'brief.workingSpeed': 3000 / 60,
  'brief.maximumSpeed': 5000 / 60,
  'brief.crankingSpeed': 200 / 60,
  'brief.hotOil': 105,
  'relief.solidLength': 24e-3,
}
const JOURNAL = { main: 60e-3, rod: 48e-3 }
const CLEARANCE = { main: 45e-6, rod: 40e-6 }

/**
 * The engine on which Uldo is shown: everything before the prime measured and looked at, but for the one thing at each
 * station that the guide asks for.
 *
 * @param at when its readings were taken, ISO 8601
 */
export function sampleSheet(at: string): Sheet {
  const sheet = newSheet('inline4', 'Sample engine', 'Sample 2.0', 'to be learnt on')
  const by = 'Sample'
  const asked = new Set(Object.values(GUIDE).map((wanted) => (wanted.kind === 'view' ? '' : wanted.key)))
  const write = (key: string, value: number) => {
    if (!asked.has(key)) sheet.readings[key] = { value, source: 'measured', by, at }
  }
  for (const { key, wanted, bearing } of quantitiesOf(sheet.layout))
    if (wanted && !bearing) write(key, MEASURED[key] ?? requireValue(sheet, key as ReadingKey).value)
  for (const [set, count] of [
    ['main', sheet.layout.mains],
    ['rod', sheet.layout.feed.length],
  ] as const)
    for (let number = 1; number <= count; number++) {
      // Micrometres apart, as real ones are.
      const journal = JOURNAL[set] - 2e-6 * (number % 3)
      write(`${set}.${number}.journal`, journal)
      write(`${set}.${number}.bore`, journal + CLEARANCE[set] + 1e-6 * (number % 4))
    }
  for (const item of inspectionsOf(sheet.layout))
    if (item.wanted && !asked.has(item.key)) sheet.inspections[item.key] = { finding: item.findings[0].value, by, at }
  for (const { key, wanted, station } of checksOf(sheet.layout))
    if (wanted && station !== 'prime' && station !== 'start' && !asked.has(key))
      sheet.checks[key] = { state: 'done', by, at }
  return sheet
}
