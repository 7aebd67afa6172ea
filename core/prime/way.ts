import type { Layout, Sheet } from '../record/schema'
import { heldValue, requireValue } from '../engine/values'
import type { Packing } from './air'
import { USUAL_FILTER } from './volumes'

export const METHODS = ['drill', 'tank', 'starter', 'hand'] as const
export type Method = (typeof METHODS)[number]
export const FILTER_WAYS = ['off', 'dry', 'filled'] as const
export type FilterWay = (typeof FILTER_WAYS)[number]
export const PORTS = ['gauge', 'pump'] as const
export type Port = (typeof PORTS)[number]

/** How an engine is to be primed: all that its records and its builder's choices say. SI, °C. */
export interface PrimeWay {
  method: Method
  filter: FilterWay
  port: Port
  packing: Packing
  /** Pump turned by the drill, crank turned by the starter, rev/s. */
  drillSpeed: number
  crankSpeed: number
  temperature: number
  tankPressure: number
  tankVolume: number
  /** Length of a burst of the starter and of the rest after it, s. */
  burst: number
  rest: number
  /** Poured in by hand, m³. */
  poured: number
  filterVolume: number
  antiDrain: boolean
  /** Whether the record or the layout says how each was left. */
  packed: boolean
}

/** The method that reaches this layout's pump: a drill where a shaft drives it, a tank where the crank does. */
export function usualMethod({ pumpDrive }: Pick<Layout, 'pumpDrive'>): Method {
  return pumpDrive === 'shaft' ? 'drill' : 'tank'
}

const PACKINGS: Packing[] = ['dry', 'oil', 'assembly-lubricant', 'jelly']
const among = <T extends string>(words: readonly T[], word: string | undefined): T | undefined =>
  words.find((each) => each === word)

/** How a sheet says that it is primed; `more` stands above it. */
export function primeWayOf(sheet: Sheet, more: Partial<PrimeWay> = {}): PrimeWay {
  const value = (key: string) => requireValue(sheet, key).value
  const packing = among(PACKINGS, sheet.choices['pump.packing'])
  return {
    method: among(METHODS, sheet.choices['prime.method']) ?? usualMethod(sheet.layout),
    filter: among(FILTER_WAYS, sheet.choices['prime.filter']) ?? 'off',
    port: among(PORTS, sheet.choices['prime.port']) ?? 'gauge',
    packing: packing ?? 'dry',
    packed: packing !== undefined,
    drillSpeed: value('prime.drillSpeed'),
    crankSpeed: value('brief.crankingSpeed'),
    temperature: value('prime.oilTemperature'),
    tankPressure: value('prime.tankPressure'),
    tankVolume: value('prime.tankVolume'),
    burst: value('prime.burst'),
    rest: value('prime.rest'),
    poured: value('prime.poured'),
    filterVolume: heldValue(sheet, 'pickup.filterVolume')?.value ?? USUAL_FILTER,
    antiDrain: sheet.inspections['passage.antiDrain']?.finding !== 'left-out',
    ...more,
  }
}

/** Whether a method turns the pump. */
export function turnsPump(method: Method): boolean {
  return method !== 'tank'
}
