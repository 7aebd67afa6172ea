import { type Draft, MICRON, MM, planned, speed, temperature } from './drafts'
import { part } from './part'
import type { Sheet } from '../record/schema'
import { reading, valueOf } from './reading'

const pressure: Draft = {
  dimension: 'pressure',
  sigma: 1e3,
  plausible: [5e3, 1.5e6],
  wanted: false,
  fromMaker: true,
}
const limit = (fallsIn: [number, number], dimension: Draft['dimension'] = 'clearance'): Draft => ({
  dimension,
  sigma: MICRON,
  plausible: fallsIn,
  wanted: false,
  fromMaker: true,
})
/** Maker's limits of what else is judged; each stands above the house's rule, one alone being enough. */
const MAKERS = [
  reading('brief', 'limit.endFloatLeast', 'Crank end float, maker’s least', limit([5 * MICRON, 1 * MM])),
  reading('brief', 'limit.endFloatMost', 'Crank end float, maker’s most', limit([20 * MICRON, 2 * MM])),
  reading('brief', 'limit.sideLeast', 'Rod side clearance, maker’s least', limit([10 * MICRON, 2 * MM])),
  reading('brief', 'limit.sideMost', 'Rod side clearance, maker’s most', limit([20 * MICRON, 3 * MM])),
  reading('brief', 'limit.taper', 'Taper, maker’s most', limit([1 * MICRON, 200 * MICRON])),
  reading('brief', 'limit.outOfRound', 'Out of round, maker’s most', limit([1 * MICRON, 200 * MICRON])),
  reading('brief', 'limit.pumpEndLeast', 'Pump end clearance, maker’s least', limit([5 * MICRON, 300 * MICRON])),
  reading('brief', 'limit.pumpEndMost', 'Pump end clearance, maker’s most', limit([20 * MICRON, 600 * MICRON])),
  reading('brief', 'limit.pumpTipMost', 'Pump tip clearance, maker’s most', limit([20 * MICRON, 1 * MM])),
  reading('brief', 'limit.pumpMetal', 'Pump cover and floor left, maker’s least', limit([0.5 * MM, 30 * MM], 'length')),
  reading('brief', 'limit.portWall', 'Wall beside a port, maker’s least', limit([0.5 * MM, 30 * MM], 'length')),
  reading('brief', 'limit.bindMargin', 'Spring travel left at full lift, maker’s least', limit([0, 10 * MM], 'length')),
  reading('brief', 'limit.pickupLeast', 'Pickup over the floor, maker’s least', limit([1 * MM, 60 * MM], 'length')),
  reading('brief', 'limit.pickupMost', 'Pickup over the floor, maker’s most', limit([2 * MM, 100 * MM], 'length')),
  reading('brief', 'limit.housingGap', 'Gap at a housing, maker’s most', limit([10 * MICRON, 1 * MM])),
] as const

/** What the builder wants himself. */
const own = planned('pressure', [5e3, 1.5e6])
const maker = (draft: Draft): Draft => ({ ...draft, fromMaker: true })

const WORKING = reading('brief', 'brief.workingSpeed', 'Working speed', maker(speed(3000, [500, 12000])))
/** Speed that the engine works at, rev/s. */
export const workingSpeedOf = (sheet: Sheet): number => valueOf(sheet, WORKING).value

/** What the engine is to do, and what its maker wants of it. */
export const duty = part({
  name: 'duty',
  fitted: () => true,
  readings: [
    reading('brief', 'brief.idleSpeed', 'Idle speed, hot', ({ cylinders }) =>
      maker(speed(cylinders <= 2 ? 900 : 700, [200, 2500])),
    ),
    reading('brief', 'brief.coldIdleSpeed', 'Idle speed, cold', ({ cylinders }) =>
      maker(speed(cylinders <= 2 ? 1200 : 1000, [300, 3000])),
    ),
    WORKING,
    reading('brief', 'brief.maximumSpeed', 'Maximum speed', maker(speed(5000, [800, 15000]))),
    reading('brief', 'brief.crankingSpeed', 'Cranking speed', maker(speed(180, [40, 600]))),
    reading('brief', 'brief.coldStart', 'Coldest start', maker(temperature(0, [-50, 40]))),
    reading('brief', 'brief.hotOil', 'Hot oil', maker(temperature(95, [50, 160]))),
    reading('brief', 'brief.idleHours', 'Hot idling in a day', {
      dimension: 'span',
      fallback: 3600,
      fallbackSigma: 0,
      sigma: 300,
      plausible: [0, 86_400],
      wanted: false,
      fromMaker: true,
    }),
    reading('brief', 'brief.idleOil', 'Oil after hours of idling', {
      dimension: 'temperature',
      sigma: 1,
      plausible: [50, 160],
      wanted: false,
      fromMaker: true,
    }),
    reading('brief', 'maker.idleHot', 'Maker’s least pressure, idle hot', pressure),
    reading('brief', 'maker.workingHot', 'Maker’s least pressure, working hot', pressure),
    reading('brief', 'maker.ceiling', 'Maker’s highest pressure', pressure),
    ...MAKERS,
    reading('brief', 'own.crankingCold', 'Your own least, cranking cold', own),
    reading('brief', 'own.idleCold', 'Your own least, idle cold', own),
    reading('brief', 'own.idleHot', 'Your own least, idle hot', own),
    reading('brief', 'own.workingHot', 'Your own least, working hot', own),
    reading('brief', 'own.prime', 'Your own least at the prime', own),
  ],
  values: () => ({}),
})
