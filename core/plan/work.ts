import { checksOf, inspectionsOf, quantitiesOf } from '../engine/catalogue'
import { holdsUpPrime, progressOf } from '../progress/progress'
import { type Station, STATIONS } from '../record/quantity'
import type { Sheet } from '../record/schema'
import type { Pace } from './pace'
import { HOUR, MINUTE, type Task, type WallTime } from './types'

/** What an engine waits for, before a station's work: until a moment, or until somebody can say when; or for so long after a station's work was done, ms. */
export type Wait = { what: string; before: Station; until?: WallTime } | { what: string; after: Station; takes: number }

/** An engine that has stood for longer since its last prime is primed again. */
export const STANDS = HOUR

/** The last moment at which anything of a station was recorded, ms since 1970; undefined where nothing bears a time. */
export function lastAt(sheet: Sheet, station: Station): number | undefined {
  const of = <T extends { at?: string }>(items: { key: string; station: Station }[], kept: Record<string, T>) =>
    items.filter((item) => item.station === station).map(({ key }) => kept[key]?.at)
  const times = [
    ...of(quantitiesOf(sheet.layout), sheet.readings),
    ...of(checksOf(sheet.layout), sheet.checks),
    ...of(inspectionsOf(sheet.layout), sheet.inspections),
  ].flatMap((at) => (at === undefined ? [] : [Date.parse(at)]))
  return times.length === 0 ? undefined : Math.max(...times)
}

/**
 * What is left to do on an engine, in the order of the stations: what each still wants by the pace of the shop, then the prime itself and within the hour the start. What its
 * verdicts stop is held up before the prime until somebody has decided it.
 *
 * @param offset of the shop's clock on its wall to universal time, ms
 */
export function workOf(
  sheet: Sheet,
  { pace, waits = [], offset = 0 }: { pace: Pace; waits?: readonly Wait[]; offset?: number },
): Task[] {
  const progress = progressOf(sheet)
  const missing = (station: Station) => progress.find((each) => each.station === station)!.missing.length
  const started = missing('start') === 0
  const primed = sheet.readings['prime.pressure']
  const primedAt = primed?.at === undefined ? undefined : Date.parse(primed.at) + offset
  const tasks: Task[] = []
  for (const station of STATIONS) {
    // The prime and the start are work of their own beside what is written down at them.
    const items = missing(station) - (station === 'prime' && !primed ? 1 : 0)
    if (station !== 'start' && items > 0)
      tasks.push({ station, takes: items * pace.item[station] * MINUTE, divisible: true })
    if (station === 'prime' && !started && primedAt === undefined)
      tasks.push({ station, takes: pace.prime * MINUTE, divisible: false })
    if (station === 'start' && !started)
      tasks.push({
        station,
        takes: pace.start * MINUTE,
        divisible: false,
        ...(primedAt === undefined
          ? { within: STANDS }
          : { primed: { until: primedAt + STANDS, again: pace.prime * MINUTE } }),
      })
  }
  holdUp(tasks, progress)
  for (const wait of waits) putWait(tasks, sheet, wait, offset)
  return tasks
}

/** What stops an engine stands before its prime and its start; where it is started already, somebody has to find out why. */
function holdUp(tasks: Task[], progress: ReturnType<typeof progressOf>): void {
  const first = tasks.find(({ station, divisible }) => (station === 'prime' && !divisible) || station === 'start')
  const stopped = first
    ? holdsUpPrime(progress).find(({ verdict }) => verdict === 'stop')
    : progress.find(({ verdict }) => verdict === 'stop')
  if (!stopped) return
  const held = stopped.about ?? stopped.station
  if (first) first.held = held
  else tasks.push({ station: stopped.station, takes: 0, divisible: true, held })
}

/** Puts a wait before the first task that it holds up. */
function putWait(tasks: Task[], sheet: Sheet, wait: Wait, offset: number): void {
  const place = STATIONS.indexOf('before' in wait ? wait.before : wait.after)
  if ('before' in wait) {
    const task = tasks.find(({ station }) => STATIONS.indexOf(station) >= place)
    if (!task) return
    if (wait.until === undefined) task.held = wait.what
    else if (!task.waits || task.waits.until < wait.until) task.waits = { until: wait.until, what: wait.what }
    return
  }
  const task = tasks.find(({ station }) => STATIONS.indexOf(station) > place)
  if (!task) return
  const leftToDo = tasks.some(({ station }) => STATIONS.indexOf(station) <= place)
  if (leftToDo) {
    if (!task.rests || task.rests.takes < wait.takes) task.rests = { takes: wait.takes, what: wait.what }
    return
  }
  // Done already: it rests since then. Where nobody knows since when, somebody has to say it.
  const since = lastAt(sheet, wait.after)
  putWait(
    tasks,
    sheet,
    { what: wait.what, before: task.station, ...(since === undefined ? {} : { until: since + offset + wait.takes }) },
    offset,
  )
}
