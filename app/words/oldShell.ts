import type { OldShell } from '#core/bearing/shell'
import type { ShellSays } from '#core/parts/shellLook'
import type { ShellZone } from '#core/record/schema'
import { t } from './of/sight'
import { named, said } from './speak'

/** Where a shell's face is looked at. */
export const ZONES: Record<ShellZone, string> = said(t, {
  crown: 'shell.crown',
  front: 'shell.front',
  rear: 'shell.rear',
  left: 'shell.left',
  right: 'shell.right',
})

/** What the zones say together. */
export const SAYS: Record<ShellSays['code'], string> = said(t, {
  unseen: 'shell.saysUnseen',
  'colour-alone': 'shell.saysColourAlone',
  stain: 'shell.saysStain',
  'heat-or-wear': 'shell.saysHeatOrWear',
  'one-edge': 'shell.saysOneEdge',
  'both-edges': 'shell.saysBothEdges',
  joints: 'shell.saysJoints',
  crown: 'shell.saysCrown',
  'all-over': 'shell.saysAllOver',
  even: 'shell.saysEven',
})

/** As they are seen, where a sheet's own word is another. */
const SEEN: Partial<Record<OldShell, () => string>> = {
  'overlay gone': () => t('shell.brownOrCoppery'),
  discoloured: () => t('shell.blueOrBlack'),
}
export const oldShellWords = (seen: OldShell): string => SEEN[seen]?.() ?? named(seen)
