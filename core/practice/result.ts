import { z } from 'zod'
import { CAUSES } from '../trace/priors'
import { HARDNESS } from './task'

const count = z.number().int().min(0).max(1000)
const amount = z.number().min(0).max(1e6)

/** What an exercise at the bench came to. Minutes, prices in sump gaskets, s of dry journals. */
const BenchResult = z.strictObject({
  kind: z.literal('bench'),
  engine: z.string().trim().min(1).max(120),
  /** What it can be shared by; an engine of the shop's own has none. */
  code: z.string().max(20).optional(),
  hardness: z.enum(HARDNESS),
  cause: z.enum(CAUSES),
  found: z.boolean(),
  points: z.number().int().min(0).max(100),
  minutes: amount,
  shortest: amount,
  parts: amount,
  dry: amount,
  checks: count,
  wrongRepairs: count,
  helped: count,
})

/** What twenty starts came to; s. */
const DrillResult = z.strictObject({
  kind: z.literal('drill'),
  engine: z.string().trim().min(1).max(120),
  starts: count,
  right: count,
  falseStops: count,
  missed: count,
  reaction: z.number().min(-60).max(60).optional(),
  late: amount,
})

export const PracticeResult = z.discriminatedUnion('kind', [BenchResult, DrillResult])
export type PracticeResult = z.infer<typeof PracticeResult>

/** A result as it is kept, with whose it is; at the server's time. */
export interface KeptResult {
  id: string
  person: string
  at: string
  result: PracticeResult
}
