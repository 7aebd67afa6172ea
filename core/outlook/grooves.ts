import { airShare } from '../bearing/feed'
import type { Verdict } from '../quantity/verdict'
import { oilGrade } from '../oil/grades'
import { elementOf } from '../parts/circuitBuilder'
import type { Sheet } from '../record/schema'
import { requireValue } from '../engine/values'
import { rodDuty } from '../parts/feedDuty'
import { COMBINED_ROUGHNESS } from './journalFilm'
import { type Ranged, rangeOf, sampleReadings } from './band'
import { gaugePressure, modelOf } from './model'
import { QUICK_SAMPLES } from './solved'
import { momentAt, namedStates } from './states'

/** Arcs that shells come with, degrees about the upper crown. */
export const ARCS = [0, 120, 140, 160, 180, 200, 240, 360]
/** Those that are laid side by side. */
const COMPARED = [0, 120, 180, 360]

/** What one groove gives with one oil. */
export interface GrooveOutcome {
  /** Gauge at hot idle, Pa, with 5 and 95 percent. */
  idleHot: Ranged
  /** Thinnest film of the mains at working speed, hot, m, with 5 and 95 percent, and the word on it by the surfaces' roughness. */
  film: Ranged
  verdict: Verdict
  /** Share of air in the rods' oil at maximum speed, hot: the worst rod's. */
  air: number
}
export interface GrooveRow {
  /** Degrees; undefined for the shells as they are recorded, where they are none of those compared. */
  arc?: number
  /** Whether these are the shells that the build has. */
  own: boolean
  /** Feed duty of the rod that is fed least, share of a turn. */
  duty: number
  /** In the order of the oils asked for. */
  with: GrooveOutcome[]
}

/** Grooves side by side for this engine, each with each oil: what the gauge, the mains' film and the rods' oil make of it. */
export function groovesCompared(sheet: Sheet, grades: string[]): GrooveRow[] {
  const recorded = Object.keys(sheet.readings).some((key) => /^main\.\d+\.groove(Upper|Lower)$/.test(key))
  const own = recorded ? undefined : sheet.layout.mainGroove
  const row = (of: Sheet, arc: number | undefined, isOwn: boolean): GrooveRow => ({
    arc,
    own: isOwn,
    duty: Math.min(...of.layout.feed.map((_, i) => rodDuty(of, i + 1))),
    with: grades.map((grade) => outcome(withOil(of, grade))),
  })
  const rows = COMPARED.map((arc) => row(withArc(sheet, arc), arc, arc === own))
  return own !== undefined && COMPARED.includes(own) ? rows : [row(sheet, own, true), ...rows]
}

/** A sheet all of whose mains have this arc and no groove recorded. */
function withArc(sheet: Sheet, arc: number): Sheet {
  const readings = Object.fromEntries(
    Object.entries(sheet.readings).filter(([key]) => !/^main\.\d+\.groove(Upper|Lower)$/.test(key)),
  )
  return { ...sheet, readings, layout: { ...sheet.layout, mainGroove: arc } }
}

const withOil = (sheet: Sheet, grade: string): Sheet =>
  grade === sheet.oil.grade || !oilGrade(grade) ? sheet : { ...sheet, oil: { grade } }

function outcome(sheet: Sheet): GrooveOutcome {
  const model = modelOf(sheet)
  const { circuit, plan, films } = model.engine
  const [, , idle, working] = namedStates(sheet)
  const [[gauge], [, thinnest]] = sampleReadings(model, [idle, working], QUICK_SAMPLES, [() => films.main])
  const film = rangeOf(thinnest)
  gaugePressure(model, momentAt(sheet, requireValue(sheet, 'brief.maximumSpeed').value, working.temperature))
  const air = sheet.layout.feed.map((main, i) => {
    const { conductance, carried } = elementOf(plan, `rod ${i + 1} film`, 'bearing')
    const { head = 0 } = elementOf(plan, `crank drilling ${i + 1}`, 'pipe')
    const pressure = circuit.pressures[circuit.indexOf(`main ${main}`)]
    return airShare(rodDuty(sheet, i + 1), pressure, head, conductance, carried)
  })
  const ratio = film.best / COMBINED_ROUGHNESS
  return {
    idleHot: rangeOf(gauge),
    film,
    verdict: ratio < 1 ? 'stop' : ratio < 3 ? 'watch' : 'pass',
    air: Math.max(...air),
  }
}
