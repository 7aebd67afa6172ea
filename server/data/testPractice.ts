import type { PracticeResult } from '#core/practice/result'

/** Twenty short starts on the practice bench, as a test keeps them. */
export const DRILL = {
  kind: 'drill' as const,
  engine: 'Inline four',
  starts: 20,
  right: 17,
  falseStops: 1,
  missed: 2,
  reaction: 0.4,
  late: 6,
} satisfies PracticeResult
