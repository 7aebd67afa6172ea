import { EXPANSION } from '../bearing/clearance'
import { eccentricityFor, loadNumber } from '../bearing/eccentricity'
import { centrifugalHead } from '../bearing/feed'
import { judgeFloat, sideClearanceLimits } from '../bearing/float'
import { ruleOf } from '../house/limits'
import type { Sheet } from '../record/schema'
import {
  bearingValues,
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
import { type Judged, part } from './part'
import { each, reading, sized } from './reading'
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
      bore(5, 'a usual crank', [2 * MM, 15 * MM]),
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
    return (values, now) => {
      now.films.rod = Infinity
      for (let i = 0; i < rods.length; i++) {
        const { drilling, film } = rods[i]
        const diameter = values.diameter[i]
        const clearance = hotRadial(values.clearance[i], diameter, now, EXPANSION.steel)
        const eccentricity = eccentricityFor(
          loadNumber({
            diameter,
            length: now.rodLength,
            radialClearance: clearance,
            speed: now.speed,
            load: now.rodLoad,
            viscosity: now.film,
          }),
          now.rodLength / diameter,
        )
        now.films.rod = Math.min(now.films.rod, clearance * (1 - eccentricity))
        setHoleFed(film, now, diameter, now.rodLength, clearance, now.speed, eccentricity)
        drilling.diameter = values.drilling
        drilling.head = centrifugalHead(now.oil.density, now.speed, 0.5 * values.fedFrom[i], now.crankRadius)
      }
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
  judged: (sheet) => [...judgedSet(sheet, 'rod'), ...sideClearances(sheet)],
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
  }
}

function sideClearances(sheet: Sheet): Judged[] {
  return bearingsOf(sheet, 'rod').flatMap(({ number, label, diameter }) => {
    const side = sheet.readings[`rod.${number}.side`]?.value
    if (side === undefined) return []
    const limits = sideClearanceLimits(diameter, rodsOnPin(sheet.layout), ruleOf(sheet, 'float.sideLeast'))
    return [
      {
        station: 'bearings' as const,
        verdict: judgeFloat(side, limits),
        about: `${label} side clearance out of limit`,
      },
    ]
  })
}
