import type { Input } from './input'
import { EXPANSION, hotClearance } from '../bearing/clearance'
import { carriedLeakage, holeConductance } from '../bearing/leakage'
import { judgeClearance } from '../bearing/judge'
import { OLD_SHELLS } from '../bearing/shell'
import { NOT_LOOKED_AT } from '../record/words'
import type { Layout, Problem, Sheet } from '../record/schema'
import { type BearingSet, bearingWord, PLACES } from './bearingReadings'
import { type BearingRecord, bearingCount, bearingsOf, clearanceLimits } from './clearances'
import { MICRON } from './drafts'
import { type Conditions, contradicting, type Ground, type Judged, type PartFault, type Step, between } from './part'

/** What the circuit takes of a set of bearings: diameters and diametral clearances, m, from the front. */
export interface BearingValues {
  diameter: number[]
  clearance: number[]
  /** How far the zero of each instrument that read them is out, in its standard uncertainties, and what one of these makes of each clearance, m. */
  zeros: number[]
  zeroed: readonly (readonly number[])[]
}

export const bearingValues = (sheet: Sheet, set: BearingSet): BearingValues => {
  const records = bearingsOf(sheet, set)
  const zeroed = instrumentsOf(records).map((instrument) => records.map(({ errors }) => errors?.zeros[instrument] ?? 0))
  return {
    diameter: records.map(({ diameter }) => diameter),
    clearance: records.map(({ clearance }) => clearance.value),
    zeros: zeroed.map(() => 0),
    zeroed,
  }
}

/** A bearing's diametral clearance with the zeros of its instruments, m. */
export function clearanceAt({ clearance, zeros, zeroed }: BearingValues, i: number): number {
  let value = clearance[i]
  for (let k = 0; k < zeros.length; k++) value += zeros[k] * zeroed[k][i]
  return value
}

const instrumentsOf = (records: BearingRecord[]): string[] => [
  ...new Set(records.flatMap(({ errors }) => Object.keys(errors?.zeros ?? {}))),
]

/** The zero of each instrument that read a set: one number for all that it read, in mains and rods alike, in its standard uncertainties. */
const zeroInputs = <V extends BearingValues>(sheet: Sheet, set: BearingSet): Input<V>[] =>
  instrumentsOf(bearingsOf(sheet, set)).map((instrument, k) => ({
    key: `zero.${instrument}`,
    label: `Zero of the ${UNNAMED[instrument] ?? instrument}`,
    station: 'bearings',
    source: 'measured',
    value: 0,
    sigma: 1,
    shared: 'instrument',
    put: (v, x) => void (v.zeros[k] = x),
  }))

const UNNAMED: Record<string, string> = {
  journal: 'journals’ micrometer',
  bore: 'bore gauge',
  wall: 'wall micrometer',
  strip: 'plastic strip',
}

/** Measured clearances vary each for itself beside what they share; those assumed together are wrong together. */
export function clearanceInputs<V extends BearingValues>(sheet: Sheet, set: BearingSet): Input<V>[] {
  return [...ownInputs<V>(sheet, set), ...zeroInputs<V>(sheet, set)]
}

function ownInputs<V extends BearingValues>(sheet: Sheet, set: BearingSet): Input<V>[] {
  const records = bearingsOf(sheet, set)
  const own = (record: BearingRecord) => record.clearance.source === 'measured' || record.chosen !== undefined
  const measured = records.filter(own).map((record): Input<V> => ({
    key: `${set}.${record.number}.journal`,
    label: `${record.label} clearance`,
    station: 'bearings',
    ...record.clearance,
    sigma: record.errors?.own ?? record.clearance.sigma,
    set,
    put: (v, x) => void (v.clearance[record.number - 1] = x),
  }))
  const assumed = records.filter((record) => !own(record))
  if (assumed.length === 0) return measured
  const first = assumed[0]
  const numbers = assumed.map(({ number }) => number)
  return [
    ...measured,
    {
      key: `${set}.${first.number}.${first.journal ? 'bore' : 'journal'}`,
      label: groupLabel(bearingWord(set, sheet.layout), numbers, records.length),
      station: 'bearings',
      ...first.clearance,
      sigma: first.errors?.own ?? first.clearance.sigma,
      set,
      covers: numbers.length,
      put: (v, x) => {
        for (const { number, clearance } of assumed)
          v.clearance[number - 1] = Math.max(2e-6, clearance.value + (x - first.clearance.value))
      },
    },
  ]
}

function groupLabel(word: string, numbers: number[], all: number): string {
  if (numbers.length === all) return `All ${word.toLowerCase()} clearances`
  if (numbers.length === 1) return `${word} ${numbers[0]} clearance`
  return `${word} ${numbers.slice(0, -1).join(', ')} and ${numbers[numbers.length - 1]} clearance`
}

/** Hot radial clearance; a bearing pinched shut still has its last five microns for the model. */
export const hotRadial = (clearance: number, diameter: number, now: Conditions, housing: number): number =>
  Math.max(5e-6, 0.5 * hotClearance(clearance, diameter, now.temperature - now.room, housing, EXPANSION.steel))

/** Feed pressure at which a hole's own flow is set against what turning carries, Pa. */
export const USUAL_FEED = 200e3

/**
 * A bearing fed by a hole: where turning carries oil, the hole's pressure-fed part gives up a fifth of itself to it, in
 * proportion; within 10 percent of the grid solver averaged over the hole's place (core/film/closed.test.ts).
 *
 * @param bearing is set  @param speed of its journal, rev/s
 */
export function setHoleFed(
  bearing: { conductance: number; carried: number },
  { leakage, oilHole }: Pick<Conditions, 'leakage' | 'oilHole'>,
  viscosity: number,
  diameter: number,
  length: number,
  clearance: number,
  speed: number,
  eccentricity: number,
): void {
  const pressed = leakage * holeConductance(clearance, length, oilHole, viscosity, eccentricity)
  blendHoleFed(bearing, pressed, diameter, length, clearance, speed, eccentricity)
}

/** The same of what its hole or holes press in, m³/(s·Pa). */
export function blendHoleFed(
  bearing: { conductance: number; carried: number },
  pressed: number,
  diameter: number,
  length: number,
  clearance: number,
  speed: number,
  eccentricity: number,
): void {
  bearing.carried = carriedLeakage(0.5 * diameter, length, clearance, speed, eccentricity)
  bearing.conductance = pressed * (1 - (0.2 * bearing.carried) / (bearing.carried + pressed * USUAL_FEED))
}

/** One shell grade, 25 µm, tighter all along the set. */
export const shellStep = (key: string, label: string): Step<BearingValues> => ({
  key,
  label,
  change: (v) => (v.clearance = v.clearance.map((each) => Math.max(5 * MICRON, each - 25 * MICRON))),
})

/** That a set should not stand on the layout's defaults alone. */
export const setGround = (set: BearingSet, about: Ground['about']): Ground => ({
  about,
  states: 'all',
  stands: (sheet) => bearingsOf(sheet, set).some(({ clearance, chosen }) => clearance.source !== 'layout' || chosen),
  key: (sheet) => {
    const first = bearingsOf(sheet, set).find(({ journal }) => !journal)
    return first ? `${set}.${first.number}.journal` : `${set}.1.bore`
  },
})

/** What a row of old shells can be called. */
export const oldShells = (layout: Layout, set: BearingSet): [string, readonly string[]][] =>
  Array.from({ length: bearingCount({ layout }, set) }, (_, i) => [
    `${set}.${i + 1}.oldShell`,
    [...OLD_SHELLS, NOT_LOOKED_AT],
  ])

/** Measured clearances against their limits. */
export const judgedSet = (sheet: Sheet, set: BearingSet): Judged[] =>
  bearingsOf(sheet, set).flatMap((record) =>
    record.clearance.source === 'measured' || record.chosen
      ? [
          {
            station: 'bearings' as const,
            verdict: judgeClearance(record.clearance, clearanceLimits(sheet, set, record.diameter)).verdict,
            about: `${record.label} out of limit`,
          },
        ]
      : [],
  )

/** Bores that are not larger than their journals, in any place, each named at both. */
export function pinchedBearings(sheet: Sheet, set: BearingSet): Problem[] {
  const { problems, both } = contradicting(sheet)
  const CHECK = 'the bore is not larger than the journal: check both'
  for (let i = 1; i <= bearingCount(sheet, set); i++) {
    const at = (field: string) => sheet.readings[`${set}.${i}.${field}`]?.value
    const name = (...fields: string[]) => fields.map((field) => `${set}.${i}.${field}`)
    const [journal, housing, wall] = [at('journal'), at('housing'), at('wall')]
    const bore = at('bore') ?? (housing !== undefined && wall !== undefined ? housing - 2 * wall : undefined)
    if (bore !== undefined && bore <= 0) both(name('housing', 'wall'), 'two walls are thicker than the housing is wide')
    else if (journal !== undefined && bore !== undefined && bore <= journal)
      both(at('bore') === undefined ? name('housing', 'wall', 'journal') : name('bore', 'journal'), CHECK)
    for (const [place] of PLACES) {
      const [own, across] = [at(`bore.${place}`), at(`journal.${place}`)]
      if (own !== undefined && across !== undefined && own <= across)
        both(name(`bore.${place}`, `journal.${place}`), CHECK)
    }
  }
  return problems
}

/** Bearings that leak far more than was measured: both sets at once. */
export const LOOSE: PartFault<BearingValues, 'clearance'> = {
  key: 'clearance',
  words: 'bearings leak far more than was measured',
  look: 'Look at a shell’s oil hole, a cap swapped, a shell left out.',
  effect: (severity) => ({ change: (v) => scaleClearances(v, between(severity, 1.8, 2.6)) }),
}

/** Widens every bearing of a set by the same factor. */
export function scaleClearances(values: BearingValues, factor: number): void {
  values.clearance = values.clearance.map((each) => each * factor)
}
