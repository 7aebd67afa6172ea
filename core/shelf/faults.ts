import type { Properties, ShelfField } from './fields'

/** What is wrong with an item's properties, by field. */
export function propertyFaults(fields: ShelfField[], properties: Properties): { key: string; message: string }[] {
  const faults: { key: string; message: string }[] = []
  const say = (key: string, message: string) => faults.push({ key, message })
  for (const field of fields) {
    const value = properties[field.key]
    if (value === undefined) {
      if (field.required) say(field.key, 'must be given')
    } else if (field.type === 'choice') {
      if (!field.options.includes(String(value))) say(field.key, `must be ${field.options.join(' or ')}`)
    } else if (field.type === 'words') {
      if (typeof value !== 'string') say(field.key, 'must be words')
    } else if (typeof value !== 'number' || !Number.isFinite(value)) say(field.key, 'must be a number')
    else if (value < field.range[0] || value > field.range[1])
      say(
        field.key,
        `must lie between ${field.range[0]} and ${field.range[1]}${field.type === 'quantity' ? ' in SI' : ` ${field.unit}`}`,
      )
  }
  for (const key of Object.keys(properties))
    if (!fields.some((field) => field.key === key)) say(key, 'is not a property of this kind')
  const [kv40, kv100] = [properties.kv40, properties.kv100]
  if (typeof kv40 === 'number' && typeof kv100 === 'number' && kv40 <= kv100)
    say('kv40', 'must be greater than the viscosity at 100 °C')
  return faults
}
