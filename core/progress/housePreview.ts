import type { Sheet } from '../record/schema'
import { outlookOf } from '../outlook/outlook'
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

/** What moves at a build when it is judged by other house rules: worst verdict of each station, verdict of each state. */
export function verdictMoves(sheet: Sheet, rules: Sheet['house']): VerdictMove[] {
  const now = verdictsOf(sheet)
  const then = verdictsOf({ ...sheet, house: rules })
  return then.flatMap(({ what, verdict, about }, i) =>
    verdict === now[i].verdict ? [] : [{ what, from: now[i].verdict, to: verdict, about }],
  )
}

function verdictsOf(sheet: Sheet): { what: string; verdict: Verdict; about?: string }[] {
  const stations = progressOf(sheet).map(({ station, verdict, about }) => ({
    what: station,
    verdict: verdict ?? ('unknown' as const),
    about: verdict === 'pass' ? undefined : about,
  }))
  return [...stations, ...outlookOf(sheet).states.map(({ label, verdict }) => ({ what: label.toLowerCase(), verdict }))]
}
