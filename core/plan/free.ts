import type { Hand, Stretch, WallTime } from './types'

/** Time of everybody that nothing is planned for yet, by name: stretches in order that do not touch. */
export type FreeTime = Map<string, Stretch[]>

/** What is free before anything is planned, from a moment on. */
export const freeFrom = (hands: readonly Hand[], now: WallTime): FreeTime =>
  new Map(
    hands.map(({ name, present }) => [
      name,
      present
        .map(({ from, to }) => ({ from: Math.max(from, now), to }))
        .filter(({ from, to }) => to > from)
        .sort((a, b) => a.from - b.from),
    ]),
  )

/**
 * The earliest stretches in which work can be done by one hand from a moment on: one stretch, or several where it may be laid down between them. A piece shorter than
 * `least` is not worth taking up, unless it is the last.
 *
 * @returns none where there is not time enough
 */
export function earliest(
  free: readonly Stretch[],
  from: WallTime,
  { takes, divisible }: { takes: number; divisible: boolean },
  least = 0,
): Stretch[] {
  const found: Stretch[] = []
  let left = takes
  for (const stretch of free) {
    const begins = Math.max(stretch.from, from)
    const room = stretch.to - begins
    if (room <= 0 || (room < left && (!divisible || room < least))) continue
    const ends = begins + Math.min(room, left)
    found.push({ from: begins, to: ends })
    left -= ends - begins
    if (left <= 0) return found
  }
  return []
}

/** Takes stretches out of what is free. */
export function without(free: readonly Stretch[], taken: readonly Stretch[]): Stretch[] {
  return taken.reduce<Stretch[]>(
    (rest, { from, to }) =>
      rest.flatMap((stretch) =>
        to <= stretch.from || from >= stretch.to
          ? [stretch]
          : [
              { from: stretch.from, to: from },
              { from: to, to: stretch.to },
            ].filter((part) => part.to > part.from),
      ),
    [...free],
  )
}
