import type { Layout } from '#core/record/schema'

/** What of a layout is edited, in the order of its form: counts, kinds of things, and what is there or not. */

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
  { value: 'inline', words: 'inline' },
  { value: 'v', words: 'V' },
  { value: 'flat', words: 'flat' },
  { value: 'opposed', words: 'opposed' },
  { value: 'single', words: 'single' },
  { value: 'rotary', words: 'rotary' },
]
export const CHOICES: [
  field: 'lifters' | 'followers' | 'pumpKind' | 'pumpDrive' | 'housing' | 'oilLine' | 'oilLineFrom',
  title: string,
  options: { value: string; words: string }[],
][] = [
  [
    'lifters',
    'Lifters are',
    [
      { value: 'hydraulic', words: 'hydraulic' },
      { value: 'solid', words: 'solid' },
    ],
  ],
  [
    'followers',
    'Followers',
    [
      { value: 'sliding', words: 'sliding' },
      { value: 'roller', words: 'roller' },
    ],
  ],
  [
    'pumpKind',
    'Pump',
    [
      { value: 'gear', words: 'gears' },
      { value: 'gerotor', words: 'gerotor' },
    ],
  ],
  [
    'pumpDrive',
    'Driven by',
    [
      { value: 'shaft', words: 'a shaft' },
      { value: 'crank', words: 'the crank' },
    ],
  ],
  [
    'housing',
    'Housing',
    [
      { value: 'iron', words: 'iron' },
      { value: 'aluminium', words: 'aluminium' },
    ],
  ],
  [
    'oilLine',
    'External oil line',
    [
      { value: 'none', words: 'none' },
      { value: 'head', words: 'to the head' },
      { value: 'turbo', words: 'to the turbo' },
    ],
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
