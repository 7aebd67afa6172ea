import { judgeClearance } from '../bearing/judge'
import { endFloatLimits, judgeFloat, sideClearanceLimits } from '../bearing/float'
import { judgeTurning } from '../bearing/turning'
import { rodsOnPin } from '../build/crank'
import { bindMargin } from '../relief/valve'
import { checksOf, faultsAt } from '../build/checks'
import { bearingsOf, clearanceLimits } from '../build/clearances'
import { floorClearance, reliefValve } from '../build/inputs'
import { quantitiesOf, START_POINTS, type Station } from '../build/quantities'
import type { Sheet } from '../build/schema'
import { heldValue } from '../build/values'
import { oilGrade } from '../oil/grades'
import { oilOf } from '../oil/sheet'
import { targetAt } from '../outlook/outlook'
import { pointMoment } from '../start/verdict'
import type { Verdict } from '../targets/targets'

export interface StationProgress {
  station: Station
  done: number
  wanted: number
  /** Worst verdict of what has been recorded; undefined while nothing can be judged. */
  verdict?: Verdict
  /** What that verdict is about, in a few words. */
  about?: string
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
    const worst = worstFinding(findingsAt(sheet, station))
    return { station, done: own.filter((want) => want.done).length, wanted: own.length, verdict: worst?.verdict, about: worst?.about }
  })
}

/** A pump's displacement need not be typed once its gears are measured, nor both sides of a bearing once a strip was read. */
function setAside(sheet: Sheet, key: string): boolean {
  const side = /^(main|rod)\.(\d+)\.(journal|bore)$/.exec(key)
  if (side) {
    const has = (field: string) => `${side[1]}.${side[2]}.${field}` in sheet.readings
    return !(key in sheet.readings) && (has('clearance') || (side[3] === 'bore' && has('housing') && has('wall')))
  }
  return key === 'pump.displacement' && 'pump.centres' in sheet.readings
}

const RANK: Verdict[] = ['unknown', 'pass', 'watch', 'stop']

export function worstOf(verdicts: (Verdict | undefined)[]): Verdict | undefined {
  return verdicts.reduce((worst, verdict) => (verdict && (!worst || RANK.indexOf(verdict) > RANK.indexOf(worst)) ? verdict : worst), undefined)
}

interface Finding {
  verdict: Verdict
  about: string
}

function worstFinding(findings: Finding[]): Finding | undefined {
  return findings.reduce<Finding | undefined>((worst, each) => (!worst || RANK.indexOf(each.verdict) > RANK.indexOf(worst.verdict) ? each : worst), undefined)
}

/** Everything that can be judged at a station without running the model. */
function findingsAt(sheet: Sheet, station: Station): Finding[] {
  const findings: Finding[] = faultsAt(sheet, station).map((check) => ({ verdict: 'stop', about: `fault: ${check.label.toLowerCase()}` }))
  const add = (verdict: Verdict | undefined, about: string) => verdict && findings.push({ verdict, about })
  if (station === 'bearings') {
    for (const record of (['main', 'rod'] as const).flatMap((set) => bearingsOf(sheet, set))) {
      if (record.conflict) add('stop', `${record.label}: bore under journal`)
      else if (record.clearance.source === 'measured' || record.chosen) add(judgeClearance(record.clearance, clearanceLimits(sheet, record.set, record.diameter)).verdict, `${record.label} out of limit`)
    }
    findings.push(...floatFindings(sheet))
  } else if (station === 'pump') {
    add(judgeGap(sheet, 'pump.endClearance', 100e-6, 150e-6), 'end clearance worn')
    add(judgeGap(sheet, 'pump.tipClearance', 150e-6, 200e-6), 'tip clearance worn')
  } else if (station === 'relief') {
    const margin = bindMargin(reliefValve(sheet))
    if (margin !== undefined && 'relief.springRate' in sheet.readings) add(margin < 0 ? 'stop' : margin < BIND_MARGIN ? 'watch' : 'pass', 'spring near coil bind')
  } else if (station === 'pickup') add(floorVerdict(sheet), 'floor clearance out of range')
  else if (station === 'start') findings.push(...startFindings(sheet))
  return findings
}

/** End float, side clearances and turning torque, as far as they were read. */
function floatFindings(sheet: Sheet): Finding[] {
  const found: Finding[] = []
  const float = sheet.readings['thrust.endFloat']?.value
  const main = bearingsOf(sheet, 'main')[0].diameter
  if (float !== undefined) found.push({ verdict: judgeFloat(float, endFloatLimits(main)), about: 'end float out of limit' })
  for (const rod of bearingsOf(sheet, 'rod')) {
    const side = sheet.readings[`rod.${rod.number}.side`]?.value
    if (side !== undefined) found.push({ verdict: judgeFloat(side, sideClearanceLimits(rod.diameter, rodsOnPin(sheet.layout))), about: `${rod.label} side clearance out of limit` })
  }
  const turning = turningOf(sheet)
  const judged = judgeTurning(turning.map((each) => each.torque))
  if (judged.cap !== undefined) found.push({ verdict: judged.verdict, about: `crank stiff after main ${turning[judged.cap].main}` })
  return found
}

/** Torques read after each cap, front to back, as far as they were read in a row. */
export function turningOf(sheet: Sheet): { main: number; torque: number }[] {
  return Array.from({ length: sheet.layout.mains }, (_, i) => i + 1).flatMap((main) => {
    const torque = sheet.readings[`turning.${main}`]?.value
    return torque === undefined ? [] : [{ main, torque }]
  })
}

/** First-start readings against their targets alone; the station's page adds what the model says. */
function startFindings(sheet: Sheet): Finding[] {
  if (!sheet.oil.figures && !oilGrade(sheet.oil.grade)) return []
  return START_POINTS.flatMap(([name, label]) => {
    const reading = sheet.readings[`start.${name}.pressure`]?.value
    if (reading === undefined) return []
    const target = targetAt(sheet, oilOf(sheet), { name, ...pointMoment(sheet, name) })
    if (reading < target.least) return [{ verdict: 'stop' as const, about: `${label.toLowerCase()} under its target` }]
    return [reading > target.most ? { verdict: 'stop' as const, about: `${label.toLowerCase()} over its limit` } : { verdict: 'pass' as const, about: `${label.toLowerCase()} in its target` }]
  })
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
