import { t } from '~/words/of/brief'
import type { Layout } from '#core/record/schema'

/** What of a layout is edited, in the order of its form: counts, kinds of things, and what is there or not. */

/** An option that is called what it is. */
const plain = <Value extends string>(value: Value) => ({ value, words: value as string })

export const COUNTS: [field: CountField, title: string][] = [
  ['cylinders', t('layoutFields.cylinders')],
  ['mains', t('layoutFields.mains')],
  ['camBearings', t('layoutFields.camBearings')],
  ['lifterCount', t('layoutFields.lifters')],
  ['pistonJets', t('layoutFields.pistonJets')],
  ['headCams', t('layoutFields.overheadCams')],
  ['headCamJournals', t('layoutFields.bearingsOfEachOverheadCam')],
  ['lashAdjusters', t('layoutFields.lashAdjustersInTheHeads')],
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
    t('layoutFields.crankOfAV8'),
    [
      { value: 'cross', words: t('layoutFields.crossPlane') },
      { value: 'flat', words: t('layoutFields.flat') },
    ],
  ],
  ['lifters', t('layoutFields.liftersAre'), [plain('hydraulic'), plain('solid')]],
  ['followers', t('layoutFields.followers'), [plain('sliding'), plain('roller')]],
  ['pumpKind', t('layoutFields.pump'), [{ value: 'gear', words: t('layoutFields.gears') }, plain('gerotor')]],
  [
    'pumpDrive',
    t('layoutFields.drivenBy'),
    [
      {
        value: 'shaft',
        get words() {
          return t('layoutFields.aShaft')
        },
      },
      {
        value: 'crank',
        get words() {
          return t('layoutFields.theCrank')
        },
      },
    ],
  ],
  [
    'reliefReturn',
    t('layoutFields.reliefValveLetsItsOilGo'),
    [
      {
        value: 'sump',
        get words() {
          return t('layoutFields.intoTheSump')
        },
      },
      {
        value: 'inlet',
        get words() {
          return t('layoutFields.toThePumpsInlet')
        },
      },
    ],
  ],
  ['housing', t('layoutFields.housing'), [plain('iron'), plain('aluminium')]],
  [
    'oilLine',
    t('layoutFields.externalOilLine'),
    [
      plain('none'),
      {
        value: 'head',
        get words() {
          return t('layoutFields.toTheHead')
        },
      },
      {
        value: 'turbo',
        get words() {
          return t('layoutFields.toTheTurbo')
        },
      },
    ],
  ],
  [
    'oilLineFrom',
    t('layoutFields.itTakesOilFrom'),
    [
      {
        value: 'gallery',
        get words() {
          return t('layoutFields.theGallery')
        },
      },
      {
        value: 'filter',
        get words() {
          return t('layoutFields.theFilter')
        },
      },
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
  ['filter', t('layoutFields.filterWithBypass')],
  ['cooler', t('layoutFields.oilCoolerWithBypass')],
  ['coolerPlugged', t('layoutFields.coolerGoneItsPortsPlugged')],
  ['drySump', t('layoutFields.drySumpWithATank')],
  ['galleryRelief', t('layoutFields.secondReliefValveAtTheGallerys')],
  ['rockerFeed', t('layoutFields.restrictedFeedToTheRockers')],
  ['timingJet', t('layoutFields.timingJet')],
  ['tensioner', t('layoutFields.chainTensioner')],
  ['turbo', t('layoutFields.turbo')],
  ['drilledRods', t('layoutFields.rodsDrilledToThePin')],
]
