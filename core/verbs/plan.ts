import { z } from 'zod'
import { Hours } from '../house/plan'
import { type Pace, paceOf } from '../plan/pace'
import { presentOf } from '../plan/present'
import { type Engine, type Hand, MINUTE, type WallTime } from '../plan/types'
import { needOf } from '../plan/need'
import { planWithBand } from '../plan/shop'
import { type Wait, workOf } from '../plan/work'
import { STATIONS } from '../record/quantity'
import type { IntegerSolver } from '../programme/solver'
import { build, type BuildFile } from './build'
import { Refused, take } from './take'

const moment = z.iso.datetime({ offset: true })
const name = z.string().trim().min(1).max(80)
const station = z.enum(STATIONS)

/** Somebody's hours on each of the days on which they come, by the shop's clock. */
const Person = z.strictObject({
  name,
  ...Hours.shape,
  days: Hours.shape.days.default([1, 2, 3, 4, 5]),
})

const Waiting = z.union([
  z.strictObject({ what: name, before: station, until: moment.optional() }),
  z.strictObject({ what: name, after: station, hours: z.number().positive().max(1000) }),
])

const Entered = z.object({ who: z.string(), at: moment, patch: z.array(z.object({ path: z.string() })) })

export const PlanInput = z.strictObject({
  /** From when on it is planned; its offset is that of the shop's clock. */
  now: moment,
  /** For so many days. */
  days: z.number().int().min(1).max(60).default(14),
  people: z.array(Person).max(60),
  engines: z
    .array(
      z.strictObject({
        build: z.unknown(),
        promised: moment.optional(),
        waits: z.array(Waiting).max(40).default([]),
        /** What was entered of it, in its order: the shop's pace is learnt from it. An archive has it as its history. */
        entries: z.array(Entered).max(100_000).default([]),
      }),
    )
    .max(400),
  /** Engines by name in the order in which a hand has put them; the others follow. */
  order: z.array(name).max(400).default([]),
  /** Minutes for one thing at a station, and for a prime and a start, in place of what is learnt or assumed. */
  minutes: z
    .partialRecord(z.enum([...STATIONS, 'primeItself', 'startItself']), z.number().positive().max(600))
    .default({}),
})
export type PlanInput = z.input<typeof PlanInput>

/** Minutes of an offset such as +01:00. */
function offsetOf(iso: string): number {
  const [, sign, hours, minutes] = /([+-])(\d{2}):(\d{2})$/.exec(iso) ?? []
  return sign === undefined ? 0 : (sign === '-' ? -1 : 1) * (60 * Number(hours) + Number(minutes))
}

/**
 * The plan of a shop over its engines: who does what next and when, what each waits for, and what will be late against what was promised. No wait is cut short, nobody is in
 * two places, and an engine is started within the hour of its prime.
 *
 * @throws Refused by the field
 */
export function plan(solve: IntegerSolver, input: PlanInput) {
  const asked = take(PlanInput, input)
  const minutes = offsetOf(asked.now)
  const offset = minutes * MINUTE
  const wall = (iso: string): WallTime => Date.parse(iso) + offset
  const zone = `${minutes < 0 ? '-' : '+'}${String(Math.floor(Math.abs(minutes) / 60)).padStart(2, '0')}:${String(Math.abs(minutes) % 60).padStart(2, '0')}`
  const shown = (time: WallTime) => `${new Date(time).toISOString().slice(0, 19)}${zone}`
  const now = wall(asked.now)

  const sheets = asked.engines.map(({ build: file }, i) => under(`engines.${i}.build`, () => build(file as BuildFile)))
  const pace = paceOf(asked.engines.map(({ entries }, i) => ({ layout: sheets[i]!.layout, entries })))
  for (const each of STATIONS) pace.item[each] = asked.minutes[each] ?? pace.item[each]
  pace.prime = asked.minutes.primeItself ?? pace.prime
  pace.start = asked.minutes.startItself ?? pace.start

  const hands: Hand[] = asked.people.map((person) => ({
    name: person.name,
    present: presentOf(person, now, asked.days),
  }))
  const needs = sheets.map((sheet) => needOf(sheet))
  const engineAt = (by: Pace, i: number): Engine => {
    const { promised, waits } = asked.engines[i]!
    const sheet = sheets[i]!
    const wanted = waits.map((wait): Wait =>
      'before' in wait
        ? { ...wait, until: wait.until === undefined ? undefined : wall(wait.until) }
        : { what: wait.what, after: wait.after, takes: wait.hours * 60 * MINUTE },
    )
    return {
      build: sheet.name,
      name: sheet.name,
      ...(promised === undefined ? {} : { promised: wall(promised) }),
      tasks: workOf(needs[i]!, { pace: by, waits: wanted, wall: (at) => at + offset }),
    }
  }
  const at = (by: Pace) => sheets.map((_, i) => engineAt(by, i))
  const engines = at(pace)
  const twice = (names: string[]) => names.findIndex((each, i) => names.indexOf(each) < i)
  for (const [field, names] of [
    ['people', hands.map((each) => each.name)],
    ['engines', engines.map((each) => each.name)],
    ['order', asked.order],
  ] as const) {
    const again = twice([...names])
    if (again >= 0) throw new Refused(`${field}.${again}`, `${names[again]} is there twice: names tell them apart`)
  }
  const strange = asked.order.findIndex((each) => !engines.some(({ build: own }) => own === each))
  if (strange >= 0) throw new Refused(`order.${strange}`, `${asked.order[strange]} is no engine of this plan`)

  const planned = planWithBand(at, { pace, hands, now, asked: asked.order }, solve)
  const { turns, order } = planned
  const hours = (time = 0) => (time === Infinity ? null : time / (60 * MINUTE))
  return {
    order,
    turns: [...turns]
      .sort((a, b) => a.from - b.from || a.hand.localeCompare(b.hand))
      .map(({ build: engine, station: place, hand, from, to }) => ({
        engine,
        station: place,
        who: hand,
        from: shown(from),
        to: shown(to),
      })),
    engines: planned.engines.map(({ build: engine, done, latest, whole, held, late, lateMost, tasks }) => ({
      engine,
      done: done === undefined ? null : shown(done),
      whole,
      held: held ?? null,
      lateHours: hours(late),
      /** Done at the latest, where work goes slower than expected by as much as is not known of the shop's pace; null where it then finds no time in these days. */
      latest: latest === undefined ? null : shown(latest),
      lateHoursAtMost: hours(lateMost),
      left: tasks.map((task) => ({
        station: task.station,
        minutes: task.takes / MINUTE,
        waits: task.waits ? { for: task.waits.what, until: shown(task.waits.until) } : null,
        rests: task.rests ? { for: task.rests.what, hours: task.rests.takes / (60 * MINUTE) } : null,
      })),
    })),
    minutes: { ...pace.item, primeItself: pace.prime, startItself: pace.start },
    /** From how many entries the minutes of each station come; 0: they are assumed, or were given. */
    learntFrom: pace.seen,
  }
}

/** A refusal of what stands under a field, with the field before it. */
function under<T>(field: string, work: () => T): T {
  try {
    return work()
  } catch (error) {
    if (!(error instanceof Refused)) throw error
    const [path, ...reason] = error.message.split(': ')
    throw new Refused(`${field}.${path}`, reason.join(': '))
  }
}
