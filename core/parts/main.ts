import { EXPANSION } from '../bearing/clearance'
import { journalPosition, loadNumber } from '../bearing/eccentricity'
import { ARC_PIECES, grooveLeakage } from '../bearing/leakage'
import { capOrder, judgeTurning, type TurningVerdict } from '../bearing/turning'
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
  shellStep,
} from './bearingInputs'
import { bearingReadings, limitReadings } from './bearingReadings'
import { part } from './part'
import { each } from './reading'

/** Room of a main's groove, m³. */
const GROOVE = 1.5e-6

/** Main bearings: a groove in the upper shell, fed by a drilling from the gallery. */
export const main = part({
  name: 'main',
  fitted: () => true,
  readings: [
    ...limitReadings('main'),
    ...bearingReadings('main'),
    each(
      'bearings',
      'turning.#',
      'Turning torque, main #',
      { dimension: 'torque', sigma: 0.1, plausible: [0, 40], wanted: false, view: 'turn' },
      ({ mains }) => mains,
    ),
  ],
  values: (sheet) => bearingValues(sheet, 'main'),
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
      film.groove = { fed: new Float64Array(ARC_PIECES), wedge: new Float64Array(ARC_PIECES), carried: 0 }
      return film
    })
    const arc = (layout.mainGroove * Math.PI) / 180
    return (values, now) => {
      now.films.main = Infinity
      for (let i = 0; i < films.length; i++) {
        const diameter = values.diameter[i]
        const clearance = hotRadial(values.clearance[i], diameter, now, EXPANSION[layout.housing])
        const { eccentricity, attitude } = journalPosition(
          loadNumber({
            diameter,
            length: now.mainLength,
            radialClearance: clearance,
            speed: now.speed,
            load: now.mainLoad,
            viscosity: now.film,
          }),
        )
        now.films.main = Math.min(now.films.main, clearance * (1 - eccentricity))
        // The groove is in the upper shell, over against the load: its middle lies the attitude before the thickest film.
        grooveLeakage(
          {
            radius: 0.5 * diameter,
            length: now.mainLength,
            land: now.mainLand,
            clearance,
            speed: now.speed,
            viscosity: now.film / now.leakage,
            eccentricity,
            arc,
            centre: -attitude,
          },
          films[i].groove!,
        )
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
