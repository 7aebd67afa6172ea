import { z } from 'zod'

const finite = z.number().refine(Number.isFinite, 'must be a number')
/** By key of an uncertain number of the model. */
const byInput = z.record(z.string().max(140), finite)

/** What a shop's earlier starts say of the model of one build: where its uncertain numbers probably lie, and what of their spread goes. */
export const Experience = z.strictObject({
  /** Engines that it was learnt from, and readings of their gauges. */
  engines: z.number().int().min(1),
  readings: z.number().int().min(1),
  /** How their gauges read beside the prediction, in the mean and with its standard deviation from engine to engine, as shares. */
  mean: finite,
  spread: finite,
  /** Names the running oil that it was made for: what was learnt of an oil says nothing of another. */
  oil: z.string().max(300),
  /** Where each number probably lies from its best value, in its standard uncertainties; `oil` where it is the oil's own. */
  shift: byInput,
  oils: z.array(z.string().max(140)).max(20),
  /** Directions, of length one, along which the numbers are known better together than alone, and the share of the spread that stays along each. */
  directions: z.array(z.strictObject({ stays: z.number().min(0).max(1), along: byInput })).max(8),
})
export type Experience = z.infer<typeof Experience>
