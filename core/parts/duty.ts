import { type Draft, planned, speed, temperature } from './drafts'
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
    reading('brief', 'maker.idleHot', 'Maker’s least pressure, idle hot', pressure),
    reading('brief', 'maker.workingHot', 'Maker’s least pressure, working hot', pressure),
    reading('brief', 'maker.ceiling', 'Maker’s highest pressure', pressure),
    reading('brief', 'own.crankingCold', 'Your own least, cranking cold', own),
    reading('brief', 'own.idleCold', 'Your own least, idle cold', own),
    reading('brief', 'own.idleHot', 'Your own least, idle hot', own),
    reading('brief', 'own.workingHot', 'Your own least, working hot', own),
    reading('brief', 'own.prime', 'Your own least at the prime', own),
  ],
  values: () => ({}),
})
