import type { Experience } from '../record/experience'
import type { Sheet } from '../record/schema'
import type { Input, SharedWith } from '../parts/input'

type Shareable = Pick<Input<never>, 'shared' | 'source' | 'station' | 'set'>

/** Stations whose parts wear or are fitted anew: engines of a kind are not alike in them. */
const OWN_STATIONS = new Set(['bearings', 'pump'])

/** With whom an input is shared: as its part says, else the layout's figures with engines of the kind. */
export function sharedWith({ shared, source, station, set }: Shareable): SharedWith | undefined {
  if (shared) return shared
  return source === 'layout' && set === undefined && !OWN_STATIONS.has(station ?? '') ? 'kind' : undefined
}

/** Names an oil by all that a sheet says of it: two of one name are the same oil. */
export const oilName = ({ oil }: Pick<Sheet, 'oil'>): string => {
  const { grade, figures, blend, dilution, ageing } = oil
  return JSON.stringify([grade, figures ?? null, blend ?? null, dilution ?? 0, ageing ?? 1]).slice(0, 300)
}

/** What a builder has chosen: that the shop's earlier starts do not count in this build. */
export const EXPERIENCE_CHOICE = 'shop.experience'
export const countsExperience = ({ choices }: Pick<Sheet, 'choices'>): boolean => choices[EXPERIENCE_CHOICE] !== 'off'

/** What of a sheet's experience holds with the oil that it names now; undefined where it has none. */
export function experienceOf(sheet: Sheet): Experience | undefined {
  const experience = countsExperience(sheet) ? sheet.experience : undefined
  if (!experience || experience.oil === oilName(sheet)) return experience
  const oils = new Set(experience.oils)
  const without = (values: Record<string, number>) =>
    Object.fromEntries(Object.entries(values).filter(([key]) => !oils.has(key)))
  return {
    ...experience,
    shift: without(experience.shift),
    directions: experience.directions.map(({ stays, along }) => ({ stays, along: without(along) })),
  }
}

/** Moves uncertain numbers to where the shop's earlier starts say that they probably lie; what has no uncertainty stays. */
export function shiftInputs(sheet: Sheet, inputs: (Shareable & Pick<Input<never>, 'key' | 'value' | 'sigma'>)[]): void {
  const shift = experienceOf(sheet)?.shift
  if (!shift) return
  for (const input of inputs) {
    // What has been measured since stands on its own reading.
    if (!sharedWith(input)) continue
    const value = input.value + (shift[input.key] ?? 0) * input.sigma
    // As a sample is: never near nothing.
    input.value = input.value > 0 ? Math.max(0.05 * input.value, value) : value
  }
}

/** A sheet with what the shop's earlier starts say of its model, in place of what it brought from another shop; without either where its builder does not want them counted. */
export function withExperience(sheet: Sheet, experience: Experience | undefined): Sheet {
  if (!countsExperience(sheet)) return sheet.experience ? { ...sheet, experience: undefined } : sheet
  return experience ? { ...sheet, experience } : sheet
}
