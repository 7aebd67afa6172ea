import type { Finding, InspectionItem } from '../record/looked'
import type { Sheet } from '../record/schema'

/** Places on the drawn route, along the oil's way. */
export const PLACES = [
  'pump',
  'cooler',
  'filter',
  'gallery',
  'main',
  'rod',
  'cam',
  'rockers',
  'turbo',
  'gauge',
] as const

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
  place: (typeof PLACES)[number]
  /** Which main's gallery point it stands at, from 1, where it stands at one. */
  at?: number
  /** Inside the engine: no leak is seen outside. */
  inside: boolean
  /** Whether a word is wanted on how it was sealed. */
  sealed: boolean
  /** Readings that are taken there: first the one that gives its size or opening pressure. */
  readings?: string[]
  absent: Absence
  /** How a bypass valve belongs here, and what each other way of leaving it means. */
  fit?: { right: BypassFit; means: Record<BypassFit, string> }
}

/** How a bypass valve was found or left. */
export type BypassFit = 'in' | 'open' | 'plugged'
export const BYPASS_WORDS: Record<BypassFit, string> = {
  in: 'valve in',
  open: 'taken out, way open',
  plugged: 'taken out, way plugged',
}
const FITS = Object.keys(BYPASS_WORDS) as BypassFit[]

/** How a bypass valve stands in a sheet: as it was found, else as it belongs. */
export function fitOf(sheet: Sheet, key: string, right: BypassFit): BypassFit {
  const found = sheet.inspections[key]?.finding
  return FITS.find((fit) => fit === found) ?? right
}

/** A bypass valve in its place, its way left open, or its way plugged; `bore` is its seat's, m. */
export function setBypass(
  valve: { openingPressure?: number; diameter: number },
  openingPressure: number,
  fit: BypassFit,
  bore: number,
): void {
  valve.openingPressure = fit === 'in' ? openingPressure : 0
  valve.diameter = fit === 'plugged' ? 1e-7 : bore
}

/** What can be found of a passage: fitted or left out; a bypass valve in one of its ways. */
export function passageFindings({ fit, absent, inside }: PassageItem): Finding[] {
  if (fit)
    return FITS.map((value) => ({
      value,
      words: BYPASS_WORDS[value],
      verdict: value === fit.right ? 'pass' : 'watch',
      action: value === fit.right ? 'As it belongs for this layout.' : fit.means[value],
    }))
  const action =
    absent.kind === 'none'
      ? absent.means
      : inside
        ? 'Nothing shows outside, and it bypasses everything behind it. Fit it before anything is closed.'
        : 'It leaks outside.'
  return [
    { value: 'fitted', words: 'fitted', verdict: 'pass', action: '' },
    { value: 'left-out', words: 'left out', verdict: 'stop', action },
  ]
}

/** A passage as something to look at. */
export const passageInspection = (item: PassageItem): InspectionItem => ({
  key: item.key,
  station: 'passages',
  label: item.label,
  findings: passageFindings(item),
  wanted: true,
})
