import { hasCycle } from '../engine/modelLimits'
import type { FieldOf } from '../parts/list'
import { hotClearance, EXPANSION } from '../bearing/clearance'
import { reciprocatingMassOf } from '../parts/crank'
import { landBeside } from '../parts/main'
import { rodsBesideMains, throwsOf } from '../parts/throws'
import type { Sheet } from '../record/schema'
import { requireValue } from '../engine/values'
import { ATMOSPHERE, cylinderPressure } from '../cycle/pressure'
import { crankpinForce, type CycleLoad, mainForce, onRod, type RodGear, rodSwing } from '../cycle/load'
import { oilAt } from '../oil/oil'
import type { OrbitGroove } from '../orbit/grooves'
import { gaugePressure, modelOf } from './model'
import { meanPressureAt, momentAt } from './states'
import { type Orbit, orbit } from '../orbit/orbit'

/** What an orbit is asked for: a speed, rev/s, and an oil temperature, °C. */
export interface OrbitMoment {
  speed: number
  temperature: number
}

export interface BearingOrbit extends Orbit {
  set: 'main' | 'rod'
  number: number
  /** Load on the journal for each degree, N, in the shell's frame. */
  load: CycleLoad
  /** Greatest and mean load over the cycle, N, and the greatest over the bearing's projected area, Pa. */
  greatestLoad: number
  meanLoad: number
  specificLoad: number
  radialClearance: number
}

/** Moving parts of a sheet's cylinders. */
export function rodGearOf(sheet: Sheet): RodGear {
  const of = (field: FieldOf<'size'>) => requireValue(sheet, `size.${field}`).value
  return {
    cylinderBore: of('cylinderBore'),
    stroke: of('stroke'),
    rodLength: Math.max(of('connectingRod'), 0.6 * of('stroke')),
    reciprocatingMass: reciprocatingMassOf(sheet),
    rotatingMass: of('rotatingMass'),
  }
}

/** Force of one cylinder's rod on its pin over the cycle, at full load for the speed. */
export function pinForceOf(sheet: Sheet, speed: number): CycleLoad {
  const gear = rodGearOf(sheet)
  const mean = meanPressureAt(sheet, speed)
  const gas = cylinderPressure({
    ...gear,
    compressionRatio: requireValue(sheet, 'size.compressionRatio').value,
    meanEffectivePressure: mean,
    // Throttled at idle, open at working speed.
    intakePressure: ATMOSPHERE * Math.min(0.95, 0.3 + 0.65 * (mean / 1.2e6)),
  })
  return crankpinForce(gear, gas, speed)
}

/** Orbits of mains and rods of a build, one after the other, for whoever asks how far it is; none where the loads over a cycle are not known. */
export function* engineOrbits(sheet: Sheet, moment: OrbitMoment): Generator<BearingOrbit, void> {
  if (!hasCycle(sheet.layout)) return
  const model = modelOf(sheet)
  const { layout } = sheet
  const { values } = model
  const viscosity = oilAt(model.oil, moment.temperature).filmViscosity * values.model.viscosity * values.model.highShear
  const gear = rodGearOf(sheet)
  const pin = pinForceOf(sheet, moment.speed)
  const swing = rodSwing(gear, moment.speed)
  const rodLoad = onRod(pin, swing.angle)
  const throws = throwsOf(layout)
  const beside = rodsBesideMains(layout)
  const { circuit } = model.engine
  gaugePressure(model, momentAt(sheet, moment.speed, moment.temperature))
  // As the circuit is now: bearings are handed on one by one, and whoever asks may ask it something else meanwhile.
  const feed = values.main.shells.map((_, i) => Math.max(0, circuit.pressures[circuit.indexOf(`main ${i + 1}`)]))
  for (let i = 0; i < layout.mains; i++) {
    const load = mainForce(
      pin,
      gear,
      moment.speed,
      beside[i].map((rod) => throws[rod]),
    )
    const { upper, lower } = values.main.shells[i]
    const land = landBeside(values.main.shells[i], values.crank)
    yield one(
      'main',
      i + 1,
      values.main.diameter[i],
      values.crank.mainLength,
      values.main.clearance[i],
      EXPANSION[layout.housing],
      load,
      { groove: { upper, lower, land, feedPressure: feed[i] } },
    )
  }
  for (let i = 0; i < layout.feed.length; i++)
    yield one(
      'rod',
      i + 1,
      values.rod.diameter[i],
      values.crank.rodLength,
      values.rod.clearance[i],
      EXPANSION.steel,
      rodLoad,
      { frameRate: swing.rate },
    )

  function one(
    set: 'main' | 'rod',
    number: number,
    diameter: number,
    length: number,
    clearance: number,
    housing: number,
    load: CycleLoad,
    { frameRate, groove }: { frameRate?: Float64Array; groove?: OrbitGroove },
  ): BearingOrbit {
    const radialClearance = Math.max(
      5e-6,
      0.5 * hotClearance(clearance, diameter, moment.temperature - values.crank.room, housing, EXPANSION.steel),
    )
    const found = orbit({ diameter, length, radialClearance, viscosity, speed: moment.speed, load, frameRate, groove })
    let greatestLoad = 0
    let meanLoad = 0
    for (let degree = 0; degree < 720; degree++) {
      const size = Math.hypot(load.x[degree], load.y[degree])
      greatestLoad = Math.max(greatestLoad, size)
      meanLoad += size / 720
    }
    return {
      ...found,
      set,
      number,
      load,
      radialClearance,
      greatestLoad,
      meanLoad,
      specificLoad: greatestLoad / (diameter * length),
    }
  }
}
