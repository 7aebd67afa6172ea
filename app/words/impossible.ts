import { t } from '~/words/of/frame'
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
      return t('impossible.mustBeANumber', { label })
    case 'not-positive':
      return t('impossible.mustBeGreaterThanZero', { label })
    case 'negative':
      return t('impossible.mustNotBeLessThanZero', { label })
    case 'too-small':
      return t('impossible.cannotBeUnderLookAtThe', { label, typed, limit: say(reason.limit) })
    case 'too-large':
      return t('impossible.cannotBeOverLookAtThe', { label, typed, limit: say(reason.limit) })
  }
}
