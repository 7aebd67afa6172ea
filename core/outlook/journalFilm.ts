import type { FieldOf } from '../parts/list'
import type { BearingSet } from '../parts/bearingReadings'
import { EXPANSION, hotClearance } from '../bearing/clearance'
import { meanRodLoad } from '../bearing/load'
import { bearingsOf } from '../parts/clearances'
import type { Sheet } from '../record/schema'
import { requireValue } from '../engine/values'
import { oilAt } from '../oil/oil'
import { modelOf } from './model'
import { reciprocatingMassOf } from '../parts/crank'
import type { GrooveArcs } from '../bearing/grooved'
import { mainShells } from '../parts/mainGrooves'
import { meanPressureAt } from './states'
import type { Verdict } from '../quantity/verdict'
import { prepareBearing } from '../film/bearing'
import { HEAT_CAPACITY } from '../bearing/warmth'
import { warm } from '../film/heat'
import type { FilmCase } from '../film/types'

/** What a builder may turn to see the film move. */
export interface FilmMoment {
  /** N, on the journal. */
  load: number
  /** rev/s */
  speed: number
  /** Oil where it enters, °C. */
  temperature: number
  /** At the journal's feed, Pa. */
  feedPressure: number
  /** Grooves of a main's shells, rad; a rod is fed by its hole and has none. */
  groove?: GrooveArcs
}

export interface JournalFilm {
  /** Hot radial clearance, m. */
  radialClearance: number
  eccentricity: number
  /** Where the load points and where the film is thinnest, rad from the crown of the upper shell in the direction of turning. */
  loadAngle: number
  thinnestAngle: number
  minimumFilm: number
  /** Least film over the roughness of both surfaces. */
  roughnessRatio: number
  verdict: Verdict
  peakPressure: number
  feedPressure: number
  sideLeakage: number
  dragPower: number
  /** Hottest oil over the inlet's, K. */
  peakRise: number
  /** Load over projected area, Pa. */
  specificLoad: number
  /** Round the film from the crown of the upper shell: thickness, m, and pressure in the middle, Pa. */
  film: number[]
  pressure: number[]
}

/** Surfaces of a polished journal and a run-in shell, R_a, m; rms is a quarter more. House figures. */
const ROUGHNESS = { journal: 0.2e-6, shell: 0.35e-6 }
export const COMBINED_ROUGHNESS = 1.25 * Math.hypot(ROUGHNESS.journal, ROUGHNESS.shell)
const OIL_HOLE = 0.006
/** What metal carries off, where nobody knows better. */
const METAL_SHARE = 0.3

/**
 * The film of one journal of a build by the grid solver with its heat, the load taken as steady: from it a builder sees what clearance,
 * oil, groove and load do to film and pressure.
 *
 * A film thicker than three times the roughness of both surfaces keeps them apart; under once they touch.
 * Source of the marks: Hamrock, Schmid & Jacobson, Fundamentals of Fluid Film Lubrication, 2nd ed., 3.8 (film parameter Λ).
 */
export function journalFilm(sheet: Sheet, set: BearingSet, number: number, moment: FilmMoment): JournalFilm {
  const model = modelOf(sheet)
  const record = bearingsOf(sheet, set)[number - 1]
  const length = requireValue(sheet, `size.${set}Length`).value
  const land = requireValue(sheet, 'size.mainLand').value
  const housing = set === 'main' ? EXPANSION[sheet.layout.housing] : EXPANSION.steel
  const rise = moment.temperature - requireValue(sheet, 'bearings.room').value
  const radialClearance = Math.max(
    2e-6,
    0.5 * hotClearance(record.clearance.value, record.diameter, rise, housing, EXPANSION.steel),
  )
  const viscosityAt = (temperature: number) =>
    oilAt(model.oil, temperature).filmViscosity * model.values.model.viscosity * model.values.model.highShear
  const shells = set === 'main' ? mainShells(sheet)[number - 1] : undefined
  const { upper, lower } = moment.groove ?? shells ?? { upper: 0, lower: 0 }
  const grooved = set === 'main' && upper + lower > 0
  const hole = shells?.hole ?? OIL_HOLE
  const width = grooved ? (shells?.width ?? length - 2 * land) : 0.8 * hole
  const bearing: FilmCase = {
    diameter: record.diameter,
    length,
    radialClearance,
    speed: moment.speed,
    viscosity: viscosityAt(moment.temperature),
    feedPressure: moment.feedPressure,
    feed: {
      kind: 'groove',
      arc: grooved ? upper : (2 * hole) / record.diameter,
      lower: grooved ? lower : 0,
      // A hole stands where its shell has it; grooves about the crown, over against the load.
      centre: Math.PI + (grooved ? 0 : (shells?.place ?? 0)),
      width: Math.max(0.05 * length, Math.min(0.8 * length, width)),
      from: 'load',
    },
  }
  const prepared = prepareBearing(bearing)
  const found = warm(
    bearing,
    prepared,
    {
      inletTemperature: moment.temperature,
      viscosityAt,
      density: oilAt(model.oil, moment.temperature).density,
      heatCapacity: HEAT_CAPACITY,
      metalShare: METAL_SHARE,
    },
    () => prepared.carry(moment.load),
  )
  const { around, across } = found.fineness
  // The solver counts from the load (or, with a full groove, from the thickest film); the drawing from the crown, over against the load.
  const loadColumn = Math.round((wrap(found.thickest + Math.PI - found.attitude) / (2 * Math.PI)) * around)
  const from = (i: number) => (((i + loadColumn + around / 2) % around) + around) % around
  const ratio = found.minimumFilm / COMBINED_ROUGHNESS
  return {
    radialClearance,
    eccentricity: found.eccentricity,
    loadAngle: Math.PI,
    thinnestAngle: Math.PI + found.attitude,
    minimumFilm: found.minimumFilm,
    roughnessRatio: ratio,
    verdict: ratio < 1 ? 'stop' : ratio < 3 ? 'watch' : 'pass',
    peakPressure: found.peakPressure,
    feedPressure: moment.feedPressure,
    sideLeakage: found.sideLeakage,
    dragPower: found.dragPower,
    peakRise: found.peakRise,
    specificLoad: moment.load / (record.diameter * length),
    film: Array.from(
      { length: around },
      (_, i) =>
        radialClearance * (1 + found.eccentricity * Math.cos((2 * Math.PI * from(i)) / around - found.thickest)),
    ),
    pressure: Array.from({ length: around }, (_, i) => found.pressures[from(i) * across]),
  }
}

/** Mean load on a journal at a speed, N, as the circuit places it in its film. */
export function usualLoad(sheet: Sheet, set: BearingSet, speed: number): number {
  const of = (field: FieldOf<'size'>) => requireValue(sheet, `size.${field}`).value
  const gear = {
    cylinderBore: of('cylinderBore'),
    crankRadius: 0.5 * of('stroke'),
    reciprocatingMass: reciprocatingMassOf(sheet),
  }
  const rod = meanRodLoad(gear, speed, meanPressureAt(sheet, speed))
  return set === 'rod' ? rod : (0.8 * rod * sheet.layout.feed.length) / sheet.layout.mains
}

function wrap(angle: number): number {
  return angle - 2 * Math.PI * Math.floor(angle / (2 * Math.PI))
}
