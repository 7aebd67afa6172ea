import type { ReliefValve } from '../relief/valve'
import type { Sourced } from '../record/sourced'
import type { Quantity } from '../record/quantity'
import type { Sheet } from '../record/schema'
import { length, MICRON, MM, plain, planned, speed, temperature } from './drafts'
import { recordedOrDefaultOf, quantityOf, reading, type ReadingSpec, valueOf } from './reading'

/** The valve at the pump, and one at the gallery's far end. */
export type ValveName = 'relief' | 'relief2'

/** A plain gauge's uncertainty, Pa: shared by air test and dead-head test. */
const GAUGE = 5e3
const MINUTES = 2
/** Bore of the passage that a valve lets its oil back by, m, where nobody measured it. */
const RETURN_BORE = 8 * MM
const wanted = { wanted: true, minutes: MINUTES }

/** Everything that is recorded of a relief valve, by field, in the order of the work. */
function valveReadings<const N extends ValveName>(name: N, title: (words: string) => string) {
  const at = <const F extends string>(
    field: F,
    words: string,
    draft: ReadingSpec['draft'],
    replaced?: ReadingSpec['replaced'],
  ) => reading('relief', `${name}.${field}`, title(words), draft, undefined, replaced)
  const routes = { view: 'routes', minutes: MINUTES }
  const fit = { view: 'fit', minutes: MINUTES }
  const bench = { view: 'bench', minutes: MINUTES }
  return {
    plungerDiameter: at(
      'plungerDiameter',
      'Plunger diameter',
      length(12.7 * MM, 0.03, [4 * MM, 40 * MM], { ...wanted, sigma: 5 * MICRON }),
    ),
    springRate: at(
      'springRate',
      'Spring rate',
      {
        dimension: 'springRate',
        fallback: 6000,
        fallbackSigma: 500,
        sigma: 60,
        plausible: [300, 60000],
        wanted: true,
        minutes: 6,
      },
      (sheet) => rateGivenOtherwise(sheet, name),
    ),
    freeLength: at(
      'freeLength',
      'Spring free length',
      length(48 * MM, 0.01, [10 * MM, 150 * MM], { ...wanted, sigma: 0.1 * MM }),
    ),
    installedLength: at(
      'installedLength',
      'Length fitted, no shims',
      length(41 * MM, 0.01, [8 * MM, 150 * MM], { ...wanted, sigma: 0.1 * MM }),
    ),
    shims: at('shims', 'Shims, all together', {
      ...length(0, 0, [0, 12 * MM], { sigma: 0.01 * MM, minutes: MINUTES }),
      fallbackSigma: 0,
    }),
    solidLength: at(
      'solidLength',
      'Spring solid length',
      length(undefined, 0, [5 * MM, 140 * MM], { ...wanted, sigma: 0.1 * MM }),
    ),
    portDiameter: at('portDiameter', 'Port diameter', length(7 * MM, 0.1, [2 * MM, 25 * MM], wanted)),
    overlap: at('overlap', 'Overlap before the port', {
      ...length(0, 0, [0, 10 * MM], { sigma: 0.05 * MM, minutes: MINUTES }),
      fallbackSigma: 0.1 * MM,
    }),
    returnLength: at(
      'returnLength',
      'Return passage, length',
      length(60 * MM, 0.3, [5 * MM, 500 * MM], { sigma: 1 * MM, basis: 'a usual housing', minutes: MINUTES }),
    ),
    returnBore: at(
      'returnBore',
      'Return passage, bore',
      length(RETURN_BORE, 0.1, [3 * MM, 30 * MM], { sigma: 0.1 * MM, basis: 'a usual housing', minutes: MINUTES }),
    ),
    height1: at('height1', 'First height', plain('length', 0.05 * MM, [5 * MM, 150 * MM])),
    load1: at('load1', 'Load at the first height', plain('force', 0.3, [0.5, 2000])),
    height2: at('height2', 'Second height', plain('length', 0.05 * MM, [5 * MM, 150 * MM])),
    load2: at('load2', 'Load at the second height', plain('force', 0.3, [0.5, 2000])),
    saidStiffer: at('saidStiffer', 'Seller’s word: stiffer by', {
      ...plain('ratio', 0.05, [-0.6, 2]),
      fromMaker: true,
    }),
    rateBefore: at('rateBefore', 'Rate of the spring before', plain('springRate', 60, [300, 60000])),
    wire: at('wire', 'Wire diameter', plain('length', 0.01 * MM, [0.4 * MM, 8 * MM], routes)),
    coilDiameter: at('coilDiameter', 'Coil, mean diameter', plain('length', 0.05 * MM, [3 * MM, 60 * MM], routes)),
    coils: at('coils', 'Active coils', plain('count', 0.25, [1, 40])),
    plugBore: at('plugBore', 'Plug bore', plain('length', 0.02 * MM, [4 * MM, 50 * MM], routes)),
    plugHole: at('plugHole', 'Hole in the plug', plain('length', 0.05 * MM, [0, 20 * MM], routes)),
    plugTravel: at('plugTravel', 'Plug can go further in by', plain('length', 0.05 * MM, [0, 20 * MM], routes)),
    plugOutward: at('plugOutward', 'Plug can come out by, at most', plain('length', 0.1 * MM, [0, 20 * MM], routes)),
    plugProud: at('plugProud', 'Plug proud of flush by', plain('length', 0.05 * MM, [0, 20 * MM], routes)),
    wanted: at('wanted', 'Wanted opening pressure', planned('pressure', [0.3e5, 12e5], { view: 'routes' })),
    reach: at('reach', 'Shoulder to nose of the valve', plain('length', 0.03 * MM, [5 * MM, 150 * MM], fit)),
    seatDepth: at('seatDepth', 'Face to seat of the housing', plain('length', 0.05 * MM, [5 * MM, 150 * MM], fit)),
    thread: at('thread', 'Thread of the valve', plain('length', 0.05 * MM, [2 * MM, 60 * MM], fit)),
    tapped: at('tapped', 'Tapped depth of the housing', plain('length', 0.1 * MM, [2 * MM, 80 * MM], fit)),
    lip: at('lip', 'Lip round the housing’s mouth, height', plain('length', 0.03 * MM, [0, 10 * MM], fit)),
    spacer: at('spacer', 'Spacer under the valve’s shoulder', plain('length', 0.02 * MM, [0, 10 * MM], fit)),
    plugTorque: at('plugTorque', 'Plug torque, maker’s', plain('torque', 0.5, [2, 200], fit)),
    benchPressure: at(
      'benchPressure',
      'Bench reading',
      plain('pressure', GAUGE, [0.3e5, 20e5], { ...bench, minutes: 20 }),
    ),
    benchTemperature: at('benchTemperature', 'Oil on the bench', {
      ...temperature(20, [0, 60]),
      wanted: false,
      view: 'bench',
    }),
    benchSpeed: at('benchSpeed', 'Pump speed on the bench', {
      ...speed(450, [50, 3000]),
      wanted: false,
      view: 'bench',
    }),
    benchInstalled: at(
      'benchInstalled',
      'Length fitted on the bench',
      plain('length', 0.1 * MM, [8 * MM, 150 * MM], bench),
    ),
    benchShims: at('benchShims', 'Shims on the bench', plain('length', 0.01 * MM, [0, 12 * MM], bench)),
  }
}

const second = (words: string) => `Gallery valve, ${words.charAt(0).toLowerCase()}${words.slice(1)}`

export const VALVE_READINGS = {
  relief: valveReadings('relief', (words) => words),
  relief2: valveReadings('relief2', second),
}
/** A valve as it is fitted, with the passage that its oil goes back by and its spring's side is vented to, m. */
export interface FittedValve extends ReliefValve {
  returnLength: number
  returnBore: number
}

export type ValveField = keyof (typeof VALVE_READINGS)['relief']

/** A rate need not be typed once it follows from two loads at two heights, or from the wire. */
function rateGivenOtherwise({ readings }: Sheet, name: ValveName): boolean {
  const has = (...fields: ValveField[]) => fields.every((field) => `${name}.${field}` in readings)
  return !has('springRate') && (risesBetweenHeights(readings, name) || has('wire', 'coilDiameter', 'coils'))
}

/** Whether two heights and loads are there and give a rate. */
export function risesBetweenHeights(readings: Sheet['readings'], name: ValveName): boolean {
  const [h1, f1, h2, f2] = ['height1', 'load1', 'height2', 'load2'].map((field) => readings[`${name}.${field}`]?.value)
  return h1 !== undefined && f1 !== undefined && h2 !== undefined && f2 !== undefined && (f2 - f1) / (h1 - h2) > 0
}

export const valveSourced = (sheet: Sheet, name: ValveName, field: ValveField): Sourced | undefined =>
  recordedOrDefaultOf(sheet, VALVE_READINGS[name][field])
export const valveValue = (sheet: Sheet, name: ValveName, field: ValveField): Sourced =>
  valueOf(sheet, VALVE_READINGS[name][field])
export const valveQuantity = (sheet: Sheet, name: ValveName, field: ValveField): Quantity =>
  quantityOf(VALVE_READINGS[name][field], sheet.layout)
