import type { IntegerSolver } from '../programme/solver'
import { planInOrder } from './place'
import { type Engine, type Hand, HOUR, type Plan, type Stretch, type WallTime } from './types'

/** Time is handed out in pieces of so many ms for finding an order. */
const PIECE = 4 * HOUR
/** What a minute past a promise weighs against a minute in which an engine is done sooner, and what one that is not done at all does. */
const LATE = 100
const NEVER = 100_000
/** So many orders are tried in improving one. */
const TRIES = 60

const overlap = (a: Stretch, b: Stretch) => Math.max(0, Math.min(a.to, b.to) - Math.max(a.from, b.from))

/** Pieces of time in which anybody is there, with what all of them can do in it, hours. */
function pieces(hands: readonly Hand[], now: WallTime): (Stretch & { room: number })[] {
  const present = hands.flatMap(({ present: own }) => own)
  const last = Math.max(now, ...present.map(({ to }) => to))
  return Array.from({ length: Math.ceil((last - now) / PIECE) }, (_, i) => {
    const piece = { from: now + i * PIECE, to: now + (i + 1) * PIECE }
    return { ...piece, room: present.reduce((sum, each) => sum + overlap(piece, each), 0) / HOUR }
  }).filter(({ room }) => room > 0)
}

/** How much of an engine's work can be done by a moment at most, hours: what waits for later is not before it. */
function doableBy(engine: Engine, moment: WallTime): number {
  let sum = 0
  for (const { waits, held, takes } of engine.tasks) {
    if (held !== undefined || (waits && waits.until >= moment)) break
    sum += takes / HOUR
  }
  return sum
}

/**
 * An order in which engines take their pick of the time, by a linear programme: work is handed out to pieces of time so that it is done soon and least of it after what
 * was promised; who is done earlier on the average in it goes first (list scheduling by the mean busy time of a relaxation, Schulz and Skutella 2002).
 */
function orderByProgramme(
  engines: readonly Engine[],
  hands: readonly Hand[],
  now: WallTime,
  solve: IntegerSolver,
): Engine[] {
  const slots = pieces(hands, now)
  const work = engines.map((engine) => doableBy(engine, Infinity))
  const name = (e: number, s: number) => `x${e}_${s}`
  const rows: string[] = []
  const costs: string[] = []
  for (const [e, engine] of engines.entries()) {
    if (work[e] === 0) continue
    const all = [...slots.map((_, s) => name(e, s)), `u${e}`]
    rows.push(`${all.join(' + ')} = ${work[e]}`)
    for (const [s, slot] of slots.entries()) {
      const late = Math.max(0, slot.to - (engine.promised ?? Infinity)) / HOUR
      costs.push(`${((slot.to - now) / HOUR + LATE * late) / work[e]!} ${name(e, s)}`)
      // One hand at a time.
      rows.push(`${name(e, s)} <= ${PIECE / HOUR}`)
      const doable = doableBy(engine, slot.to)
      if (doable < work[e]!)
        rows.push(
          `${slots
            .slice(0, s + 1)
            .map((_, i) => name(e, i))
            .join(' + ')} <= ${doable}`,
        )
    }
    costs.push(`${NEVER / work[e]!} u${e}`)
  }
  if (costs.length === 0) return [...engines]
  for (const [s, { room }] of slots.entries())
    rows.push(`${engines.flatMap((_, e) => (work[e] === 0 ? [] : [name(e, s)])).join(' + ')} <= ${room}`)
  const answer = solve(
    `Minimize\n obj: ${costs.join(' + ')}\nSubject To\n${rows.map((row, i) => ` r${i}: ${row}`).join('\n')}\nEnd\n`,
  )
  if (!answer) return orderByPromise(engines)
  const mean = engines.map((_, e) =>
    work[e] === 0
      ? Infinity
      : slots.reduce((sum, slot, s) => sum + (answer[name(e, s)] ?? 0) * (slot.to - now), 0) / work[e]! +
        (answer[`u${e}`] ?? 0) * NEVER,
  )
  return inOrderOf(engines, (e) => mean[e]!)
}

const inOrderOf = (engines: readonly Engine[], rank: (index: number) => number): Engine[] =>
  engines
    .map((engine, i) => ({ engine, rank: rank(i), i }))
    .sort((a, b) => a.rank - b.rank || a.i - b.i)
    .map(({ engine }) => engine)

/** What was promised first goes first. */
const orderByPromise = (engines: readonly Engine[]) => inOrderOf(engines, (i) => engines[i]!.promised ?? Infinity)

/** What is bad about a plan, ms: first what finds no time, then what is late, then how long all of it takes. */
const badness = ({ outcomes }: Plan): number[] => [
  outcomes.filter(({ held }) => held === 'no time').length,
  outcomes.reduce((sum, { late }) => sum + (late ?? 0), 0),
  outcomes.reduce((sum, { done }) => sum + (done ?? 0), 0),
]
const isBetter = (a: Plan, b: Plan): boolean => {
  const [one, other] = [badness(a), badness(b)]
  const differs = one.findIndex((each, i) => each !== other[i])
  return differs >= 0 && one[differs]! < other[differs]!
}

/**
 * The plan of a shop: engines in the order that a hand has put them in, else in that of the linear programme or of the promises, whichever is better, improved by moving
 * what is late forward.
 *
 * @param asked builds in the order in which a hand has put them; those that it does not name follow
 */
export function planShop(
  engines: readonly Engine[],
  hands: readonly Hand[],
  now: WallTime,
  solve: IntegerSolver,
  asked: readonly string[] = [],
): Plan {
  const plan = (order: readonly Engine[]) => planInOrder(order, hands, now)
  const first = asked.flatMap((build) => engines.filter((engine) => engine.build === build))
  const rest = engines.filter((engine) => !asked.includes(engine.build))
  const programmed = orderByProgramme(engines, hands, now, solve).filter((engine) => rest.includes(engine))
  const starts = [programmed, orderByPromise(rest)].map((order) => plan([...first, ...order]))
  let best = starts.reduce((a, b) => (isBetter(b, a) ? b : a))
  const byBuild = new Map(engines.map((engine) => [engine.build, engine]))
  for (let tries = 0, improved = true; improved && tries < TRIES;) {
    improved = false
    for (const { build } of best.outcomes.filter(({ late }) => late)) {
      const at = best.order.indexOf(build)
      for (let to = at - 1; to >= first.length && tries < TRIES; to--, tries++) {
        const order = best.order.toSpliced(at, 1).toSpliced(to, 0, build)
        const other = plan(order.map((each) => byBuild.get(each)!))
        if (!isBetter(other, best)) continue
        best = other
        improved = true
        break
      }
      if (improved) break
    }
  }
  return best
}
