import { earliest, type FreeTime, freeFrom, without } from './free'
import {
  type Engine,
  type Hand,
  HOUR,
  MINUTE,
  type Outcome,
  type Plan,
  type Stretch,
  type Task,
  type Turn,
  type WallTime,
} from './types'

/** Nobody takes measuring up for less than this, ms. */
const LEAST = 15 * MINUTE

interface Placed {
  hand: string
  stretches: Stretch[]
}
const endOf = ({ stretches }: Placed): WallTime => stretches.at(-1)!.to

/** Whoever has a task done first, from a moment on; of two at once who comes first. */
function byWhom(free: FreeTime, from: WallTime, task: Task): Placed | undefined {
  let best: Placed | undefined
  for (const [hand, own] of free) {
    const stretches = earliest(own, from, task, LEAST)
    if (stretches.length > 0 && (!best || stretches.at(-1)!.to < endOf(best))) best = { hand, stretches }
  }
  return best
}

const take = (free: FreeTime, { hand, stretches }: Placed): FreeTime =>
  new Map(free).set(hand, without(free.get(hand)!, stretches))

/** When a task may begin, by its waits and by the end of the one before it. */
const mayBegin = (task: Task, before: WallTime): WallTime =>
  Math.max(before + (task.rests?.takes ?? 0), task.waits?.until ?? -Infinity)

/**
 * Places a task, and the one after it where that must follow within a time: the first is put off until the second follows it closely enough.
 *
 * @returns undefined where there is no time for them
 */
function placeTogether(free: FreeTime, from: WallTime, tasks: readonly Task[]): Placed[] | undefined {
  const [first, ...rest] = tasks
  for (let begins = from; ;) {
    const placed = byWhom(free, begins, first!)
    if (!placed) return undefined
    if (first!.primed && placed.stretches[0]!.from > first!.primed.until) return undefined
    if (rest.length === 0) return [placed]
    const after = placeTogether(take(free, placed), mayBegin(rest[0]!, endOf(placed)), rest)
    if (!after) return undefined
    const late = after[0]!.stretches[0]!.from - endOf(placed) - rest[0]!.within!
    if (late <= 0) return [placed, ...after]
    begins = placed.stretches[0]!.from + late
  }
}

/** Tasks that are placed in one go: each that must follow another within a time goes with it. */
function together(tasks: readonly Task[]): Task[][] {
  const groups: Task[][] = []
  for (const task of tasks)
    if (task.within !== undefined && groups.length > 0) groups.at(-1)!.push(task)
    else groups.push([task])
  return groups
}

/** The tasks themselves, or with a prime before them where the last one is too long ago by then. */
function placeable(free: FreeTime, end: WallTime, tasks: readonly Task[]): readonly Task[] {
  const [first, ...rest] = tasks
  if (!first!.primed || placeTogether(free, mayBegin(first!, end), tasks)) return tasks
  const prime: Task = { station: 'prime', takes: first!.primed.again, divisible: false }
  return [prime, { ...first!, primed: undefined, within: HOUR }, ...rest]
}

/** Plans one engine into the time that is left. */
function placeEngine(free: FreeTime, now: WallTime, { build, promised, tasks }: Engine) {
  const turns: Turn[] = []
  let left = free
  let end = now
  let held: string | undefined
  for (const group of together(tasks)) {
    const stopped = group.find((task) => task.held !== undefined)
    if (stopped) {
      held = stopped.held
      break
    }
    const tasksNow = placeable(left, end, group)
    const placed = placeTogether(left, mayBegin(tasksNow[0]!, end), tasksNow)
    if (!placed) {
      held = 'no time'
      break
    }
    for (const [i, each] of placed.entries()) {
      left = take(left, each)
      end = endOf(each)
      for (const stretch of each.stretches)
        turns.push({ ...stretch, build, station: tasksNow[i]!.station, hand: each.hand })
    }
  }
  const done = turns.length > 0 ? end : undefined
  const whole = held === undefined
  const late = promised !== undefined && whole && done !== undefined && done > promised ? done - promised : undefined
  const outcome: Outcome = { build, done, whole, ...(held === undefined ? {} : { held }), ...(late ? { late } : {}) }
  return { turns, left, outcome }
}

/**
 * A plan for engines in an order: one after the other each takes the earliest time that is left of anybody's, so that what comes first is never put off for what
 * comes later (the serial scheme of list scheduling, Kolisch 1996). No wait is cut short, nobody is in two places, and one hand at a time is on an engine.
 */
export function planInOrder(engines: readonly Engine[], hands: readonly Hand[], now: WallTime): Plan {
  let free = freeFrom(hands, now)
  const turns: Turn[] = []
  const outcomes: Outcome[] = []
  for (const engine of engines) {
    const placed = placeEngine(free, now, engine)
    free = placed.left
    turns.push(...placed.turns)
    outcomes.push(placed.outcome)
  }
  return { turns, outcomes, order: engines.map(({ build }) => build) }
}
