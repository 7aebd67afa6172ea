import { BYPASS_WORDS, type BypassFit, type PassageItem, passagesOf, rightFit } from '../parts/passage'
import type { Verdict } from '../quantity/verdict'
import type { Station } from './quantities'
import type { Layout, Sheet } from '../record/schema'

/** What can be found at a place, in a word, what that means and what is to be done. */
export interface Finding {
  value: string
  words: string
  verdict: Verdict
  /** What it leads to. */
  action: string
}

/** Something to be looked at whose answer is a word of the trade. */
export interface InspectionItem {
  key: string
  station: Station
  label: string
  findings: Finding[]
  /** Counted as missing until answered. */
  wanted: boolean
}

const clean: Finding = { value: 'clean', words: 'clean', verdict: 'pass', action: 'Fit as it is.' }
const seen: Finding = {
  value: 'seen',
  words: 'not felt',
  verdict: 'pass',
  action: 'Marks that a fingernail does not catch are cosmetic.',
}
const catches = (verdict: Verdict, action: string): Finding => ({ value: 'catches', words: 'catches', verdict, action })

/** Surfaces of a pump by the fingernail rule, and what a catching one leads to. */
const PUMP_SURFACES: [key: string, label: string, caught: Finding][] = [
  [
    'pump.cover',
    'Cover',
    catches(
      'watch',
      'Resurface it flat across its whole face, never the track alone; then measure end clearance again.',
    ),
  ],
  [
    'pump.bodyFace',
    'Body face',
    catches('watch', 'Cut the face and the pocket together by the same amount; then measure end clearance again.'),
  ],
  ['pump.pocket', 'Pocket bore', catches('stop', 'The pocket cannot be mended: replace the body.')],
  ['pump.rotors', 'Rotors', catches('stop', 'Rotors are never dressed: replace them as a set.')],
  [
    'pump.shaft',
    'Shaft and bush',
    catches('stop', 'A scored shaft lets the rotors lean on the pocket: replace it with its bush.'),
  ],
]

const AIR_TEST: Finding[] = [
  { value: 'holds', words: 'holds', verdict: 'pass', action: 'No air gets in between mouth and pump.' },
  {
    value: 'joint',
    words: 'leaks at the joint',
    verdict: 'stop',
    action: 'Seal pinched, torn or missing, or the tube loose: fit a new seal and try again.',
  },
  {
    value: 'tube',
    words: 'leaks along the tube',
    verdict: 'stop',
    action: 'A crack or a bad weld: replace the pickup.',
  },
]

/** What lies in the pleats of the first filter, cut open. */
const FILTER_CUT: Finding[] = [
  { value: 'clean', words: 'clean, a little lint', verdict: 'pass', action: 'As it should be.' },
  {
    value: 'paste',
    words: 'fine grey paste',
    verdict: 'pass',
    action: 'Break-in wear of rings and bores: expected in the first, not in the second.',
  },
  {
    value: 'flakes',
    words: 'bright flakes',
    verdict: 'stop',
    action:
      'Bearing overlay. Magnet: what sticks is steel, what does not is shell. Take a cap off before it runs again.',
  },
  { value: 'steel', words: 'steel slivers', verdict: 'stop', action: 'Cam, followers or a gear. Do not run it on.' },
  {
    value: 'sealer',
    words: 'lumps of sealer',
    verdict: 'watch',
    action: 'More of it is in the pickup’s screen: look there.',
  },
]

/** Everything of a layout that is answered by a word, in the order of the work. */
export function inspectionsOf(layout: Layout): InspectionItem[] {
  return [
    ...PUMP_SURFACES.map(([key, label, caught]): InspectionItem => ({
      key,
      station: 'pump',
      label,
      findings: [clean, seen, caught],
      wanted: true,
    })),
    { key: 'pickup.airTest', station: 'pickup', label: 'Air test of the pickup', findings: AIR_TEST, wanted: true },
    ...passagesOf(layout).map((item): InspectionItem => ({
      key: item.key,
      station: 'passages',
      label: item.label,
      findings: findingsOf(layout, item),
      wanted: true,
    })),
    { key: 'start.filterCut', station: 'start', label: 'First filter, cut open', findings: FILTER_CUT, wanted: false },
  ]
}

function findingsOf(layout: Layout, { key, kind, absent, inside }: PassageItem): Finding[] {
  if (kind === 'bypass') {
    const right = rightFit(layout, key.slice('passage.'.length) as 'filterBypass' | 'coolerBypass')
    return (Object.keys(BYPASS_WORDS) as BypassFit[]).map((value) => ({
      value,
      words: BYPASS_WORDS[value],
      verdict: value === right ? 'pass' : 'watch',
      action: value === right ? 'As it belongs for this layout.' : bypassMeaning(layout, key, value),
    }))
  }
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

function bypassMeaning(layout: Layout, key: string, value: BypassFit): string {
  if (key === 'passage.filterBypass')
    return value === 'open'
      ? 'Oil goes round the filter at all times: nothing is filtered.'
      : 'A blocked filter stops all oil; cold oil may burst it.'
  const sump = layout.coolerBypass === 'sump'
  if (layout.coolerPlugged) {
    if (sump)
      return value === 'open'
        ? 'Everything the pump gives runs back to the sump.'
        : 'It lets oil back to the sump at its opening pressure, below any relief: an alarmingly low hot idle on a sound engine.'
    return value === 'in'
      ? 'With the ports plugged all oil must push the valve up: its opening pressure is lost on the way, and the relief opens by that much sooner.'
      : 'With the ports plugged as well no oil reaches the gallery at all.'
  }
  if (sump)
    return value === 'open'
      ? 'Everything the pump gives runs back to the sump.'
      : 'Nothing guards the cooler from cold oil’s pressure.'
  return value === 'open'
    ? 'Oil goes round the cooler at all times: it runs hot.'
    : 'Cold oil has no way round: the cooler takes full pressure.'
}

/** The finding that stands in a sheet for an item, if any. */
export function findingOf(sheet: Sheet, item: InspectionItem): Finding | undefined {
  const word = sheet.inspections[item.key]?.finding
  return item.findings.find(({ value }) => value === word)
}

/** What a sheet says was left out, among the passages of its layout. */
export function leftOutOf(sheet: Sheet): string[] {
  return passagesOf(sheet.layout)
    .filter(({ key }) => sheet.inspections[key]?.finding === 'left-out')
    .map(({ key }) => key)
}

/** How a bypass valve stands in a sheet: as it was found, else as it belongs. */
export function bypassFit(sheet: Sheet, valve: 'filterBypass' | 'coolerBypass'): BypassFit {
  const found = sheet.inspections[`passage.${valve}`]?.finding
  return found && found in BYPASS_WORDS ? (found as BypassFit) : rightFit(sheet.layout, valve)
}
