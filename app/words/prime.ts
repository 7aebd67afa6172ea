import { t } from '~/words/of/prime'
import type { PrimeWord } from '#core/prime/watch'

/** What comes next in a prime that goes as it should; times in seconds of turning. */
export type Coming =
  { code: 'fit-filter' | 'will-not-prime' | 'rising' } | { code: 'gauge-after'; from: number; to: number }

/** What has been seen of it, pressures in Pa. */
export interface PrimeSaid {
  gauge: number
  sender?: number
  oilAtPad: boolean
  ceiling: number
  coming: Coming
}

/** The sentence under a prime's word, with its numbers. */
export function primeWords(
  { code, by }: Pick<PrimeWord, 'code' | 'by'>,
  { gauge, sender = 0, oilAtPad, ceiling, coming }: PrimeSaid,
  p: (pressure: number) => string,
): string {
  switch (code) {
    case 'late-pad':
      return t('prime.oilShouldHaveBeenAtThe', { by: Math.round(by) })
    case 'late-gauge':
      return oilAtPad
        ? t('prime.oilCameToThePadBut', { by: Math.round(by) })
        : t('prime.theGaugeShouldHaveMovedS', { by: Math.round(by) })
    case 'low':
      return t('prime.andNoMoreUnderTheLeast', { gauge: p(gauge), by: p(by) })
    case 'flickers':
      return t('prime.theNeedleSwingsByPercentAir', { by: Math.round(100 * by) })
    case 'gauges-differ':
      return t('prime.theSenderSaysTheGaugeBelieve', { sender: p(sender), gauge: p(gauge) })
    case 'not-watching':
      return by > 0
        ? t('prime.nothingWasReadForSLook', { by: Math.round(by) })
        : t('prime.noPredictionOnlyTheLimitOf', { ceiling: p(ceiling) })
    case 'over-limit':
      return t('prime.overTheThatFilterAndSeals', { ceiling: p(ceiling + by), ceiling2: p(ceiling) })
    case 'over-band':
      return t('prime.aboveWhatTheModelSaysThicker', { by: p(by) })
    case 'primed':
      return t('prime.standsLookAtEveryOutletThen', { gauge: p(gauge) })
    case 'going-well':
      return comingWords(coming)
  }
}

function comingWords(coming: Coming): string {
  switch (coming.code) {
    case 'fit-filter':
      return t('prime.oilRunsAtThePadStop')
    case 'will-not-prime':
      return t('prime.byTheModelItWillNot')
    case 'gauge-after':
      return t('prime.oilAtTheGaugeAfterTo', { from: Math.round(coming.from), to: Math.round(coming.to) })
    case 'rising':
      return t('prime.risingAsItShould')
  }
}
