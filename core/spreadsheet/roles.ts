import { catalogueOf } from '../engine/catalogue'
import type { Dimension } from '../quantity/units'
import type { Quantity } from '../record/quantity'
import type { Layout } from '../record/schema'
import { isNumeric } from './cells'
import type { Heading } from './headings'
import { bestMatch, rememberedAs, wordsOf } from './matching'

/** Readings that a column may hold: of each journal in its row, of mains and rods as their rows say, or one alone. */
export interface Pattern {
  /** `main.#.journal`, `*.#.journal`, `relief.springRate`. */
  key: string
  label: string
  dimension: Dimension
}

/** What a column is of beside readings: of which journal its row is, what is read there, and what belongs to that. */
export const ROLES = ['none', 'number', 'what', 'value', 'unit', 'instrument', 'note'] as const
export type Role = (typeof ROLES)[number]

/** What a column of a file is taken as. */
export interface Column extends Heading {
  /** A role, or the key of a pattern. */
  use: string
}

/** No engine here has more bearings of one set. */
const MOST = 17
const NUMBERED = /^(main|rod)\.\d+\./

/** Every reading of a layout once, those of mains and rods without their number; and those that both have under one name for either. */
export function patternsOf(layout: Layout): Pattern[] {
  const found = new Map<string, Pattern>()
  for (const { key, label, dimension, bearing } of catalogueOf(layout).quantities.values()) {
    const numbered = bearing && NUMBERED.test(key)
    const pattern = numbered ? key.replace(/\.\d+\./, '.#.') : key
    if (!found.has(pattern))
      found.set(pattern, { key: pattern, label: numbered ? label.replace(` ${bearing.number}`, '') : label, dimension })
  }
  const either = [...found.values()].flatMap(({ key, label, dimension }): Pattern[] => {
    const rest = /^main\.#\.(.+)$/.exec(key)?.[1]
    return rest && found.has(`rod.#.${rest}`)
      ? [
          {
            key: `*.#.${rest}`,
            label: label.replace(/^Main /, '').replace(/^./, (letter) => letter.toUpperCase()),
            dimension,
          },
        ]
      : []
  })
  return [...either, ...found.values()]
}

const HEADED: [Role, readonly string[]][] = [
  [
    'number',
    ['', 'number', '#', 'bearing', 'bearing number', 'journal number', 'position', 'station', 'cyl', 'cylinder'],
  ],
  ['what', ['what', 'reading', 'measurement', 'item', 'description', 'key', 'name', 'label', 'part']],
  ['value', ['actual', 'size', 'result', 'measure', 'value']],
  ['unit', ['unit', 'units']],
  ['instrument', ['instrument', 'tool', 'gauge', 'with', 'measured with', 'measuring tool']],
  ['note', ['note', 'notes', 'remark', 'remarks', 'comment', 'comments']],
]

/** Of which bearing a cell says that its row is: `3`, `Main 3`, `M3`, `rod no. 2`, `#4`. */
export function bearingIn(cell: string): { set?: 'main' | 'rod'; number: number } | undefined {
  const words = wordsOf(cell.replace(/^#\s*/, ''))
  const number = Number(words.at(-1))
  if (words.length === 0 || words.length > 3 || !Number.isInteger(number) || number < 1) return undefined
  const others = words.slice(0, -1).filter((word) => word !== 'bearing' && word !== 'journal' && word !== 'cyl')
  if (others.length === 0) return { number }
  const set =
    others[0] === 'main' || others[0] === 'm' ? 'main' : others[0] === 'rod' || others[0] === 'r' ? 'rod' : undefined
  return set && others.length === 1 ? { set, number } : undefined
}

/**
 * What each column is likely to be: as its heading was taken before, by its name, or by what stands in it. What is not plain is left out, to be
 * said by hand.
 *
 * @param remembered what headings were taken as before, by `rememberedAs`
 */
export function guessUses(
  headings: readonly Heading[],
  rows: readonly (readonly string[])[],
  patterns: readonly Pattern[],
  remembered: Readonly<Record<string, string>> = {},
): Column[] {
  const taken = new Set<string>()
  const known = new Set<string>([...ROLES, ...patterns.map(({ key }) => key)])
  const columns = headings.map((heading): Column => {
    const cells = rows.map((row) => row[heading.column] ?? '').filter((cell) => cell !== '')
    const before = remembered[rememberedAs(heading.text)]
    const use =
      before !== undefined && known.has(before)
        ? before
        : (roleOf(heading, cells) ?? bestMatch(heading.name, patterns)?.key ?? 'none')
    if (use === 'none' || taken.has(use)) return { ...heading, use: 'none' }
    taken.add(use)
    return { ...heading, use }
  })
  // Names alone, each of something else, with numbers beside them: what is read stands in the rows.
  if (!taken.has('number') && !taken.has('what')) {
    const named = columns.find(
      ({ use, column }) => use === 'none' && mostly(rows, column, (cell) => bestMatch(cell, patterns) !== undefined),
    )
    if (named) named.use = 'what'
  }
  if (columns.some(({ use }) => use === 'what') && !columns.some(({ use }) => use === 'value')) {
    const numbers = columns.find(({ use, column }) => use === 'none' && mostly(rows, column, isNumeric))
    if (numbers) numbers.use = 'value'
  }
  return columns
}

function mostly(rows: readonly (readonly string[])[], column: number, of: (cell: string) => boolean): boolean {
  const cells = rows
    .slice(0, 40)
    .map((row) => row[column] ?? '')
    .filter((cell) => cell !== '')
  return cells.length > 0 && cells.filter(of).length > 0.6 * cells.length
}

function roleOf({ name, column }: Heading, cells: readonly string[]): Role | undefined {
  const plain = name.toLowerCase().replace(/[.:]/g, '').trim()
  const words = wordsOf(name).join(' ')
  const some = cells.slice(0, 40)
  const bearings = some.map(bearingIn)
  const each = bearings.every((of) => of !== undefined && of.number <= MOST) && new Set(some).size === some.length
  const headed = HEADED[0]![1].includes(words) || /^(no|nr|#|main|rod|journal)$/.test(plain)
  if (some.length > 0 && each && (column === 0 || headed || bearings.some((of) => of!.set))) return 'number'
  const numbers = some.length > 0 && some.filter(isNumeric).length > 0.6 * some.length
  return HEADED.slice(1).find(([role, headings]) => headings.includes(plain) && (role === 'value') === numbers)?.[0]
}

/** A reading of the layout that a pattern stands for in a row. */
export const keyFor = (
  pattern: string,
  of: { set?: 'main' | 'rod'; number: number } | undefined,
): string | undefined => {
  if (!pattern.includes('#')) return pattern
  if (
    !of ||
    (pattern.startsWith('*') && !of.set) ||
    (of.set && !pattern.startsWith('*') && !pattern.startsWith(of.set))
  )
    return undefined
  return pattern.replace('*', of.set ?? '').replace('#', String(of.number))
}

/** Readings of a layout as rows name them. */
export const namedReadings = (layout: Layout): Quantity[] => [...catalogueOf(layout).quantities.values()]
