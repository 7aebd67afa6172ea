import { filledFor } from '../record/fill'
import { FILTER_FITMENTS, METHODS, PORTS } from '../parts/primingWords'
import { z } from 'zod'
import { curesFor, safeFilter, STALL_WORDS } from '../prime/cures'
import { modelOf } from '../outlook/model'
import { primeExpectation } from '../prime/prime'
import { primeTimeline } from '../prime/timeline'
import { primeSetUpOf } from '../prime/setUp'
import { build, type BuildFile } from './build'
import { named, notNegative, take } from './take'

/** How to prime, beside the build file's own fields: what is left out is as the build has it. SI, °C. */
export const PrimeWay = z.object({
  method: z.enum(METHODS).optional(),
  filter: z.enum(FILTER_FITMENTS).optional(),
  port: z.enum(PORTS).optional(),
  packing: z.enum(['dry', 'oil', 'assembly-lubricant', 'jelly']).optional(),
  drillSpeed: notNegative.optional(),
  temperature: z.number().min(-40).max(150).optional(),
  tankPressure: notNegative.optional(),
  tankVolume: notNegative.optional(),
})

/** Splits what says how to prime from the build file. */
export function primeInput(input: unknown): { setUp: z.infer<typeof PrimeWay>; file: unknown } {
  if (typeof input !== 'object' || input === null) return { setUp: {}, file: input }
  const own = new Set(Object.keys(PrimeWay.shape))
  const pick = (mine: boolean) => Object.fromEntries(Object.entries(input).filter(([key]) => own.has(key) === mine))
  return { setUp: take(PrimeWay, pick(true)), file: pick(false) }
}

export function prime(input: BuildFile) {
  const { setUp: more, file } = primeInput(input)
  const sheet = build(file)
  const setUp = primeSetUpOf(sheet, Object.fromEntries(Object.entries(more).filter(([, value]) => value !== undefined)))
  const model = named(() => modelOf(filledFor(sheet, 'prime')))
  const { run, pad, gauge, pressure, chance } = named(() => primeTimeline(sheet, setUp))
  const expected = named(() => primeExpectation(sheet, setUp))
  return {
    primed: run.primed,
    timeToPressure: run.timeToPressure ?? null,
    timeToPad: run.timeToPad ?? null,
    timeToGauge: run.timeToGauge ?? null,
    bands: { pad: pad ?? null, gauge: gauge ?? null, pressure: pressure ?? null },
    chance,
    outlets: run.outlets.map(({ label, node, time }) => ({ label, node, time: time ?? null })),
    rested: run.rested,
    pressure: run.pressure,
    ceiling: expected.ceiling,
    expected: { pressure: expected.pressure, low: expected.low, high: expected.high, least: expected.least },
    oil: run.used,
    spilled: run.spilled,
    method: setUp.method,
    filter: setUp.filter,
    safeFilter: safeFilter(model, setUp),
    ...(run.reason
      ? {
          reason: run.reason,
          why: STALL_WORDS[run.reason],
          cures: curesFor(model, run).map(({ key, words, time }) => ({ key, words, time })),
        }
      : {}),
  }
}
