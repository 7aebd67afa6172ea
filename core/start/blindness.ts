import type { BlindReason } from './watchTypes'

/** s without a reading after which a logger is silent: so many of its own intervals, and at least so much; and after which a hand has not looked for too long. */
const SILENT = { intervals: 3, least: 2, hand: 30 }

/** s without a reading after which a logger that reads every `interval` s is silent. */
export const silenceAfter = (interval: number): number => Math.max(SILENT.least, SILENT.intervals * interval)

/** What a watch knows of its own senses at a moment; times in s. */
export interface Senses {
  modelled: boolean
  running: boolean
  /** Since the newest reading; undefined before the first. */
  unread?: number
  /** Since the watch began, where a source is to feed it that has not yet. */
  awaited?: number
  /** Read by a hand. */
  byHand: boolean
  interval: number
  /** After so many s without a reading its source itself says that it sees nothing; undefined where that is known by its interval alone. */
  silent?: number
  /** Whether a speed has been read, or somebody said that it fired. */
  turnsKnown: boolean
  /** Whether the readings' clock jumped a moment ago. */
  jumped: boolean
}

/** What is not watched, and why. */
export function blindness(senses: Senses): BlindReason[] {
  const { unread, awaited = 0, running } = senses
  const blind: BlindReason[] = []
  if (!senses.modelled) blind.push('no-prediction')
  const silent =
    unread === undefined
      ? awaited > (senses.silent ?? SILENT.least)
      : senses.byHand
        ? running && unread > SILENT.hand
        : unread > (senses.silent ?? silenceAfter(senses.interval))
  if (silent) blind.push('no-readings')
  if (!running && !senses.turnsKnown && unread !== undefined) blind.push('no-speed')
  if (senses.jumped) blind.push('clock')
  return blind
}
