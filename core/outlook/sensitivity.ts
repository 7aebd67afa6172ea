import type { EngineValues } from '../engine/engine'
import type { Sheet } from '../record/schema'
import { OIL_GRADES } from '../oil/grades'
import { oilAt, oilFrom } from '../oil/oil'
import { oilFiguresOf } from '../record/oil'
import type { StateName } from '../targets/targets'
import { type Model, modelOf } from './model'
import { namedStates } from './states'

/** One change that a builder could make, and what it does to each state. */
export interface Sensitivity {
  key: string
  /** What is changed, by how much, in words without units of their own: "mains 0.025 mm tighter". */
  label: string
  /** Change of each state's gauge pressure, Pa. */
  effects: Record<StateName, number>
}

interface Step {
  key: string
  label: string
  change: (values: EngineValues) => void
}

const THOU = 25e-6

/** Steps that can really be made: one shell grade, one washer, one feeler's width, the next pump, the next tube. */
function stepsOf(model: Model): Step[] {
  const { layout } = model.sheet
  const steps: Step[] = [
    {
      key: 'mains',
      label: 'Mains one shell grade tighter',
      change: (v) => (v.mainClearance = v.mainClearance.map((c) => Math.max(5e-6, c - THOU))),
    },
    {
      key: 'rods',
      label: 'Rods one shell grade tighter',
      change: (v) => (v.rodClearance = v.rodClearance.map((c) => Math.max(5e-6, c - THOU))),
    },
    {
      key: 'pump.endClearance',
      label: 'Pump end clearance 0.025 mm less',
      change: (v) => (v.endClearance = Math.max(10e-6, v.endClearance - THOU)),
    },
    {
      key: 'pump.rotorLength',
      label: 'Next pump, a tenth longer',
      change: (v) => {
        v.rotorLength *= 1.1
        v.displacement *= 1.1
      },
    },
    { key: 'relief.shims', label: 'One washer more, 0.5 mm', change: (v) => v.relief.shims.push(0.5e-3) },
    { key: 'relief.springRate', label: 'Relief spring a tenth stiffer', change: (v) => (v.relief.springRate *= 1.1) },
    { key: 'pickup.tubeDiameter', label: 'Pickup tube 1 mm wider', change: (v) => (v.tubeDiameter += 1e-3) },
  ]
  if (layout.camBearings > 0)
    steps.push({
      key: 'cam.clearance',
      label: 'Cam bearings 0.025 mm tighter',
      change: (v) => (v.camClearance = Math.max(5e-6, v.camClearance - THOU)),
    })
  if (layout.galleryRelief)
    steps.push({
      key: 'relief2.shims',
      label: 'Gallery valve’s shims 0.5 mm more',
      change: (v) => v.relief2!.shims.push(0.5e-3),
    })
  if (layout.rockerFeed)
    steps.push({
      key: 'passage.rockerRestrictor',
      label: 'Rocker restrictor 0.2 mm smaller',
      change: (v) => (v.rockerRestrictor = Math.max(0.3e-3, v.rockerRestrictor - 0.2e-3)),
    })
  if (layout.timingJet)
    steps.push({
      key: 'passage.timingJet',
      label: 'Timing jet 0.1 mm smaller',
      change: (v) => (v.timingJet = Math.max(0.2e-3, v.timingJet - 0.1e-3)),
    })
  return steps
}

/**
 * What each change does to each state's gauge pressure, the one that moves hot idle most first. The oil's step is to the next grade
 * that is thicker when hot.
 */
export function sensitivities(sheet: Sheet): Sensitivity[] {
  const model = modelOf(sheet)
  const states = namedStates(sheet)
  const { engine } = model
  const pressuresWith = (values: EngineValues, oil = model.oil) =>
    states.map((state) => engine.gauge(values, state, oilAt(oil, state.temperature)))
  const base = pressuresWith(model.values)
  const effects = (pressures: number[]) =>
    Object.fromEntries(states.map((state, i) => [state.name, pressures[i] - base[i]])) as Sensitivity['effects']
  const list = stepsOf(model).map(({ key, label, change }): Sensitivity => {
    const values = structuredClone(model.values)
    change(values)
    return { key, label, effects: effects(pressuresWith(values)) }
  })
  const now = oilFiguresOf(sheet)
  const thicker = OIL_GRADES.filter(
    (grade) => grade.kv100 > 1.08 * now.kv100 && grade.pumpingLimit <= Math.max(now.pumpingLimit, -10),
  ).sort((a, b) => a.kv100 - b.kv100)[0]
  if (thicker)
    list.push({
      key: 'oil.grade',
      label: `Oil one grade thicker, ${thicker.name}`,
      effects: effects(pressuresWith(model.values, oilFrom(thicker))),
    })
  return list.sort((a, b) => Math.abs(b.effects.idleHot) - Math.abs(a.effects.idleHot))
}
