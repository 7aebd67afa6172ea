import { EXPANSION } from '../bearing/clearance'
import { type BearingDuty, eccentricityFor, loadNumber } from '../bearing/eccentricity'
import { centrifugalHead, feedForPart } from '../bearing/feed'
import { type FloatLimits, judgeFloat, sideClearanceLimits } from '../bearing/float'
import { leavingAt } from '../bearing/leakage'
import { filledShare, filmRise, HEAT_CAPACITY, shearPower } from '../bearing/warmth'
import { thinned } from '../oil/oil'
import { ruleOf } from '../house/limits'
import { limitOf, whoseLimits } from '../house/makerLimits'
import type { Sheet } from '../record/schema'
import {
  bearingValues,
  clearanceAt,
  clearanceInputs,
  hotRadial,
  judgedSet,
  LOOSE,
  oldShells,
  pinchedBearings,
  setGround,
  setHoleFed,
  shellStep,
} from './bearingInputs'
import { bearingReadings, bearingWord, limitReadings, rodsOf } from './bearingReadings'
import { bearingsOf } from './clearances'
import { bore, MICRON, MM } from './drafts'
import { rodDuties } from './feedDuty'
import { type Conditions, type Judged, part } from './part'
import { each, reading, sized } from './reading'
import { judgedShapes } from './shapes'
import { rodsOnPin } from './throws'

/** Room of an oil hole, m³, and the length of a crank's drilling, m. */
const HOLE = 0.5e-6
const LENGTH = 0.08

const sizes = sized({
  drilling: {
    reading: reading(
      'passages',
      'crank.drillingBore',
      'Drilling through the crank, to a rod',
      bore(5, 0.1, 'a usual crank', [2 * MM, 15 * MM]),
    ),
  },
})

/** Rod bearings, each fed through the crank from the main that the layout names. */
export const rod = part({
  name: 'rod',
  fitted: () => true,
  readings: [
    ...limitReadings('rod'),
    ...bearingReadings('rod'),
    each(
      'bearings',
      'rod.#.side',
      (layout) => `${bearingWord('rod', layout)} # side clearance`,
      {
        dimension: 'clearance',
        sigma: 10 * MICRON,
        plausible: [0, 2 * MM],
        wanted: false,
        view: 'journal',
        bearing: { set: 'rod', number: 0 },
      },
      (layout) => rodsOf(layout),
    ),
    ...sizes.readings,
  ],
  values: valuesOf,
  inputs: (sheet) => [...clearanceInputs<RodValues>(sheet, 'rod'), ...sizes.inputs(sheet)],
  place: (circuit, layout) => {
    const rods = layout.feed.map((number, i) => {
      const node = circuit.junction(`rod ${i + 1}`, { room: HOLE, height: 0 })
      return {
        drilling: circuit.pipe(
          `crank drilling ${i + 1}`,
          `main ${number}`,
          node,
          { length: LENGTH, diameter: 5 * MM, k: 1.5 },
          {
            words: `Crank drilling to ${bearingWord('rod', layout).toLowerCase()} ${i + 1}`,
            station: 'passages',
            readings: ['crank.drillingBore'],
          },
        ),
        film: circuit.film(`rod ${i + 1} film`, node, {
          words: `${bearingWord('rod', layout)} ${i + 1}`,
          station: 'bearings',
          readings: [`rod.${i + 1}.bore`, `rod.${i + 1}.clearance`],
          kind: 'rods',
        }),
      }
    })
    const duty: BearingDuty = { diameter: 0, length: 0, radialClearance: 0, speed: 0, load: 0, viscosity: 0 }
    const trial = { conductance: 0, carried: 0 }
    let now: Conditions
    let diameter = 0
    let clearance = 0
    let fed = 1
    let head = 0
    /** Sets a film of the present diameter, clearance, feed duty and head; gives the journal's eccentricity. */
    const place = (film: { conductance: number; carried: number }, viscosity: number): number => {
      duty.diameter = diameter
      duty.length = now.rodLength
      duty.radialClearance = clearance
      duty.speed = now.speed
      duty.load = now.rodLoad
      duty.viscosity = viscosity
      const eccentricity = eccentricityFor(loadNumber(duty), now.rodLength / diameter)
      setHoleFed(film, now, viscosity, diameter, now.rodLength, clearance, now.speed, eccentricity)
      feedForPart(film, fed, head)
      return eccentricity
    }
    const shed = (rise: number) => {
      const viscosity = now.film * thinned(now.oil, rise)
      const eccentricity = place(trial, viscosity)
      const power = shearPower(0.5 * diameter, now.rodLength, clearance, now.speed, viscosity, eccentricity)
      return (
        (now.heat * filledShare(eccentricity) * power) /
        (now.oil.density * HEAT_CAPACITY * leavingAt(trial, now.feedPressure))
      )
    }
    return (values, conditions) => {
      now = conditions
      const hot = (i: number) => hotRadial(clearanceAt(values, i), values.diameter[i], now, EXPANSION.steel)
      now.films.rod = Infinity
      diameter = values.diameter[0]
      clearance = 0
      fed = 0
      head = headOf(values, 0)
      for (let i = 0; i < rods.length; i++) {
        clearance += hot(i) / rods.length
        fed += values.duty[i] / rods.length
      }
      now.films.rodRise = now.speed > 0 ? filmRise(shed, now.oil.thinning) : 0
      const viscosity = now.film * thinned(now.oil, now.films.rodRise)
      for (let i = 0; i < rods.length; i++) {
        const { drilling, film } = rods[i]
        diameter = values.diameter[i]
        clearance = hot(i)
        fed = values.duty[i]
        head = headOf(values, i)
        now.films.rod = Math.min(now.films.rod, clearance * (1 - place(film, viscosity)))
        drilling.diameter = values.drilling
        drilling.head = head
      }
    }
    function headOf(values: RodValues, i: number): number {
      return centrifugalHead(now.oil.density, now.speed, 0.5 * values.fedFrom[i], now.crankRadius)
    }
  },
  passages: () => [
    {
      key: 'passage.crankPlugs',
      label: 'Plugs of the crank’s drillings',
      kind: 'plug',
      place: 'rod',
      inside: true,
      sealed: true,
      readings: ['crank.drillingBore', 'crank.oilHole'],
      absent: { kind: 'leak', node: 'rod 1', bore: 8 * MM },
    },
  ],
  outlets: (layout) =>
    layout.feed.map((_, i) => ({ node: `rod ${i + 1}`, label: `${bearingWord('rod', layout)} ${i + 1}` })),
  steps: () => [shellStep('rods', 'Rods one shell grade tighter')],
  looked: (layout) => oldShells(layout, 'rod'),
  grounds: () => [setGround('rod', 'rods')],
  judged: (sheet) => [...judgedSet(sheet, 'rod'), ...judgedShapes(sheet, 'rod'), ...sideClearances(sheet)],
  contradictions: (sheet) => pinchedBearings(sheet, 'rod'),
  faults: [LOOSE],
})

type RodValues = ReturnType<typeof valuesOf>
function valuesOf(sheet: Sheet) {
  const mains = bearingsOf(sheet, 'main')
  return {
    ...bearingValues(sheet, 'rod'),
    ...sizes.values(sheet),
    /** Diameters of the mains that feed each, m. */
    fedFrom: sheet.layout.feed.map((number) => mains[number - 1].diameter),
    /** Shares of a turn in which each is fed. */
    duty: rodDuties(sheet),
  }
}

/** Limits of a rod's side clearance on a pin of a diameter, m, and whose they are. */
export function sideLimitsOf(sheet: Sheet, diameter: number): FloatLimits & { whose: ReturnType<typeof whoseLimits> } {
  const house = sideClearanceLimits(diameter, rodsOnPin(sheet.layout), ruleOf(sheet, 'float.sideLeast'))
  const [least, most] = [limitOf(sheet, 'float.sideLeast', house.least), limitOf(sheet, 'float.sideMost', house.most)]
  return { least: least.value, most: most.value, whose: whoseLimits(least, most) }
}

function sideClearances(sheet: Sheet): Judged[] {
  return bearingsOf(sheet, 'rod').flatMap(({ number, label, diameter }) => {
    const side = sheet.readings[`rod.${number}.side`]?.value
    if (side === undefined) return []
    return [
      {
        station: 'bearings' as const,
        verdict: judgeFloat(side, sideLimitsOf(sheet, diameter)),
        about: `${label} side clearance out of limit`,
      },
    ]
  })
}
