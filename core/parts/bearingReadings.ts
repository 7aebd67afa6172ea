import type { Layout, Sheet } from '../record/schema'
import { type Draft, MICRON, MM, typical } from './drafts'
import { each, reading } from './reading'

export type BearingSet = 'main' | 'rod'

/** Where a journal or bore can be read beside its first vertical reading in front: the angle to either side, and the rear plane. */
export const PLACES = [
  ['left', '60° left'],
  ['right', '60° right'],
  ['rear', 'rear'],
  ['rearLeft', 'rear, 60° left'],
  ['rearRight', 'rear, 60° right'],
] as const
export type Place = (typeof PLACES)[number][0]

/** Standard uncertainties of a reading of each kind with the usual instrument, m. */
export const READ = { side: 2.5 * MICRON, wall: 2 * MICRON, strip: 6 * MICRON }
/** Minutes that one such reading takes. */
const MINUTES = 4

export const mainsOf = (layout: Layout): number => layout.mains
export const rodsOf = (layout: Layout): number => layout.feed.length
/** What one of a set is called: a rotary's rotors run on the eccentrics that rods have in other engines. */
export const bearingWord = (set: BearingSet, { kind }: Pick<Layout, 'kind'>): string =>
  set === 'main' ? 'Main' : kind === 'rotary' ? 'Rotor' : 'Rod'

/** Sides of a bearing need not be read once a strip was, nor its bore once housing and wall were. */
const replaced =
  (set: BearingSet, side: 'journal' | 'bore') =>
  ({ readings }: Sheet, number: number): boolean => {
    const has = (field: string) => `${set}.${number}.${field}` in readings
    return !has(side) && (has('clearance') || (side === 'bore' && has('housing') && has('wall')))
  }

/** Everything that is read of each bearing of a set, in the order of the work. */
export function bearingReadings<const S extends BearingSet>(set: S) {
  const label = (words: string) => (layout: Layout) => `${bearingWord(set, layout)} ${words}`
  const count = set === 'main' ? mainsOf : rodsOf
  const side =
    (side: 'journal' | 'bore', more: Partial<Draft>) =>
    (layout: Layout): Draft => {
      const diameter = typical(layout)[set]
      return {
        dimension: 'diameter',
        sigma: READ.side,
        plausible: [0.3 * diameter, 3 * diameter],
        wanted: false,
        ...more,
      }
    }
  const beside: Partial<Draft> = { bearing: { set, number: 0 }, view: 'journal' }
  const at = (name: 'journal' | 'bore', place?: Place): Partial<Draft> => ({
    bearing: { set, number: 0, side: name, ...(place ? { place } : {}) },
  })
  const first = (name: 'journal' | 'bore'): Partial<Draft> => ({ wanted: true, minutes: MINUTES, ...at(name) })
  return [
    each(
      'bearings',
      `${set}.#.journal`,
      label(`# journal`),
      side('journal', first('journal')),
      count,
      replaced(set, 'journal'),
    ),
    each('bearings', `${set}.#.bore`, label(`# bore`), side('bore', first('bore')), count, replaced(set, 'bore')),
    ...PLACES.flatMap(([place, words]) => [
      each(
        'bearings',
        `${set}.#.journal.${place}`,
        label(`# journal, ${words}`),
        side('journal', { ...beside, ...at('journal', place) }),
        count,
      ),
      each(
        'bearings',
        `${set}.#.bore.${place}`,
        label(`# bore, ${words}`),
        side('bore', { ...beside, ...at('bore', place) }),
        count,
      ),
    ]),
    each('bearings', `${set}.#.housing`, label(`# housing bore, no shells`), side('bore', beside), count),
    each(
      'bearings',
      `${set}.#.wall`,
      label(`# shell wall at the crown`),
      { dimension: 'diameter', sigma: READ.wall, plausible: [0.8 * MM, 8 * MM], wanted: false, ...beside },
      count,
    ),
    each(
      'bearings',
      `${set}.#.clearance`,
      label(`# clearance, by strip`),
      {
        dimension: 'clearance',
        sigma: READ.strip,
        plausible: [8 * MICRON, 250 * MICRON],
        wanted: false,
        minutes: MINUTES,
      },
      count,
    ),
  ] as const
}

/** The maker's own limits of a set's clearance. */
export function limitReadings<const S extends BearingSet>(set: S) {
  const limit: Draft = {
    dimension: 'clearance',
    sigma: MICRON,
    plausible: [5 * MICRON, 400 * MICRON],
    wanted: false,
    fromMaker: true,
  }
  return [
    reading('brief', `limit.${set}Least`, (layout) => `${bearingWord(set, layout)} clearance, maker’s least`, limit),
    reading('brief', `limit.${set}Most`, (layout) => `${bearingWord(set, layout)} clearance, maker’s most`, limit),
  ] as const
}
