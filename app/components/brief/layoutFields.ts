import type { Layout } from '#core/record/schema'

/** What of a layout is edited, in the order of its form: counts, kinds of things, and what is there or not. */

/** An option that is called what it is. */
const plain = <Value extends string>(value: Value) => ({ value, words: value as string })

export const COUNTS: [field: CountField, title: string][] = [
  ['cylinders', 'Cylinders'],
  ['mains', 'Mains'],
  ['camBearings', 'Cam bearings'],
  ['lifterCount', 'Lifters'],
  ['pistonJets', 'Piston jets'],
  ['headCams', 'Overhead cams'],
  ['headCamJournals', 'Bearings of each overhead cam'],
  ['lashAdjusters', 'Lash adjusters in the heads'],
]
export type CountField =
  | 'cylinders'
  | 'mains'
  | 'camBearings'
  | 'lifterCount'
  | 'pistonJets'
  | 'headCams'
  | 'headCamJournals'
  | 'lashAdjusters'
export const KINDS: { value: Layout['kind']; words: string }[] = [
  plain('inline'),
  { value: 'v', words: 'V' },
  plain('flat'),
  plain('opposed'),
  plain('single'),
  plain('rotary'),
]
export const CHOICES: [
  field:
    | 'lifters'
    | 'followers'
    | 'crankPlane'
    | 'pumpKind'
    | 'pumpDrive'
    | 'reliefReturn'
    | 'housing'
    | 'oilLine'
    | 'oilLineFrom',
  title: string,
  options: { value: string; words: string }[],
][] = [
  [
    'crankPlane',
    'Crank of a V8',
    [
      { value: 'cross', words: 'cross-plane' },
      { value: 'flat', words: 'flat' },
    ],
  ],
  ['lifters', 'Lifters are', [plain('hydraulic'), plain('solid')]],
  ['followers', 'Followers', [plain('sliding'), plain('roller')]],
  ['pumpKind', 'Pump', [{ value: 'gear', words: 'gears' }, plain('gerotor')]],
  [
    'pumpDrive',
    'Driven by',
    [
      { value: 'shaft', words: 'a shaft' },
      { value: 'crank', words: 'the crank' },
    ],
  ],
  [
    'reliefReturn',
    'Relief valve lets its oil go',
    [
      { value: 'sump', words: 'into the sump' },
      { value: 'inlet', words: 'to the pump’s inlet' },
    ],
  ],
  ['housing', 'Housing', [plain('iron'), plain('aluminium')]],
  [
    'oilLine',
    'External oil line',
    [plain('none'), { value: 'head', words: 'to the head' }, { value: 'turbo', words: 'to the turbo' }],
  ],
  [
    'oilLineFrom',
    'It takes oil from',
    [
      { value: 'gallery', words: 'the gallery' },
      { value: 'filter', words: 'the filter' },
    ],
  ],
]
export const SWITCHES: [
  field:
    | 'filter'
    | 'cooler'
    | 'galleryRelief'
    | 'rockerFeed'
    | 'timingJet'
    | 'tensioner'
    | 'turbo'
    | 'coolerPlugged'
    | 'drySump'
    | 'drilledRods',
  title: string,
][] = [
  ['filter', 'Filter with bypass'],
  ['cooler', 'Oil cooler with bypass'],
  ['coolerPlugged', 'Cooler gone, its ports plugged'],
  ['drySump', 'Dry sump, with a tank'],
  ['galleryRelief', 'Second relief valve at the gallery’s end'],
  ['rockerFeed', 'Restricted feed to the rockers'],
  ['timingJet', 'Timing jet'],
  ['tensioner', 'Chain tensioner'],
  ['turbo', 'Turbo'],
  ['drilledRods', 'Rods drilled to the pin'],
]
