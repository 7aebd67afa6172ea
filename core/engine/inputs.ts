import type { Input } from '../parts/input'
import { ANY_PARTS, type EngineValues } from '../parts/list'
import type { Sheet } from '../record/schema'
import { shiftInputs } from './experience'
import { passagesOf } from './catalogue'

/** One uncertain number of the model: what it is now, how far it may be out, and how to put another in its place. */
export interface ModelInput extends Input<EngineValues> {
  /** The part that it is a number of. */
  part: keyof EngineValues
}

/** The values and uncertain inputs of a sheet: everything the circuit is made from. */
export function modelInputs(sheet: Sheet): { values: EngineValues; inputs: ModelInput[] } {
  const parts = ANY_PARTS.filter(({ fitted }) => fitted(sheet.layout))
  const values = Object.fromEntries(parts.map((part) => [part.name, part.values(sheet)])) as unknown as EngineValues
  const inputs = oneForEachKey(
    parts.flatMap(({ name, inputs: of }) =>
      (of?.(sheet) ?? []).map((input): ModelInput => ({
        ...input,
        part: name,
        put: (all, value) => input.put(all[name] as never, value),
      })),
    ),
  )
  // Of what was left out the drilling behind it takes the place.
  for (const { key, readings, absent } of passagesOf(sheet.layout))
    if (absent.kind === 'bore' && sheet.inspections[key]?.finding === 'left-out') {
      const input = inputs.find((each) => each.key === readings?.[0])
      if (input) Object.assign(input, { value: absent.bore, sigma: 0, source: 'computed' })
    }
  shiftInputs(sheet, inputs)
  for (const input of inputs) input.put(values, input.value)
  return { values, inputs }
}

/** A key that stands with several parts is one number that moves them all: an instrument's zero. */
function oneForEachKey(inputs: ModelInput[]): ModelInput[] {
  const byKey = new Map<string, ModelInput[]>()
  for (const input of inputs) byKey.set(input.key, [...(byKey.get(input.key) ?? []), input])
  return [...byKey.values()].map((alike) =>
    alike.length === 1 ? alike[0] : { ...alike[0], put: (all, value) => alike.forEach(({ put }) => put(all, value)) },
  )
}
