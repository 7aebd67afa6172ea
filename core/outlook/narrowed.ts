import { experienceOf, sharedWith } from '../engine/experience'
import type { ModelInput } from '../engine/inputs'
import type { Sheet } from '../record/schema'

/**
 * How a sheet's experience narrows what is drawn of its inputs: z becomes z − Σ (1 − s) (v·z) v over its directions v, of which the share s of the spread stays.
 * Applied to a row of slopes it gives those of the narrowed deviates, since it is the same seen from either side. Without experience it is undefined.
 *
 * @param uncertain the inputs that are drawn, in their order
 */
export function narrowingOf(sheet: Sheet, uncertain: ModelInput[]): ((row: Float64Array) => void) | undefined {
  const directions = (experienceOf(sheet)?.directions ?? []).map(({ stays, along }) => ({
    goes: 1 - stays,
    along: Float64Array.from(uncertain, (input) => (sharedWith(input) ? (along[input.key] ?? 0) : 0)),
  }))
  if (directions.length === 0) return undefined
  return (row) => {
    for (const { goes, along } of directions) {
      let dot = 0
      for (let i = 0; i < row.length; i++) dot += along[i] * row[i]
      for (let i = 0; i < row.length; i++) row[i] -= goes * dot * along[i]
    }
  }
}
