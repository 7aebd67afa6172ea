/** Torque to turn the crank after each cap in the order they were tightened, N·m. */
export interface TurningVerdict {
  verdict: 'pass' | 'watch' | 'stop'
  /** Index of the cap whose tightening made it jump. */
  cap?: number
  /** How much it jumped, and how much a cap usually adds here, N·m. */
  jump: number
  usual: number
}

/** A jump counts from this on, N·m, and from this many times what the other caps add. */
const FLOOR = 1
const TIMES = 3

/**
 * Judges turning torque after each cap: a cap that adds over three times what the others do, and at least 1 N·m, has something
 * behind a shell or under it, or is swapped, or its shell stands without its hole over the feed. Twice is watched.
 * House rule of Uldo; the trade knows it as: turn the crank after every cap.
 */
export function judgeTurning(torques: number[]): TurningVerdict {
  const steps = torques.map((torque, i) => torque - (i === 0 ? 0 : torques[i - 1]))
  if (steps.length === 0) return { verdict: 'pass', jump: 0, usual: 0 }
  let cap = 0
  for (let i = 1; i < steps.length; i++) if (steps[i] > steps[cap]) cap = i
  const others = steps.filter((_, i) => i !== cap).sort((a, b) => a - b)
  const usual = others.length > 0 ? Math.max(0, others[Math.floor((others.length - 1) / 2)]) : 0
  const jump = steps[cap]
  const excess = others.length > 0 ? jump - usual : 0
  if (excess >= FLOOR && jump >= TIMES * usual) return { verdict: 'stop', cap, jump, usual }
  if (excess >= 0.5 * FLOOR && jump >= (TIMES - 1) * usual) return { verdict: 'watch', cap, jump, usual }
  return { verdict: 'pass', jump, usual }
}

/** What to look at when a cap makes the crank stiff, in order. */
export const TURNING_CHECKS = [
  'Back of both shells of that cap: paint, marker, grit or a burr',
  'The cap’s own number and direction: not swapped, not turned round',
  'The shell’s oil hole over the feed, the tang in its notch',
  'Cap faces and dowels clean, nothing pinched',
  'Clearance of that journal again, by strip',
]
