import { judgeClearance } from '../bearing/judge'
import { endFloatLimits, judgeFloat, sideClearanceLimits } from '../bearing/float'
import { capOrder, judgeTurning, type TurningVerdict } from '../bearing/turning'
import { rodsOnPin } from '../parts/throws'
import { bindMargin } from '../relief/valve'
import { valveFit } from '../parts/reliefFit'
import { type CheckItem, checksOf, faultsAt } from '../engine/checks'
import { primeWayOf } from '../prime/way'
import { primeCeiling } from '../prime/ceiling'
import { bearingsOf, clearanceLimits } from '../parts/clearances'
import { airTestVerdict, floorClearance, scavengeVerdict } from '../parts/pickupRecord'
import { benchOf, reliefValve, springRateOf, type ValveName } from '../parts/reliefRecord'
import { findingOf, inspectionsOf } from '../engine/inspections'
import { endClearance } from '../parts/pumpRecord'
import { quantitiesOf, START_POINTS, type Station } from '../engine/quantities'
import type { Sheet } from '../record/schema'
import { requireValue } from '../engine/values'
import { usableSheet } from '../engine/usableSheet'
import { ruleOf } from '../house/limits'
import { oilGrade } from '../oil/grades'
import { oilOf } from '../record/oil'
import { pointMoment, targetOfPoint } from '../start/verdict'
import type { Verdict } from '../quantity/verdict'

export interface StationProgress {
  station: Station
  done: number
  wanted: number
  /** Worst verdict of what has been recorded; undefined while nothing can be judged. */
  verdict?: Verdict
  /** What that verdict is about, in a few words. */
  about?: string
  /** What it still wants, by its label. */
  missing: string[]
}

export const STATIONS: Station[] = ['brief', 'bearings', 'pump', 'relief', 'pickup', 'passages', 'prime', 'start']

/** Whether a check belongs to the way in which this engine is primed. */
export function forMethod(sheet: Sheet, { methods }: Pick<CheckItem, 'methods'>): boolean {
  return !methods || methods.includes(primeWayOf(sheet).method)
}

/** Everything that a layout and its way of priming ask for, and whether it is on record. */
function wantsOf(sheet: Sheet): { station: Station; label: string; done: boolean }[] {
  return [
    ...quantitiesOf(sheet.layout)
      .filter((quantity) => quantity.wanted && !setAside(sheet, quantity.key))
      .map(({ key, station, label }) => ({ station, label, done: key in sheet.readings })),
    ...checksOf(sheet.layout)
      .filter((check) => check.wanted && forMethod(sheet, check))
      .map(({ key, station, label }) => ({ station, label, done: key in sheet.checks })),
    ...inspectionsOf(sheet.layout)
      .filter((item) => item.wanted)
      .map((item) => ({ station: item.station, label: item.label, done: findingOf(sheet, item) !== undefined })),
    { station: 'prime' as Station, label: 'Last prime, read at the gauge', done: 'prime.pressure' in sheet.readings },
    ...START_POINTS.filter(([name]) => name !== 'fastIdle').map(([name, label]) => ({
      station: 'start' as Station,
      label: `${label}, read`,
      done: `start.${name}.pressure` in sheet.readings,
    })),
  ]
}

/** How far each station is, what it still wants, and its worst verdict. */
export function progressOf(recorded: Sheet): StationProgress[] {
  const { sheet, voids } = usableSheet(recorded)
  const wants = wantsOf(recorded)
  return STATIONS.map((station) => {
    const own = wants.filter((want) => want.station === station)
    const voided = voids
      .filter((each) => each.station === station)
      .map(({ about }): Finding => ({ verdict: 'stop', about: `void: ${about}` }))
    const worst = worstFinding([...findingsAt(sheet, station), ...voided])
    return {
      station,
      done: own.filter((want) => want.done).length,
      wanted: own.length,
      verdict: worst?.verdict,
      about: worst?.about,
      missing: own.filter((want) => !want.done).map(({ label }) => label),
    }
  })
}

/** Stations that hold up priming: a stop anywhere before it, or what opens the circuit not yet walked. */
export function holdsUpPrime(sheet: Sheet): StationProgress[] {
  const before = STATIONS.slice(0, STATIONS.indexOf('prime'))
  return progressOf(sheet).filter(
    ({ station, done, wanted, verdict }) =>
      before.includes(station) &&
      (verdict === 'stop' || ((station === 'passages' || station === 'pickup') && done < wanted)),
  )
}

/** A pump's displacement need not be typed once its gears are measured, nor both sides of a bearing once a strip was read, nor a spring's rate once it follows from heights or wire. */
function setAside(sheet: Sheet, key: string): boolean {
  const side = /^(main|rod)\.(\d+)\.(journal|bore)$/.exec(key)
  if (side) {
    const has = (field: string) => `${side[1]}.${side[2]}.${field}` in sheet.readings
    return !(key in sheet.readings) && (has('clearance') || (side[3] === 'bore' && has('housing') && has('wall')))
  }
  const rate = /^(relief2?)\.springRate$/.exec(key)
  if (rate) return !(key in sheet.readings) && springRateOf(sheet, rate[1] as ValveName).source === 'computed'
  return key === 'pump.displacement' && 'pump.centres' in sheet.readings
}

const RANK: Verdict[] = ['unknown', 'pass', 'assumed', 'watch', 'void', 'stop']

export function worstOf(verdicts: (Verdict | undefined)[]): Verdict | undefined {
  return verdicts.reduce(
    (worst, verdict) => (verdict && (!worst || RANK.indexOf(verdict) > RANK.indexOf(worst)) ? verdict : worst),
    undefined,
  )
}

interface Finding {
  verdict: Verdict
  about: string
}

function worstFinding(findings: Finding[]): Finding | undefined {
  return findings.reduce<Finding | undefined>(
    (worst, each) => (!worst || RANK.indexOf(each.verdict) > RANK.indexOf(worst.verdict) ? each : worst),
    undefined,
  )
}

/** Everything that can be judged at a station without running the model. */
function findingsAt(sheet: Sheet, station: Station): Finding[] {
  const findings: Finding[] = faultsAt(sheet, station).map((check) => ({
    verdict: 'stop',
    about: `fault: ${check.label.toLowerCase()}`,
  }))
  const add = (verdict: Verdict | undefined, about: string) => verdict && findings.push({ verdict, about })
  for (const item of inspectionsOf(sheet.layout)) {
    const found = item.station === station ? findingOf(sheet, item) : undefined
    if (found) add(found.verdict, `${item.label.replace(/,.*/, '').toLowerCase()} ${found.words}`)
  }
  if (station === 'bearings') {
    for (const record of (['main', 'rod'] as const).flatMap((set) => bearingsOf(sheet, set))) {
      if (record.clearance.source === 'measured' || record.chosen)
        add(
          judgeClearance(record.clearance, clearanceLimits(sheet, record.set, record.diameter)).verdict,
          `${record.label} out of limit`,
        )
    }
    findings.push(...floatFindings(sheet))
  } else if (station === 'pump') {
    add(judgeGap(sheet, 'end'), 'end clearance worn')
    add(judgeGap(sheet, 'tip'), 'tip clearance worn')
    for (const port of ['suction', 'outlet']) {
      const wall = sheet.readings[`pump.${port}PortWall`]?.value
      if (wall !== undefined && wall < ruleOf(sheet, 'pump.wallLeast')) add('stop', `${port} port’s wall too thin`)
    }
  } else if (station === 'relief') {
    for (const name of sheet.layout.galleryRelief ? (['relief', 'relief2'] as const) : (['relief'] as const)) {
      const margin = bindMargin(reliefValve(sheet, name))
      if (margin !== undefined && springRateOf(sheet, name).source !== 'layout')
        add(
          margin < 0 ? 'stop' : margin < ruleOf(sheet, 'relief.bindMargin') ? 'watch' : 'pass',
          'spring near coil bind',
        )
      for (const fault of valveFit(sheet, name)) add('stop', fault.about)
      const bench = benchOf(sheet, name)
      if (bench && bench.surprise > 3) add('watch', 'bench and spring disagree')
    }
  } else if (station === 'pickup') {
    add(floorVerdict(sheet), 'floor clearance out of range')
    add(airTestVerdict(sheet), 'vacuum does not hold')
    add(scavengeVerdict(sheet), 'scavenge stage too small')
  } else if (station === 'passages') {
    for (const housing of ['filter', 'cooler']) {
      const gap = sheet.readings[`passage.${housing}Gap`]?.value
      if (gap !== undefined)
        add(gap > ruleOf(sheet, 'passage.housingGap') ? 'stop' : 'pass', `${housing} housing stands off`)
    }
  }
  if (station === 'prime') {
    const read = ['prime.pressure', 'prime.checkPressure']
      .map((key) => sheet.readings[key]?.value)
      .find((value) => value !== undefined)
    if (read !== undefined && read > primeCeiling(sheet)) add('stop', 'prime read over the limit of filter and seals')
  }
  if (station === 'start') findings.push(...startFindings(sheet))
  return findings
}

/** End float, side clearances and turning torque, as far as they were read. */
function floatFindings(sheet: Sheet): Finding[] {
  const found: Finding[] = []
  const float = sheet.readings['thrust.endFloat']?.value
  const main = bearingsOf(sheet, 'main')[0].diameter
  if (float !== undefined)
    found.push({
      verdict: judgeFloat(float, endFloatLimits(main, ruleOf(sheet, 'float.endLeast'))),
      about: 'end float out of limit',
    })
  for (const rod of bearingsOf(sheet, 'rod')) {
    const side = sheet.readings[`rod.${rod.number}.side`]?.value
    if (side !== undefined)
      found.push({
        verdict: judgeFloat(
          side,
          sideClearanceLimits(rod.diameter, rodsOnPin(sheet.layout), ruleOf(sheet, 'float.sideLeast')),
        ),
        about: `${rod.label} side clearance out of limit`,
      })
  }
  const judged = turningVerdict(sheet)
  if (judged.main !== undefined)
    found.push({
      verdict: judged.verdict,
      about:
        judged.among.length > 1
          ? `crank stiff after mains ${judged.among.join(', ')}`
          : `crank stiff after main ${judged.main}`,
    })
  return found
}

/** What the torques after the caps say, in the order in which they were tightened. */
export function turningVerdict(sheet: Sheet): TurningVerdict {
  const readings = new Map(
    Array.from({ length: sheet.layout.mains }, (_, i) => i + 1).flatMap((main): [number, number][] => {
      const torque = sheet.readings[`turning.${main}`]?.value
      return torque === undefined ? [] : [[main, torque]]
    }),
  )
  return judgeTurning(readings, capOrder(sheet.layout.mains, sheet.choices['crank.capOrder']))
}

/** First-start readings against their targets alone; the station's page adds what the model says. */
function startFindings(sheet: Sheet): Finding[] {
  if (!sheet.oil.figures && !oilGrade(sheet.oil.grade)) return []
  return START_POINTS.flatMap(([name, label]) => {
    const reading = sheet.readings[`start.${name}.pressure`]?.value
    if (reading === undefined) return []
    const target = targetOfPoint(sheet, oilOf(sheet), name, pointMoment(sheet, name))
    if (reading < target.least) return [{ verdict: 'stop' as const, about: `${label.toLowerCase()} under its target` }]
    return [
      reading > target.most
        ? { verdict: 'stop' as const, about: `${label.toLowerCase()} over its limit` }
        : { verdict: 'pass' as const, about: `${label.toLowerCase()} in its target` },
    ]
  })
}

/** Verdict of a pump gap against the house's wear marks; undefined until it is measured. */
export function judgeGap(sheet: Sheet, gap: 'end' | 'tip'): Verdict | undefined {
  const held = gap === 'end' ? endClearance(sheet) : requireValue(sheet, 'pump.tipClearance')
  if (held.source === 'layout') return undefined
  if (gap === 'end' && held.value < ruleOf(sheet, 'pump.endLeast')) return 'watch'
  return held.value > ruleOf(sheet, `pump.${gap}Stop`)
    ? 'stop'
    : held.value > ruleOf(sheet, `pump.${gap}Watch`)
      ? 'watch'
      : 'pass'
}

/** Verdict of the floor clearance; undefined until both of its sides are measured. */
export function floorVerdict(sheet: Sheet): Verdict | undefined {
  const floor = floorClearance(sheet)
  if (floor.source !== 'measured') return undefined
  const [least, most] = [ruleOf(sheet, 'pickup.floorLeast'), ruleOf(sheet, 'pickup.floorMost')]
  if (floor.value <= 0.5 * least || floor.value > 2 * most) return 'stop'
  return floor.value < least || floor.value > most ? 'watch' : 'pass'
}
