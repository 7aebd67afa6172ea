import type { Dimension } from '../quantity/units'
import { USES } from '../record/words'
import { FIRST_RULES } from './firstRules'

/** One limit that a shop judges by. */
export interface Rule {
  key: string
  label: string
  group: 'Targets' | 'Bearings' | 'Pump' | 'Relief' | 'Pickup' | 'Passages' | 'Prime' | 'First start'
  dimension: Dimension
  /** What it is on a shop's first day, SI, and the range it can be set in. */
  first: number
  range: [number, number]
  /** Why it is what it is. */
  reason: string
}

const MM = 1e-3
const MICRON = 1e-6
const BAR = 1e5

type Draft = Omit<Rule, 'key' | 'first'>
const rule = (key: string, draft: Draft): Rule => ({ key, first: FIRST_RULES[key], ...draft })
const STATES = [
  ['crankingCold', 'cranking cold'],
  ['idleCold', 'idle cold'],
  ['idleHot', 'idle hot'],
  ['workingHot', 'working hot'],
] as const

/** Every rule with its reason, in the order of the work. */
export const RULES: Rule[] = [
  ...STATES.flatMap(([state, words]): Rule[] => [
    rule(`floor.${state}`, {
      label: `Least pressure, ${words}`,
      group: 'Targets',
      dimension: 'pressure',
      range: [0, 5 * BAR],
      reason: 'Enough to move oil to the last bearing, whatever a school says.',
    }),
    rule(`ceiling.${state}`, {
      label: `Most pressure, ${words}`,
      group: 'Targets',
      dimension: 'pressure',
      range: [2 * BAR, 15 * BAR],
      reason: 'What filter cans and seals should see.',
    }),
  ]),
  ...STATES.map(([state, words]): Rule =>
    rule(`ceiling.${state}.race`, {
      label: `Most pressure, ${words}, race`,
      group: 'Targets',
      dimension: 'pressure',
      range: [2 * BAR, 20 * BAR],
      reason: 'A racing engine runs higher by choice, on a filter and lines that are made for it.',
    }),
  ),
  rule('ceiling.filter', {
    label: 'Most pressure at the filter can',
    group: 'Targets',
    dimension: 'pressure',
    range: [3 * BAR, 20 * BAR],
    reason: 'The can stands before the gauge: cold, it sees half a bar and more above what the gauge shows.',
  }),
  rule('ceiling.cooler', {
    label: 'Most pressure at the cooler',
    group: 'Targets',
    dimension: 'pressure',
    range: [3 * BAR, 30 * BAR],
    reason: 'Its core and hoses stand next to the pump; cold oil reaches them at the pump’s own pressure.',
  }),
  ...USES.flatMap((use): Rule[] => [
    rule(`clearance.${use}.least`, {
      label: `Minimum clearance per 50 mm journal, ${use}`,
      group: 'Bearings',
      dimension: 'clearance',
      range: [10 * MICRON, 200 * MICRON],
      reason: 'Less holds pressure on thin oil, and leaves no room for heat.',
    }),
    rule(`clearance.${use}.most`, {
      label: `Maximum clearance per 50 mm journal, ${use}`,
      group: 'Bearings',
      dimension: 'clearance',
      range: [10 * MICRON, 300 * MICRON],
      reason: 'More runs cooler, and asks for thicker oil and more pump.',
    }),
  ]),
  rule('bearing.taper', {
    label: 'Taper of a journal or bore, most',
    group: 'Bearings',
    dimension: 'clearance',
    range: [2 * MICRON, 100 * MICRON],
    reason: 'A tapered journal carries on one end of its shell.',
  }),
  rule('bearing.outOfRound', {
    label: 'Out of round of a journal, most',
    group: 'Bearings',
    dimension: 'clearance',
    range: [2 * MICRON, 100 * MICRON],
    reason: 'The film is as thin as its worst angle.',
  }),
  rule('float.endLeast', {
    label: 'Crank end float, least',
    group: 'Bearings',
    dimension: 'clearance',
    range: [0, 500 * MICRON],
    reason: 'Heat must not take it up.',
  }),
  rule('float.sideLeast', {
    label: 'Rod side clearance, least',
    group: 'Bearings',
    dimension: 'clearance',
    range: [0, 500 * MICRON],
    reason: 'The big end’s oil leaves through it.',
  }),
  rule('pump.endWatch', {
    label: 'End clearance, worn',
    group: 'Pump',
    dimension: 'clearance',
    range: [30 * MICRON, 500 * MICRON],
    reason: 'Slip grows with its cube and takes most at hot idle.',
  }),
  rule('pump.endStop', {
    label: 'End clearance, worn out',
    group: 'Pump',
    dimension: 'clearance',
    range: [40 * MICRON, 500 * MICRON],
    reason: 'A dry pump so wide no longer draws.',
  }),
  rule('pump.endLeast', {
    label: 'End clearance, least',
    group: 'Pump',
    dimension: 'clearance',
    range: [5 * MICRON, 100 * MICRON],
    reason: 'Rotors must turn freely when hot.',
  }),
  rule('pump.tipWatch', {
    label: 'Tip clearance, worn',
    group: 'Pump',
    dimension: 'clearance',
    range: [50 * MICRON, 1 * MM],
    reason: 'Slip past the tips on both sides.',
  }),
  rule('pump.tipStop', {
    label: 'Tip clearance, worn out',
    group: 'Pump',
    dimension: 'clearance',
    range: [60 * MICRON, 1 * MM],
    reason: 'Rotors and pocket are replaced, never dressed.',
  }),
  rule('pump.metalLeast', {
    label: 'Cover and pocket floor, least left',
    group: 'Pump',
    dimension: 'length',
    range: [1 * MM, 20 * MM],
    reason: 'Thinner ones bow under pressure and open the end clearance.',
  }),
  rule('pump.wallLeast', {
    label: 'Wall left beside a port, least',
    group: 'Pump',
    dimension: 'length',
    range: [1 * MM, 15 * MM],
    reason: 'A thin wall cracks into the next passage.',
  }),
  rule('cost.hour', {
    label: 'An hour in the machine shop, in your own money',
    group: 'Pump',
    dimension: 'count',
    range: [0, 1000],
    reason: 'What machining a pump costs beside a new one.',
  }),
  rule('relief.bindMargin', {
    label: 'Spring travel left at full lift',
    group: 'Relief',
    dimension: 'length',
    range: [0, 10 * MM],
    reason: 'Coils that touch hold the valve half shut when cold.',
  }),
  rule('pickup.floorLeast', {
    label: 'Pickup above the floor, least',
    group: 'Pickup',
    dimension: 'length',
    range: [1 * MM, 40 * MM],
    reason: 'Closer, the floor chokes the mouth with cold oil.',
  }),
  rule('pickup.floorMost', {
    label: 'Pickup above the floor, most',
    group: 'Pickup',
    dimension: 'length',
    range: [3 * MM, 60 * MM],
    reason: 'Further, it draws air on a slope or under braking.',
  }),
  rule('pickup.cover', {
    label: 'Oil over the mouth with the surface tilted, least',
    group: 'Pickup',
    dimension: 'length',
    range: [0, 60 * MM],
    reason: 'A whirl draws air down through less.',
  }),
  ...USES.map((use): Rule =>
    rule(`tilt.${use}`, {
      label: `Tilt of the oil’s surface, ${use}`,
      group: 'Pickup',
      dimension: 'angle',
      range: [0, (70 * Math.PI) / 180],
      reason: 'Braking, slope or heel that it must stand.',
    }),
  ),
  rule('pickup.scavenge', {
    label: 'Scavenge stage over pressure stage, least',
    group: 'Pickup',
    dimension: 'ratio',
    range: [1, 4],
    reason: 'It carries air with the oil; less and the sump fills.',
  }),
  rule('passage.housingGap', {
    label: 'Gap under the straightedge at a housing, most',
    group: 'Passages',
    dimension: 'clearance',
    range: [10 * MICRON, 500 * MICRON],
    reason: 'A seal bridges so much and no more; the rest is shimmed.',
  }),
  rule('prime.goodFor', {
    label: 'A prime is good for, at most',
    group: 'Prime',
    dimension: 'span',
    range: [600, 30 * 86400],
    reason: 'Oil drains and packing creeps; the model may say sooner for a worn pump.',
  }),
  rule('start.outOfBand', {
    label: 'Seconds under the band before a stop',
    group: 'First start',
    dimension: 'duration',
    range: [2, 30],
    reason: 'Long enough for a noisy sender, short enough for a bearing.',
  }),
  rule('start.falling', {
    label: 'Fall at steady speed before a stop, share',
    group: 'First start',
    dimension: 'ratio',
    range: [0.1, 0.6],
    reason: 'Pressure that leaves while nothing else changes is oil that leaves, or air that comes.',
  }),
  rule('start.deadline', {
    label: 'Seconds to first pressure',
    group: 'First start',
    dimension: 'duration',
    range: [1, 10],
    reason: 'Bearings live on what they hold until then. Ten is the hard limit.',
  }),
]
