import { z } from 'zod'
import { ClockTime, Hours, NO_PLAN, ShopPlan } from '#core/house/plan'
import { DAY, dayOf } from '#core/plan/present'
import { STATIONS } from '#core/record/quantity'

const Moment = z.strictObject({ days: z.number().int().min(0).max(60), at: ClockTime })
const DemoPlan = z.strictObject({
  hands: z.record(z.string(), Hours),
  engines: z.array(
    z.strictObject({
      name: z.string(),
      promised: Moment,
      waits: z.array(Moment.extend({ what: z.string(), before: z.enum(STATIONS) })),
    }),
  ),
})

/**
 * The plan of the demo shop: its promises and waits lie so many days after the day on which it is put in, and never on a Sunday.
 *
 * @param ids of its engines, by name
 * @param now ms since 1970
 */
export function demoPlan(file: unknown, ids: ReadonlyMap<string, string>, now: number): ShopPlan {
  const { hands, engines } = DemoPlan.parse(file)
  const on = ({ days, at }: z.infer<typeof Moment>) => {
    const day = now + days * DAY
    return `${dayOf(new Date(day).getUTCDay() === 0 ? day + DAY : day)}T${at}`
  }
  return ShopPlan.parse({
    ...NO_PLAN,
    hands,
    engines: Object.fromEntries(
      engines.map(({ name, promised, waits }) => [
        ids.get(name),
        {
          promised: on(promised),
          waits: Object.fromEntries(
            waits.map(({ what, before, ...until }) => [crypto.randomUUID(), { what, before, until: on(until) }]),
          ),
        },
      ]),
    ),
  })
}
