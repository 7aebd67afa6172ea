import type { Operation } from 'fast-json-patch'
import type { TriedChange } from '#core/outlook/tried'
import type { Sheet } from '#core/record/schema'
import { numberOf } from '#core/shelf/fields'
import type { ShelfItem } from '#core/shelf/schema'
import { clearPatch, oilPatch, shelfPatch, SPRING_FIELDS, unfitPatch } from './shelfPatch'
import type { TriedDraft } from './useTried'

/** What of a set-up a record has a place for; looser or tighter bearings are shells to be found, and stay a wish. */
export function triedPatch(
  sheet: Sheet,
  draft: TriedDraft,
  change: TriedChange,
  item: (id: string) => ShelfItem | undefined,
): Operation[] {
  const figures = (prefix: string, id: string, fields: string[]) => {
    const part = item(id)
    return part
      ? shelfPatch(
          Object.fromEntries(fields.map((field) => [`${prefix}.${field}`, numberOf(part.properties, field)])),
          part.label,
        )
      : []
  }
  const { oil } = change
  const planned = (name: string, value: number | undefined): Operation[] =>
    value === undefined ? [] : shelfPatch({ [name]: value }, `tried as ${draft.name}`)
  return [
    ...(item(draft.spring)
      ? [
          ...clearPatch(
            sheet,
            SPRING_FIELDS.map((field) => `relief.${field}`),
          ),
          ...unfitPatch(sheet, 'relief'),
        ]
      : []),
    ...figures('relief', draft.spring, ['springRate', 'freeLength', 'solidLength', 'wire', 'coilDiameter']),
    ...(item(draft.pump) ? clearPatch(sheet, ['pump.centres']) : []),
    ...figures('pump', draft.pump, [
      'displacement',
      'rotorDiameter',
      'rotorLength',
      'endClearance',
      'tipClearance',
      'driveLength',
    ]),
    ...planned('relief.shims', draft.shims),
    ...Object.entries(draft.readings).flatMap(([name, value]) => planned(name, value)),
    ...(oil
      ? oilPatch(sheet, {
          kv40: oil.kv40,
          kv100: oil.kv100,
          density15: oil.density15,
          highShear150: oil.highShear150,
          pumpingLimit: oil.pumpingLimit,
        })
      : []),
  ]
}
