import { endFloatLimits, type FloatLimits, judgeFloat } from '../bearing/float'
import { meanRodLoad, reciprocatingMassEstimate } from '../bearing/load'
import { limitOf, whoseLimits } from '../house/makerLimits'
import { check } from '../record/looked'
import type { Sheet } from '../record/schema'
import { bearingsOf } from './clearances'
import { bore, type Draft, length, MICRON, MM, typical } from './drafts'
import { contradicting, type Judged, part, voidOf } from './part'
import { reading, sized, valueOf } from './reading'

const mass = (fallback: number, plausible: [number, number]): Draft => ({
  dimension: 'mass',
  fallback,
  fallbackSigma: 0.2 * fallback,
  sigma: 0.005,
  plausible,
  wanted: false,
})

const sizes = sized({
  mainLength: {
    reading: reading('brief', 'size.mainLength', 'Main shell length', (layout) =>
      length(0.33 * typical(layout).main, 0.1, [5 * MM, 120 * MM], { minutes: 3 }),
    ),
  },
  mainLand: {
    reading: reading('brief', 'size.mainLand', 'Main shell land beside the groove', (layout) =>
      length(0.12 * typical(layout).main, 0.15, [1 * MM, 60 * MM], { minutes: 3 }),
    ),
  },
  rodLength: {
    reading: reading('brief', 'size.rodLength', 'Rod shell length', (layout) =>
      length(0.33 * typical(layout).rod, 0.1, [5 * MM, 120 * MM], { minutes: 3 }),
    ),
  },
  cylinderBore: {
    reading: reading('brief', 'size.cylinderBore', 'Cylinder bore', (layout) =>
      length(typical(layout).cylinder, 0.05, [25 * MM, 400 * MM], { minutes: 3 }),
    ),
  },
  stroke: {
    reading: reading('brief', 'size.stroke', 'Stroke', (layout) =>
      length(typical(layout).cylinder, 0.05, [20 * MM, 500 * MM], { minutes: 3 }),
    ),
  },
  reciprocatingMass: {
    optional: true,
    recordedOnly: true,
    reading: reading('brief', 'size.reciprocatingMass', 'Reciprocating mass of a cylinder', (layout) =>
      mass(reciprocatingMassEstimate(typical(layout).cylinder), [0.05, 20]),
    ),
  },
  room: {
    fixed: true,
    reading: reading('bearings', 'bearings.room', 'Room where it was measured', {
      dimension: 'temperature',
      fallback: 20,
      fallbackSigma: 0,
      sigma: 1,
      plausible: [-10, 45],
      wanted: false,
    }),
  },
  oilHole: {
    reading: reading(
      'passages',
      'crank.oilHole',
      'Oil hole of a crankpin',
      bore(6, 0.12, 'a usual crankpin', [1.5 * MM, 15 * MM]),
    ),
  },
})

/** Shares of all rods' mean load that the mains carry together. */
const ON_MAINS = 0.8

/** The crank and what hangs on it: sizes, masses, loads; how it turns in its bearings. */
export const crank = part({
  ...sizes,
  name: 'crank',
  fitted: () => true,
  first: true,
  readings: [
    ...sizes.readings,
    reading('brief', 'size.connectingRod', 'Connecting rod, between centres', (layout) =>
      length(1.75 * typical(layout).cylinder, 0.05, [40 * MM, 800 * MM]),
    ),
    reading('brief', 'size.compressionRatio', 'Compression ratio', {
      dimension: 'ratio',
      fallback: 9,
      fallbackSigma: 0.5,
      sigma: 0.1,
      plausible: [5, 25],
      wanted: false,
    }),
    reading('brief', 'size.rotatingMass', 'Big end of the connecting rod', (layout) =>
      mass(0.65 * reciprocatingMassEstimate(typical(layout).cylinder), [0.03, 20]),
    ),
    reading('bearings', 'thrust.endFloat', 'Crank end float', {
      dimension: 'clearance',
      sigma: 10 * MICRON,
      plausible: [0, 2 * MM],
      wanted: false,
      view: 'turn',
    }),
  ],
  place: (_, { mains, feed }) => {
    const gear = { cylinderBore: 0, crankRadius: 0, reciprocatingMass: 0 }
    return (values, now) => {
      gear.cylinderBore = values.cylinderBore
      gear.crankRadius = 0.5 * values.stroke
      gear.reciprocatingMass = values.reciprocatingMass ?? reciprocatingMassEstimate(values.cylinderBore)
      now.crankRadius = gear.crankRadius
      now.room = values.room
      now.mainLength = values.mainLength
      now.mainLand = values.mainLand
      now.rodLength = values.rodLength
      now.oilHole = values.oilHole
      now.rodLoad = meanRodLoad(gear, now.speed, now.meanPressure)
      now.mainLoad = (ON_MAINS * now.rodLoad * feed.length) / mains
    }
  },
  checks: () => [TURNS],
  choices: () => ['shell.construction', 'crank.drilling', 'crank.capOrder'],
  contradictions: (sheet) => {
    const { problems, both } = contradicting(sheet)
    const [land, shell] = [sizes.sizes.mainLand, sizes.sizes.mainLength].map(
      (size) => valueOf(sheet, size.reading).value,
    )
    if (2 * land >= shell)
      both(
        ['size.mainLand', 'size.mainLength'],
        'two lands are as long as the whole shell: no groove is left between them',
      )
    return problems
  },
  voids: (sheet) => (sheet.checks[TURNS.key]?.state === 'fault' ? [voidOf(TURNS)] : []),
  judged: (sheet): Judged[] => {
    const float = sheet.readings['thrust.endFloat']?.value
    if (float === undefined) return []
    return [{ station: 'bearings', verdict: judgeFloat(float, endFloatOf(sheet)), about: 'end float out of limit' }]
  },
})

/** Limits of the crank's end float, each the maker's or the house's. */
export function endFloatOf(sheet: Sheet): FloatLimits & { whose: ReturnType<typeof whoseLimits> } {
  const { most: house } = endFloatLimits(bearingsOf(sheet, 'main')[0].diameter)
  const [least, most] = [limitOf(sheet, 'float.endLeast'), limitOf(sheet, 'float.endMost', house)]
  return { least: least.value, most: most.value, whose: whoseLimits(least, most) }
}

/** Reciprocating mass of a cylinder, kg: as weighed, else by its bore. */
export const reciprocatingMassOf = (sheet: Sheet): number =>
  sheet.readings['size.reciprocatingMass']?.value ??
  reciprocatingMassEstimate(valueOf(sheet, sizes.sizes.cylinderBore.reading).value)

const TURNS = check(
  'bearings',
  'bearings.turns',
  'Crank turns freely after every cap',
  'Something is behind a shell or under a cap, or a cap is swapped. Take the shells out and look at their backs. Do not start it.',
)
