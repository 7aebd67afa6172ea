import type { Layout } from '../record/schema'

/** What a passage item is to the trade. */
export type PassageKind =
  'plug' | 'restrictor' | 'jet' | 'lifters' | 'bypass' | 'filter' | 'cooler' | 'line' | 'adaptor' | 'valve'

/** What the circuit does without it. */
export type Absence =
  /** Oil runs out of an open bore of this diameter, m, at a node of the circuit. */
  | { kind: 'leak'; node: string; bore: number }
  /** The drilling behind it, of this diameter, m, takes its place. */
  | { kind: 'bore'; bore: number }
  /** Nothing that a running engine's gauge would show; what it means is said. */
  | { kind: 'none'; means: string }

/** One thing on the oil's way that somebody fits, and that can be left out or be the wrong one. */
export interface PassageItem {
  /** `passage.frontPlug`: under it stand who fitted it and what was found. */
  key: string
  label: string
  kind: PassageKind
  /** The place on the drawn route. */
  place: 'pump' | 'cooler' | 'filter' | 'gallery' | 'main' | 'rod' | 'cam' | 'rockers' | 'gauge' | 'turbo'
  /** Which main's gallery point it stands at, from 1, where it stands at one. */
  at?: number
  /** Inside the engine: no leak is seen outside. */
  inside: boolean
  /** Whether a word is wanted on how it was sealed. */
  sealed: boolean
  /** The reading that gives its size or opening pressure. */
  reading?: string
  absent: Absence
}

const MM = 1e-3

/** Bores that open when a plug is left out, and drillings behind restrictors: typical ones, m. */
const BORES = {
  gallery: 12 * MM,
  lifter: 8 * MM,
  crank: 8 * MM,
  cam: 10 * MM,
  jetThread: 6.8 * MM,
  rockerDrilling: 5 * MM,
  jetDrilling: 5 * MM,
  turboLine: 6 * MM,
  sender: 5 * MM,
}

/** Every plug, restrictor, jet, row, valve, line and adaptor of a layout, along the oil's way. */
export function passagesOf(layout: Layout): PassageItem[] {
  const last = layout.mains
  const gauge = Math.ceil(last / 2)
  const list: PassageItem[] = []
  const item = (
    key: string,
    label: string,
    kind: PassageKind,
    place: PassageItem['place'],
    absent: Absence,
    more: Partial<PassageItem> = {},
  ) => list.push({ key: `passage.${key}`, label, kind, place, inside: true, sealed: false, absent, ...more })
  const leak = (node: string, bore: number): Absence => ({ kind: 'leak', node, bore })
  const none = (means: string): Absence => ({ kind: 'none', means })

  if (layout.cooler || layout.coolerPlugged) {
    item(
      layout.coolerPlugged ? 'coolerPorts' : 'cooler',
      layout.coolerPlugged ? 'Cooler’s ports, plugged' : 'Oil cooler',
      'cooler',
      'cooler',
      none(
        layout.coolerPlugged
          ? 'Oil leaves outside, at once and in plenty.'
          : 'Without it hot oil runs hotter than the brief says.',
      ),
      { inside: false, sealed: true },
    )
    item(
      'coolerBypass',
      layout.coolerBypass === 'sump' ? 'Cooler’s valve, to the sump' : 'Cooler’s bypass valve',
      'bypass',
      'cooler',
      none(''),
      { reading: 'passage.coolerBypass' },
    )
  }
  if (layout.cooler)
    item(
      'coolerLines',
      'Cooler lines, unions tight',
      'line',
      'cooler',
      none('A weeping union shows outside; a kinked line works like a blocked cooler.'),
      { inside: false, sealed: true },
    )
  if (layout.filter) {
    item(
      'filter',
      'Filter, new, its seal oiled',
      'filter',
      'filter',
      none('A rolled seal blows out cold, when pressure is highest.'),
      { inside: false, sealed: true, reading: 'passage.filterLoss' },
    )
    item('filterBypass', 'Filter’s bypass valve', 'bypass', 'filter', none(''), { reading: 'passage.filterBypass' })
    item(
      'antiDrain',
      'Anti-drain valve',
      'valve',
      'filter',
      none('The filter empties overnight; the gauge is late at every start, and right once it has come.'),
    )
  }
  item('frontPlug', 'Gallery plug, front', 'plug', 'gallery', leak('gallery 1', BORES.gallery), { at: 1, sealed: true })
  item('rearPlug', 'Gallery plug, rear', 'plug', 'gallery', leak(`gallery ${last}`, BORES.gallery), {
    at: last,
    sealed: true,
  })
  item('crankPlugs', 'Plugs of the crank’s drillings', 'plug', 'rod', leak('rod 1', BORES.crank), { sealed: true })
  if (layout.camBearings > 0)
    item('camPlug', 'Plug behind the rear cam bearing', 'plug', 'cam', leak(`cam ${layout.camBearings}`, BORES.cam), {
      sealed: true,
    })
  if (layout.lifterCount > 0 && layout.lifters === 'hydraulic') {
    const rows = layout.kind === 'v' || layout.kind === 'flat' || layout.kind === 'opposed' ? ['left', 'right'] : ['']
    for (const row of rows) {
      const tail = row ? `, ${row}` : ''
      const name = row.charAt(0).toUpperCase() + row.slice(1)
      item(
        `lifterRow${name}`,
        `Lifters, all in and metering${tail}`,
        'lifters',
        'rockers',
        leak(`gallery ${last}`, 6 * MM),
        { at: last },
      )
      item(
        `lifterPlug${name}`,
        `Lifter gallery plug${tail}`,
        'plug',
        'rockers',
        leak(`gallery ${last}`, BORES.lifter),
        { at: last, sealed: true },
      )
    }
  }
  if (layout.rockerFeed)
    item(
      'rockerRestrictor',
      'Rocker feed restrictor',
      'restrictor',
      'rockers',
      { kind: 'bore', bore: BORES.rockerDrilling },
      { at: last, reading: 'passage.rockerRestrictor' },
    )
  if (layout.timingJet)
    item(
      'timingJet',
      'Timing jet',
      'jet',
      'gallery',
      { kind: 'bore', bore: BORES.jetDrilling },
      { at: 1, reading: 'passage.timingJet' },
    )
  if (layout.tensioner)
    item(
      'tensioner',
      'Tensioner and its leak hole',
      'jet',
      'gallery',
      { kind: 'bore', bore: BORES.jetDrilling },
      { at: 1, reading: 'passage.tensioner' },
    )
  if (layout.pistonJets > 0)
    item(
      'pistonJet',
      `Piston jets, ${layout.pistonJets}`,
      'jet',
      'main',
      leak(`gallery ${layout.feed[0]}`, BORES.jetThread),
      { at: layout.feed[0], reading: 'passage.pistonJet' },
    )
  if (layout.turbo) {
    item(
      'turboFeed',
      'Turbo feed restrictor',
      'restrictor',
      'turbo',
      { kind: 'bore', bore: BORES.turboLine },
      { at: gauge, reading: 'passage.turboFeed' },
    )
    item(
      'turboLines',
      'Turbo lines, drain running down',
      'line',
      'turbo',
      none('A drain that rises floods the seals; the gauge says nothing.'),
      { inside: false, sealed: true },
    )
  }
  item(
    'sender',
    'Sender adaptor, thread matched',
    'adaptor',
    'gauge',
    none('Oil leaves outside. A light switch in its place is no gauge.'),
    { at: gauge, inside: false, sealed: true },
  )
  return list
}

/** Drilling that takes the place of each restrictor or jet that is left out, m, by the reading that sizes it. */
export function boresLeft(layout: Layout, leftOut: (key: string) => boolean): Map<string, number> {
  return new Map(
    passagesOf(layout).flatMap(({ key, reading, absent }) =>
      absent.kind === 'bore' && reading && leftOut(key) ? [[reading, absent.bore] as const] : [],
    ),
  )
}

/** How a bypass valve was found or left. */
export type BypassFit = 'in' | 'open' | 'plugged'
export const BYPASS_WORDS: Record<BypassFit, string> = {
  in: 'valve in',
  open: 'taken out, way open',
  plugged: 'taken out, way plugged',
}

/**
 * How a bypass valve belongs: round a fitted cooler or filter in its place; where a cooler is gone, out and the way open, so that oil has its
 * way without pushing the valve up; where it leads to the sump and no cooler is there to guard, plugged.
 */
export function rightFit(layout: Layout, valve: 'filterBypass' | 'coolerBypass'): BypassFit {
  if (valve === 'filterBypass' || !layout.coolerPlugged) return 'in'
  return layout.coolerBypass === 'sump' ? 'plugged' : 'open'
}
