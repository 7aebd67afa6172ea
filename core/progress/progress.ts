import { recorded } from '../engine/values'
import { checksOf, inspectionsOf, quantitiesOf } from '../engine/catalogue'
import { findingOf } from '../engine/inspections'
import { usableSheet } from '../engine/usableSheet'
import { oilGrade } from '../oil/grades'
import { START_POINTS } from '../parts/firstStart'
import { ANY_PARTS } from '../parts/list'
import { primeSetUpOf } from '../prime/setUp'
import type { Verdict } from '../quantity/verdict'
import type { CheckItem } from '../record/looked'
import { oilOf } from '../record/oil'
import { type Station, STATIONS } from '../record/quantity'
import type { Sheet } from '../record/schema'
import { pointMoment, targetOfPoint } from '../start/verdict'

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

/** Whether a check belongs to the way in which this engine is primed. */
export function forMethod(sheet: Sheet, { methods }: Pick<CheckItem, 'methods'>): boolean {
  return !methods || methods.includes(primeSetUpOf(sheet).method)
}

/** Everything that a layout and its way of priming ask for, and whether it is on record. */
function wantsOf(sheet: Sheet): { station: Station; label: string; done: boolean }[] {
  return [
    ...quantitiesOf(sheet.layout)
      .filter((quantity) => quantity.wanted && !quantity.replaced?.(sheet))
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
  for (const item of inspectionsOf(sheet.layout)) {
    const found = item.station === station ? findingOf(sheet, item) : undefined
    if (found)
      findings.push({
        verdict: found.verdict,
        about: `${item.label.replace(/,.*/, '').toLowerCase()}: ${found.words}`,
      })
  }
  const parts = ANY_PARTS.filter(({ fitted }) => fitted(sheet.layout))
  findings.push(...parts.flatMap(({ judged }) => judged?.(sheet) ?? []).filter((each) => each.station === station))
  if (station === 'start') findings.push(...startFindings(sheet))
  return findings
}

/** Checks of one station that stand at fault. */
function faultsAt(sheet: Sheet, station: Station): CheckItem[] {
  return checksOf(sheet.layout).filter((each) => each.station === station && sheet.checks[each.key]?.state === 'fault')
}

/** First-start readings against their targets alone; the station's page adds what the model says. */
function startFindings(sheet: Sheet): Finding[] {
  if (!sheet.oil.figures && !oilGrade(sheet.oil.grade)) return []
  return START_POINTS.flatMap(([name, label]) => {
    const reading = recorded(sheet, `start.${name}.pressure`)?.value
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
