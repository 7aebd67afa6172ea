import { samplePressures, rangeOf } from '../outlook/band'
import { targetAt } from '../outlook/outlook'
import { namedStates } from '../outlook/states'
import { type TriedChange, triedModel } from '../outlook/tried'
import type { Sheet } from '../record/schema'
import type { Setup } from './types'

/** Samples behind the chance of a set-up that is shown: it wanders by less than two in a hundred. */
export const OWN_SAMPLES = 600

/**
 * The chance that all four states lie in their targets, and each state's band, by samples of the engine with these very parts fitted: a stiffer spring
 * or another pump spreads a state otherwise than what is fitted now.
 * Source: JCGM 101:2008.
 */
export function ownChance(
  sheet: Sheet,
  change: TriedChange,
  samples = OWN_SAMPLES,
): Pick<Setup, 'probability' | 'bands'> {
  const model = triedModel(sheet, change)
  const states = namedStates(model.sheet)
  const targets = states.map((state) => targetAt(model.sheet, model.oil, state))
  const sampled = samplePressures(model, states, samples)
  let met = 0
  for (let s = 0; s < samples; s++)
    if (targets.every(({ least, most }, i) => sampled[i].drawn[s] >= least && sampled[i].drawn[s] <= most)) met++
  return {
    probability: met / samples,
    bands: Object.fromEntries(
      states.map(({ name }, i) => {
        const { low, high } = rangeOf(sampled[i])
        return [name, [low, high]]
      }),
    ) as Setup['bands'],
  }
}
