import { SHELL_ZONES, type ShellLook, type ShellPicture, type ShellZone } from '../record/schema'
import type { OldShell } from '../bearing/shell'

/** What is seen by its colour alone: it may be a stain of the oil's additives, so that it says nothing until it was felt. */
const COLOURS: readonly OldShell[] = ['overlay gone', 'discoloured']

/** What the zones of a shell say together; the words for each stand in the page. */
export type ShellSays =
  | { code: 'unseen'; zones: ShellZone[] }
  | { code: 'colour-alone'; zones: ShellZone[] }
  | { code: 'stain'; zones: ShellZone[] }
  | { code: 'heat-or-wear'; zones: ShellZone[] }
  | { code: 'one-edge'; zones: ShellZone[] }
  | { code: 'both-edges'; zones: ShellZone[] }
  | { code: 'joints'; zones: ShellZone[] }
  | { code: 'crown'; zones: ShellZone[] }
  | { code: 'all-over'; zones: ShellZone[] }
  | { code: 'even'; zones: ShellZone[] }

const isWorn = (look: ShellLook['zones'][ShellZone]): boolean =>
  look !== undefined &&
  look.seen !== 'even grey' &&
  !(COLOURS.includes(look.seen as OldShell) && look.felt !== 'catches')

/**
 * Where a shell is worn says why: one edge is a taper or a bent rod, both are a barrel or a bowed crank, the joints are a housing that closes in, the crown alone is load.
 * A colour is no verdict: until a fingernail has been over it, it is asked for; where that goes over it smoothly it is taken for a stain.
 * Source: the practice of reading shells, e.g. Taylor (ed.), Engine Tribology (1993), ch. 4.
 */
export function shellSays({ zones }: Pick<ShellLook, 'zones'>): ShellSays[] {
  const of = (holds: (look: ShellLook['zones'][ShellZone]) => boolean) =>
    SHELL_ZONES.filter((zone) => holds(zones[zone]))
  const says: ShellSays[] = []
  const add = (code: ShellSays['code'], found: ShellZone[]) => {
    if (found.length > 0) says.push({ code, zones: found })
  }
  const isColour = (look: ShellLook['zones'][ShellZone]) => look && COLOURS.includes(look.seen as OldShell)
  const worn = of(isWorn)
  const edges = worn.filter((zone) => zone === 'front' || zone === 'rear')
  const joints = worn.filter((zone) => zone === 'left' || zone === 'right')
  if (worn.length === SHELL_ZONES.length) add('all-over', worn)
  else {
    add(edges.length === 2 ? 'both-edges' : 'one-edge', edges)
    add('joints', joints)
    if (edges.length === 0 && joints.length === 0) add('crown', worn)
  }
  add(
    'heat-or-wear',
    of((look) => Boolean(isColour(look)) && look!.felt === 'catches'),
  )
  add(
    'colour-alone',
    of((look) => Boolean(isColour(look)) && !look!.felt),
  )
  add(
    'stain',
    of((look) => Boolean(isColour(look)) && look!.felt === 'smooth'),
  )
  const unseen = of((look) => !look)
  add('unseen', unseen)
  if (says.length === 0) add('even', [...SHELL_ZONES])
  return says
}

/** Zones that are seen or felt otherwise than on another shell; what was looked at on one alone is none. */
export function zonesThatDiffer(a: Pick<ShellLook, 'zones'>, b: Pick<ShellLook, 'zones'>): ShellZone[] {
  return SHELL_ZONES.filter((zone) => {
    const [one, other] = [a.zones[zone], b.zones[zone]]
    return one && other && (one.seen !== other.seen || (one.felt ?? '') !== (other.felt ?? ''))
  })
}

/** How well a finger sets a mark, parts of a picture's longer side; and by how much a shell's round and a picture that leans make a length wrong. */
const MARK = 0.002
const ROUND = 0.05

/** Length of a score by the ruler in its picture, and its standard uncertainty, m; undefined without one. */
export function scoreLength(
  { size, ruler }: Pick<ShellPicture, 'size' | 'ruler'>,
  score: ShellPicture['scores'][number],
): { length: number; sigma: number } | undefined {
  if (!ruler?.length) return undefined
  const pixels = ({ from, to }: typeof score) => Math.hypot((to[0] - from[0]) * size[0], (to[1] - from[1]) * size[1])
  const [long, of] = [pixels(score), pixels(ruler)]
  const mark = Math.SQRT2 * MARK * Math.max(...size)
  // A ruler of hardly more than its own marks measures nothing.
  if (of < 8 * mark) return undefined
  const length = (ruler.length * long) / of
  return { length, sigma: Math.hypot((ruler.length * mark) / of, length * Math.hypot(mark / of, ROUND)) }
}
