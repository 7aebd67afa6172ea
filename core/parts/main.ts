import { EXPANSION } from '../bearing/clearance'
import { type GroovedDuty, groovedPosition } from '../bearing/grooved'
import { fixedHoleConductance, grooveLeakage, grooveRoom } from '../bearing/leakage'
import { capOrder, judgeTurning, type TurningVerdict } from '../bearing/turning'
import type { Sheet } from '../record/schema'
import {
  bearingValues,
  blendHoleFed,
  clearanceInputs,
  hotRadial,
  judgedSet,
  LOOSE,
  oldShells,
  pinchedBearings,
  setGround,
  USUAL_FEED,
  shellStep,
} from './bearingInputs'
import { bearingReadings, limitReadings } from './bearingReadings'
import { grooveReadings, mainShells } from './mainGrooves'
import { part } from './part'
import { each } from './reading'

/** Room of a main's groove, m³. */
const GROOVE = 1.5e-6
/** A land is left beside any groove, m. */
const LEAST_LAND = 0.5e-3

/** Main bearings: fed by a drilling from the gallery, through the shell's oil hole, into the grooves of its halves or straight into the film. */
export const main = part({
  name: 'main',
  fitted: () => true,
  readings: [
    ...limitReadings('main'),
    ...bearingReadings('main'),
    ...grooveReadings,
    each(
      'bearings',
      'turning.#',
      'Turning torque, main #',
      { dimension: 'torque', sigma: 0.1, plausible: [0, 40], wanted: false, view: 'turn' },
      ({ mains }) => mains,
    ),
  ],
  values: (sheet) => ({ ...bearingValues(sheet, 'main'), shells: mainShells(sheet) }),
  inputs: (sheet) => clearanceInputs(sheet, 'main'),
  place: (circuit, layout) => {
    const films = Array.from({ length: layout.mains }, (_, i) => {
      const node = circuit.junction(`main ${i + 1}`, { room: GROOVE, height: 0 })
      const film = circuit.film(`main ${i + 1} film`, node, {
        words: `Main ${i + 1}`,
        station: 'bearings',
        readings: [`main.${i + 1}.bore`, `main.${i + 1}.clearance`],
        kind: 'mains',
      })
      film.groove = grooveRoom()
      return film
    })
    const duty: GroovedDuty = {
      diameter: 0,
      length: 0,
      land: 0,
      radialClearance: 0,
      speed: 0,
      load: 0,
      viscosity: 0,
      upper: 0,
      lower: 0,
      feedPressure: USUAL_FEED,
    }
    const leak = {
      radius: 0,
      length: 0,
      land: 0,
      clearance: 0,
      speed: 0,
      viscosity: 0,
      eccentricity: 0,
      upper: 0,
      lower: 0,
      crown: 0,
    }
    return (values, now) => {
      now.films.main = Infinity
      for (let i = 0; i < films.length; i++) {
        const film = films[i]
        const shells = values.shells[i]
        const diameter = values.diameter[i]
        const clearance = hotRadial(values.clearance[i], diameter, now, EXPANSION[layout.housing])
        duty.diameter = diameter
        duty.length = now.mainLength
        duty.land =
          shells.width === undefined ? now.mainLand : Math.max(LEAST_LAND, 0.5 * (now.mainLength - shells.width))
        duty.radialClearance = clearance
        duty.speed = now.speed
        duty.load = now.mainLoad
        duty.viscosity = now.film
        duty.upper = shells.upper
        duty.lower = shells.lower
        const { eccentricity, attitude } = groovedPosition(duty)
        now.films.main = Math.min(now.films.main, clearance * (1 - eccentricity))
        if (shells.upper + shells.lower <= 0) {
          // Straight into the film by the hole: over against the load, so far from the crown.
          const gap = clearance * (1 + eccentricity * Math.cos(shells.place - attitude))
          const pressed = now.leakage * shells.holes * fixedHoleConductance(gap, now.mainLength, shells.hole, now.film)
          blendHoleFed(film, pressed, diameter, now.mainLength, clearance, now.speed, eccentricity)
          film.groove!.pieces = 0
          film.groove!.carried = 0
          continue
        }
        film.conductance = 0
        film.carried = 0
        leak.radius = 0.5 * diameter
        leak.length = now.mainLength
        leak.land = duty.land
        leak.clearance = clearance
        leak.speed = now.speed
        leak.viscosity = now.film / now.leakage
        leak.eccentricity = eccentricity
        leak.upper = shells.upper
        leak.lower = shells.lower
        // The crown lies over against the load, the attitude before the thickest film.
        leak.crown = -attitude
        grooveLeakage(leak, film.groove!)
      }
    }
  },
  outlets: ({ mains }) => Array.from({ length: mains }, (_, i) => ({ node: `main ${i + 1}`, label: `Main ${i + 1}` })),
  steps: () => [shellStep('mains', 'Mains one shell grade tighter')],
  looked: (layout) => oldShells(layout, 'main'),
  grounds: () => [setGround('main', 'mains')],
  judged: (sheet) => {
    const { main: stiff, verdict, among } = turningVerdict(sheet)
    const about = among.length > 1 ? `crank stiff after mains ${among.join(', ')}` : `crank stiff after main ${stiff}`
    return [
      ...judgedSet(sheet, 'main'),
      ...(stiff === undefined ? [] : [{ station: 'bearings' as const, verdict, about }]),
    ]
  },
  contradictions: (sheet) => pinchedBearings(sheet, 'main'),
  faults: [LOOSE],
})

/** What the torques after the caps say, in the order in which they were tightened. */
export function turningVerdict(sheet: Sheet): TurningVerdict {
  const readings = new Map(
    Array.from({ length: sheet.layout.mains }, (_, i) => i + 1).flatMap((number): [number, number][] => {
      const torque = sheet.readings[`turning.${number}`]?.value
      return torque === undefined ? [] : [[number, torque]]
    }),
  )
  return judgeTurning(readings, capOrder(sheet.layout.mains, sheet.choices['crank.capOrder']))
}
