/** Fractions that stand in one character. */
const VULGAR: Record<string, number> = {
  '½': 1 / 2,
  '¼': 1 / 4,
  '¾': 3 / 4,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
}
const VULGARS = Object.keys(VULGAR).join('')

/** Spaces that part thousands, and those that only stand between. */
const SPACE = '[ \\u00a0\\u2009\\u202f]'
const MINUS = /^[−–‐‑]/

/**
 * A sign; then a whole number with a fraction behind a space or a hyphen, a fraction alone, or digits with points, commas and groups of three behind spaces; an exponent behind
 * digits. What follows is the unit's.
 */
const NUMBER = new RegExp(
  `^([+-]?)\\s*(?:(\\d+)(?:\\s+|\\s*-\\s*)(\\d+)\\s*/\\s*(\\d+)|(\\d+)\\s*/\\s*(\\d+)|(\\d+)?\\s*([${VULGARS}])|(\\d{1,3}(?:${SPACE}\\d{3})+(?:[.,]\\d+)?(?!\\d)|\\d[\\d.,]*|[.,]\\d+)(e[+-]?\\d+)?)(?:\\s*)(.*)$`,
  'i',
)

export interface NumberRead {
  value: number
  /** What stands behind it. */
  rest: string
}

/**
 * Reads the number at the beginning of what was typed: `.0024"`, `1 3/8`, `1-3/8`, `1½`, `3 000`, `1.234,5`, `1,234.5`, `-0 1/2`, `2e-3`.
 *
 * One comma alone is the decimal mark, but for `grouped`, where `1,200` is twelve hundred and `0,5` a half.
 *
 * @param grouped whether the field holds numbers that are written with commas between thousands: speeds and counts
 * @returns undefined when there is no number, or more than one way to read it
 */
export function readNumber(text: string, grouped = false): NumberRead | undefined {
  const match = NUMBER.exec(text.trim().replace(MINUS, '-'))
  if (!match) return undefined
  const [, sign, whole, top, bottom, onlyTop, onlyBottom, before, vulgar, digits, exponent = '', rest] = match
  const size =
    top !== undefined
      ? Number(whole) + Number(top) / Number(bottom)
      : onlyTop !== undefined
        ? Number(onlyTop) / Number(onlyBottom)
        : vulgar !== undefined
          ? Number(before ?? 0) + VULGAR[vulgar]
          : decimal(digits, grouped) * Number(`1${exponent}`)
  if (!Number.isFinite(size)) return undefined
  return { value: sign === '-' ? -size : size, rest }
}

/** Digits with their marks as a number; NaN where the marks contradict each other. */
function decimal(typed: string, grouped: boolean): number {
  const text = typed.replace(new RegExp(SPACE, 'g'), '').replace(/[.,]$/, '')
  const commas = text.split(',').length - 1
  const points = text.split('.').length - 1
  if (commas === 0 && points <= 1) return Number(text)
  if (commas > 0 && points > 0) {
    // The last mark is the decimal one, the other parts thousands.
    const [mark, group] = text.lastIndexOf(',') > text.lastIndexOf('.') ? [',', '.'] : ['.', ',']
    const at = text.lastIndexOf(mark)
    return text.indexOf(mark) === at ? thousands(text.slice(0, at), group, text.slice(at + 1)) : NaN
  }
  if (points > 1) return thousands(text, '.', '')
  if (commas > 1) return thousands(text, ',', '')
  return grouped && /^[1-9]\d{0,2},\d{3}$/.test(text) ? Number(text.replace(',', '')) : Number(text.replace(',', '.'))
}

function thousands(whole: string, group: string, after: string): number {
  const groups = whole.split(group)
  return groups.slice(1).every((each) => each.length === 3) && groups[0].length <= 3 && groups[0] !== ''
    ? Number(`${groups.join('')}.${after || '0'}`)
    : NaN
}
