import { z } from 'zod'
import { usableSheet } from '../engine/usableSheet'
import { trendOf, type Meeting } from '../logbook/trend'
import { trendVerdict } from '../logbook/trendVerdict'
import { build, type BuildFile } from './build'
import { named, take } from './take'

/** The day that the verdict is for, beside the build file's own fields: ISO 8601. Left out, it is that of the last reading. */
export const TrendDay = z.object({ today: z.iso.datetime({ offset: true }).or(z.iso.date()).optional() })

const day = (ms: number) => new Date(ms).toISOString()

/**
 * Where hot idle goes with the engine's age, by the readings of its start and its service log. Pa; ages since the first start in s of running, m or s, as `by` says.
 *
 * @returns `trend` is null where hot idle was never read on this engine, or what is in `void` leaves it without a prediction
 */
export function trend(input: BuildFile & z.input<typeof TrendDay>) {
  const { today, ...file } = input
  const asked = take(TrendDay, { today })
  const sheet = build(file)
  const found = named(() => trendOf(sheet))
  const cannot = usableSheet(sheet).voids.map(({ path, message, about }) => ({ path, message, about }))
  if (!found) return { trend: null, void: cannot }
  const { by, points, left, floor, now, change, told, meets, curve, pace } = found
  const met = (meeting?: Meeting) => (meeting ? { age: meeting.run, at: day(meeting.at) } : null)
  return {
    trend: {
      by,
      verdict: trendVerdict(found, asked.today ? Date.parse(asked.today) : points.at(-1)!.at),
      now,
      floor,
      change,
      told,
      meets: { earliest: met(meets.earliest), expected: met(meets.expected), latest: met(meets.latest) },
      points: points.map(({ key, at, by: who, run, read, standard, sigma }) => ({
        key,
        at: day(at),
        ...(who ? { by: who } : {}),
        age: run,
        read,
        standard,
        sigma,
      })),
      left,
      curve: curve.map(({ run, at, pressure, low, high }) => ({ age: run, at: day(at), pressure, low, high })),
      pace,
    },
    void: cannot,
  }
}
