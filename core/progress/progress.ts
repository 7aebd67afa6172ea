import { recorded } from '../engine/values'
import { checksOf, inspectionsOf, quantitiesOf } from '../engine/catalogue'
import { findingOf } from '../engine/inspections'
import { usableSheet } from '../engine/usableSheet'
import { oilGrade } from '../oil/grades'
import { START_POINTS } from '../parts/firstStart'
import { ANY_PARTS } from '../parts/list'
import type { Judged } from '../parts/part'
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
  const findings = [
    ...findingsOf(sheet),
    ...voids.flatMap(({ station, about }): Judged[] =>
      station ? [{ station, verdict: 'stop', about: `void: ${about}` }] : [],
    ),
  ]
  return STATIONS.map((station) => {
    const own = wants.filter((want) => want.station === station)
    const worst = worstFinding(findings.filter((each) => each.station === station))
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
export function holdsUpPrime(progress: StationProgress[]): StationProgress[] {
  const before = STATIONS.slice(0, STATIONS.indexOf('prime'))
  return progress.filter(
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

function worstFinding(findings: Judged[]): Judged | undefined {
  return findings.reduce<Judged | undefined>(
    (worst, each) => (!worst || RANK.indexOf(each.verdict) > RANK.indexOf(worst.verdict) ? each : worst),
    undefined,
  )
}

/** Everything that can be judged without running the model: each law once for all stations. */
function findingsOf(sheet: Sheet, withChecks = true): Judged[] {
  return [
    ...checksOf(sheet.layout)
      .filter(({ key }) => withChecks && sheet.checks[key]?.state === 'fault')
      .map(({ station, label }): Judged => ({ station, verdict: 'stop', about: `fault: ${label.toLowerCase()}` })),
    ...inspectionsOf(sheet.layout).flatMap((item): Judged[] => {
      const found = findingOf(sheet, item)
      const about = `${item.label.replace(/,.*/, '').toLowerCase()}: ${found?.words}`
      return found ? [{ station: item.station, verdict: found.verdict, about }] : []
    }),
    ...ANY_PARTS.filter(({ fitted }) => fitted(sheet.layout)).flatMap(({ judged }) => judged?.(sheet) ?? []),
    ...startFindings(sheet),
  ]
}

/** What stops a station beside its checks: those name themselves. */
export const stopBesideChecks = (sheet: Sheet, station: Station): Judged | undefined =>
  findingsOf(sheet, false).find((each) => each.station === station && each.verdict === 'stop')

/** First-start readings against their targets alone; the station's page adds what the model says. */
function startFindings(sheet: Sheet): Judged[] {
  const station = 'start'

  if (!sheet.oil.figures && !oilGrade(sheet.oil.grade)) return []
  return START_POINTS.flatMap(([name, label]): Judged[] => {
    const reading = recorded(sheet, `start.${name}.pressure`)?.value
    if (reading === undefined) return []
    const target = targetOfPoint(sheet, oilOf(sheet), name, pointMoment(sheet, name))
    const at = label.toLowerCase()
    if (reading < target.least) return [{ station, verdict: 'stop', about: `${at} under its target` }]
    return [
      reading > target.most
        ? { station, verdict: 'stop', about: `${at} over its limit` }
        : { station, verdict: 'pass', about: `${at} in its target` },
    ]
  })
}
