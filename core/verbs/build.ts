import { checkSheet } from '../engine/checkSheet'
import { Sheet } from '../record/schema'
import { Refused, take } from './take'

/** A build file, as it is written (docs/file-format.md). */
export type BuildFile = Parameters<typeof Sheet.parse>[0]

/** A build file as the door takes it. */
export function build(input: unknown): Sheet {
  const sheet = take(Sheet, input)
  const [first] = checkSheet(sheet)
  if (first) throw new Refused(first.path.replaceAll('/', '.'), first.message)
  return sheet
}
