import { passagesOf } from '../parts/passage'
import type { Layout } from '../record/schema'

/** Decisions in a word that a layout has a place for, by key. */
export function choicesOf(layout: Layout): string[] {
  const valves = layout.galleryRelief ? ['relief', 'relief2'] : ['relief']
  return [
    'shell.construction',
    'crank.drilling',
    'crank.capOrder',
    'oil.shelf',
    'pump.fitted',
    'pump.packing',
    'pump.coverSeal',
    'pump.year',
    'pump.drive',
    ...valves.flatMap((valve) => ['bench', 'benchOil', 'stack', 'body', 'housing'].map((field) => `${valve}.${field}`)),
    ...passagesOf(layout).flatMap(({ key }) => ['by', 'seal', 'form'].map((field) => `${key}.${field}`)),
    'prime.method',
    'prime.filter',
    'prime.port',
    'prime.direction',
  ]
}
