import type { Setup } from './types'

/** One sentence for a set-up: what is changed and what it gives. */
export function explain(setup: Setup): string {
  const parts = (
    [
      ['spring', setup.spring],
      ['shims', setup.stack],
      ['oil', setup.oil],
      ['pump', setup.pump],
      ['shells', setup.shells],
    ] as const
  ).flatMap(([kind, name]) =>
    name === undefined ? [] : [name.toLowerCase().includes(kind) ? name : `${kind} ${name}`],
  )
  const chanceWords = `${setup.sampled ? '' : 'about '}${Math.round(100 * setup.probability)} in 100 that all four states meet their targets`
  return parts.length === 0
    ? `As it stands: ${chanceWords}.`
    : `${parts.join(', ').replace(/^./, (letter) => letter.toUpperCase())}: ${chanceWords}, about ${Math.round(setup.power)} W at working speed.`
}
