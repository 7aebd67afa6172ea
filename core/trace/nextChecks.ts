import type { Sheet } from '../record/schema'
import { canCheck, CHECK_KEYS, CHECKS, type CheckKey } from './checks'
import { type Cause, OBSERVATIONS, type TraceCase } from './vocabulary'
import { chanceOf, type WeighedCause } from './weigh'

/** What a check may come to, how likely that is, and what would be the likeliest cause then. */
export interface CheckOutcome {
  value: string
  probability: number
  then: { fault: Cause; probability: number }[]
}

export interface NextCheck {
  check: CheckKey
  minutes: number
  teardown: boolean
  /** Bits that it is expected to tell, in all and for each minute. */
  tells: number
  perMinute: number
  outcomes: CheckOutcome[]
}

const entropy = (chances: number[]) => chances.reduce((sum, p) => (p > 0 ? sum - p * Math.log2(p) : sum), 0)
/** What is taken apart costs more than its minutes: new seals, dirt, what is not as it was. */
const APART = 1.5
/** Each check interrupts: so many minutes more than the work itself. */
const WALK = 4
/** A check of under so many minutes. */
const LITTLE = 5
/** Of what an outcome would mean the likeliest causes are said. */
const SAID = 3

/** Checks that have not been made, by what each is expected to tell for each minute that it takes. */
export function nextChecks(sheet: Sheet, traced: TraceCase, weighed: WeighedCause[]): NextCheck[] {
  const now = entropy(weighed.map(({ probability }) => probability))
  return CHECK_KEYS.filter((key) => !(key in traced.observations) && canCheck(sheet, traced.moment, key))
    .map((check): NextCheck => {
      const { minutes, teardown = false } = CHECKS[check]!
      const outcomes = outcomesOf(check, weighed)
      const left = outcomes.reduce((sum, { probability, after }) => sum + probability * entropy(after), 0)
      const tells = Math.max(0, now - left)
      return {
        check,
        minutes,
        teardown,
        tells,
        perMinute: tells / (teardown ? APART * minutes : minutes + WALK),
        outcomes: outcomes.map(({ value, probability, after }) => ({
          value,
          probability,
          then: weighed
            .map(({ cause }, i) => ({ fault: cause, probability: after[i] }))
            .sort((a, b) => b.probability - a.probability)
            .slice(0, SAID),
        })),
      }
    })
    .sort((a, b) => b.perMinute - a.perMinute || a.minutes - b.minutes)
    .reduce(nothingApartTooEarly, [])
}

/** What takes little time and tells more for each of its own minutes stands before anything is taken apart. */
function nothingApartTooEarly(ordered: NextCheck[], next: NextCheck): NextCheck[] {
  const at =
    next.teardown || next.minutes >= LITTLE
      ? -1
      : ordered.findIndex((each) => each.teardown && next.tells / next.minutes > each.tells / each.minutes)
  if (at < 0) ordered.push(next)
  else ordered.splice(at, 0, next)
  return ordered
}

function outcomesOf(check: CheckKey, weighed: WeighedCause[]) {
  return (OBSERVATIONS[check] as readonly string[]).map((value) => {
    const joint = weighed.map((each) => each.probability * chanceWith(check, value, each))
    const probability = joint.reduce((sum, chance) => sum + chance, 0)
    return { value, probability, after: joint.map((chance) => (probability > 0 ? chance / probability : 0)) }
  })
}

/** Chance of an outcome with a cause, by whether it lets the pump bring oil. */
function chanceWith(check: CheckKey, value: string, { cause, brings, lampOn }: WeighedCause): number {
  if (check === 'lamp') return value === 'flickers' ? 0.04 : 0.96 * (value === 'on' ? lampOn : 1 - lampOn)
  return brings * chanceOf(check, value, cause, true) + (1 - brings) * chanceOf(check, value, cause, false)
}
