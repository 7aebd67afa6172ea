import { median } from '../quantity/mean'

/**
 * Slowest and fastest of the last seconds, without single spikes.
 *
 * @param past speeds by their time, rev/s, oldest first; at least one
 * @param speed the speed now, without spikes, rev/s
 * @param interval between two readings, s: of a slow logger every reading counts, since what looks like a spike may be a stall
 */
export function speedsBehind(past: readonly { speed: number }[], speed: number, interval: number): [number, number] {
  if (interval > 0.5) return [Math.min(...past.map((each) => each.speed)), Math.max(...past.map((each) => each.speed))]
  const own = past.slice(1, -1).map((each, i) => median([past[i].speed, each.speed, past[i + 2].speed]))
  return [Math.min(speed, ...own), Math.max(speed, ...own)]
}
