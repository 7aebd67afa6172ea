/**
 * Speed of the model, medians with the target of each figure. `npm run bench`. Nothing here fails: a busy machine is slow.
 */
import { DEMO_BUILDS } from '../demo/make'
import { prepareCircuit } from '../core/circuit/solve'
import { prepareBearing } from '../core/film/bearing'
import { combinationsOf } from '../core/finder/combinations'
import { findSetups } from '../core/finder/find'
import type { Offer } from '../core/finder/types'
import { newSheet } from '../core/record/layouts'
import { oilAt } from '../core/oil/oil'
import { OIL_GRADES } from '../core/oil/grades'
import { engineOrbits } from '../core/outlook/orbits'
import { pressureBands } from '../core/outlook/band'
import { pressureCurves } from '../core/outlook/curves'
import { MAP_SIZE, outlookMap } from '../core/outlook/map'
import { gaugePressure, modelOf } from '../core/outlook/model'
import { outlookOf } from '../core/outlook/outlook'
import { FULL_SAMPLES, QUICK_SAMPLES } from '../core/outlook/solved'
import { namedStates } from '../core/outlook/states'
import { filledFor } from '../core/record/fill'
import { nextChecks } from '../core/trace/nextChecks'
import { prepareTracer } from '../core/trace/trace'
import type { TraceCase } from '../core/trace/vocabulary'
import { weigh } from '../core/trace/weigh'
import { independentEngine, leakTree } from './lib/independent'

/** Time of `rounds` calls of which a share takes no longer, ms, after some that warm up. */
function timed(rounds: number, share: number, work: () => void): number {
  for (let i = 0; i < Math.min(50, rounds); i++) work()
  const times = Array.from({ length: rounds }, () => {
    const began = performance.now()
    work()
    return performance.now() - began
  }).sort((a, b) => a - b)
  return times[Math.floor(rounds * share)]
}
const median = (rounds: number, work: () => void) => timed(rounds, 0.5, work)
const percentile95 = (rounds: number, work: () => void) => timed(rounds, 0.95, work)

const ms = (value: number) => `${value < 10 ? value.toFixed(1) : value.toFixed(0)} ms`
const us = (value: number) => `${(1000 * value).toFixed(1)} µs`
/** Nanoseconds of one multiply-add in a chain on a core of 2.5 GHz that nothing else disturbs. */
const UNDISTURBED = 1.6
/** A figure as it was measured, and as it would be at an undisturbed core's pace, by the pace of this one just then. */
function row(what: string, took: string, target: string) {
  const time = /^([\d.]+) (ms|µs)$/.exec(took)
  const steady = time ? `${Number(((Number(time[1]) * UNDISTURBED) / pace()).toPrecision(3))} ${time[2]}` : ''
  console.log(
    `${what.padEnd(66)} ${took.padStart(9)} ${steady.padStart(9)}   ${target === '-' ? '' : `target ${target}`}`,
  )
}

/** Warm solves of one engine as its speed wanders by a percent; what setting the elements takes is told apart. */
function circuit(name: string, sheet = DEMO_BUILDS.ottiline()) {
  const model = modelOf(sheet)
  const { engine } = model
  const states = namedStates(sheet)
  const wandering = { ...states[2] }
  const oil = oilAt(model.oil, wandering.temperature)
  const fluid = { density: oil.density, viscosity: oil.viscosity }
  gaugePressure(model, wandering)
  let turn = 0
  const wander = () => (wandering.speed = states[2].speed * (1 + 0.01 * Math.sin(turn++)))
  const set = () => {
    wander()
    engine.set(model.values, wandering, oil)
  }
  const setAndSolve = () => {
    set()
    engine.circuit.solve(fluid)
  }
  // Both are compiled before either is timed.
  for (let i = 0; i < 4000; i++) setAndSolve()
  const setting = median(4000, set)
  const both = median(4000, setAndSolve)
  row(`one warm circuit solve, ${name}, ${engine.circuit.network.nodes.length} nodes`, us(both - setting), '25 µs')
  row('  and setting its elements from the build', us(setting), '-')
}

/** Sum of squares, each addition waiting for the one before. */
function chain(numbers: Float64Array): number {
  let sum = 0
  for (let round = 0; round < 100; round++) for (let i = 0; i < numbers.length; i++) sum += numbers[i] * numbers[i]
  return sum
}
/** Nanoseconds of one multiply-add in a chain: tells how much of the processor this machine gives just now. */
function pace(): number {
  const numbers = Float64Array.from({ length: 1000 }, (_, i) => Math.sin(i))
  return (median(50, () => void chain(numbers)) / 100_000) * 1e6
}

const sheet = DEMO_BUILDS.ottiline()
console.log(`${''.padEnd(66)} ${'measured'.padStart(9)} ${'undisturbed'.padStart(11)}`)
row(
  'pace of this machine: one multiply-add in a chain',
  `${pace().toFixed(1)} ns`,
  `about ${UNDISTURBED} ns at 2.5 GHz undisturbed`,
)
circuit('demo six')
const full = newSheet('inline6', 'a', 'b')
Object.assign(full.layout, { cooler: true, turbo: true, pistonJets: 6, tensioner: true, camBearings: 7 })
circuit('six with every outlet', full)

row(`outlook map, ${MAP_SIZE.join(' by ')}`, ms(median(15, () => outlookMap(sheet))), '60 ms')
const plain = prepareBearing({
  diameter: 0.066,
  length: 0.0245,
  radialClearance: 2.8e-5,
  speed: 50,
  viscosity: 0.01,
  feedPressure: 0,
  feed: { kind: 'axial' },
})
const loads = [800, 5000, 2000, 9000, 3500]
let turn = 0
row('film equilibrium, standard grid, axial feed', ms(median(60, () => plain.carry(loads[turn++ % 5]))), '8 ms')
const grooved = prepareBearing({
  diameter: 0.066,
  length: 0.0245,
  radialClearance: 2.8e-5,
  speed: 50,
  viscosity: 0.01,
  feedPressure: 3e5,
  feed: { kind: 'groove', arc: Math.PI, centre: Math.PI, width: 0.005, from: 'load' },
})
row(
  'the same with a groove that stands in the upper shell',
  ms(median(60, () => grooved.carry(loads[turn++ % 5]))),
  '8 ms',
)
row(
  'orbit of one bearing over a cycle, with its loads',
  ms(median(15, () => engineOrbits(sheet, { speed: 53, temperature: 95 }).next())),
  '40 ms',
)
row(
  'orbits of the whole engine, 13 bearings',
  ms(median(5, () => [...engineOrbits(sheet, { speed: 53, temperature: 95 })])),
  '1000 ms',
)
const model = modelOf(sheet)
const states = namedStates(sheet)
row('band of 2,000 samples on four states', ms(median(5, () => pressureBands(model, states, 2000))), '400 ms')
row(
  `outlook while typing, ${QUICK_SAMPLES} samples with shares`,
  ms(median(30, () => outlookOf(sheet))),
  'inside 100 ms with the screen',
)
row(`outlook in full, ${FULL_SAMPLES} samples`, ms(median(5, () => outlookOf(sheet, FULL_SAMPLES))), '-')
row('curves over speed at three temperatures, with bands', ms(median(5, () => pressureCurves(sheet))), '-')

const several = (count: number) => Array.from({ length: count }, (_, i) => i)
const offer: Offer = {
  springs: several(24).map((i) => ({
    id: `spring ${i}`,
    springRate: 4500 + 150 * i,
    freeLength: 0.047 + 0.0001 * i,
    solidLength: 0.027,
  })),
  stacks: several(24).map((i) => ({ id: `${i / 10} mm`, thickness: 1e-4 * i })),
  oils: OIL_GRADES.slice(0, 3).map((figures) => ({ id: figures.name, figures })),
  pumps: several(4).map((i) => ({
    id: `pump ${i}`,
    displacement: (13 + i) * 1e-6,
    rotorDiameter: 0.04,
    rotorLength: 0.02 + 0.001 * i,
    endClearance: 70e-6,
    tipClearance: 90e-6,
  })),
  shells: several(3).map((i) => ({ id: `shells ${i}`, mains: -12e-6 * i, rods: -12e-6 * i })),
}
const began = performance.now()
let first = 0
for (const progress of findSetups(sheet, offer))
  if (first === 0 && progress.frontier.length > 0) first = performance.now() - began
row(`finder over ${combinationsOf(offer).toLocaleString('en-GB')} set-ups`, ms(performance.now() - began), '5000 ms')
row('  its first answers', ms(first), '300 ms')

const generator = DEMO_BUILDS.dunmarrow()
const traced = (observations: TraceCase['observations']): TraceCase => ({
  context: 'ran',
  moment: 'idle-hot',
  readings: [
    { moment: 'idle-hot', pressure: 0.8e5, with: 'sender' },
    { moment: 'working-hot', pressure: 2.6e5, with: 'sender' },
  ],
  observations,
})
row('trace, V8: likelihoods prepared', ms(median(3, () => prepareTracer(generator).trace(traced({})))), '-')
const tracer = prepareTracer(generator)
const answers = [{}, { 'oil-level': 'full' }, { 'oil-level': 'full', drive: 'turns', needle: 'swings' }] as const
const simulated = tracer.simulated(traced({}))
const filled = filledFor(generator, 'start')
row(
  'trace, V8: posterior after an answer, 95th percentile',
  ms(percentile95(60, () => weigh(filled, simulated, traced(answers[turn++ % 3])))),
  '150 ms',
)
const weighed = weigh(filled, simulated, traced(answers[2]))
row(
  'trace, V8: next checks, 95th percentile',
  ms(percentile95(60, () => nextChecks(filled, traced(answers[2]), weighed))),
  '400 ms',
)

const network = leakTree(20)
const fluid = { density: 850, viscosity: 0.09 }
const ours = prepareCircuit(network)
const other = await independentEngine(network, fluid)
let nudge = 0
const ourTime = median(2000, () => {
  network.nodes[0].pressure = 4e5 * (1 + 0.01 * Math.sin(nudge++))
  ours.solve(fluid)
})
const coldTime = median(2000, () => {
  ours.reset()
  ours.solve(fluid)
})
const otherTime = median(200, () => other.solve())
network.nodes[0].pressure = 4e5
ours.solve(fluid)
const apart = Math.max(
  ...network.nodes
    .filter((node) => node.pressure === undefined)
    .map((node) => Math.abs(other.pressure(node.id) - ours.pressures[ours.indexOf(node.id)])),
)
console.log('\nThe same 20-node tree of pipes and linear leaks, laminar:')
row('  ours, warm', us(ourTime), '-')
row('  ours, from a cold start', us(coldTime), '-')
row('  EPANET as WebAssembly, one hydraulic solve', us(otherTime), '-')
row('  largest difference in pressure', `${apart.toFixed(1)} Pa`, 'of 400,000')
row('pace of this machine at the end', `${pace().toFixed(1)} ns`, '-')
