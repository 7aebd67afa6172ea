import type { Sheet } from '#core/build/schema'
import { usableSheet } from '#core/build/voids'
import { verdictMoves, type VerdictMove } from '#core/house/preview'
import { primeClock } from '#core/prime/standing'
import { shelfFromCsv } from '#core/shelf/csv'
import { type Expectation, expectationOf } from '#core/start/expectation'

/** What takes longer than a request may: done in a thread of its own, so that readings and entries never wait for it. */
export const TASKS = {
  expectation: (sheet: Sheet): Expectation => expectationOf(sheet),
  /** Seconds for which a prime is good. */
  primeGood: (sheet: Sheet): number => primeClock(usableSheet(sheet).sheet).good,
  /** Which builds' verdicts other house rules would move. */
  preview: (builds: { id: string; name: string; engine: string; sheet: Sheet }[], house: NonNullable<Sheet['house']>, wanted: NonNullable<Sheet['house']>): { id: string; name: string; engine: string; moves: VerdictMove[] }[] =>
    builds.flatMap(({ id, name, engine, sheet }) => {
      const moves = verdictMoves({ ...sheet, house }, wanted)
      return moves.length > 0 ? [{ id, name, engine, moves }] : []
    }),
  shelfCsv: (text: string): ReturnType<typeof shelfFromCsv> => shelfFromCsv(text),
}
export type Task = keyof typeof TASKS
