import type { Objection, RouteKind } from '#core/relief/routes'
import type { WasherFault } from '#core/relief/stack'

const OBJECTIONS: Record<Exclude<Objection, 'opens-above'>, string> = {
  'stack-too-tall': 'asks for a taller stack than stays in place',
  'plug-at-end': 'the plug has not so much left to go',
  'plug-covered': 'what sits over the plug leaves it no room to come out so far',
  'opens-below': 'opens under what is wanted',
  'cap-inward-only': 'a cap cannot be drawn back out',
  'cap-not-adjustable': 'not adjustable afterwards; the thread must not take the load',
  'coils-touch': 'the coils touch before the port is open',
  'little-travel': 'too little travel is left before the coils touch',
  'wire-sets': 'the wire would set',
}

/** What stands against a route, in one sentence. */
export function objectionWords(kind: RouteKind, against: readonly Objection[]): string {
  const words = against
    .map((each) =>
      each === 'opens-above'
        ? kind === 'flush' || kind === 'spring-flush'
          ? 'opens above what is wanted'
          : `opens above it without any shim: ${kind === 'spring' ? 'take a softer or shorter spring' : 'move the plug out, or take a softer spring'}`
        : OBJECTIONS[each],
    )
    .join('; ')
  return words && `${words[0].toUpperCase()}${words.slice(1)}.`
}

export const WASHER_WORDS: Record<WasherFault, string> = {
  'wider-than-plug': 'wider than the plug’s bore',
  'hole-under-plugs': 'its hole is smaller than the plug’s own',
  'narrower-than-spring': 'too narrow to seat the spring',
  'hole-over-spring': 'the spring falls through its hole',
  'not-stainless': 'not stainless: it would rust into the oil',
}
