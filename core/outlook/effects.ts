import { bearingsOf, clearanceLimits } from '../parts/clearances'
import type { Sheet } from '../record/schema'
import { judgeClearance } from '../bearing/judge'
import { gaugePressure, modelOf } from './model'
import { namedStates } from './states'

export interface BearingProblem {
  set: 'main' | 'rod'
  number: number
  label: string
  clearance: number
  limit: number
  side: 'loose' | 'tight'
  verdict: 'stop' | 'watch'
  chance: number
  /** What it costs on the gauge at hot idle against the middle of its limits, Pa; negative is lost. */
  cost: number
  /** Which side of the pair stands out from its sisters, and by how much, m, where sisters tell. */
  culprit?: { side: 'journal' | 'bore'; difference: number }
  /** Change of both shells' wall that would bring it to the middle of its limits, m; positive is a thicker wall. */
  shell: number
}

/** Measured bearings out of their limits, or nearly, each with its price at hot idle and its cure. */
export function bearingProblems(sheet: Sheet): BearingProblem[] {
  const found = (['main', 'rod'] as const).flatMap((set) => {
    const records = bearingsOf(sheet, set)
    return records.flatMap((record) => {
      if (record.clearance.source !== 'measured' && !record.chosen) return []
      const limits = clearanceLimits(sheet, set, record.diameter)
      const judged = judgeClearance(record.clearance, limits)
      if (judged.verdict !== 'stop' && judged.verdict !== 'watch') return []
      const side = record.clearance.value > 0.5 * (limits.least + limits.most) ? ('loose' as const) : ('tight' as const)
      const middle = 0.5 * (limits.least + limits.most)
      const problem: BearingProblem = {
        set,
        number: record.number,
        label: record.label,
        clearance: record.clearance.value,
        limit: side === 'loose' ? limits.most : limits.least,
        side,
        verdict: judged.verdict,
        chance: judged.chance,
        cost: 0,
        culprit: culpritOf(records, record.number),
        shell: 0.5 * (record.clearance.value - middle),
      }
      return [{ problem, middle }]
    })
  })
  if (found.length === 0) return []
  const model = modelOf(sheet)
  const idle = namedStates(sheet).find((state) => state.name === 'idleHot')!
  const now = gaugePressure(model, idle)
  return found.map(({ problem, middle }) => {
    const list = model.values[problem.set].clearance
    list[problem.number - 1] = middle
    const mended = gaugePressure(model, idle)
    list[problem.number - 1] = problem.clearance
    return { ...problem, cost: now - mended }
  })
}

/** The side whose size differs most from the median of its sisters, when that explains more than half of the clearance's. */
function culpritOf(records: ReturnType<typeof bearingsOf>, number: number): BearingProblem['culprit'] {
  const self = records[number - 1]
  const others = records.filter((record) => record.number !== number)
  const differences = (['journal', 'bore'] as const).flatMap((side) => {
    const sizes = others.flatMap((record) => (record[side] ? [record[side].value] : [])).sort((a, b) => a - b)
    const own = self[side]
    return own && sizes.length >= 2 ? [{ side, difference: own.value - sizes[Math.floor(sizes.length / 2)] }] : []
  })
  const worst = differences.sort((a, b) => Math.abs(b.difference) - Math.abs(a.difference))[0]
  return worst && Math.abs(worst.difference) > 5e-6 ? worst : undefined
}
