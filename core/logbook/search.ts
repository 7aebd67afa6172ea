/**
 * Whether a line has every word that is searched for: a number as a word of its own (2 is not in 12 or 2026), all else anywhere.
 *
 * @example hasWords('Main 2 bore 66.041 mm', 'bore 2') // true
 */
export function hasWords(line: string, search: string): boolean {
  const text = line.toLowerCase()
  const words = text.split(/[\s,;:]+/)
  return search
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean)
    .every((word) => (/^\d+$/.test(word) ? words.includes(word) : text.includes(word)))
}
