import type { Random } from '../random/random'
import type { CheckKey } from '../trace/checks'
import type { Cause, Observed } from '../trace/vocabulary'

/** A simulated engine with something wrong, as far as a hand at it can tell. */
export interface Patient {
  cause: Cause
  /** Whether the pump brings oil, and how much of what a sound engine shows it shows, now. */
  brings: boolean
  /** True pressure at the gauge port, Pa, and a sound engine's at the same moment. */
  pressure: number
  sound: number
  /** Share of air in what is pumped, 0 to 1. */
  air: number
  /** Whether it has run with this fault, so that noise, foam and metal had time. */
  ran: boolean
}

/** How often a hand or an eye is wrong. */
const MISTAKEN = 0.04
/** How often a fault hides from the very check that is for it: it came free, it was cleaned off unseen. */
const HIDES = 0.08

/** What is found where a cause is looked for by itself: its words, and what a sound part shows. */
const FOUND: Partial<Record<CheckKey, { sound: string; with: Partial<Record<Cause, string[]>> }>> = {
  'oil-level': { sound: 'full', with: { 'no-oil': ['low'], uncovered: ['low', 'full'] } },
  attitude: { sound: 'level', with: { uncovered: ['tilted', 'level'] } },
  drive: { sound: 'turns', with: { undriven: ['not-engaged'], 'wrong-way': ['wrong-way'] } },
  pickup: {
    sound: 'sound',
    with: { 'pickup-air': ['loose', 'seal-bad', 'cracked'], 'screen-blocked': ['blocked'] },
  },
  relief: {
    sound: 'free',
    with: {
      'relief-open': ['stuck-open', 'stuck-open', 'dirty'],
      'relief-sticks': ['dirty', 'dirty', 'stuck-open', 'free'],
      'relief-weak': ['wrong-spring'],
      'relief-shut': ['stuck-shut', 'stuck-shut', 'wrong-spring'],
    },
  },
  cover: { sound: 'sound', with: { 'cover-leak': ['no-gasket', 'leaks'] } },
  pump: { sound: 'in-limit', with: { 'pump-worn': ['worn'], 'dry-pump': ['in-limit', 'worn'] } },
  plugs: { sound: 'all', with: { 'plug-out': ['one-missing'] } },
  bypass: { sound: 'right', with: { 'bypass-wrong': ['wrong', 'wrong', 'stuck'], 'filter-wrong': ['right', 'wrong'] } },
  sender: { sound: 'reads-right', with: { 'sender-low': ['reads-low'], 'lamp-only': ['reads-right', 'reads-low'] } },
  shells: { sound: 'right', with: { 'shell-hole': ['hole-off'], clearance: ['loose'] } },
  'mechanical-gauge': {
    sound: 'agrees',
    with: { 'sender-low': ['reads-more'], 'lamp-only': ['reads-more', 'reads-more', 'agrees'] },
  },
  'oil-grade': { sound: 'right', with: { 'oil-thin': ['thin', 'right'], 'oil-thick': ['thick', 'thick', 'right'] } },
  fountain: { sound: 'none', with: { 'lifter-open': ['seen'] } },
  'leak-outside': { sound: 'none', with: {} },
  'pump-bench': {
    sound: 'good',
    with: { 'pump-worn': ['bad'], 'cover-leak': ['bad'], 'relief-open': ['bad', 'good'] },
  },
}

/**
 * What somebody finds who makes a check of a simulated engine: by the state it is in, by what is wrong with it, and with the
 * mistakes that hands and eyes make. It knows nothing of the tables that a trace goes by.
 */
export function findingOf(key: CheckKey, patient: Patient, random: Random): NonNullable<Observed[CheckKey]> {
  return (found(key, patient, random) ?? seen(key, patient, random)) as NonNullable<Observed[CheckKey]>
}

const oneOf = <T>(values: readonly T[], random: Random): T => values[Math.floor(random() * values.length)]

function found(key: CheckKey, { cause }: Patient, random: Random): string | undefined {
  const looked = FOUND[key]
  if (!looked) return undefined
  const known = looked.with[cause]
  const all = [...new Set([looked.sound, ...Object.values(looked.with).flat()])]
  if (random() < MISTAKEN) return oneOf(all, random)
  return known && random() > HIDES ? oneOf(known, random) : looked.sound
}

/** What is seen by itself of the state an engine is in. */
function seen(key: CheckKey, patient: Patient, random: Random): string {
  const { cause, brings, pressure, sound, air, ran } = patient
  const chance = (share: number) => random() < share
  const low = pressure < 0.6 * sound
  const airy = air > 0.1
  const wrong = chance(MISTAKEN)
  switch (key) {
    case 'lamp':
      return (cause === 'lamp-only' || pressure < 35e3) !== wrong ? 'on' : 'off'
    case 'oil-at-pad':
      if (wrong) return 'air'
      if (!brings) return airy && chance(0.5) ? 'air' : chance(0.15) ? 'air' : 'none'
      return airy && chance(0.6) ? 'air' : 'oil'
    case 'oil-at-gauge-port':
    case 'oil-at-turbo':
    case 'oil-at-rockers': {
      if (!brings) return wrong ? 'some' : 'none'
      if (cause === 'gallery-blocked' && low) return chance(0.5) ? 'none' : 'some'
      if (key === 'oil-at-rockers' && low) return oneOf(['none', 'some', 'some', 'all'], random)
      return low || airy ? oneOf(['some', 'some', 'all'], random) : wrong ? 'some' : 'all'
    }
    case 'drill':
      return (brings && pressure > 0.35 * sound && !airy) !== wrong ? 'stiff' : 'free'
    case 'air-at-pump':
      return (airy && chance(0.85)) || (!brings && chance(0.15)) !== wrong ? 'seen' : 'not-seen'
    case 'oil-at-cover':
      return (cause === 'cover-leak' && chance(0.85)) !== wrong ? 'spews' : 'dry'
    case 'noise':
      if (!ran || cause === 'lamp-only' || cause === 'sender-low') return wrong ? 'tick' : 'none'
      if (airy || cause === 'screen-blocked') return oneOf(['none', 'none', 'whine', 'tick'], random)
      if (cause === 'clearance' || cause === 'shell-hole') return oneOf(['none', 'none', 'knock', 'tick'], random)
      return low ? oneOf(['none', 'none', 'tick'], random) : wrong ? 'tick' : 'none'
    case 'needle':
      return ((airy && brings && chance(0.7)) || (cause === 'relief-sticks' && chance(0.5))) !== wrong
        ? 'swings'
        : 'steady'
    case 'foam':
      return (airy && ran && chance(0.6)) !== wrong ? 'yes' : 'no'
    case 'fuel-smell':
      return (cause === 'oil-thin' && chance(0.5)) !== wrong ? 'yes' : 'no'
    case 'metal':
      if (cause === 'clearance' || cause === 'shell-hole') return oneOf(['none', 'none', 'fine', 'flakes'], random)
      if (cause === 'pump-worn') return oneOf(['none', 'fine'], random)
      return chance(0.12) ? 'fine' : 'none'
    case 'filter':
      if (cause === 'air-lock') return wrong ? 'dry' : 'full'
      return brings !== wrong ? 'full' : 'dry'
    case 'second-attempt':
      return ((cause === 'dry-pump' || cause === 'air-lock' || cause === 'relief-sticks') && chance(0.25)) !==
        (wrong && chance(0.5))
        ? 'came-up'
        : 'same'
    default:
      throw new RangeError(`symptoms: “${key}” is no check`)
  }
}
