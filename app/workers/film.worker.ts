import { expose } from 'comlink'
import highsWasm from 'highs/runtime?url'
import type { Sheet } from '#core/build/schema'
import { journalFilm } from '#core/film/journal'
import { type BearingOrbit, engineOrbits, type OrbitMoment } from '#core/orbit/engine'
import { chooseShells } from '#core/shells/choose'
import { integerSolver } from '#core/shells/solver'
import type { ShellProblem } from '#core/shells/types'

/** What takes longer than a keystroke: films on the grid, orbits over the cycle, shells by integer programme. Apart from the outlook's worker. */
let wanted = 0

export interface OrbitSummary extends Pick<BearingOrbit, 'set' | 'number' | 'least' | 'greatestLoad' | 'meanLoad' | 'specificLoad' | 'radialClearance'> {
  x: Float64Array
  y: Float64Array
  film: Float64Array
}

const films = {
  film: journalFilm,
  /** Orbits of all bearings, told one by one; undefined when cancelled or asked anew meanwhile. */
  async orbits(sheet: Sheet, moment: OrbitMoment, tell?: (done: number, of: number) => void): Promise<OrbitSummary[] | undefined> {
    const turn = ++wanted
    const of = sheet.layout.mains + sheet.layout.feed.length
    const found: OrbitSummary[] = []
    for (const { set, number, least, greatestLoad, meanLoad, specificLoad, radialClearance, x, y, film } of engineOrbits(sheet, moment)) {
      found.push({ set, number, least, greatestLoad, meanLoad, specificLoad, radialClearance, x, y, film })
      tell?.(found.length, of)
      // Lets a cancel in between two bearings.
      await new Promise((done) => setTimeout(done))
      if (turn !== wanted) return undefined
    }
    return found
  },
  cancel: () => void wanted++,
  shells: async (problem: ShellProblem) => chooseShells(problem, await integerSolver(() => highsWasm)),
}
export type FilmWorker = typeof films
expose(films)
