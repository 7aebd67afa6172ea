/**
 * Speed of the model, medians with the target of each figure. `npm run bench`. Nothing here fails: a busy machine is slow.
 */
import { DEMO_BUILDS } from '../demo/make'
import { FULL_SAMPLES, outlookOf, QUICK_SAMPLES } from '../core/outlook/outlook'
import { pressureBands } from '../core/outlook/band'
import { gaugePressure, modelOf } from '../core/outlook/model'
import { pressureCurves } from '../core/outlook/curves'
import { namedStates } from '../core/outlook/states'

/** Median of the times of `rounds` calls, ms, after some that warm up. */
function median(rounds: number, work: () => void): number {
  for (let i = 0; i < Math.min(20, rounds); i++) work()
  const times = Array.from({ length: rounds }, () => {
    const began = performance.now()
    work()
    return performance.now() - began
  }).sort((a, b) => a - b)
  return times[Math.floor(rounds / 2)]
}

const sheet = DEMO_BUILDS.ottiline()
const model = modelOf(sheet)
const states = namedStates(sheet)
let turn = 0
const rows: [what: string, took: string, target: string][] = [
  ['one warm circuit solve, six cylinders', `${(1000 * median(2000, () => gaugePressure(model, { ...states[2], speed: states[2].speed * (1 + 0.01 * Math.sin(turn++)) }))).toFixed(0)} µs`, '25 µs'],
  [`nodes of that circuit`, String(model.engine.circuit.network.nodes.length), 'about 40'],
  [`outlook while typing, ${QUICK_SAMPLES} samples with shares`, `${median(30, () => outlookOf(sheet)).toFixed(0)} ms`, 'inside 100 ms with the screen'],
  ['band of 2,000 samples on four states', `${median(5, () => pressureBands(model, states, 2000)).toFixed(0)} ms`, '400 ms'],
  [`outlook in full, ${FULL_SAMPLES} samples`, `${median(5, () => outlookOf(sheet, FULL_SAMPLES)).toFixed(0)} ms`, '-'],
  ['curves over speed at three temperatures, with bands', `${median(5, () => pressureCurves(sheet)).toFixed(0)} ms`, '-'],
]
for (const [what, took, target] of rows) console.log(`${what.padEnd(58)} ${took.padStart(9)}   target ${target}`)
