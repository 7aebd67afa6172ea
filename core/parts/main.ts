import { EXPANSION } from '../bearing/clearance'
import { type GroovedDuty, groovedPosition } from '../bearing/grooved'
import { fixedHoleConductance, type GrooveLeakage, grooveLeakage, grooveRoom, leavingAt } from '../bearing/leakage'
import type { JournalPosition } from '../bearing/eccentricity'
import { filledShare, filmRise, HEAT_CAPACITY, landsShare, shearPower } from '../bearing/warmth'
import { thinned } from '../oil/oil'
import { capOrder, judgeTurning, type TurningVerdict } from '../bearing/turning'
import type { Sheet } from '../record/schema'
import {
  bearingValues,
  blendHoleFed,
  clearanceAt,
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
import { alikeShells, grooveReadings, type MainShells, mainShells } from './mainGrooves'
import { type Conditions, part } from './part'
import { judgedShapes } from './shapes'
import { each } from './reading'

/** Room of a main's groove, m³. */
const GROOVE = 1.5e-6
/** A land is left beside any groove, m. */
const LEAST_LAND = 0.5e-3
/** Share of the pump's flow that mains take, near enough to say what they are fed with while their films warm. */
const OF_ALL = 0.35
/** No more than relief valves let by, Pa: the same for all, so that a spring moves nothing where its valve is shut. */
const HIGHEST_FEED = 4e5

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
  values: valuesOf,
  inputs: (sheet) => clearanceInputs<MainValues>(sheet, 'main'),
  place: (circuit, layout) => {
    const films = Array.from({ length: layout.mains }, (_, i) => {
      const node = circuit.junction(`main ${i + 1}`, { room: GROOVE, height: 0 })
      const film = circuit.film(`main ${i + 1} film`, node, {
        words: `Main ${i + 1}`,
        station: 'bearings',
        readings: [`main.${i + 1}.bore`, `main.${i + 1}.clearance`],
        kind: 'mains',
      })
      return Object.assign(film, { groove: grooveRoom() })
    })
    const place = placing()
    const trial = { conductance: 0, carried: 0, groove: grooveRoom() }
    let values: MainValues
    let now: Conditions
    let usual = 0
    let clearance = 0
    /** Rise by the film of the mains whose shells are alike, at their mean clearance, fed as if all were. */
    const shed = (rise: number) => {
      const diameter = values.diameter[usual]
      const viscosity = now.film * thinned(now.oil, rise)
      const { eccentricity } = place(trial, values.shells[usual], diameter, clearance, viscosity, now)
      // Twice is near enough, since what leaves grows nearly as the pressure does.
      now.feedPressure = USUAL_FEED
      let leaves = leavingAt(trial, USUAL_FEED)
      for (let k = 0; k < 2; k++) {
        now.feedPressure = Math.min(HIGHEST_FEED, (now.feedPressure * OF_ALL * now.pumpFlow) / (layout.mains * leaves))
        leaves = leavingAt(trial, now.feedPressure)
      }
      const power = shearPower(0.5 * diameter, now.mainLength, clearance, now.speed, viscosity, eccentricity)
      const { upper, lower } = values.shells[usual]
      const share = upper + lower > 0 ? landsShare(lower) : filledShare(eccentricity)
      return (now.heat * share * power) / (now.oil.density * HEAT_CAPACITY * leaves)
    }
    return (own, conditions) => {
      values = own
      now = conditions
      now.films.main = Infinity
      now.films.mainRise = 0
      for (const alike of values.alike) {
        usual = alike[0]
        clearance = 0
        for (const i of alike) clearance += hot(i) / alike.length
        now.feedPressure = USUAL_FEED
        // A crank that stands shears nothing.
        const rise = now.speed > 0 ? filmRise(shed, now.oil.thinning) : 0
        now.films.mainRise = Math.max(now.films.mainRise, rise)
        const viscosity = now.film * thinned(now.oil, rise)
        for (const i of alike) {
          const gap = hot(i)
          const { eccentricity } = place(films[i], values.shells[i], values.diameter[i], gap, viscosity, now)
          const own = values.shells[i].lower > 0 ? underLoad(i, gap, rise) : eccentricity
          now.films.main = Math.min(now.films.main, gap * (1 - own))
        }
      }
    }
    /**
     * Where the journal runs as its film is under the load: lands that are fed afresh all round let their oil go less warm than it is there, by the share of the heat that warms what
     * leaves.
     */
    function underLoad(i: number, gap: number, rise: number): number {
      const viscosity = now.film * thinned(now.oil, rise / landsShare(values.shells[i].lower))
      return place(trial, values.shells[i], values.diameter[i], gap, viscosity, now).eccentricity
    }
    function hot(i: number): number {
      return hotRadial(clearanceAt(values, i), values.diameter[i], now, EXPANSION[layout.housing])
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
      ...judgedShapes(sheet, 'main'),
      ...(stiff === undefined ? [] : [{ station: 'bearings' as const, verdict, about }]),
    ]
  },
  contradictions: (sheet) => pinchedBearings(sheet, 'main'),
  faults: [LOOSE],
})

/** Land beside a main's groove on either side, m: by its width where that was read. */
export const landBeside = (
  { width }: Pick<MainShells, 'width'>,
  { mainLength, mainLand }: { mainLength: number; mainLand: number },
): number => (width === undefined ? mainLand : Math.max(LEAST_LAND, 0.5 * (mainLength - width)))

type MainValues = ReturnType<typeof valuesOf>
function valuesOf(sheet: Sheet) {
  const shells = mainShells(sheet)
  return { ...bearingValues(sheet, 'main'), shells, alike: alikeShells(shells) }
}

/** Places a journal in its film and sets what leaks out of it; gives where the journal runs. Nothing is allocated but the answer. */
function placing() {
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
    feedPressure: 0,
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
  return (
    film: { conductance: number; carried: number; groove: GrooveLeakage },
    shells: MainShells,
    diameter: number,
    clearance: number,
    viscosity: number,
    now: Conditions,
  ): JournalPosition => {
    duty.diameter = diameter
    duty.length = now.mainLength
    duty.land = landBeside(shells, now)
    duty.radialClearance = clearance
    duty.speed = now.speed
    duty.load = now.mainLoad
    duty.viscosity = viscosity
    duty.upper = shells.upper
    duty.lower = shells.lower
    duty.feedPressure = now.feedPressure
    const position = groovedPosition(duty)
    const { eccentricity, attitude } = position
    if (shells.upper + shells.lower <= 0) {
      // Straight into the film by the hole: over against the load, so far from the crown.
      const gap = clearance * (1 + eccentricity * Math.cos(shells.place - attitude))
      const pressed = now.leakage * shells.holes * fixedHoleConductance(gap, now.mainLength, shells.hole, viscosity)
      blendHoleFed(film, pressed, diameter, now.mainLength, clearance, now.speed, eccentricity)
      film.groove.pieces = 0
      film.groove.carried = 0
      return position
    }
    film.conductance = 0
    film.carried = 0
    leak.radius = 0.5 * diameter
    leak.length = now.mainLength
    leak.land = duty.land
    leak.clearance = clearance
    leak.speed = now.speed
    leak.viscosity = viscosity / now.leakage
    leak.eccentricity = eccentricity
    leak.upper = shells.upper
    leak.lower = shells.lower
    // The crown lies over against the load, the attitude before the thickest film.
    leak.crown = -attitude
    grooveLeakage(leak, film.groove)
    return position
  }
}

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
