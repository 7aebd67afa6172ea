import { z } from 'zod'
import { CAUSES } from '../trace/priors'
import { prepareTracer } from '../trace/trace'
import { CONTEXTS, MOMENTS, OBSERVATIONS } from '../trace/vocabulary'
import { build } from './build'
import { degrees, notNegative, take } from './take'

const Moment = z.enum(MOMENTS)
const Reading = z.strictObject({
  moment: Moment.optional(),
  rpm: notNegative.max(30_000).optional(),
  temperature: degrees.optional(),
  pressure: z.number().min(-1e5).max(1e8),
  with: z.enum(['mechanical', 'sender']).optional(),
})
const observations = Object.fromEntries(
  Object.entries(OBSERVATIONS).map(([key, values]) => [key, z.enum(values as unknown as [string]).optional()]),
)
const Case = z.strictObject({
  context: z.enum(CONTEXTS),
  stoodDays: notNegative.max(36_500).optional(),
  moment: Moment,
  readings: z.array(Reading).max(50).default([]),
  observations: z.strictObject(observations).default({}),
  mended: z.array(z.enum(CAUSES)).max(CAUSES.length).default([]),
})
export const TraceInput = z.object({ build: z.unknown(), cases: z.array(Case).max(10_000) })

/** Causes of each case by how likely they are, and the checks to make next: those that tell most for each minute first. */
export function trace(input: z.input<typeof TraceInput>) {
  const { build: file, cases } = take(TraceInput, input)
  const tracer = prepareTracer(build(file))
  return {
    cases: cases.map(({ readings, ...traced }) => {
      const { causes, nextChecks } = tracer.trace({
        ...traced,
        readings: readings.map(({ rpm, ...reading }) => ({
          ...reading,
          ...(rpm === undefined ? {} : { speed: rpm / 60 }),
        })),
      })
      return {
        causes: causes.map(({ cause, probability }) => ({ fault: cause, probability })),
        nextChecks: nextChecks.map(({ check, minutes, teardown, outcomes }) => ({
          check,
          minutes,
          teardown,
          outcomes,
        })),
      }
    }),
  }
}
