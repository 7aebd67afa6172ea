/** Two-layer shells (aluminium on steel) are cheap and soft; three-layer ones (overlay on bronze on steel) carry more. */
export type ShellConstruction = 'two-layer' | 'three-layer'

/** What an old shell's face tells, in the trade's words; the first is as it should be. */
export const OLD_SHELLS = [
  'even grey',
  'overlay gone',
  'scored',
  'pounded',
  'worn on one edge',
  'dirt embedded',
  'discoloured',
] as const

export type OldShell = (typeof OLD_SHELLS)[number]

export interface ShellAdvice {
  construction: ShellConstruction
  reason: string
}

/**
 * Specific load that a two-layer shell bears for long, Pa, by its greatest load over projected area.
 * Source: about 35 MPa for tin-aluminium and 50 to 60 for lead or polymer overlays on bronze, e.g. Taylor (ed.), Engine Tribology (1993),
 * ch. 3, table of crankshaft bearing materials; a quarter is kept in hand.
 */
const TWO_LAYER = 26e6

/** Shell construction for a specific load, Pa, and a use; heavy or racing work wants the harder one from half of that load on. */
export function adviseShell(specificLoad: number, use: string): ShellAdvice {
  const hard = use === 'race' || use === 'aircraft'
  const most = hard ? 0.5 * TWO_LAYER : TWO_LAYER
  const load = `${Math.round(specificLoad / 1e6)} MPa`
  return specificLoad > most
    ? {
        construction: 'three-layer',
        reason: `${load} on the shell: a two-layer shell pounds out over ${Math.round(most / 1e6)} MPa${hard ? ' in such use' : ''}`,
      }
    : {
        construction: 'two-layer',
        reason: `${load} on the shell: two layers bear up to ${Math.round(most / 1e6)} MPa${hard ? ' in such use' : ''}, and take in dirt`,
      }
}

/** Film over both surfaces' roughness from which they stay apart, and how much thinner than under the mean load it becomes when the load peaks at about four times that. */
const APART = 3
const AT_PEAK = 4

/**
 * Groove of the mains by the film that either leaves under the mean load of working speed, m: a full groove feeds rods all round, and parts the bearing into two narrow ones.
 *
 * @param roughness of both surfaces together, m
 */
export function adviseGroove(half: number, full: number, roughness: number): { arc: 180 | 360; reason: string } {
  const micron = (film: number) => (1e6 * film).toFixed(1)
  const films = `a full groove would leave ${micron(full)} µm of film for ${micron(half)}`
  return full >= APART * AT_PEAK * roughness
    ? { arc: 360, reason: `${films}, which bears the peaks of the load, and feeds the rods all round` }
    : { arc: 180, reason: `${films}, too little when the load peaks: the lower shell stays whole` }
}
