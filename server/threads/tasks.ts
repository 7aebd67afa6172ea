import { createHash } from 'node:crypto'
import type { Sheet } from '#core/record/schema'
import { learntOf } from '#core/logbook/experience'
import type { Learnt } from '#core/logbook/habit'
import { type Lesson, lessonOf, type NoLesson, noLesson } from '#core/logbook/lessons'
import { trendOf } from '#core/logbook/trend'
import { floorFrom } from '#core/logbook/trendVerdict'
import { usableSheet } from '#core/engine/usableSheet'
import { verdictMoves, type VerdictMove } from '#core/progress/housePreview'
import { paceOf } from '#core/plan/pace'
import { outlookOf } from '#core/outlook/outlook'
import { type Solved, solvedOutlook } from '#core/outlook/solved'
import { judgePrime, primeExpectation } from '#core/prime/prime'
import { primeClock } from '#core/prime/standing'
import type { Verdict } from '#core/quantity/verdict'
import { shelfFromCsv } from '#core/shelf/csv'
import { type Expectation, expectationOf } from '#core/start/expectation'

/** How a build stands by its model, for the Floor: the words that the strip says, what voids them, and how long a prime is good for, s. */
export interface Standing {
  states: { label: string; verdict: Verdict; reading?: number }[]
  voids: string[]
  starvesFrom?: number
  good?: number
  /** Its last prime was no prime, by the model: too low, or above what it allows. */
  notPrimed?: boolean
}

function standing(recorded: Sheet, primed: boolean): Standing {
  const { sheet } = usableSheet(recorded)
  const reading = recorded.readings['prime.pressure']?.value
  const { states, voids, starvesFrom } = outlookOf(recorded)
  return {
    states: states.map(({ label, verdict, measured }) => ({
      label,
      verdict,
      ...(measured ? { reading: measured.reading } : {}),
    })),
    voids: voids.map(({ about }) => about),
    ...(starvesFrom === undefined ? {} : { starvesFrom }),
    ...(primed ? { good: primeClock(sheet).good } : {}),
    ...(primed && reading !== undefined && judgePrime(reading, primeExpectation(sheet)) !== 'pass'
      ? { notPrimed: true }
      : {}),
  }
}

/** Circuits that this thread has solved for previews of house rules, by their sheet, the latest last: a rule that is moved to and fro solves none again. */
const solvedFor = new Map<string, Solved>()
const MOST_SOLVED = 600
function solvedOf(sheet: Sheet): Solved {
  const key = createHash('sha256')
    .update(JSON.stringify({ ...sheet, house: undefined }))
    .digest('base64')
  const solved = solvedFor.get(key) ?? solvedOutlook(sheet)
  solvedFor.delete(key)
  solvedFor.set(key, solved)
  if (solvedFor.size > MOST_SOLVED) solvedFor.delete(solvedFor.keys().next().value!)
  return solved
}

/** What takes longer than a request may: done in a thread of its own, so that readings and entries never wait for it. */
export const TASKS = {
  lesson: (sheet: Sheet): Lesson | { why: NoLesson } | undefined => {
    const why = noLesson(sheet)
    return why ? { why } : lessonOf(sheet)
  },
  learnt: (...given: Parameters<typeof learntOf>): Learnt => learntOf(...given),
  /** The day from which on hot idle may stand under its floor, ms. */
  floorFrom: (sheet: Sheet): number | undefined => floorFrom(trendOf(sheet)),
  /** Minutes that a shop takes for each thing, by its entries. */
  pace: (histories: Parameters<typeof paceOf>[0]): ReturnType<typeof paceOf> => paceOf(histories),
  expectation: (sheet: Sheet): Expectation => expectationOf(sheet),
  standing,
  /** Which builds' verdicts other house rules would move. */
  preview: (
    builds: { id: string; name: string; engine: string; sheet: Sheet }[],
    house: NonNullable<Sheet['house']>,
    wanted: NonNullable<Sheet['house']>,
  ): { id: string; name: string; engine: string; moves: VerdictMove[] }[] =>
    builds.flatMap(({ id, name, engine, sheet }) => {
      const moves = verdictMoves({ ...sheet, house }, wanted, solvedOf(sheet))
      return moves.length > 0 ? [{ id, name, engine, moves }] : []
    }),
  shelfCsv: (text: string): ReturnType<typeof shelfFromCsv> | { refused: string } => {
    try {
      return shelfFromCsv(text)
    } catch (error) {
      // A thread's errors lose their kind on the way.
      if (error instanceof RangeError) return { refused: error.message }
      throw error
    }
  },
}
export type Task = keyof typeof TASKS
