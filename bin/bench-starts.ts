/** A thousand healthy simulated starts, none of which may be stopped, and a thousand faulty ones, each of which must be, before its limit. */
import { DEMO_BUILDS } from '../demo/make'
import { trialStart } from '../core/rig/trial'
import { expectationOf } from '../core/start/expectation'
import { watchRules } from '../core/start/watchRules'
import { HARD_LIMIT } from '../core/start/verdict'
import { SUSPECTED } from '../core/start/suspects'
import { faultOf } from '../core/engine/faults'

const EACH = Number(process.env.STARTS ?? 1000)
/** What has gone wrong must be stopped within so long of when it can be read: no pressure by the hard limit, over the limit at once, too low within the ten seconds of speeds behind a reading and the house’s five, lost within six. */
const LIMITS = { 'no-pressure': HARD_LIMIT, 'over-limit': 3, 'under-band': 16, falling: 15, lost: 6 }
const began = performance.now()
const builds = (['ottiline', 'dunmarrow'] as const).map((name) => {
  const sheet = DEMO_BUILDS[name]()
  return { sheet, rules: watchRules(sheet), expectation: expectationOf(sheet) }
})
const of = (seed: number) => builds[seed % builds.length]

let falseStops = 0
for (let seed = 1; seed <= EACH; seed++) {
  const { stop } = trialStart(of(seed).sheet, of(seed).rules, of(seed).expectation, seed)
  if (!stop) continue
  falseStops++
  console.log(`  false stop, seed ${seed}: ${stop.code} at ${stop.time.toFixed(1)} s`)
}
console.log(`${EACH} healthy starts: ${falseStops} stopped, in ${((performance.now() - began) / 1000).toFixed(0)} s`)

let missed = 0
let late = 0
const codes: Record<string, Record<string, number>> = {}
for (let seed = 1; seed <= EACH; seed++) {
  const { sheet, rules, expectation } = of(seed)
  const key = SUSPECTED[seed % SUSPECTED.length]
  const severity = (Math.floor(seed / SUSPECTED.length) % 21) / 20
  const { stop, last, firedAt, underSince, lostSince } = trialStart(sheet, rules, expectation, 10_000 + seed, {
    key,
    severity,
  })
  const own = (codes[key] ??= {})
  own[stop?.code ?? 'missed'] = (own[stop?.code ?? 'missed'] ?? 0) + 1
  if (!stop) {
    missed++
    continue
  }
  // A pickup shows once it is out of the oil; wide bearings once the oil is thin enough that the relief valve no longer holds the gauge up.
  const shows =
    key === 'uncovered'
      ? faultOf(key, sheet.layout, severity).uncoversAfter!
      : stop.code === 'under-band'
        ? Math.max(0, (underSince ?? last) - firedAt)
        : stop.code === 'lost'
          ? Math.max(0, (lostSince ?? last) - firedAt)
          : 0
  if (last - firedAt - shows > LIMITS[stop.code]) {
    late++
    console.log(
      `  late, seed ${seed}, ${key} ${severity}: ${stop.code} ${(last - firedAt - shows).toFixed(1)} s after it shows`,
    )
  }
}
for (const [key, own] of Object.entries(codes))
  console.log(
    `  ${key.padEnd(12)} ${Object.entries(own)
      .map(([code, count]) => `${code} ${count}`)
      .join(', ')}`,
  )
console.log(
  `${EACH} faulty starts: ${missed} missed, ${late} after their limit, all in ${((performance.now() - began) / 1000).toFixed(0)} s`,
)
if (falseStops + missed + late > 0) process.exitCode = 1
