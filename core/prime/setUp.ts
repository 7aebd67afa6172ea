import {
  FILTER_FITMENTS,
  type FilterFitment,
  type Method,
  METHODS,
  type Packing,
  PACKINGS,
  type Port,
  PORTS,
} from '../parts/primingWords'
import type { Layout, Sheet } from '../record/schema'
import { recordedOrDefault, requireValue } from '../engine/values'
import type { ReadingKey } from '../parts/list'
import { USUAL_FILTER } from './volumes'

/** How an engine is to be primed: all that its records and its builder's choices say. SI, °C. */
export interface PrimeSetUp {
  method: Method
  filter: FilterFitment
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

const among = <T extends string>(words: readonly T[], word: string | undefined): T | undefined =>
  words.find((each) => each === word)

/** How a sheet says that it is primed; `more` stands above it. */
export function primeSetUpOf(sheet: Sheet, more: Partial<PrimeSetUp> = {}): PrimeSetUp {
  const value = (key: ReadingKey) => requireValue(sheet, key).value
  const packing = among(PACKINGS, sheet.choices['pump.packing'])
  return {
    method: among(METHODS, sheet.choices['prime.method']) ?? usualMethod(sheet.layout),
    filter: among(FILTER_FITMENTS, sheet.choices['prime.filter']) ?? 'off',
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
    filterVolume: recordedOrDefault(sheet, 'pickup.filterVolume')?.value ?? USUAL_FILTER,
    antiDrain: sheet.inspections['passage.antiDrain']?.finding !== 'left-out',
    ...more,
  }
}

/** Whether a method turns the pump. */
export function turnsPump(method: Method): boolean {
  return method !== 'tank'
}
