import { endOfWait, isTimed, type PlannedEngine, type ShopPlan } from '../house/plan'
import type { IntegerSolver } from '../programme/solver'
import type { Need } from './need'
import { planShop } from './order'
import { type Pace, slowerPace } from './pace'
import { planInOrder } from './place'
import { onTheWall, presentOf, wallTime } from './present'
import type { Engine, Hand, Outcome, Plan, Task, Turn, WallTime } from './types'
import { type Wait, workOf } from './work'

/** What the plan of a shop is made from. */
export interface PlanGiven {
  engines: { id: string; name: string; need: Need }[]
  plan: ShopPlan
  pace: Pace
  /** ms since 1970, by the server's clock. */
  now: number
  zone: string
  /** It is planned for so many days. */
  days: number
}

/** What comes of an engine: by the pace that is expected, and when work goes slower than that. */
export interface Planned extends Outcome {
  name: string
  promised?: WallTime
  tasks: Task[]
  /** Done at the latest; undefined where then it finds no time in these days. */
  latest?: WallTime
  /** ms past what was promised then; Infinity where it finds no time at all. */
  lateMost?: number
}
export interface ShopPlanned {
  /** By the wall. */
  now: WallTime
  order: string[]
  turns: Turn[]
  engines: Planned[]
  hands: Hand[]
}

/** Waits of an engine as its work takes them. */
function waitsOf({ waits }: PlannedEngine, wall: (at: number) => WallTime): Wait[] {
  return Object.values(waits).map((wait): Wait => {
    if (isTimed(wait)) return { what: wait.what, before: wait.before, until: wall(endOfWait(wait)) }
    if ('after' in wait) return wait
    return { what: wait.what, before: wait.before, ...(wait.until ? { until: wallTime(wait.until) } : {}) }
  })
}

/** ms past a promise; of what is held up, as late as it is by now. */
function lateBy({ done, whole, held }: Outcome, promised: WallTime | undefined, now: WallTime): number | undefined {
  if (promised === undefined) return undefined
  if (!whole) return held === 'no time' ? Infinity : now > promised ? now - promised : undefined
  return done !== undefined && done > promised ? done - promised : undefined
}

/**
 * A plan with its band: engines in an order, who does what next, and when each is done, with how much later that is where work goes slower than expected by the pace's own uncertainty.
 *
 * @param at engines with their work at a pace
 * @param asked engines in the order in which a hand has put them; the others follow
 */
export function planWithBand(
  at: (pace: Pace) => Engine[],
  { pace, hands, now, asked }: { pace: Pace; hands: Hand[]; now: WallTime; asked: string[] },
  solve: IntegerSolver,
): ShopPlanned {
  const expected = at(pace)
  const best: Plan = planShop(expected, hands, now, solve, asked)
  const slower = new Map(at(slowerPace(pace)).map((engine) => [engine.build, engine]))
  const slow = planInOrder(
    best.order.map((id) => slower.get(id)!),
    hands,
    now,
  )
  const of = new Map(expected.map((engine) => [engine.build, engine]))
  return {
    now,
    order: best.order,
    turns: best.turns,
    hands,
    engines: best.outcomes.map((outcome): Planned => {
      const { name, promised, tasks } = of.get(outcome.build)!
      const then = slow.outcomes.find(({ build }) => build === outcome.build)!
      // Where another engine slips, one may come sooner: nothing is promised by that.
      const latest = then.done === undefined || !then.whole ? undefined : Math.max(then.done, outcome.done ?? 0)
      const late = lateBy(outcome, promised, now)
      const most = Math.max(late ?? 0, lateBy(then, promised, now) ?? 0)
      return {
        ...outcome,
        name,
        tasks,
        ...(promised === undefined ? {} : { promised }),
        ...(late ? { late } : {}),
        ...(latest === undefined ? {} : { latest }),
        ...(most > 0 ? { lateMost: most } : {}),
      }
    }),
  }
}

/** The plan of a shop from what it keeps. */
export function shopPlan({ engines, plan, pace, now, zone, days }: PlanGiven, solve: IntegerSolver): ShopPlanned {
  const wall = (at: number) => onTheWall(at, zone)
  const begins = wall(now)
  const hands = Object.entries(plan.hands).map(([name, hours]): Hand => ({
    name,
    present: presentOf(hours, begins, days),
  }))
  const at = (by: Pace): Engine[] =>
    engines.map(({ id, name, need }) => {
      const kept = plan.engines[id]
      return {
        build: id,
        name,
        ...(kept?.promised ? { promised: wallTime(kept.promised) } : {}),
        tasks: workOf(need, { pace: by, waits: kept ? waitsOf(kept, wall) : [], wall }),
      }
    })
  const asked = plan.order.filter((id) => engines.some((engine) => engine.id === id))
  return planWithBand(at, { pace, hands, now: begins, asked }, solve)
}
