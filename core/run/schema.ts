import { z } from 'zod'
import { SheetOil } from '../record/schema'
import { FAULT_KEYS } from '../engine/faults'
import { CHANNEL, CHANNELS } from './channels'

/** A simulated engine, as a run keeps it. */
const RigSetUp = z.strictObject({
  seed: z
    .number()
    .int()
    .min(0)
    .max(2 ** 31),
  /** Simulated seconds in a second. */
  pace: z.number().min(0.1).max(100),
  fault: z.strictObject({ key: z.enum(FAULT_KEYS), severity: z.number().min(0).max(1) }).optional(),
  /** Kept from the page until the run is over. */
  hidden: z.boolean().optional(),
  /** Clearances over what was recorded; drawn when left out. */
  clearance: z.number().min(0.5).max(2).optional(),
  /** A mechanical gauge beside the sender. */
  mechanicalGauge: z.boolean().optional(),
  /** Seconds that it stood since it was primed. */
  stood: z.number().min(0).max(1e8).optional(),
})
export type RigSetUp = z.infer<typeof RigSetUp>

/** How a run was set up: what was to be done, and where its readings come from. */
export const RunSetUp = z.strictObject({
  stage: z.enum(['check', 'last']).optional(),
  method: z.string().max(20).optional(),
  filter: z.string().max(20).optional(),
  source: z.enum(['hand', 'logger', 'serial', 'camera', 'file', 'rig']),
  rig: RigSetUp.optional(),
  /** The oil that was in the engine: what is filled in later does not change what the run was. */
  oil: SheetOil.optional(),
  /** Conditions that were passed over, with their reasons. */
  passed: z
    .array(z.strictObject({ gate: z.string().max(1000), reason: z.string().trim().min(1).max(500) }))
    .max(40)
    .optional(),
})
export type RunSetUp = z.infer<typeof RunSetUp>

export const NewRun = z.strictObject({
  id: z.uuid(),
  kind: z.enum(['prime', 'start']),
  setup: RunSetUp,
  who: z.string().trim().min(1).max(60),
  startedAt: z.iso.datetime({ offset: true }).optional(),
  /** By the sender's own clock, ms: when it began, and when this was sent. Only what lies between them counts: clocks may be years out. */
  begunAt: z.number().optional(),
  sentAt: z.number().optional(),
})
export type NewRun = z.infer<typeof NewRun>

const channel = Object.fromEntries(
  CHANNELS.map((key) => [key, z.number().min(CHANNEL[key].range[0]).max(CHANNEL[key].range[1]).optional()]),
) as Record<(typeof CHANNELS)[number], z.ZodOptional<z.ZodNumber>>
/** A sample as any logger may send it: seconds since the run began, or without a time as it comes; SI, °C. */
export const SampleBody = z.strictObject({ time: z.number().min(0).max(1e6).optional(), ...channel })
export type SampleBody = z.infer<typeof SampleBody>

/** What happens in a run beside its readings. */
export const RunEvent = z.strictObject({
  clientKey: z.uuid(),
  time: z.number().min(0).max(1e6),
  kind: z.enum(['act', 'seen', 'mark', 'point', 'word', 'stop', 'note', 'end', 'fired', 'turn', 'oil', 'found']),
  words: z.string().max(500).default(''),
  data: z.record(z.string().max(40), z.union([z.number(), z.string().max(200), z.boolean(), z.null()])).default({}),
  who: z.string().trim().min(1).max(60),
})
export type RunEvent = z.infer<typeof RunEvent>
