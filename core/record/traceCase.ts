import { z } from 'zod'
import { CONTEXTS, MOMENTS, OBSERVATION_KEYS, OBSERVATIONS, type Observation } from './traceWords'

const hand = { by: z.string().max(60).optional(), at: z.iso.datetime({ offset: true }).optional() }
const words = z.string().trim().max(500)
const observation = z.enum(OBSERVATION_KEYS as [Observation, ...Observation[]])

/** Something that was seen, tried or looked at; not known where nobody can say. */
const Seen = z.strictObject({
  ...hand,
  value: z.string().max(40),
  note: words.optional(),
  photos: z.array(z.uuid()).max(30).optional(),
})

/** A gauge that was read in a case, Pa, with where the engine stood. */
const Read = z.strictObject({
  ...hand,
  moment: z.enum(MOMENTS),
  /** rev/s, °C; the moment's own where they are not given. */
  speed: z.number().min(0).max(500).optional(),
  temperature: z.number().min(-60).max(250).optional(),
  pressure: z.number().min(-1e5).max(1e8),
  with: z.enum(['mechanical', 'sender']).optional(),
})

/** Why a check was left: nobody can say. */
export const NOT_KNOWN = 'not known'

/** An engine whose pressure was wrong or missing, from the first word to what it was. SI, °C. */
export const RecordedCase = z
  .strictObject({
    opened: z.iso.datetime({ offset: true }),
    by: z.string().max(60).optional(),
    /** What it was taken up from, and the run where it was one. */
    from: z.enum(['hand', 'stop', 'prime', 'point']),
    run: z.string().max(80).optional(),
    /** The case before it, of which something was mended while the symptom stayed. */
    after: z.string().max(80).optional(),
    /** In the words of whoever saw it. */
    symptom: words.optional(),
    context: z.enum(CONTEXTS),
    stoodDays: z.number().min(0).max(36_500).optional(),
    moment: z.enum(MOMENTS),
    readings: z.array(Read).max(30),
    observations: z.partialRecord(observation, Seen),
    /** Checks that were left, each with its reason. */
    skipped: z.partialRecord(observation, words).optional(),
    found: z.strictObject({ ...hand, cause: z.string().max(40), words: words.optional() }).optional(),
    mended: z.strictObject({ ...hand, words: words.min(1) }).optional(),
    /** Gauge that proved it, as one of the readings. */
    proof: Read.optional(),
    closed: z.iso.datetime({ offset: true }).optional(),
  })
  .superRefine(({ observations }, context) => {
    for (const [key, seen] of Object.entries(observations))
      if (seen && !(OBSERVATIONS[key as Observation] as readonly string[]).includes(seen.value))
        context.addIssue({
          code: 'custom',
          path: ['observations', key, 'value'],
          message: `“${seen.value}” is none of ${OBSERVATIONS[key as Observation].join(', ')}`,
        })
  })
export type RecordedCase = z.infer<typeof RecordedCase>
