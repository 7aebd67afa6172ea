import { type Station, STATIONS } from '../record/quantity'
import type { Need } from './need'
import type { Pace } from './pace'
import { HOUR, MINUTE, type Task, type WallTime } from './types'

/** What an engine waits for, before a station's work: until a moment, or until somebody can say when; or for so long after a station's work was done, ms. */
export type Wait = { what: string; before: Station; until?: WallTime } | { what: string; after: Station; takes: number }

/** An engine that has stood for longer since its last prime is primed again. */
export const STANDS = HOUR

/**
 * What is left to do on an engine, in the order of the stations: what each still wants by the pace of the shop, then the prime itself and within the hour the start. What its
 * verdicts stop is held up before the prime until somebody has decided it.
 *
 * @param wall the shop's clock at a moment, ms since 1970
 */
export function workOf(
  need: Need,
  { pace, waits = [], wall = (at) => at }: { pace: Pace; waits?: readonly Wait[]; wall?: (at: number) => WallTime },
): Task[] {
  const { missing, primed, primedAt } = need
  const started = missing.start === 0
  const tasks: Task[] = []
  for (const station of STATIONS) {
    // The prime and the start are work of their own beside what is written down at them.
    const items = missing[station] - (station === 'prime' && !primed ? 1 : 0)
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
          : { primed: { until: wall(primedAt) + STANDS, again: pace.prime * MINUTE } }),
      })
  }
  holdUp(tasks, need)
  for (const wait of waits) putWait(tasks, need, wait, wall)
  return tasks
}

/** What stops an engine stands before its prime and its start; where it is started already, somebody has to find out why. */
function holdUp(tasks: Task[], { holdsPrime, stopped }: Need): void {
  const first = tasks.find(({ station, divisible }) => (station === 'prime' && !divisible) || station === 'start')
  if (first && holdsPrime !== undefined) first.held = holdsPrime
  if (!first && stopped) tasks.push({ station: stopped.station, takes: 0, divisible: true, held: stopped.about })
}

/** Puts a wait before the first task that it holds up. */
function putWait(tasks: Task[], need: Need, wait: Wait, wall: (at: number) => WallTime): void {
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
  const since = need.last[wait.after]
  putWait(
    tasks,
    need,
    { what: wait.what, before: task.station, ...(since === undefined ? {} : { until: wall(since) + wait.takes }) },
    wall,
  )
}
