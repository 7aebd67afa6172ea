import { t } from '~/words/of/frame'
import type { Operation } from 'fast-json-patch'
import type { TriedChange } from '#core/outlook/tried'
import type { Sheet } from '#core/record/schema'
import type { ShelfItem } from '#core/shelf/schema'
import { oilPatch, pumpPatch, shelfPatch, springPatch } from './shelfPatch'
import type { TriedDraft } from './useTried'

/** What of a set-up a record has a place for; looser or tighter bearings are shells to be found, and stay a wish. */
export function triedPatch(
  sheet: Sheet,
  draft: TriedDraft,
  change: TriedChange,
  item: (id: string) => ShelfItem | undefined,
): Operation[] {
  const [spring, pump] = [item(draft.spring), item(draft.pump)]
  const { oil } = change
  const planned = (name: string, value: number | undefined): Operation[] =>
    value === undefined ? [] : shelfPatch({ [name]: value }, t('triedPatch.triedAs', { name: draft.name }))
  return [
    ...(spring ? springPatch(sheet, 'relief', spring) : []),
    ...(pump ? pumpPatch(sheet, pump) : []),
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
    ...(['dilution', 'ageing'] as const).flatMap((field): Operation[] =>
      change[field] === undefined ? [] : [{ op: 'add', path: `/oil/${field}`, value: change[field] }],
    ),
  ]
}
