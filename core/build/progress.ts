import { judgeClearance } from '../bearing/judge'
import { bindMargin } from '../relief/valve'
import { bearingsOf, clearanceLimits } from './clearances'
import { checksOf, faultsAt } from './checks'
import { floorClearance, reliefValve } from './inputs'
import { quantitiesOf, type Station } from './quantities'
import type { Sheet } from './schema'
import type { Verdict } from '../targets/targets'
import { heldValue } from './values'

export interface StationProgress {
  station: Station
  done: number
  wanted: number
  /** Worst verdict of what has been recorded; undefined while nothing can be judged. */
  verdict?: Verdict
}

export const STATIONS: Station[] = ['brief', 'bearings', 'pump', 'relief', 'pickup', 'prime', 'start']

/** How far each station is, what it still wants, and its worst verdict. */
export function progressOf(sheet: Sheet): StationProgress[] {
  const wants = [
    ...quantitiesOf(sheet.layout).filter((quantity) => quantity.wanted && !setAside(sheet, quantity.key)).map(({ key, station }) => ({ station, done: key in sheet.readings })),
    ...checksOf(sheet.layout).filter((check) => check.wanted).map(({ key, station }) => ({ station, done: key in sheet.checks })),
    ...['prime.pressure'].map((key) => ({ station: 'prime' as Station, done: key in sheet.readings })),
    ...['start.idleCold.pressure', 'start.idleHot.pressure', 'start.workingHot.pressure'].map((key) => ({ station: 'start' as Station, done: key in sheet.readings })),
  ]
  return STATIONS.map((station) => {
    const own = wants.filter((want) => want.station === station)
    return { station, done: own.filter((want) => want.done).length, wanted: own.length, verdict: stationVerdict(sheet, station) }
  })
}

/** A pump's displacement need not be typed once its gears are measured, nor both sides of a bearing once a strip was read. */
function setAside(sheet: Sheet, key: string): boolean {
  const side = /^(main|rod)\.(\d+)\.(journal|bore)$/.exec(key)
  if (side) return !(key in sheet.readings) && `${side[1]}.${side[2]}.clearance` in sheet.readings
  return key === 'pump.displacement' && 'pump.centres' in sheet.readings
}

const RANK: Verdict[] = ['unknown', 'pass', 'watch', 'stop']

export function worstOf(verdicts: (Verdict | undefined)[]): Verdict | undefined {
  return verdicts.reduce((worst, verdict) => (verdict && (!worst || RANK.indexOf(verdict) > RANK.indexOf(worst)) ? verdict : worst), undefined)
}

function stationVerdict(sheet: Sheet, station: Station): Verdict | undefined {
  const fault: Verdict | undefined = faultsAt(sheet, station).length > 0 ? 'stop' : undefined
  if (station === 'bearings') {
    const judged = (['main', 'rod'] as const).flatMap((set) =>
      bearingsOf(sheet, set).map((record) => {
        if (record.conflict) return 'stop' as const
        return record.clearance.source === 'measured' ? judgeClearance(record.clearance, clearanceLimits(sheet, set, record.diameter)).verdict : undefined
      }))
    return worstOf([fault, ...judged])
  }
  if (station === 'pump') return worstOf([judgeGap(sheet, 'pump.endClearance', 100e-6, 150e-6), judgeGap(sheet, 'pump.tipClearance', 150e-6, 200e-6)])
  if (station === 'relief') {
    const margin = bindMargin(reliefValve(sheet))
    const bind: Verdict | undefined = margin === undefined ? undefined : margin < 0 ? 'stop' : margin < BIND_MARGIN ? 'watch' : 'pass'
    return worstOf([fault, 'relief.springRate' in sheet.readings ? bind : undefined])
  }
  if (station === 'pickup') return worstOf([fault, floorVerdict(sheet)])
  return fault
}

/** House rule: spring travel to be left before the coils touch, m. */
export const BIND_MARGIN = 1e-3
/** House rule: floor clearance of the pickup, m: closer chokes, further draws air under braking or on a slope. */
export const FLOOR = { least: 6e-3, most: 12e-3 }

/** Verdict of a pump gap against the house's wear marks; undefined until it is measured. */
export function judgeGap(sheet: Sheet, key: string, watch: number, stop: number): Verdict | undefined {
  const held = heldValue(sheet, key)
  if (!held || held.source === 'layout') return undefined
  return held.value > stop ? 'stop' : held.value > watch ? 'watch' : 'pass'
}

/** Verdict of the floor clearance; undefined until both of its sides are measured. */
export function floorVerdict(sheet: Sheet): Verdict | undefined {
  const floor = floorClearance(sheet)
  if (floor.source !== 'measured') return undefined
  if (floor.value <= 0.5 * FLOOR.least || floor.value > 2 * FLOOR.most) return 'stop'
  return floor.value < FLOOR.least || floor.value > FLOOR.most ? 'watch' : 'pass'
}
