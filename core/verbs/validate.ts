import { checkSheet } from '../engine/checkSheet'
import { usableSheet } from '../engine/usableSheet'
import { problemsOf, Sheet } from '../record/schema'
import type { BuildFile } from './build'

/** What the door says of a file, and what in it would void its prediction: taken, and to be mended. */
export function validate(input: BuildFile) {
  const parsed = Sheet.safeParse(input)
  if (!parsed.success) return { ok: false, problems: problemsOf(parsed.error) }
  const problems = checkSheet(parsed.data)
  const voids = usableSheet(parsed.data).voids.map(({ path, message }) => ({ path, message }))
  return { ok: problems.length === 0, problems, ...(voids.length > 0 ? { void: voids } : {}) }
}
