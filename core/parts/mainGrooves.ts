import type { GrooveArcs } from '../bearing/grooved'
import type { Layout, Sheet } from '../record/schema'
import { type Draft, MM } from './drafts'
import { each } from './reading'

/** Round holes of a shell where nobody measured them, m, and how many. */
const USUAL_HOLE = 6 * MM

const draft = (dimension: Draft['dimension'], sigma: number, plausible: [number, number]): Draft => ({
  dimension,
  sigma,
  plausible,
  wanted: false,
  view: 'journal',
  bearing: { set: 'main', number: 0 },
})
const mains = ({ mains }: Layout) => mains
const DEGREE = Math.PI / 180

/** What is read of a main's pair of shells: how far each half is grooved, how wide, and the holes through which the oil comes. */
export const grooveReadings = [
  each('bearings', 'main.#.grooveUpper', 'Main # groove, upper shell', draft('arc', 2 * DEGREE, [0, Math.PI]), mains),
  each('bearings', 'main.#.grooveLower', 'Main # groove, lower shell', draft('arc', 2 * DEGREE, [0, Math.PI]), mains),
  each('bearings', 'main.#.grooveWidth', 'Main # groove width', draft('length', 0.05 * MM, [1 * MM, 60 * MM]), mains),
  each('bearings', 'main.#.shellHoles', 'Main # oil holes in the shell', draft('count', 0.1, [1, 6]), mains),
  each(
    'bearings',
    'main.#.shellHole',
    'Main # oil hole in the shell',
    draft('length', 0.05 * MM, [1 * MM, 20 * MM]),
    mains,
  ),
  each(
    'bearings',
    'main.#.holePlace',
    'Main # oil hole, from the crown',
    draft('arc', 2 * DEGREE, [0, Math.PI / 2]),
    mains,
  ),
] as const

/** Shells of one main as the model takes them. */
export interface MainShells extends GrooveArcs {
  /** Groove's width, m, where it was measured. */
  width?: number
  /** Oil holes: how many, their bore, m, how far the first stands from the crown in the direction of turning, rad. */
  holes: number
  hole: number
  place: number
  /** Whether a hole was measured, so that it holds the oil up before the groove. */
  holeMeasured: boolean
}

/** The grooves of an arc that is given as one, about the upper shell's crown, degrees: what goes beyond half round lies in the lower shell. */
export const arcsOf = (degrees: number): GrooveArcs => ({
  upper: Math.min(180, degrees) * DEGREE,
  lower: Math.max(0, degrees - 180) * DEGREE,
})

/** Both arcs together, rad. */
export const aroundOf = ({ upper, lower }: GrooveArcs): number => upper + lower

/** Shells of every main: as recorded, else as the layout has them. A half of which nothing is recorded is the layout's. */
export function mainShells(sheet: Sheet): MainShells[] {
  const usual = arcsOf(sheet.layout.mainGroove)
  return Array.from({ length: sheet.layout.mains }, (_, i) => {
    const of = (field: string) => sheet.readings[`main.${i + 1}.${field}`]?.value
    return {
      upper: of('grooveUpper') ?? usual.upper,
      lower: of('grooveLower') ?? usual.lower,
      width: of('grooveWidth'),
      holes: Math.max(1, Math.round(of('shellHoles') ?? 1)),
      hole: of('shellHole') ?? USUAL_HOLE,
      place: of('holePlace') ?? 0,
      holeMeasured: of('shellHole') !== undefined,
    }
  })
}

/** Mains whose shells are alike, counted from 0; the most common come last, so that what is left of them stands for all. */
export function alikeShells(shells: MainShells[]): number[][] {
  const groups = new Map<string, number[]>()
  shells.forEach((each, i) => {
    const key = JSON.stringify(each)
    groups.set(key, [...(groups.get(key) ?? []), i])
  })
  return [...groups.values()].sort((a, b) => a.length - b.length)
}
