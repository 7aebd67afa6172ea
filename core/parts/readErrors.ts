import type { Reading, Sheet } from '../record/schema'
import { type BearingSet, READ } from './bearingReadings'

/** Share of an instrument's variance that is its zero: the same in everything it reads until it is zeroed again. */
const ZERO_SHARE = 0.5

/** How a measured clearance can be out, m: by the scatter of its own readings, and with the zero of each instrument that read it. */
export interface ReadErrors {
  own: number
  /** By instrument: what one standard uncertainty of its zero makes of the clearance, with its sign. */
  zeros: Readonly<Record<string, number>>
}

/** Both together, root sum of squares. Source: GUM, JCGM 100:2008, 5.2.2. */
export const totalError = ({ own, zeros }: ReadErrors): number => Math.hypot(own, ...Object.values(zeros))

/** The mean of several clearances has the mean of their zeros; scatter is told by their spread. */
export function meanErrors(all: ReadErrors[], own: number): ReadErrors {
  const zeros: Record<string, number> = {}
  for (const errors of all)
    for (const [instrument, zero] of Object.entries(errors.zeros))
      zeros[instrument] = (zeros[instrument] ?? 0) + zero / all.length
  return { own, zeros }
}

/** Fields that a clearance was read from, with how it follows each, and what reads them where no instrument was named. */
const SIDES = {
  journal: { fields: ['journal', 'journal.rear'], follows: -1, usual: READ.side, instrument: 'journal' },
  bore: { fields: ['bore', 'bore.rear'], follows: 1, usual: READ.side, instrument: 'bore' },
  housing: { fields: ['housing'], follows: 1, usual: READ.side, instrument: 'bore' },
  wall: { fields: ['wall'], follows: -2, usual: READ.wall, instrument: 'wall' },
  strip: { fields: ['clearance'], follows: 1, usual: READ.strip, instrument: 'strip' },
} as const

/**
 * How a clearance is out that was read from these sides. Readings of one side are averaged: their scatter evens out, the zero of the one
 * instrument that took them does not; read from journal and bore by the same instrument it drops out. Where no instrument is named one is
 * taken to have read all journals of the engine, another all bores.
 * Source: GUM, JCGM 100:2008, 5.2 (correlation of +1 within a group).
 */
export function readErrors(
  sheet: Sheet,
  set: BearingSet,
  number: number,
  sides: readonly (keyof typeof SIDES)[],
): ReadErrors {
  let own = 0
  const zeros: Record<string, number> = {}
  for (const side of sides) {
    const { fields, follows, usual, instrument } = SIDES[side]
    const read = fields
      .map((field): Reading | undefined => sheet.readings[`${set}.${number}.${field}`])
      .filter((reading) => reading !== undefined)
    for (const reading of read) {
      const error = (follows * (reading.uncertainty ?? usual)) / read.length
      const name = reading.instrument ?? instrument
      own += (1 - ZERO_SHARE) * error * error
      zeros[name] = (zeros[name] ?? 0) + Math.sqrt(ZERO_SHARE) * error
    }
  }
  return { own: Math.sqrt(own), zeros }
}
