import { recorded } from '#core/engine/values'
import type { Operation } from 'fast-json-patch'
import type { ShelfOffer } from '#core/finder/offer'
import type { Setup } from '#core/finder/types'
import { bearingsOf } from '#core/parts/clearances'
import type { Sheet } from '#core/record/schema'
import { oilPatch, pumpPatch, shelfPatch, springPatch } from './shelfPatch'

/** Patch that writes a set-up that was found, with the parts that it takes, to a record. */
export function setupPatch(sheet: Sheet, setup: Setup, { offer, takes }: ShelfOffer): Operation[] {
  const itemOf = (name?: string) => (name === undefined ? undefined : takes.get(name)?.[0]?.item)
  const [spring, pump] = [itemOf(setup.spring), itemOf(setup.pump)]
  const oil = offer.oils.find(({ id }) => id === setup.oil)
  const stack = offer.stacks.find(({ id }) => id === setup.stack)
  const shells = offer.shells.find(({ id }) => id === setup.shells)
  return [
    ...(spring ? springPatch(sheet, 'relief', spring) : []),
    ...(stack ? shelfPatch({ 'relief.shims': stack.thickness }, stack.id) : []),
    ...(pump ? pumpPatch(sheet, pump) : []),
    ...(oil
      ? [
          ...oilPatch(sheet, oil.figures),
          { op: 'add' as const, path: '/choices/oil.shelf', value: oil.id.slice(0, 80) },
        ]
      : []),
    ...(shells
      ? shellPatch(
          sheet,
          shells.mains !== 0 ? 'main' : 'rod',
          takes.get(shells.id)!.map(({ item }) => item.label),
          shells.mains + shells.rods,
        )
      : []),
  ]
}
function shellPatch(sheet: Sheet, set: 'main' | 'rod', [upper, lower]: string[], change: number): Operation[] {
  return bearingsOf(sheet, set).map(({ number }) => ({
    op: 'add',
    path: `/shells/${set}.${number}`,
    value: { upper, lower, wall: -change, boreAt: recorded(sheet, `${set}.${number}.bore`)?.at ?? '' },
  }))
}
