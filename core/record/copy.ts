import type { Reading, Sheet } from './schema'

/** What the maker gives of one engine holds for its sister; whose hand wrote it there does not. */
function given({ value, source, typed, uncertainty, confirmed, note }: Reading): Reading {
  return {
    value,
    source,
    ...(typed === undefined ? {} : { typed }),
    ...(uncertainty === undefined ? {} : { uncertainty }),
    ...(confirmed === undefined ? {} : { confirmed }),
    ...(note === undefined ? {} : { note }),
  }
}

/**
 * A new build after the pattern of another: its layout, use, oils, target rule and what its maker gives. What was
 * measured, looked at, chosen or done on that engine is not this one's and stays behind.
 */
export function copyOf(sheet: Sheet, name: string): Sheet {
  const { format, version, engine, work, layout, use, oil, oils, school, readings } = sheet
  return {
    format,
    version,
    name,
    engine,
    work,
    layout: structuredClone(layout),
    use,
    oil: structuredClone(oil),
    ...(oils ? { oils: structuredClone(oils) } : {}),
    school,
    readings: Object.fromEntries(
      Object.entries(readings).flatMap(([key, reading]) => (reading.source === 'maker' ? [[key, given(reading)]] : [])),
    ),
    checks: {},
    inspections: {},
    choices: {},
    shells: {},
    benches: {},
  }
}
