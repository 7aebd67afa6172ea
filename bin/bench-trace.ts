/**
 * A thousand simulated cases, severities and priors drawn wider than the tables', each traced to its end by the checks that
 * Uldo itself proposes: how often the true cause comes first and among the first three, how many checks that takes, and
 * whether what is said to be likely is so.
 *
 *   npm run bench:trace
 *   CASES=200 npm run bench:trace
 *   FROM=1000 npm run bench:trace   a thousand others, that nothing was set by
 */
import { DEMO_BUILDS } from '../demo/make'
import { drawCase, traceToTheEnd } from '../core/rig/tracedCases'
import { prepareTracer } from '../core/trace/trace'
import { median } from '../core/quantity/mean'

const CASES = Number(process.env.CASES ?? 1000)
const FROM = Number(process.env.FROM ?? 0)
const BUILDS = ['ottiline', 'talvik', 'dunmarrow', 'pell'] as const
const tally = { first: 0, three: 0, tooEarly: 0 }
const checks: number[] = []
const said: { probability: number; right: boolean }[] = []
const missed = new Map<string, number>()
const per = new Map<string, [number, number]>()
for (let seed = FROM; seed < FROM + CASES; seed++) {
  const sheet = DEMO_BUILDS[BUILDS[seed % BUILDS.length]]()
  const drawn = drawCase(sheet, seed)
  const { trace, made, tooEarly } = traceToTheEnd(prepareTracer(sheet), drawn)
  const place = trace.causes.findIndex(({ cause }) => cause === drawn.cause)
  if (place === 0) tally.first++
  else
    missed.set(
      `${drawn.cause} taken for ${trace.causes[0].cause}`,
      (missed.get(`${drawn.cause} taken for ${trace.causes[0].cause}`) ?? 0) + 1,
    )
  const own = per.get(drawn.cause) ?? [0, 0]
  per.set(drawn.cause, [own[0] + (place === 0 ? 1 : 0), own[1] + 1])
  if (place >= 0 && place < 3) tally.three++
  if (tooEarly) tally.tooEarly++
  checks.push(made.length)
  for (const { cause, probability } of trace.causes)
    if (probability > 0.02) said.push({ probability, right: cause === drawn.cause })
}
const percent = (of: number) => `${((100 * of) / CASES).toFixed(1)} percent`
console.log(
  `${CASES} cases: the true cause first in ${percent(tally.first)} (70 wanted), among the first three in ${percent(tally.three)} (90)`,
)
console.log(`checks: median ${median(checks)}, most ${Math.max(...checks)}; teardown too early ${tally.tooEarly}`)
for (const [from, to] of [
  [0.02, 0.1],
  [0.1, 0.3],
  [0.3, 0.5],
  [0.5, 0.7],
  [0.7, 0.9],
  [0.9, 1.01],
]) {
  const of = said.filter(({ probability }) => probability >= from && probability < to)
  const mean = of.reduce((sum, { probability }) => sum + probability, 0) / of.length
  console.log(
    `said ${(100 * mean).toFixed(0)} percent (${of.length} times): ${((100 * of.filter(({ right }) => right).length) / of.length).toFixed(0)} percent are so`,
  )
}
console.log(
  [...per]
    .sort((a, b) => a[1][0] / a[1][1] - b[1][0] / b[1][1])
    .map(([cause, [right, all]]) => `${cause} ${right}/${all}`)
    .join('  '),
)
console.log(
  [...missed]
    .sort((a, b) => b[1] - a[1])
    .slice(0, 14)
    .map(([words, count]) => `${words} ${count}`)
    .join('; '),
)
