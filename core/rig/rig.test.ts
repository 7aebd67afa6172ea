import type { BriefField } from '../parts/list'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { requireValue } from '../engine/values'
import { gaugePressure, modelOf } from '../outlook/model'
import { namedStates } from '../outlook/states'
import type { RigAction } from '../run/actions'
import { type EngineRig, prepareEngineRig } from './engine'
import { type PrimeSample, preparePrimeRig } from './prime'
import { drawTruth, prepareInstruments, type RigSpec, SENDER, type Truth } from './rig'

const sheet = DEMO_BUILDS.ottiline()
const start = (more: Partial<RigSpec> = {}): RigSpec => ({ kind: 'start', seed: 3, pace: 1, ...more })
const instrumentsOf = (more: Partial<Truth>, spec: Partial<RigSpec> = {}) =>
  prepareInstruments({ ...drawTruth(sheet, { seed: 1 }), offset: 0, ...more }, { seed: 1, ...spec })
const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
/** Runs a rig for some seconds at ten readings a second. */
const run = (rig: EngineRig, action: RigAction, seconds: number) => {
  rig.act(action)
  return Array.from({ length: Math.round(10 * seconds) }, () => rig.advance(0.1))
}

describe('the hidden truth', () => {
  it('is the same for an engine number, another for the next, and never the record itself', () => {
    expect(drawTruth(sheet, { seed: 5 })).toEqual(drawTruth(sheet, { seed: 5 }))
    expect(drawTruth(sheet, { seed: 6 }).values.main.clearance).not.toEqual(
      drawTruth(sheet, { seed: 5 }).values.main.clearance,
    )
    expect(drawTruth(sheet, { seed: 5 }).values.main.clearance).not.toEqual(modelOf(sheet).values.main.clearance)
  })
  it('differs from the record by what was uncertain of it: no input by more than two and a half sigma, and as often up as down', () => {
    const recorded = modelOf(sheet).values.main.clearance
    const sigmas = Array.from({ length: 200 }, (_, seed) =>
      drawTruth(sheet, { seed }).values.main.clearance.map((each, i) => each - recorded[i]),
    ).flat()
    expect(Math.abs(mean(sigmas))).toBeLessThan(1e-6)
    expect(Math.max(...sigmas.map(Math.abs))).toBeLessThan(15e-6)
    expect(sigmas.filter((each) => each > 0).length / sigmas.length).toBeGreaterThan(0.4)
  })
  it('a wanted clearance scales every main and rod of the same engine', () => {
    const [plain, wide] = [undefined, 1.3].map((clearance) => drawTruth(sheet, { seed: 9, clearance }).values)
    wide.main.clearance.forEach((each, i) => expect(each / plain.main.clearance[i]).toBeCloseTo(1.3, 12))
    expect(wide.pump.endClearance).toBe(plain.pump.endClearance)
  })
})

describe('instruments', () => {
  it('a sender lags by a first order: 63 percent after its time constant, whatever the step of the clock', () => {
    for (const step of [0.01, 0.05, 0.25]) {
      const instruments = instrumentsOf({}, {})
      let shown = 0
      for (let t = 0; t < SENDER.lag - 1e-9; t += step) shown = instruments.read(step, 4e5).pressure
      expect(Math.abs(shown / 4e5 - (1 - Math.exp(-1)))).toBeLessThan((4 * SENDER.noise) / 4e5)
    }
  })
  it('shows its gain and offset, with its noise, and never less than nothing', () => {
    const instruments = instrumentsOf({ gain: 0.7, offset: 6e3 })
    for (let i = 0; i < 100; i++) instruments.read(0.1, 3e5)
    const shown = Array.from({ length: 2000 }, () => instruments.read(0.1, 3e5).pressure)
    expect(mean(shown)).toBeCloseTo(0.7 * 3e5 + 6e3, -3)
    expect(Math.sqrt(mean(shown.map((each) => (each - mean(shown)) ** 2))) / SENDER.noise).toBeCloseTo(1, 0)
    for (let i = 0; i < 100; i++) expect(instruments.read(0.1, 0).pressure).toBeGreaterThanOrEqual(0)
  })
  it('a mechanical gauge is there only where one is fitted, and knows nothing of the sender’s gain', () => {
    expect(instrumentsOf({}).read(0.1, 3e5).gauge).toBeUndefined()
    const instruments = instrumentsOf({ gain: 0.6 }, { mechanicalGauge: true })
    let shown = instruments.read(0.1, 3e5)
    for (let i = 0; i < 60; i++) shown = instruments.read(0.1, 3e5)
    expect(shown.gauge! / 3e5).toBeCloseTo(1, 1)
    expect(shown.pressure / 3e5).toBeLessThan(0.7)
  })
})

describe('a simulated engine', () => {
  it('gives the same readings for the same number and hands, and others for another', () => {
    const readings = (seed: number) => run(prepareEngineRig(sheet, start({ seed })), 'crank', 2)
    expect(readings(4)).toEqual(readings(4))
    expect(readings(5)).not.toEqual(readings(4))
  })
  it('comes to the speeds of the brief, and its oil to the brief’s hot oil when it has worked', () => {
    const rig = prepareEngineRig(sheet, start(), 10)
    const ends = (samples: ReturnType<typeof run>) => mean(samples.slice(-20).map(({ speed }) => speed!))
    const of = (key: BriefField) => requireValue(sheet, `brief.${key}`).value
    expect(ends(run(rig, 'crank', 6)) / of('crankingSpeed')).toBeCloseTo(1, 1)
    expect(ends(run(rig, 'fire', 8)) / of('coldIdleSpeed')).toBeCloseTo(1, 1)
    const working = run(rig, 'working', 60)
    expect(ends(working) / of('workingSpeed')).toBeCloseTo(1, 1)
    expect(working.at(-1)!.temperature).toBeGreaterThan(of('hotOil') - 3)
    expect(working.at(-1)!.temperature).toBeLessThan(of('hotOil') + 10)
    for (let i = 10; i < working.length; i++)
      expect(working[i].temperature! - working[i - 10].temperature!).toBeGreaterThan(-2)
    expect(ends(run(rig, 'stop', 8))).toBeLessThan(0.1)
  })
  it('hot and steady its gauge port has what its own hidden circuit gives', () => {
    const rig = prepareEngineRig(sheet, start({ stood: 60 }), 10)
    run(rig, 'fire', 5)
    run(rig, 'working', 60)
    const samples = run(rig, 'idle', 30)
    const model = modelOf(sheet)
    const idle = namedStates(sheet)[2]
    const own = gaugePressure(
      { ...model, values: rig.truth.values },
      { ...idle, temperature: samples.at(-1)!.temperature! },
    )
    expect(rig.pressure() / own).toBeCloseTo(1, 1)
    // Behind the sender it reads so too, but for its offset.
    expect(
      Math.abs(mean(samples.slice(-50).map(({ pressure }) => pressure!)) - rig.truth.offset - rig.pressure()),
    ).toBeLessThan(4e3)
  })
  it('what nothing drives gives nothing; a pickup that comes out of the oil loses what it had', () => {
    const undriven = prepareEngineRig(sheet, start({ fault: { key: 'undriven', severity: 0.5 } }))
    run(undriven, 'fire', 8)
    expect(undriven.pressure()).toBeLessThan(5e3)
    const uncovered = prepareEngineRig(sheet, start({ stood: 60, fault: { key: 'uncovered', severity: 1 } }))
    run(uncovered, 'fire', 10)
    const before = uncovered.pressure()
    run(uncovered, 'fire', 12)
    expect(before).toBeGreaterThan(1e5)
    expect(uncovered.pressure()).toBeLessThan(0.4 * before)
  })
  it('the longer it stood since it was primed, the later its pressure', () => {
    const first = (stood: number) => {
      const rig = prepareEngineRig(sheet, start({ stood }))
      rig.act('fire')
      for (let t = 0; t < 20; t += 0.1) {
        rig.advance(0.1)
        if (rig.pressure() > 50e3) return t
      }
      return Infinity
    }
    expect(first(30 * 86400)).toBeGreaterThan(first(60) + 0.3)
  })
})

describe('a simulated prime', () => {
  const primed = (more: Partial<RigSpec>, seconds = 60) => {
    const rig = preparePrimeRig(sheet, { kind: 'prime', seed: 3, pace: 1, ...more })
    rig.act('start')
    const samples: PrimeSample[] = []
    const seen: string[] = []
    for (let t = 0; t < seconds; t += 0.25) {
      samples.push(rig.advance(0.25))
      seen.push(...rig.seen())
    }
    return { rig, samples, seen }
  }
  it('the drill’s speed is read, oil comes from the pump outward, and each place is told once', () => {
    const { samples, seen } = primed({})
    expect(samples[4].drill! * 60).toBeCloseTo(requireValue(sheet, 'prime.drillSpeed').value * 60, -2)
    expect(samples[4].tank).toBeUndefined()
    expect(new Set(seen).size).toBe(seen.length)
    const place = (node: string) => seen.indexOf(node)
    // The filter was off until oil ran at its pad.
    expect(place('pad')).toBe(seen.length - 1)
    expect(place('pump inlet')).toBe(0)
    const whole = preparePrimeRig(sheet, { kind: 'prime', seed: 3, pace: 1 })
    whole.act('start')
    const told: string[] = []
    for (let t = 0; t < 90; t += 0.25) {
      whole.advance(0.25)
      const now = whole.seen()
      told.push(...now)
      if (now.includes('pad')) whole.act('fit-filter')
    }
    expect(new Set(told).size).toBe(told.length)
    expect(told.indexOf('pad')).toBeGreaterThan(0)
    expect(told.indexOf('pad')).toBeLessThan(told.indexOf('gallery 1'))
    expect(told.indexOf('gallery 1')).toBeLessThan(told.indexOf('rockers'))
  })
  it('a hand that holds the starter has it turn as long as it holds: pressure comes, and the rig rests only when the hand does', () => {
    const byStarter = { ...sheet, choices: { ...sheet.choices, 'prime.method': 'starter' } }
    const rig = preparePrimeRig(byStarter, { kind: 'prime', seed: 3, pace: 1 })
    let turned = 0
    for (let burst = 0; burst < 12; burst++) {
      rig.act('start')
      for (let t = 0; t < 10; t += 0.25) turned += rig.advance(0.25).speed === 0 ? 0 : 0.25
      if (rig.seen().includes('pad')) rig.act('fit-filter')
      rig.act('stop')
      for (let t = 0; t < 20; t += 0.25) expect(rig.advance(0.25).speed ?? 0).toBe(0)
    }
    rig.act('start')
    const last = Array.from({ length: 40 }, () => rig.advance(0.25))
    expect(turned).toBeGreaterThan(115)
    expect(Math.max(...last.map(({ pressure }) => pressure))).toBeGreaterThan(60e3)
  })
  it('before the start and after the stop nothing turns', () => {
    const rig = preparePrimeRig(sheet, { kind: 'prime', seed: 3, pace: 1 })
    expect(rig.advance(1).drill).toBeCloseTo(0, 9)
    rig.act('start')
    expect(rig.advance(1).drill).toBeGreaterThan(1)
    rig.act('stop')
    expect(rig.advance(1).drill).toBeCloseTo(0, 9)
  })
  it('an undriven pump and a dry worn one against a filled filter bring no oil to the gauge', () => {
    for (const key of ['undriven', 'dry-pump'] as const) {
      const { samples, seen } = primed({ fault: { key, severity: 1 } }, 40)
      expect(seen, key).not.toContain('gallery 1')
      expect(Math.max(...samples.slice(-40).map(({ pressure }) => pressure)), key).toBeLessThan(40e3)
    }
  })
})

it('a simulated engine runs and is primed on what is in it, not on what it will run on', () => {
  const first = { ...sheet, oils: { firstFill: { grade: '20' } } }
  const idle = (of: typeof sheet) => {
    const rig = prepareEngineRig(of, start({ seed: 8 }), 40)
    run(rig, 'crank', 3)
    run(rig, 'fire', 30)
    return mean(
      run(rig, 'idle', 60)
        .slice(-50)
        .map(({ pressure }) => pressure!),
    )
  }
  const [thin, running] = [idle(first), idle({ ...first, fill: 'running' })]
  expect(thin).toBe(idle({ ...sheet, oil: { grade: '20' } }))
  expect(thin).not.toBe(running)
  const primed = (of: typeof sheet) => {
    const rig = preparePrimeRig(of, { kind: 'prime', seed: 8, pace: 1 })
    rig.act('start')
    let last = 0
    for (let i = 0; i < 400; i++) last = rig.advance(0.1).pressure ?? last
    return last
  }
  expect(primed(first)).toBe(primed({ ...sheet, oil: { grade: '20' } }))
  expect(primed(first)).not.toBe(primed(sheet))
  const thick = { ...sheet, oils: { firstFill: { grade: '20' }, prime: { grade: '50' } } }
  expect(primed(thick)).toBe(primed({ ...sheet, oil: { grade: '50' } }))
})
