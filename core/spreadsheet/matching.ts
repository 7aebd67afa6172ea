import { distance } from 'fastest-levenshtein'

/** Words that the trade writes for one another, the first as readings here are labelled; none stands for nothing. */
const SAME: Record<string, readonly string[]> = {
  main: ['mains', 'mb', 'crank', 'crankshaft'],
  rod: ['rods', 'conrod', 'conrods', 'bigend', 'bigends', 'rb', 'crankpin', 'crankpins'],
  journal: ['journals', 'jnl', 'pin', 'pins'],
  bore: ['bores', 'tunnel'],
  clearance: ['clearances', 'clr', 'clear', 'gap', 'oilclearance'],
  bearing: ['bearings', 'brg', 'brgs'],
  housing: ['housings', 'hsg'],
  spring: ['springs'],
  thickness: ['thick', 'thk'],
  length: ['len', 'lg'],
  pressure: ['press', 'p'],
  temperature: ['temp'],
  speed: ['rpm', 'revs'],
  torque: ['tq'],
  float: ['play'],
  end: ['axial'],
}
const WORD = new Map(Object.entries(SAME).flatMap(([word, others]) => others.map((other) => [other, word] as const)))
const EMPTY = new Set([
  'of',
  'the',
  'a',
  'at',
  'no',
  'nr',
  'dia',
  'diameter',
  'diam',
  'ø',
  'od',
  'id',
  'mm',
  'reading',
  'measured',
  'value',
])

/** Words of a heading or label by which it is compared: in one form each, numbers apart. */
export function wordsOf(text: string): string[] {
  return text
    .toLowerCase()
    .replace(/big[\s-]+end/g, 'bigend')
    .replace(/con(?:necting)?[\s-]+rod/g, 'conrod')
    .replace(/([a-zø])(\d)/g, '$1 $2')
    .replace(/(\d)([a-zø])/g, '$1 $2')
    .split(/[^\p{L}\p{N}]+/u)
    .map((word) => (/^\d+$/.test(word) ? String(Number(word)) : (WORD.get(word) ?? word)))
    .filter((word) => word !== '' && !EMPTY.has(word))
}

const known = new Map<string, string[]>()
/** Words of a label, which is asked for with every row. */
function labelWords(label: string): string[] {
  const words = known.get(label) ?? wordsOf(label)
  known.set(label, words)
  return words
}

/** How alike two lists of words are, 0 to 1: of both together the share that stands in both, a slip of a letter in a long word forgiven. */
function likeness(a: readonly string[], b: readonly string[]): number {
  if (a.length === 0 || b.length === 0) return 0
  const left = [...b]
  let shared = 0
  for (const word of a) {
    const at = left.findIndex((other) => other === word || (word.length > 4 && distance(other, word) <= 1))
    if (at < 0) continue
    left.splice(at, 1)
    shared++
  }
  return (2 * shared) / (a.length + b.length)
}

/** Something that a heading may mean. */
export interface Candidate {
  key: string
  label: string
}

/** So alike at least, and so much more than the next, that nobody need be asked. */
const ALIKE = 0.75
const AHEAD = 0.1

/** What a text names among these: by its key, or by the label that is alike and no other nearly so; undefined where that is not plain. */
export function bestMatch<T extends Candidate>(text: string, candidates: readonly T[]): T | undefined {
  const exact = candidates.find(({ key }) => key.toLowerCase() === text.trim().toLowerCase())
  if (exact) return exact
  const words = wordsOf(text)
  const ranked = candidates
    .map((candidate) => ({ candidate, alike: likeness(words, labelWords(candidate.label)) }))
    .sort((x, y) => y.alike - x.alike)
  const [first, second] = ranked
  return first && first.alike >= ALIKE && first.alike - (second?.alike ?? 0) >= AHEAD ? first.candidate : undefined
}

/** What a heading is remembered by. */
export const rememberedAs = (heading: string): string => wordsOf(heading).join(' ') || heading.trim().toLowerCase()
