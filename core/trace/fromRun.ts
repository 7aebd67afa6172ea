import type { Remark } from '../run/remarks'
import type { RecordedCase } from '../record/traceCase'

/** Of noises that were heard the one that says most comes first. */
const TELLING = ['knock', 'whine', 'tick'] as const

/** What was seen and heard in a run, as a case of it takes that up: a leak counts where somebody said where it was. */
export function observedIn(remarks: readonly Remark[], at: string): RecordedCase['observations'] {
  const noise = TELLING.map((kind) => remarks.find((remark) => remark.kind === kind)).find((heard) => heard)
  const leak = remarks.find(({ kind, place }) => kind === 'leak' && (place === 'filter' || place === 'plug'))
  const seen = ({ who, photos }: Remark, value: string) => ({
    value,
    by: who,
    at,
    ...(photos.length > 0 ? { photos } : {}),
  })
  return {
    ...(noise ? { noise: seen(noise, noise.kind) } : {}),
    ...(leak ? { 'leak-outside': seen(leak, leak.place!) } : {}),
  }
}
