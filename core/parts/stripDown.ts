import { check, type Finding, type InspectionItem } from '../record/looked'
import type { Layout } from '../record/schema'
import { NOT_LOOKED_AT } from '../record/words'
import { type Judged, part } from './part'

const METAL: Finding[] = [
  { value: 'none', words: 'none', verdict: 'pass', action: '' },
  {
    value: 'fine',
    words: 'fine',
    verdict: 'watch',
    action:
      'A grey paste is wear: bearings or rings. Every passage is washed through, and filter and cooler are not used again.',
  },
  {
    value: 'flakes',
    words: 'flakes',
    verdict: 'watch',
    action:
      'Flakes come off a bearing’s overlay or a cam. Find which before it goes together; wash every passage; no old cooler, no old filter.',
  },
  {
    value: 'pieces',
    words: 'pieces',
    verdict: 'watch',
    action:
      'Account for each piece, and where it came from. The pump drew some of it: look at its rotors and at the relief valve’s seat.',
  },
]

/** How much metal lay in the sump when it came apart. */
export const METAL_FOUND: InspectionItem = {
  key: 'strip.metal',
  station: 'bearings',
  label: 'Metal in the sump',
  findings: METAL,
  wanted: false,
}

const cleaned = (key: string, label: string, fault: string) =>
  check('bearings', `strip.${key}`, label, fault, { wanted: false })

/** What was found when the engine came apart, and that what carries oil was cleaned after it. */
export const stripDown = part({
  name: 'stripDown',
  fitted: () => true,
  readings: [],
  values: () => ({}),
  choices: () => ['strip.why', 'strip.metalFrom'],
  // What was found is past once everything was cleaned: it is no finding of its station.
  looked: () => [[METAL_FOUND.key, [...METAL.map(({ value }) => value), NOT_LOOKED_AT]]],
  checks: cleaningOf,
  judged: (sheet): Judged[] => {
    const metal = sheet.inspections['strip.metal']?.finding
    if (metal === undefined || metal === 'none' || !METAL.some(({ value }) => value === metal)) return []
    const left = cleaningOf(sheet.layout).filter(({ key }) => sheet.checks[key]?.state !== 'done')
    const parts = left.map(({ label }) => label.split(',')[0].toLowerCase()).join(', ')
    return left.length === 0
      ? []
      : [
          {
            station: 'bearings',
            verdict: 'watch',
            about: `metal was found: ${parts} not cleaned yet`,
          },
        ]
  },
})

function cleaningOf({ cooler, turbo, oilLine, drySump }: Layout) {
  const LEFT = 'What is left in there ends in the new bearings.'
  return [
    cleaned('galleries', 'Galleries, plugs out, brushed and washed through', LEFT),
    cleaned('crank', 'Crank drillings, plugs out, brushed and washed through', LEFT),
    ...(cooler
      ? [
          cleaned(
            'cooler',
            'Oil cooler, new or washed both ways',
            `${LEFT} A cooler that has had metal in it is seldom got clean.`,
          ),
        ]
      : []),
    ...(turbo || oilLine !== 'none' || cooler || drySump ? [cleaned('lines', 'Oil lines, washed through', LEFT)] : []),
  ]
}
