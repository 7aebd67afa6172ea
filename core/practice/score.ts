import { costOfParts } from './costs'
import type { Done, Exercise } from './exercise'

/** What a way through an exercise came to. */
export interface Tally {
  minutes: number
  /** In prices of a sump gasket. */
  parts: number
  /** s for which journals ran dry. */
  dry: number
}

export interface Score extends Tally {
  found: boolean
  wrongRepairs: number
  /** 0 to 100. */
  points: number
}

/** Time, cost and damage count so much of a hundred. */
const SHARES = { time: 50, cost: 25, damage: 25 }
/** Each repair of something else takes off so many; so does each look at Uldo's own opinion. */
const WRONG = 10
const HELP = 5
/** Journals that ran dry for so long beyond what was needed have lost most of their overlay: our own closure. */
const HARMED = 20
/** Time and cost are held against the shortest way's, and these are added to both so that a quick way is not judged by a minute. */
const ROUND = { minutes: 10, parts: 2 }

export function tallyOf(exercise: Pick<Exercise, 'costOf'>, done: readonly Done[]): Tally {
  const spent = done.map((each) => exercise.costOf(each))
  return {
    minutes: spent.reduce((sum, { minutes }) => sum + minutes, 0),
    parts: costOfParts(spent.flatMap(({ parts }) => parts)),
    dry: spent.reduce((sum, { dry }) => sum + dry, 0),
  }
}

/**
 * Points of a way through an exercise: full for as quick, as cheap and as careful as the shortest way; none where the fault was not found.
 *
 * @param helped how often Uldo's own opinion was looked at
 */
export function scoreOf(own: Tally, shortest: Tally, done: readonly Done[], helped = 0): Score {
  const found = done.some((each) => 'repair' in each && each.right)
  const wrongRepairs = done.filter((each) => 'repair' in each && !each.right).length
  const share = (key: keyof typeof ROUND) => Math.min(1, (shortest[key] + ROUND[key]) / (own[key] + ROUND[key]))
  const harmed = Math.exp(-Math.max(0, own.dry - shortest.dry) / HARMED)
  const earned = SHARES.time * share('minutes') + SHARES.cost * share('parts') + SHARES.damage * harmed
  const points = found ? Math.max(0, Math.round(earned - WRONG * wrongRepairs - HELP * helped)) : 0
  return { ...own, found, wrongRepairs, points }
}
