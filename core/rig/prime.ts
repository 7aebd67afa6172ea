import { filledFor } from '../record/fill'
import type { Sheet } from '../record/schema'
import { modelOf } from '../outlook/model'
import { preparePriming } from '../prime/run'
import { type PrimeSetUp, primeSetUpOf } from '../prime/setUp'
import { faultOf } from '../engine/faults'
import { drawTruth, prepareInstruments, type RigSpec, type Truth } from './rig'

/** What a simulated shop's loggers show while an engine is primed. */
export interface PrimeSample {
  time: number
  pressure: number
  gauge?: number
  /** Pump as the drill turns it, crank as the starter does, rev/s. */
  drill?: number
  speed?: number
  tank?: number
  temperature: number
}

export type PrimeAction = 'start' | 'stop' | 'fit-filter'

export interface PrimeRig {
  truth: Truth
  act: (action: PrimeAction) => void
  advance: (seconds: number) => PrimeSample
  /** Places that oil has newly come to, as somebody standing by would see it. */
  seen: () => string[]
}

/** A simulated engine that is primed: the filling model with hidden true values and a chosen fault, seen through instruments. */
export function preparePrimeRig(recorded: Sheet, spec: RigSpec): PrimeRig {
  const sheet = filledFor(recorded, 'prime')
  const fault = spec.fault ? faultOf(spec.fault.key, sheet.layout, spec.fault.severity) : undefined
  const truth = drawTruth(sheet, spec, fault)
  const instruments = prepareInstruments(truth, spec)
  const planned = spec.setUp ?? primeSetUpOf(sheet)
  const setUp: PrimeSetUp = { ...planned, ...(fault?.pump ?? {}) }
  const { filling, turning: turningWhile } = preparePriming(
    { sheet, values: truth.values, oil: modelOf(sheet).oil },
    setUp,
    { airLeak: fault?.airLeak, leftOut: fault?.leftOut },
  )
  let on = false
  let time = 0
  const told = new Set<string>()
  const news: string[] = []
  if (setUp.method === 'tank') filling.push(false)

  function look(): void {
    filling.nodes.forEach((node, i) => {
      const name = node === filling.before && setUp.filter === 'off' ? 'pad' : node
      if (filling.flooded[i] && !told.has(name)) {
        told.add(name)
        news.push(name)
      }
    })
  }

  return {
    truth,
    act: (action) => {
      if (action === 'fit-filter') filling.fitFilter(0)
      else {
        on = action === 'start'
        if (setUp.method === 'tank') filling.push(on)
      }
    },
    advance: (seconds) => {
      time += seconds
      // The hand on the switch makes the bursts: there are none within them.
      const turning = turningWhile(on)
      filling.advance(seconds, fault?.undriven ? { ...turning, pump: 0 } : turning)
      look()
      const noise = instruments.random() - 0.5
      return {
        time,
        ...instruments.read(seconds, Math.max(0, filling.gauge)),
        temperature: setUp.temperature + 0.2 * noise,
        ...(setUp.method === 'drill' ? { drill: turning.pump * (1 + 0.01 * noise) } : {}),
        ...(turning.crank > 0 || setUp.method === 'starter' || setUp.method === 'hand' ? { speed: turning.crank } : {}),
        ...(setUp.method === 'tank' ? { tank: on ? setUp.tankPressure : 0 } : {}),
      }
    },
    seen: () => news.splice(0),
  }
}
