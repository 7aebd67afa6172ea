import type { Setup } from '#core/finder/types'
import { t } from '~/words/of/outlook'
import { figure } from './numbers'
import { named } from './speak'

/** One sentence for a set-up of parts: what is changed and what it gives. */
export function explain({ spring, stack, oil, pump, shells, sampled, probability, power }: Setup): string {
  const parts = (
    [
      [t('setup.spring'), spring],
      [t('setup.shims'), stack],
      [t('setup.oil'), oil],
      [t('setup.pump'), pump],
      [t('setup.shells'), shells],
    ] as const
  ).flatMap(([kind, part]) => {
    if (part === undefined) return []
    const name = named(part)
    // A label that says what it is says it once.
    return [name.toLowerCase().includes(kind.toLowerCase()) ? name : t('setup.kindOf', { kind, name })]
  })
  const chance = t(sampled ? 'setup.chance' : 'setup.chanceAbout', { chance: figure(100 * probability, 0) })
  return parts.length === 0
    ? t('setup.asItStands', { chance })
    : t('setup.changed', {
        parts: parts.join(', ').replace(/^./, (letter) => letter.toUpperCase()),
        chance,
        power: figure(power, 0),
      })
}
