import type { Impossible } from '#core/record/bounds'

/** Why what was typed cannot be that reading, beside its field. */
export function impossibleWords(
  reason: Impossible,
  label: string,
  typed: string,
  say: (value: number) => string,
): string {
  switch (reason.code) {
    case 'no-number':
      return `${label} must be a number.`
    case 'not-positive':
      return `${label} must be greater than zero.`
    case 'negative':
      return `${label} must not be less than zero.`
    case 'too-small':
      return `${label} cannot be ${typed}, under ${say(reason.limit)}: look at the unit and the decimal.`
    case 'too-large':
      return `${label} cannot be ${typed}, over ${say(reason.limit)}: look at the unit and the decimal.`
  }
}
