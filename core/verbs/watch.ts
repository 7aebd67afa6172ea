import { z } from 'zod'
import { expectationOf } from '../start/expectation'
import { prepareWatch } from '../start/watch'
import { watchRules } from '../start/watchRules'
import type { Stop, WatchCode } from '../start/watchTypes'
import { build } from './build'
import { take } from './take'

const Sample = z.object({
  time: z.number(),
  rpm: z.number().min(0).optional(),
  pressure: z.number().optional(),
  gauge: z.number().optional(),
  temperature: z.number().min(-100).max(300).optional(),
})
export const WatchInput = z.object({
  build: z.unknown(),
  runs: z
    .array(
      z.object({ samples: z.array(Sample).max(2_000_000), fired: z.number().optional(), off: z.number().optional() }),
    )
    .max(10_000),
})

/** The watch over recorded starts: the very one of the page and the server. */
export function watch(input: z.input<typeof WatchInput>) {
  const { build: file, runs } = take(WatchInput, input)
  const sheet = build(file)
  const rules = watchRules(sheet)
  const expectation = expectationOf(sheet)
  return {
    runs: runs.map(({ samples, fired, off }) => {
      const over = prepareWatch(rules, expectation)
      const watches: { time: number; code: WatchCode }[] = []
      let standing: WatchCode[] = []
      let firstPressure: number | undefined
      let stop: Stop | undefined
      let offSaid = false
      for (const { rpm, ...sample } of samples) {
        if (fired !== undefined && !offSaid && sample.time >= fired) over.fired(fired)
        if (off !== undefined && !offSaid && sample.time >= off) {
          over.off()
          offSaid = true
        }
        const seen = over.take({ ...sample, ...(rpm === undefined ? {} : { speed: rpm / 60 }) })
        firstPressure ??= seen.firstPressure
        for (const code of seen.watches) if (!standing.includes(code)) watches.push({ time: seen.time, code })
        standing = seen.watches
        if (seen.stop) {
          stop = seen.stop
          break
        }
      }
      return {
        ...(firstPressure === undefined ? {} : { firstPressure }),
        ...(stop ? { stop: { time: stop.time, code: stop.code, reading: stop.reading, limit: stop.limit } } : {}),
        watches,
      }
    }),
  }
}
