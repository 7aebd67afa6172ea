import { t } from '~/words/of/relief'
import { said } from './speak'
import type { Objection, RouteKind } from '#core/relief/routes'
import type { WasherFault } from '#core/relief/stack'

const OBJECTIONS = said(t, {
  'stack-too-tall': 'relief.asksForATallerStackThan',
  'plug-at-end': 'relief.thePlugHasNotSoMuch',
  'plug-covered': 'relief.whatSitsOverThePlugLeaves',
  'opens-below': 'relief.opensUnderWhatIsWanted',
  'cap-inward-only': 'relief.aCapCannotBeDrawnBack',
  'cap-not-adjustable': 'relief.notAdjustableAfterwardsThe',
  'coils-touch': 'relief.theCoilsTouchBeforeThePort',
  'little-travel': 'relief.tooLittleTravelIsLeftBefore',
  'wire-sets': 'relief.theWireWouldSet',
}) satisfies Record<Exclude<Objection, 'opens-above'>, string>

/** What stands against a route, in one sentence. */
export function objectionWords(kind: RouteKind, against: readonly Objection[]): string {
  const words = against
    .map((each) =>
      each === 'opens-above'
        ? kind === 'flush' || kind === 'spring-flush'
          ? t('relief.opensAboveWhatIsWanted')
          : t('relief.opensAboveItWithoutAnyShim', {
              kind: kind === 'spring' ? t('relief.takeASofterOrShorterSpring') : t('relief.moveThePlugOutOrTake'),
            })
        : OBJECTIONS[each],
    )
    .join('; ')
  return words && `${words[0].toUpperCase()}${words.slice(1)}.`
}

export const WASHER_WORDS = said(t, {
  'wider-than-plug': 'relief.widerThanThePlugsBore',
  'hole-under-plugs': 'relief.itsHoleIsSmallerThanThe',
  'narrower-than-spring': 'relief.tooNarrowToSeatTheSpring',
  'hole-over-spring': 'relief.theSpringFallsThroughItsHole',
  'not-stainless': 'relief.notStainlessItWouldRustInto',
}) satisfies Record<WasherFault, string>
