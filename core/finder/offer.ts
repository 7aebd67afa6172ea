import { recorded } from '../engine/values'
import type { BearingSet } from '../parts/bearingReadings'
import { bearingsOf } from '../parts/clearances'
import type { Sheet } from '../record/schema'
import type { ValveField } from '../parts/reliefReadings'
import { planStack, type Washer } from '../relief/stack'
import { numberOf } from '../shelf/fields'
import { shelfOil, shelfPump } from '../shelf/figures'
import type { ShelfItem } from '../shelf/schema'
import type { Offer, Setup } from './types'

/** What a builder leaves open: everything else stays as it is. */
export type Open = Record<keyof Offer, boolean>

/** A thing on the shelf that a set-up takes, and how many of it. */
export interface Taken {
  item: ShelfItem
  count: number
}

/** What the shelf offers for a build, and what each choice takes from it, by its name. */
export interface ShelfOffer {
  offer: Offer
  takes: Map<string, Taken[]>
}

/** Stacks are offered in steps of a quarter millimetre, as near as the drawer comes within this, m. */
const STEP = 0.25e-3
const NEAR = 0.08e-3
const MOST = 3e-3

/** The set-ups that can be made of what lies free on the shelf; names are the items' labels. */
export function offerOf(sheet: Sheet, items: ShelfItem[], open: Open): ShelfOffer {
  const takes: ShelfOffer['takes'] = new Map()
  // An oil to break in on is none to run on.
  const of = (kind: ShelfItem['kind']) =>
    items.filter(
      (item) =>
        item.kind === kind &&
        item.properties.breakIn !== 'yes' &&
        item.count > item.reserved &&
        (!item.engine || item.engine.toLowerCase() === sheet.engine.toLowerCase()),
    )
  const named = <T>(
    wanted: boolean,
    kind: ShelfItem['kind'],
    make: (item: ShelfItem, number: (key: string) => number) => T,
  ): (T & { id: string })[] =>
    (wanted ? of(kind) : []).flatMap((item) => {
      if (takes.has(item.label)) return []
      takes.set(item.label, [{ item, count: 1 }])
      return [{ id: item.label, ...make(item, (key) => numberOf(item.properties, key)!) }]
    })
  return {
    takes,
    offer: {
      springs: named(open.springs, 'spring', (item, number) => ({
        springRate: number('springRate'),
        freeLength: number('freeLength'),
        solidLength: numberOf(item.properties, 'solidLength'),
      })),
      stacks: open.stacks ? stacksOf(sheet, of('washer'), takes) : [],
      oils: named(open.oils, 'oil', (item) => ({ figures: shelfOil(item) })),
      pumps: named(open.pumps, 'pump', shelfPump),
      shells: open.shells ? (['main', 'rod'] as const).flatMap((set) => shellsOf(sheet, set, of('shell'), takes)) : [],
    },
  }
}

function stacksOf(sheet: Sheet, washers: ShelfItem[], takes: ShelfOffer['takes']): Offer['stacks'] {
  const reading = (field: ValveField) => recorded(sheet, `relief.${field}`)?.value
  const seat = { plugBore: reading('plugBore'), plugHole: reading('plugHole'), springDiameter: reading('coilDiameter') }
  const drawer = washers.map((item): Washer => ({
    id: item.label,
    thickness: numberOf(item.properties, 'thickness')!,
    count: item.count - item.reserved,
    outside: numberOf(item.properties, 'outside'),
    hole: numberOf(item.properties, 'hole'),
    ...(item.properties.stainless ? { stainless: item.properties.stainless === 'yes' } : {}),
  }))
  const stacks: Offer['stacks'] = [{ id: 'no shims', thickness: 0 }]
  takes.set('no shims', [])
  for (let wanted = STEP; wanted <= MOST + 1e-9; wanted += STEP) {
    let plain
    try {
      plain = planStack(drawer, wanted, seat).plain
    } catch {
      return stacks
    }
    const id = plain.washers.map(({ id: label, count }) => `${count} × ${label}`).join(' + ')
    if (Math.abs(plain.off) > NEAR || takes.has(id) || plain.pieces === 0) continue
    takes.set(
      id,
      plain.washers.map(({ id: label, count }) => ({ item: washers.find((item) => item.label === label)!, count })),
    )
    stacks.push({ id, thickness: plain.thickness })
  }
  return stacks
}

/** Whole sets of one grade, where enough halves lie there and every bore was measured. */
function shellsOf(sheet: Sheet, set: BearingSet, shells: ShelfItem[], takes: ShelfOffer['takes']): Offer['shells'] {
  const records = bearingsOf(sheet, set)
  if (!records.every(({ bore, journal }) => bore && journal)) return []
  const own = shells.filter((item) => item.properties.set === set)
  const walls = [...new Set(own.map((item) => numberOf(item.properties, 'wall')!))].filter(
    (wall) => Math.abs(wall) > 5e-7,
  )
  return walls.flatMap((wall) => {
    const halves = (['upper', 'lower'] as const).map((half) =>
      own.find(
        (item) =>
          item.properties.half === half &&
          numberOf(item.properties, 'wall') === wall &&
          item.count - item.reserved >= records.length,
      ),
    )
    if (!halves[0] || !halves[1]) return []
    const id = `${set} shells ${(1e3 * Math.abs(wall)).toFixed(3)} mm ${wall > 0 ? 'thicker' : 'thinner'}`
    takes.set(
      id,
      halves.map((item) => ({ item: item!, count: records.length })),
    )
    return [{ id, mains: set === 'main' ? -2 * wall : 0, rods: set === 'rod' ? -2 * wall : 0 }]
  })
}

/** Everything that a set-up takes from the shelf. */
export function takenBy({ spring, stack, oil, pump, shells }: Setup, { takes }: ShelfOffer): Taken[] {
  return [spring, stack, oil, pump, shells].flatMap((name) => (name === undefined ? [] : (takes.get(name) ?? [])))
}
