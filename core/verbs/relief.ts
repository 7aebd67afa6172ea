import { z } from 'zod'
import { oilGrade } from '../oil/grades'
import { oilAt, oilFrom } from '../oil/oil'
import {
  bindMargin,
  flowStartPressure,
  fullFlowPressure,
  liftAt,
  openingPressure,
  type ReliefValve,
} from '../relief/valve'
import { degrees, named, notNegative, positive, Refused, take } from './take'

const PortInput = z.discriminatedUnion('shape', [
  z.object({
    shape: z.literal('round'),
    diameter: positive,
    count: z.number().int().positive().optional(),
    overlap: notNegative.optional(),
  }),
  z.object({
    shape: z.literal('slot'),
    width: positive,
    height: positive,
    count: z.number().int().positive().optional(),
    overlap: notNegative.optional(),
  }),
])

const OilInput = z.union([z.string(), z.object({ kv40: positive, kv100: positive, density15: positive })])

export const ReliefInput = z.object({
  plungerDiameter: positive,
  springRate: positive,
  freeLength: positive,
  installedLength: positive,
  shims: z.array(notNegative).default([]),
  solidLength: positive.optional(),
  port: PortInput,
  flow: notNegative.optional(),
  oil: OilInput.optional(),
  temperature: degrees.optional(),
})

/** A relief valve: where it opens, what its spring leaves to bind, and the pressure and lift at a flow. Pa, m. */
export function relief(input: z.input<typeof ReliefInput>) {
  const { flow, oil, temperature, ...rest } = take(ReliefInput, input)
  const valve: ReliefValve = rest
  const answer = {
    openingPressure: openingPressure(valve),
    flowStartPressure: flowStartPressure(valve),
    bindMargin: bindMargin(valve) ?? null,
  }
  if (flow === undefined) return answer
  const figures =
    typeof oil === 'string'
      ? oilGrade(oil)
      : { highShear150: 3.5e-3, pumpingLimit: -100, ...(oil ?? oilGrade('10W-40')!) }
  if (!figures) throw new Refused('oil', `“${String(oil)}” is not a grade this version knows`)
  const { density, viscosity: dynamic } = named(() =>
    oilAt(oilFrom({ ...oilGrade('10W-40')!, ...figures }), temperature ?? 90),
  )
  const pressure = named(() => fullFlowPressure(valve, flow, density, dynamic))
  return { ...answer, fullFlowPressure: pressure, lift: liftAt(valve, pressure) }
}
