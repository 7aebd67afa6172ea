import type { Sheet } from '../record/schema'
import { outlookOf } from '../outlook/outlook'
import { type Solved, solvedOutlook } from '../outlook/solved'
import { progressOf } from './progress'
import type { Verdict } from '../quantity/verdict'

/** One verdict of a build that other house rules would move. */
export interface VerdictMove {
  /** Station or state it stands at. */
  what: string
  from: Verdict
  to: Verdict
  /** What the new verdict is about. */
  about?: string
}

/**
 * What moves at a build when it is judged by other house rules: worst verdict of each station, verdict of each state.
 *
 * @param solved the sheet's circuit, which no rule moves
 */
export function verdictMoves(
  sheet: Sheet,
  rules: Sheet['house'],
  solved: Solved = solvedOutlook(sheet),
): VerdictMove[] {
  const now = verdictsOf(sheet, solved)
  const then = verdictsOf({ ...sheet, house: rules }, solved)
  return then.flatMap(({ what, verdict, about }, i) =>
    verdict === now[i].verdict ? [] : [{ what, from: now[i].verdict, to: verdict, about }],
  )
}

function verdictsOf(sheet: Sheet, solved: Solved): { what: string; verdict: Verdict; about?: string }[] {
  const stations = progressOf(sheet).map(({ station, verdict, about }) => ({
    what: station,
    verdict: verdict ?? ('unknown' as const),
    about: verdict === 'pass' ? undefined : about,
  }))
  return [
    ...stations,
    ...outlookOf(sheet, solved.samples, solved).states.map(({ label, verdict }) => ({
      what: label.toLowerCase(),
      verdict,
    })),
  ]
}
