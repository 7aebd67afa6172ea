/** A thousand healthy starts by other hands, none of which may be stopped, and a thousand faulty ones, each of which must be called in time: by a generator that shares nothing with the rig. */
import { buildCases } from './lib/starts/engine'
import { judgeStart } from './lib/starts/judge'

const EACH = Number(process.env.STARTS ?? 1000)
const began = performance.now()
const builds = buildCases()
let wrong = 0
const tally: Record<string, number> = {}
for (let seed = 1; seed <= EACH; seed++) {
  const { stop, manner } = judgeStart(builds, seed, false)
  if (!stop) continue
  wrong++
  console.log(
    `  false stop, seed ${seed}, ${builds[seed % builds.length].name}: ${stop.code} at ${stop.time.toFixed(1)} s, ${JSON.stringify(manner)}`,
  )
}
console.log(
  `${EACH} healthy starts of another generator: ${wrong} stopped, in ${((performance.now() - began) / 1000).toFixed(0)} s`,
)
let late = 0
for (let seed = 1; seed <= EACH; seed++) {
  const { stop, manner, wrong: kind, fault } = judgeStart(builds, seed, true)
  const key = `${kind.kind}: ${stop?.code ?? 'no stop'}`
  tally[key] = (tally[key] ?? 0) + 1
  if (!fault) continue
  late++
  console.log(
    `  ${fault}, seed ${seed}, ${builds[seed % builds.length].name}, ${kind.kind} after ${kind.after.toFixed(0)} s: ${JSON.stringify(manner)}`,
  )
}
for (const [key, count] of Object.entries(tally).sort()) console.log(`  ${key.padEnd(28)} ${count}`)
console.log(
  `${EACH} faulty starts of another generator: ${late} missed or late, all in ${((performance.now() - began) / 1000).toFixed(0)} s`,
)
if (wrong + late > 0) process.exitCode = 1
