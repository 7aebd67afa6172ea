import { z } from 'zod'
import { STATIONS } from '../record/quantity'

/** What a shop keeps for its plan: who works when, what was promised, and what engines wait for. Times are those of the clock on its wall. */

const words = z.string().trim().min(1, 'must not be empty').max(80)
/** `08:00`. */
export const ClockTime = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'must be a time such as 08:00')
/** Days that there are: the 30th of February is read as one of March. */
const isDay = (text: string): boolean => {
  const at = new Date(`${text}Z`)
  return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(text)
}
const isZone = (name: string): boolean => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name })
    return true
  } catch {
    return false
  }
}
/** `2026-12-04T17:00`, by the clock on the shop's wall. */
export const WallMoment = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}T([01]\d|2[0-3]):[0-5]\d$/, 'must be a day and a time such as 2026-12-04T17:00')
  .refine((text) => isDay(text), 'must be a day of the calendar')
const station = z.enum(STATIONS)

/** Somebody's hours on each day on which they come, and the days on which they do not. */
export const Hours = z.strictObject({
  hours: z
    .array(z.tuple([ClockTime, ClockTime]))
    .min(1, 'must have some hours')
    .max(6)
    .superRefine((hours, context) =>
      hours.forEach(([from, to], i) => {
        if (from >= to)
          context.addIssue({
            code: 'custom',
            path: [i],
            message: `${from} to ${to}: the end must come after the beginning`,
          })
        const before = hours[i - 1]
        if (before && before[1] > from)
          context.addIssue({
            code: 'custom',
            path: [i],
            message: `${from} lies before ${before[1]}: write them in their order`,
          })
      }),
    ),
  /** 1 is Monday. */
  days: z.array(z.number().int().min(1).max(7)).min(1, 'must have a day').max(7),
  /** Days on which they do not come though it is one of theirs, and on which they come though it is not. */
  away: z.array(z.iso.date()).max(400).default([]),
  extra: z.array(z.iso.date()).max(400).default([]),
})
export type Hours = z.infer<typeof Hours>

/** What an engine waits for before a station: until a moment, until somebody can say when, for so long since it was begun; or for so long after a station's work. */
export const PlannedWait = z.union([
  z.strictObject({ what: words, before: station, until: WallMoment.optional() }),
  z.strictObject({
    what: words,
    before: station,
    /** ms. */
    takes: z
      .number()
      .int()
      .positive()
      .max(1000 * 3_600_000),
    /** By the server's clock. */
    begun: z.iso.datetime({ offset: true }),
    /** Somebody has seen that its time is over. */
    seen: z.boolean().optional(),
  }),
  z.strictObject({
    what: words,
    after: station,
    takes: z
      .number()
      .int()
      .positive()
      .max(1000 * 3_600_000),
  }),
])
export type PlannedWait = z.infer<typeof PlannedWait>
export type TimedWait = Extract<PlannedWait, { begun: string }>
export const isTimed = (wait: PlannedWait): wait is TimedWait => 'begun' in wait

export const PlannedEngine = z.strictObject({
  promised: WallMoment.optional(),
  waits: z.record(z.uuid(), PlannedWait).default({}),
})
export type PlannedEngine = z.infer<typeof PlannedEngine>

export const ShopPlan = z.strictObject({
  /** Of the clock on the wall, such as Europe/Berlin; the browser's until somebody has written something. */
  zone: z
    .string()
    .max(60)
    .refine((name) => isZone(name), 'must be a time zone such as Europe/Berlin')
    .optional(),
  hands: z.record(words, Hours),
  engines: z.record(z.uuid(), PlannedEngine),
  /** Builds in the order in which a hand has put them; the others follow. */
  order: z.array(z.uuid()).max(400),
})
export type ShopPlan = z.infer<typeof ShopPlan>
export const NO_PLAN: ShopPlan = { hands: {}, engines: {}, order: [] }

/** Waits that run since a moment began when they arrived: a tablet's clock may be years off, and a wait that ends too late harms nobody. */
export function begunOnArrival(before: ShopPlan, after: ShopPlan, now: string): ShopPlan {
  const engines = Object.entries(after.engines).map(([build, engine]): [string, PlannedEngine] => [
    build,
    {
      ...engine,
      waits: Object.fromEntries(
        Object.entries(engine.waits).map(([id, wait]) => {
          const stood = before.engines[build]?.waits[id]
          return [id, isTimed(wait) ? { ...wait, begun: stood && isTimed(stood) ? stood.begun : now } : wait]
        }),
      ),
    },
  ])
  return { ...after, engines: Object.fromEntries(engines) }
}

/** When a wait that runs is over, ms since 1970 by the server's clock. */
export const endOfWait = ({ begun, takes }: TimedWait): number => Date.parse(begun) + takes
