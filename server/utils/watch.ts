import type { WatchParts } from '../watch/clock'

/** The server's own parts for a watch. */
export function watchParts(): WatchParts {
  return {
    db: requireDatabase(),
    tell: announceRun,
    kept: announceCall,
    hearRun,
    alarm: announceShop,
    now: () => Date.now(),
  }
}
