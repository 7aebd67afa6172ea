import type { Operation } from 'fast-json-patch'
import { START_POINTS } from '#core/parts/firstStart'
import { oilFor } from '#core/record/fill'
import type { Inspection, Reading, Sheet } from '#core/record/schema'
import { NOT_LOOKED_AT } from '#core/record/words'

/** Readings of the running engine's gauge: each keeps the oil that it was taken with. */
const GAUGE_READINGS = new Set<string>(START_POINTS.map(([point]) => `start.${point}.pressure`))

/** Ways in which a page writes to its build, each a change by whoever records: a reading, a check, what was found, a decision. */
export function makeRecording(
  sheet: Ref<Sheet | undefined>,
  change: (patch: Operation[], label: string) => Promise<string | undefined>,
) {
  const hand = () => ({ by: usePerson().who || 'Someone', at: new Date().toISOString() })

  function record(key: string, reading: Omit<Reading, 'by' | 'at'>, label: string) {
    const value: Reading = {
      ...reading,
      ...hand(),
      ...(sheet.value && GAUGE_READINGS.has(key) ? { oil: oilFor(sheet.value, 'start') } : {}),
    }
    return change([{ op: 'add', path: `/readings/${key}`, value }], label)
  }
  function clear(key: string, label: string) {
    if (sheet.value && key in sheet.value.readings) return change([{ op: 'remove', path: `/readings/${key}` }], label)
  }
  /** What was found at a place, in a word; its note and photos stay with it. */
  function inspect(key: string, found: Partial<Inspection> | undefined, label: string) {
    const before = sheet.value?.inspections[key]
    if (!found) return before && change([{ op: 'remove', path: `/inspections/${key}` }], label)
    const value = {
      finding: NOT_LOOKED_AT,
      ...before,
      ...found,
      ...hand(),
    }
    return change([{ op: 'add', path: `/inspections/${key}`, value }], label)
  }
  /** A decision in a word; nothing takes it back. */
  function choose(key: string, value: string | undefined, label: string) {
    if (value) return change([{ op: 'add', path: `/choices/${key}`, value }], label)
    if (sheet.value && key in sheet.value.choices) return change([{ op: 'remove', path: `/choices/${key}` }], label)
  }
  function check(key: string, state: 'done' | 'fault' | undefined, label: string, note?: string) {
    if (state)
      return change(
        [
          {
            op: 'add',
            path: `/checks/${key}`,
            value: { state, ...hand(), ...(note ? { note } : {}) },
          },
        ],
        label,
      )
    if (sheet.value && key in sheet.value.checks) return change([{ op: 'remove', path: `/checks/${key}` }], label)
  }
  /** A photo of something that was looked at. */
  function photograph(key: string, photo: string, label: string) {
    const seen = sheet.value?.checks[key]
    if (!seen) return
    const photos = [...(seen.photos ?? []), photo].slice(-30)
    return change([{ op: 'add', path: `/checks/${key}/photos`, value: photos }], label)
  }
  /** A note on something that was looked at. */
  function annotate(key: string, note: string, label: string) {
    const seen = sheet.value?.checks[key]
    if (!seen || (seen.note ?? '') === note) return
    const path = `/checks/${key}/note`
    return change([note ? { op: 'add', path, value: note } : { op: 'remove', path }], label)
  }
  return { record, clear, check, photograph, annotate, inspect, choose }
}
