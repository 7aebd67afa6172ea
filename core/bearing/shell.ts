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
  /** The greatest load over projected area, and the most of it that a two-layer shell bears in this use, Pa. */
  load: number
  bears: number
  /** A use that asks for half of that load. */
  hard: boolean
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
  const bears = hard ? 0.5 * TWO_LAYER : TWO_LAYER
  return { construction: specificLoad > bears ? 'three-layer' : 'two-layer', load: specificLoad, bears, hard }
}

/** Which groove, and the film that a half and a full one would leave, m. */
export interface GrooveAdvice {
  arc: 180 | 360
  half: number
  full: number
}

/** Film over both surfaces' roughness from which they stay apart, and how much thinner than under the mean load it becomes when the load peaks at about four times that. */
const APART = 3
const AT_PEAK = 4

/**
 * Groove of the mains by the film that either leaves under the mean load of working speed, m: a full groove feeds rods all round, and parts the bearing into two narrow ones.
 *
 * @param roughness of both surfaces together, m
 */
export function adviseGroove(half: number, full: number, roughness: number): GrooveAdvice {
  return { arc: full >= APART * AT_PEAK * roughness ? 360 : 180, half, full }
}
