import type { Layout } from '../record/schema'

/** Something of an engine that the model takes in another's place, or leaves out. */
export type ModelLimit = 'rotary-load' | 'rotary-orbit' | 'rotary-seals' | 'pin-swing'

/** What the model cannot say of a layout: said wherever it is judged, so that no figure stands for more than it is. */
export function modelLimits({ kind, drilledRods }: Layout): ModelLimit[] {
  return [
    ...(kind === 'rotary' ? (['rotary-load', 'rotary-orbit', 'rotary-seals'] as const) : []),
    ...(drilledRods ? (['pin-swing'] as const) : []),
  ]
}

/** Whether loads over the cycle can be computed: they follow from pistons on rods. */
export const hasCycle = ({ kind }: Pick<Layout, 'kind'>): boolean => kind !== 'rotary'
