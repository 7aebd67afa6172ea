import { t } from '~/words/of/frame'
import type { Quantity } from '#core/record/quantity'
import type { Reading } from '#core/record/schema'
import { repeated } from '#core/bearing/survey'
import { instrumentSigma } from '#core/house/instrument'
import { parseQuantity } from '#core/quantity/parse'
import type { Unit } from '#core/quantity/units'

/** What was typed into a reading: one value, or up to three of the same thing parted by semicolons. */
export type Typed = { ok: true; value: number; repeats?: number[] } | { ok: false; message: string }

const MOST_REPEATS = 3

/** Reads what was typed; a unit behind the last one counts for all that have none. */
export function readTyped(text: string, { dimension }: Quantity, unit: Unit): Typed {
  const parts = text
    .split(';')
    .map((part) => part.trim())
    .filter(Boolean)
  if (parts.length > MOST_REPEATS)
    return { ok: false, message: t('useReadingEntry.threeReadingsOfOneThingAt', { count: parts.length }) }
  let common = unit
  const values: number[] = []
  for (const part of [...parts].reverse()) {
    const parsed = parseQuantity(part, dimension, common)
    if (!parsed.ok) return parsed
    common = parsed.unit
    values.unshift(parsed.value)
  }
  if (values.length === 0) return { ok: false, message: t('useReadingEntry.nothingWasTyped') }
  return {
    ok: true,
    value: values.reduce((sum, value) => sum + value, 0) / values.length,
    ...(values.length > 1 ? { repeats: values } : {}),
  }
}

/** How well a reading is known: by the instrument in the hand, and by its own scatter where it was taken again. */
export function useReadingSigma() {
  const person = usePerson()
  const shop = useShop()
  return (quantity: Quantity, repeats?: number[]): Pick<Reading, 'instrument' | 'uncertainty'> => {
    const name = person.instruments[quantity.dimension]
    const instrument = shop.house.instruments.find((each) => each.name === name)
    const single = instrument ? instrumentSigma(instrument, Date.now()) : quantity.sigma
    if (!instrument && !repeats) return name ? { instrument: name } : {}
    return { ...(name ? { instrument: name } : {}), uncertainty: repeats ? repeated(repeats, single).sigma : single }
  }
}
