/**
 * Whether what a calibration says of an engine holds: engines whose bearings, pump, spring and sender are off by hidden amounts and whose lifters, jets and drillings are
 * 30 percent off the model's, read at four steady points; it is counted how often the hidden value lies inside the 90 percent interval, and how often a healthy engine's fit
 * is called impossible.
 *
 *   ENGINES=300 npm run bench:calibration
 */
import { scaleBearings } from '../core/engine/engine'
import { oilAt } from '../core/oil/oil'
import { modelOf } from '../core/outlook/model'
import { momentAt, namedStates } from '../core/outlook/states'
import { openingPressure } from '../core/relief/valve'
import { normal, seeded } from '../core/random/random'
import { calibrate } from '../core/start/calibrate'
import { PARAMETERS } from '../core/start/fit'
import { DEMO_BUILDS } from '../demo/make'

const ENGINES = Number(process.env.ENGINES ?? 100)
const Z90 = 1.645
const NAMES = ['ottiline', 'dunmarrow', 'pell'] as const

for (const name of NAMES) {
  const sheet = DEMO_BUILDS[name]()
  const random = seeded(4211)
  const cut = (most = 2.5) => Math.max(-most, Math.min(most, normal(random)))
  const inside = PARAMETERS.map(() => 0)
  const off: number[][] = PARAMETERS.map(() => [])
  let failures = 0
  let states = 0
  for (let engine = 0; engine < ENGINES; engine++) {
    const { values, engine: circuit, oil } = modelOf(sheet)
    const clearance = 0.8 + 0.55 * random()
    const slip = Math.max(0.4, 1 + 0.3 * cut())
    const relief = 0.03 * openingPressure(values.relief) * cut()
    const sender = 10e3 * cut()
    scaleBearings(values, clearance)
    for (const gap of ['endClearance', 'tipClearance'] as const) values.pump[gap] *= Math.cbrt(slip)
    values.relief.freeLength += (relief * values.relief.plungerDiameter ** 2 * Math.PI) / 4 / values.relief.springRate
    // Thirty percent of what each passes: a bore by its square, a gap by its cube; either way.
    const thirty = () => (random() < 0.5 ? 0.7 : 1.3)
    if (values.lifters) values.lifters.gap *= Math.cbrt(thirty())
    if (values.timingJet) values.timingJet.jet *= Math.sqrt(thirty())
    if (values.rockers) values.rockers.restrictor *= Math.sqrt(thirty())
    values.gallery.drilling *= Math.sqrt(thirty())
    values.rod.drilling *= Math.sqrt(thirty())
    values.model.viscosity = 1 + 0.06 * cut()
    values.model.discharge += 0.04 * cut()
    values.model.leakage = 1 + 0.1 * cut()
    values.model.highShear = Math.max(oil.highShearLeast, 1 + oil.highShearSpread * cut())
    values.pump.displacement *= 1 + 0.02 * cut()
    const at = (speed: number, temperature: number) =>
      Math.max(0, circuit.gauge(values, momentAt(sheet, speed, temperature), oilAt(oil, temperature), 1e-6))
    const [, cold, idle, working] = namedStates(sheet)
    const points = [cold, { ...idle, speed: 1.8 * idle.speed }, idle, working].map(({ speed, temperature }) => ({
      speed,
      temperature,
      pressure: Math.max(0, at(speed, temperature) * (1 + 0.015 * cut()) + sender + 5e3 * cut()),
    }))
    const found = calibrate(sheet, points, 100)
    if (found.failed) failures++
    const hidden = [clearance, relief, slip, sender]
    found.fitted.forEach(({ value, sigma }, k) => {
      if (Math.abs(value - hidden[k]) <= Z90 * sigma) inside[k]++
      off[k].push((value - hidden[k]) / sigma)
    })
    const after = found.states.find(({ name: state }) => state === 'idleHot')!.after
    const truth = at(idle.speed, idle.temperature)
    if (truth >= after.low && truth <= after.high) states++
  }
  const percent = (count: number) => `${((100 * count) / ENGINES).toFixed(0)}`
  const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
  console.log(
    `${name.padEnd(10)} ${PARAMETERS.map((parameter, k) => `${parameter} ${percent(inside[k])} (${mean(off[k]).toFixed(2)} σ)`).join('   ')}   idle hot anew ${percent(states)}   called impossible ${percent(failures)}`,
  )
}
