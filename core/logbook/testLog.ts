import { gaugePressure, modelOf } from '../outlook/model'
import { namedStates } from '../outlook/states'
import type { Sheet } from '../record/schema'
import type { ServiceLine } from '../record/service'

export const HOUR = 3600
export const DAY = 86400e3
export const START = Date.parse('2026-01-10T12:00:00Z')
export const day = (days: number) => new Date(START + days * DAY).toISOString()
const WHEN = { source: 'measured' as const, at: day(0), instrument: 'Mechanical gauge' }

/** Engines that are as one is measured, read at hot idle on their first day, with these lines after it. */
export const logs =
  (made: () => Sheet) =>
  (lines: ServiceLine[], first?: number): Sheet => {
    const sheet = structuredClone(made())
    for (const reading of Object.values(sheet.readings)) if (reading.at) reading.at = day(-30)
    sheet.cases = undefined
    sheet.use = 'marine'
    delete sheet.oils
    const idle = namedStates(sheet).find(({ name }) => name === 'idleHot')!
    sheet.readings['start.idleHot.pressure'] = { ...WHEN, value: first ?? gaugePressure(modelOf(sheet), idle) }
    sheet.readings['start.idleHot.speed'] = { ...WHEN, value: idle.speed }
    sheet.readings['start.idleHot.temperature'] = { ...WHEN, value: idle.temperature }
    sheet.services = Object.fromEntries(lines.map((line, i) => [`service.${i + 1}`, line]))
    return sheet
  }
export const line = (days: number, hours: number, pressure: number, more: Partial<ServiceLine> = {}): ServiceLine => ({
  at: day(days),
  hours: hours * HOUR,
  pressure,
  instrument: 'Mechanical gauge',
  ...more,
})
