import { pumpGaps } from '../parts/pumpReadings'
import { ruleOf } from '../house/limits'
import { limitOf } from '../house/makerLimits'
import { oilAt } from '../oil/oil'
import { type Salvage, type SalvageWay, salvageWays as cutWays, type WornPump } from '../pump/salvage'
import { oilOf } from '../record/oil'
import type { Sheet } from '../record/schema'
import { recordedOrDefault, requireValue } from '../engine/values'
import { type StateReading, stateReadings } from './change'
import { type CandidatePump, withPump } from './pumps'

/** A way to a sound pump: what the engine would read at hot idle, and what it costs in the shop's own money, where that is known. */
export interface PumpWay {
  way: SalvageWay | 'as-it-is' | 'new'
  /** What the cut leaves; none for the pump as it is or a new one. */
  cut?: Salvage
  idleHot: StateReading
  cost?: number
}

/** Hours that a way takes, by the reading that they are planned in. */
const HOURS: Record<SalvageWay, readonly ('pump.coverHours' | 'pump.lapHours' | 'pump.machineHours')[]> = {
  cover: ['pump.coverHours'],
  lapped: ['pump.coverHours', 'pump.lapHours'],
  machined: ['pump.coverHours', 'pump.machineHours'],
}

/** A pump as its records have it worn, m. */
export function wornPump(sheet: Sheet): WornPump {
  const of = (key: 'coverWear' | 'coverThickness' | 'floorThickness' | 'floorWear') =>
    recordedOrDefault(sheet, `pump.${key}`)?.value
  return {
    gaps: pumpGaps(sheet),
    coverWear: of('coverWear') ?? 0,
    floorWear: of('floorWear'),
    coverThickness: of('coverThickness') ?? Infinity,
    floorThickness: of('floorThickness') ?? Infinity,
    leastThickness: limitOf(sheet, 'pump.metalLeast').value,
    leastEndClearance: limitOf(sheet, 'pump.endLeast').value,
  }
}

/** Each way of cutting a worn pump beside the pump as it is and a new one: what it leaves, what hot idle then reads, what it costs. */
export function pumpWays(sheet: Sheet, fresh?: CandidatePump & { price?: number }): PumpWay[] {
  const read = (of: Sheet) => stateReadings(of).idleHot
  const oil = oilAt(oilOf(sheet), requireValue(sheet, 'brief.hotOil').value)
  const gasket = recordedOrDefault(sheet, 'pump.gasket')?.value ?? 0
  return [
    { way: 'as-it-is', idleHot: read(sheet) },
    ...cutWays(wornPump(sheet), oil.viscosity).map(({ way, ...cut }) => ({
      way,
      cut,
      idleHot: read(withEndClearance(sheet, cut.endClearance - gasket)),
      cost: costOf(sheet, way),
    })),
    ...(fresh ? [{ way: 'new' as const, idleHot: read(withPump(sheet, fresh)), cost: fresh.price }] : []),
  ]
}

/** Hours of a way at the house's rate, where all of them are written. */
function costOf(sheet: Sheet, way: SalvageWay): number | undefined {
  const hours = HOURS[way].map((key) => sheet.readings[key]?.value)
  return hours.every((each) => each !== undefined)
    ? (hours.reduce((sum: number, each) => sum + each!, 0) / 3600) * ruleOf(sheet, 'cost.hour')
    : undefined
}

const withEndClearance = (sheet: Sheet, value: number): Sheet => ({
  ...sheet,
  readings: {
    ...sheet.readings,
    'pump.endClearance': { ...sheet.readings['pump.endClearance'], value: Math.max(1e-6, value), source: 'measured' },
  },
})
