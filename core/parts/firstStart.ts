import { check, type Finding } from '../record/looked'
import type { Layout } from '../record/schema'
import { type Draft, RPM } from './drafts'
import { part } from './part'
import { reading } from './reading'

/** Steady points captured at the first start, by the state they are judged as. */
export const START_POINTS = [
  ['idleCold', 'Idle cold'],
  ['fastIdle', 'Fast idle'],
  ['idleHot', 'Idle hot'],
  ['workingHot', 'Working hot'],
] as const

const readings = { view: 'readings' }
const plan = (dimension: Draft['dimension'], fallback: number, sigma: number, plausible: [number, number]): Draft => ({
  dimension,
  fallback,
  fallbackSigma: 0,
  sigma,
  plausible,
  wanted: false,
  planned: true,
  view: 'breakin',
})
/** A meter that nobody has read then counts from nought. */
const meter = (dimension: Draft['dimension'], most: number): Draft => ({
  ...plan(dimension, 0, 60, [0, most]),
  planned: false,
  view: 'breakin',
})
const HOUR = 3600
const KM = 1e3

/** The first start: what was read, and how it is broken in. */
export const firstStart = part({
  name: 'firstStart',
  fitted: () => true,
  readings: [
    reading('start', 'start.firstPressure', 'Seconds to first pressure', {
      dimension: 'duration',
      sigma: 0.5,
      plausible: [0, 60],
      wanted: false,
      ...readings,
    }),
    ...START_POINTS.flatMap(([point, word]) => [
      reading('start', `start.${point}.pressure`, `${word}: pressure`, {
        dimension: 'pressure',
        sigma: 5e3,
        plausible: [0, 1.5e6],
        wanted: false,
        ...readings,
      }),
      reading('start', `start.${point}.speed`, `${word}: speed`, {
        dimension: 'speed',
        sigma: 10 * RPM,
        plausible: [100 * RPM, 15000 * RPM],
        wanted: false,
        ...readings,
      }),
      reading('start', `start.${point}.temperature`, `${word}: oil temperature`, {
        dimension: 'temperature',
        sigma: 1,
        plausible: [-40, 170],
        wanted: false,
        ...readings,
      }),
    ]),
    reading('start', 'start.breakInTime', 'Fast idle for', plan('duration', 25 * 60, 1, [5 * 60, 60 * 60])),
    reading(
      'start',
      'start.changeHours',
      'First oil and filter change after',
      plan('span', 10 * HOUR, 60, [600, 2000 * HOUR]),
    ),
    reading('start', 'start.hoursPerWeek', 'It runs in a week', plan('span', 5 * HOUR, 60, [60, 168 * HOUR])),
    reading(
      'start',
      'start.changeDistance',
      'First oil and filter change after, by distance',
      plan('distance', 800 * KM, KM, [KM, 5e7]),
    ),
    reading('start', 'start.distancePerWeek', 'It goes in a week', plan('distance', 200 * KM, KM, [KM, 5e7])),
    reading(
      'start',
      'start.laterHours',
      'Later oil and filter changes every',
      plan('span', 100 * HOUR, 60, [HOUR, 5000 * HOUR]),
    ),
    reading(
      'start',
      'start.laterDistance',
      'Later oil and filter changes every, by distance',
      plan('distance', 8000 * KM, KM, [100 * KM, 1e8]),
    ),
    reading('start', 'start.oilIn', 'Oil in it as it leaves', {
      dimension: 'volume',
      sigma: 0.1e-3,
      plausible: [0.1e-3, 200e-3],
      wanted: false,
    }),
    reading('start', 'start.meterHours', 'Hour meter at the first start', meter('span', 4e8)),
    reading('start', 'start.meterDistance', 'Distance meter at the first start', meter('distance', 1e10)),
  ],
  values: () => ({}),
  choices: () => [
    'oil.shelf',
    'shop.experience',
    'start.elsewhere',
    'start.portLeft',
    'start.fittingLeft',
    'start.handedTo',
  ],
  checks: (layout) => [
    ...PREFLIGHT,
    ...BREAK_IN.filter(({ key }) => key !== 'start.breakInOil' || layout.followers === 'sliding'),
    ...rechecks(layout),
  ],
  inspections: () => [
    { key: 'start.filterCut', station: 'start', label: 'First filter, cut open', findings: FILTER_CUT, wanted: false },
  ],
})

const PREFLIGHT = (
  [
    ['oil', 'Oil at the mark, filter fitted', 'Not cranked and not started like this.'],
    ['fuel', 'Fuel and ignition in order', 'A leak of fuel or a wrong firing order comes first: fire and kickback.'],
    ['gauge', 'Mechanical gauge fitted and seen from the switch', 'Without it nobody sees whether pressure comes.'],
    [
      'pulley',
      'Pulley and balancer checked, guards on',
      'A bent pulley or balancer can come apart at speed: renew it.',
    ],
    [
      'extinguisher',
      'Extinguisher at hand, doors open',
      'Exhaust gas kills indoors, and the first start is when fuel burns.',
    ],
    ['clear', 'Hands, hair and sleeves clear', 'Belts and fans take hold at the first turn.'],
    ['switch', 'Someone at the switch', 'STOP is worth nothing without a hand on the switch.'],
  ] as const
).map(([key, label, fault]) => check('start', `start.${key}`, label, fault, { group: 'preflight' }))

const BREAK_IN = (
  [
    ['breakInOil', 'Break-in oil in'],
    ['breakInRun', 'Run in'],
    ['breakInCool', 'Cooled and looked over'],
    ['breakInLoad', 'Loaded in pulls'],
  ] as const
).map(([key, label]) => check('start', `start.${key}`, label, undefined, { wanted: false, group: 'breakIn' }))

/** Something that is gone over again after the first heat. */
export const recheck = (key: string, label: string) =>
  check('start', `start.${key}`, label, undefined, { wanted: false, group: 'recheck' })

const rechecks = ({ lifters }: Layout) => [
  recheck('retorque', 'Cold: bolts that the maker wants torqued again'),
  recheck('recheckLeaks', 'Plugs, filter, sender, sump: dry'),
  recheck('recheckLevel', 'Oil level, with the filter full'),
  ...(lifters === 'solid' ? [recheck('recheckLash', 'Valve lash, cold')] : []),
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
