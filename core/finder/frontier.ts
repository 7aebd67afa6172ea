import type { Setup } from './types'

/** Power that is no difference, W. */
const SAME_POWER = 0.5

/** Set-ups that no other beats in chance, power and number of changes at once. */
export class Frontier {
  private kept: Setup[] = []

  /** Keeps a set-up unless one that is kept is as good in all three; drops those that it beats. */
  take(setup: Setup): void {
    for (const other of this.kept) if (asGood(other, setup)) return
    this.kept = this.kept.filter((other) => !asGood(setup, other))
    this.kept.push(setup)
  }

  /** Best chance first, then least power. */
  list(): Setup[] {
    return [...this.kept].sort((a, b) => b.probability - a.probability || a.power - b.power)
  }
}

function asGood(a: Setup, b: Setup): boolean {
  return a.probability >= b.probability && a.power <= b.power + SAME_POWER && a.changes <= b.changes
}
