import { ANY_PARTS } from '../parts/list'
import { type PassageItem, passageInspection, PLACES } from '../parts/passage'
import { WEEP } from '../parts/priming'
import { quantitiesOfReadings } from '../parts/reading'
import { check, type CheckItem, type InspectionItem } from '../record/looked'
import { type Quantity, STATIONS } from '../record/quantity'
import type { Layout } from '../record/schema'
import { NOT_LOOKED_AT } from '../record/words'

/** Everything that can be recorded of a layout, from its parts. */
export interface Catalogue {
  /** In the order of the stations, and there of the parts. */
  quantities: Map<string, Quantity>
  checks: CheckItem[]
  inspections: InspectionItem[]
  passages: PassageItem[]
  /** Words that each thing that is looked at can be answered by, those beside the inspections too. */
  words: Map<string, readonly string[]>
  choices: Set<string>
}

const known = new WeakMap<Layout, Catalogue>()
/** Layouts that were read anew and say the same share one; the last so many that were asked for. */
const alike = new Map<string, Catalogue>()
const ALIKE = 32

/** The catalogue of a layout, made once. */
export function catalogueOf(layout: Layout): Catalogue {
  let catalogue = known.get(layout)
  if (catalogue) return catalogue
  const words = JSON.stringify(layout)
  catalogue = alike.get(words) ?? make(layout)
  alike.delete(words)
  alike.set(words, catalogue)
  if (alike.size > ALIKE) alike.delete(alike.keys().next().value!)
  known.set(layout, catalogue)
  return catalogue
}

function make(layout: Layout): Catalogue {
  const parts = ANY_PARTS.filter(({ fitted }) => fitted(layout))
  const all = <T>(of: (part: (typeof parts)[number]) => readonly T[] | undefined): T[] =>
    parts.flatMap((part) => of(part) ?? [])
  const byStation = <T extends { station: Quantity['station'] }>(list: T[]): T[] =>
    STATIONS.flatMap((station) => list.filter((each) => each.station === station))
  const passages = all((part) => part.passages?.(layout)).sort(
    (a, b) => PLACES.indexOf(a.place) - PLACES.indexOf(b.place),
  )
  const inspections = byStation([...all((part) => part.inspections?.(layout)), ...passages.map(passageInspection)])
  const readAt = new Map(passages.flatMap(({ key, readings = [] }) => readings.map((each) => [each, key] as const)))
  const quantities = byStation(
    all((part) =>
      quantitiesOfReadings(part.readings, layout).map((each): Quantity => ({
        ...each,
        part: part.name,
        ...(readAt.has(each.key) ? { passage: readAt.get(each.key) } : {}),
      })),
    ),
  )
  return {
    quantities: new Map(quantities.map((quantity) => [quantity.key, quantity])),
    checks: byStation([...all((part) => part.checks?.(layout)), ...passages.flatMap(walkCheck)]),
    inspections,
    passages,
    words: new Map([
      ...inspections.map(({ key, findings }): [string, string[]] => [
        key,
        [...findings.map(({ value }) => value), NOT_LOOKED_AT, 'open'],
      ]),
      ...all((part) => part.looked?.(layout)),
    ]),
    choices: new Set([
      ...all((part) => part.choices?.(layout)),
      ...passages.flatMap(({ key }) => ['by', 'seal', 'form'].map((field) => `${key}.${field}`)),
    ]),
  }
}

/** What can weep is walked past while the engine is primed. */
function walkCheck({ key, kind, inside, label }: PassageItem): CheckItem[] {
  if (kind !== 'plug' && inside) return []
  return [check('prime', `prime.dry.${key.slice('passage.'.length)}`, label, WEEP, { wanted: false, group: 'walk' })]
}

/** Every number that can be recorded for a layout, in the engine's order and the order of the work. */
export const quantitiesOf = (layout: Layout): Quantity[] => [...catalogueOf(layout).quantities.values()]
/** The checks of a layout, in the order of the work. */
export const checksOf = (layout: Layout): CheckItem[] => catalogueOf(layout).checks
/** Everything of a layout that is answered by a word, in the order of the work. */
export const inspectionsOf = (layout: Layout): InspectionItem[] => catalogueOf(layout).inspections
/** Every plug, restrictor, jet, row, valve, line and adaptor of a layout, along the oil's way. */
export const passagesOf = (layout: Layout): PassageItem[] => catalogueOf(layout).passages
