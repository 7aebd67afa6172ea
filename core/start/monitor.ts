import type { Sheet } from '../build/schema'
import { requireValue } from '../build/values'
import { ruleOf } from '../house/limits'
import type { Band } from '../outlook/band'
import { type Expectation, expectedAt } from './expectation'
import { GAUGE_ERROR, HARD_LIMIT } from './verdict'

/** One reading of a run. What is not wired is left out. */
export interface RunSample {
  /** s since the run began. */
  time: number
  /** Sender, Pa. */
  pressure?: number
  /** Mechanical gauge, Pa: it stands above the sender. */
  gauge?: number
  /** Crank, rev/s. */
  speed?: number
  /** Oil, °C. */
  temperature?: number
  /** Read by hand: the whole of it, not a glimpse of a stream. */
  whole?: boolean
}

export type StopCode = 'no-pressure' | 'falling' | 'over-limit' | 'under-band'
export type WatchCode = 'gauges-differ' | 'above-band' | 'below-band'

export interface Stop {
  code: StopCode
  /** s of the run; what was read, and what it was held against, Pa or s. */
  time: number
  reading: number
  limit: number
  speed: number
  temperature: number
}

/** What a monitor makes of a sample. */
export interface Assessment {
  time: number
  phase: 'rest' | 'cranking' | 'running'
  /** Filtered, Pa. */
  pressure: number
  expected: Band
  /** s since it fired; left until first pressure must be there. */
  running?: number
  countdown?: number
  /** s from firing to first pressure. */
  firstPressure?: number
  stop?: Stop
  watch?: WatchCode
}

/** What a start is held against. */
export interface MonitorRules {
  expectation: Expectation
  /** Crank speed that is no longer cranking, rev/s. */
  firing: number
  coldTemperature: number
  deadline: number
  /** Ceiling with cold oil and with hot, Pa. */
  ceilingCold: number
  ceilingHot: number
  /** s under the band. */
  outOfBand: number
  /** Share lost at steady speed. */
  falling: number
}

export function monitorRules(sheet: Sheet, expectation: Expectation): MonitorRules {
  const maker = sheet.readings['maker.ceiling']?.value
  return {
    expectation, firing: 1.6 * requireValue(sheet, 'brief.crankingSpeed').value, coldTemperature: requireValue(sheet, 'brief.coldStart').value,
    deadline: Math.min(HARD_LIMIT, ruleOf(sheet, 'start.deadline')),
    ceilingCold: maker ?? ruleOf(sheet, 'ceiling.idleCold'), ceilingHot: maker ?? ruleOf(sheet, 'ceiling.workingHot'),
    outOfBand: ruleOf(sheet, 'start.outOfBand'), falling: ruleOf(sheet, 'start.falling'),
  }
}

/** Time constant of the filter against sender noise, s. */
const FILTER = 0.5
/** Pressure that counts as having come, Pa: more than any sender's offset. */
const ARRIVED = 30e3
/** Oil temperatures between which the ceiling goes from cold to hot, °C. */
const COLD_TO_HOT = [40, 80]
/** s over the ceiling, and s after first pressure or a change of speed in which the band is not held against a reading. */
const OVER = 1
const GRACE = 2
/** Window in which a fall at steady speed is looked for, s, and what counts as steady, share. */
const WINDOW = 8
const STEADY = 0.06
/** Least fall that counts, Pa. */
const LEAST_FALL = 30e3
/** How far under the best value a stop is, in half bands: 1.645 σ each, so 3.6 σ. */
const FAR = 2.2
/** Sender and gauge differ by so much for so long. */
const DIFFER = { share: 0.15, least: 40e3, seconds: 4 }
/** Longest gap between readings that is counted whole, s: what is tapped in by hand comes slowly. */
const GAP = 6

/** Lowest reading that a healthy engine of this build gives, Pa. */
export function stopUnder({ pressure, low }: Band): number {
  return Math.max(0, pressure - FAR * (pressure - low) - GAUGE_ERROR)
}

export interface Monitor {
  take: (sample: RunSample) => Assessment
  /** The engine fired, by a hand or an event rather than by the tachometer. */
  fired: (time: number) => void
}

/**
 * Watches a start, reading by reading: no pressure by the deadline, falling at steady speed, over the limit, under the
 * band for too long. The first rule that is broken stays.
 *
 * Readings and expectation go through the same first-order filter, so that a change of speed does not read as a fault. A stop under the
 * band asks for more than its edge: 3.6 σ and the gauge's error, so that one in thousands of healthy readings is that low.
 */
export function prepareMonitor(rules: MonitorRules): Monitor {
  let firedAt: number | undefined
  let arrivedAt: number | undefined
  let last: RunSample | undefined
  let speed = 0
  let temperature = rules.coldTemperature
  let shown = 0
  let steadySpeed = 0
  let changedAt = 0
  const filtered: Band = { pressure: 0, low: 0, high: 0 }
  let under = 0
  let over = 0
  let differ = 0
  let stop: Stop | undefined
  let past: { time: number; ratio: number; pressure: number }[] = []

  function take(sample: RunSample): Assessment {
    const seconds = last ? Math.min(GAP, Math.max(0, sample.time - last.time)) : 0
    speed = sample.speed ?? speed
    temperature = sample.temperature ?? temperature
    const reading = sample.gauge ?? sample.pressure ?? shown
    const expected = expectedAt(rules.expectation, speed, temperature)
    const share = last ? 1 - Math.exp(-seconds / FILTER) : 1
    shown += share * (reading - shown)
    for (const key of ['pressure', 'low', 'high'] as const) filtered[key] += share * (expected[key] - filtered[key])
    if (sample.whole || seconds >= 2) {
      Object.assign(filtered, expected)
      shown = reading
    }
    last = sample

    if (Math.abs(speed - steadySpeed) > STEADY * Math.max(steadySpeed, 1)) {
      steadySpeed = speed
      changedAt = sample.time
      past = []
    }
    if (firedAt === undefined && speed > rules.firing) firedAt = sample.time
    if (firedAt !== undefined && speed < 0.5 * rules.firing && sample.speed !== undefined && sample.time - firedAt > 1) {
      // It stopped: the next firing is a new one.
      firedAt = arrivedAt = undefined
      under = 0
    }
    const running = firedAt === undefined ? undefined : sample.time - firedAt
    if (running !== undefined && arrivedAt === undefined && shown >= ARRIVED) arrivedAt = sample.time
    if (!stop && running !== undefined) stop = broken(sample.time, running, seconds)
    const apart = sample.gauge !== undefined && sample.pressure !== undefined && Math.abs(sample.gauge - sample.pressure) > Math.max(DIFFER.least, DIFFER.share * sample.gauge)
    differ = apart ? differ + seconds : 0
    return {
      time: sample.time, phase: running !== undefined ? 'running' : speed > 0.3 ? 'cranking' : 'rest', pressure: shown, expected: { ...filtered }, running,
      countdown: running !== undefined && arrivedAt === undefined ? Math.max(0, rules.deadline - running) : undefined,
      firstPressure: arrivedAt === undefined || firedAt === undefined ? undefined : Math.max(0, arrivedAt - firedAt), stop,
      watch: differ >= DIFFER.seconds ? 'gauges-differ' : arrivedAt === undefined || sample.time - changedAt < GRACE || sample.time - arrivedAt < GRACE ? undefined
        : shown > filtered.high + GAUGE_ERROR ? 'above-band' : shown < filtered.low - GAUGE_ERROR ? 'below-band' : undefined,
    }
  }

  function broken(time: number, running: number, seconds: number): Stop | undefined {
    const found = (code: StopCode, limit: number, reading = shown): Stop => ({ code, time, reading, limit, speed, temperature })
    if (arrivedAt === undefined) return running >= rules.deadline ? found('no-pressure', rules.deadline, shown) : undefined
    const hot = Math.min(1, Math.max(0, (temperature - COLD_TO_HOT[0]) / (COLD_TO_HOT[1] - COLD_TO_HOT[0])))
    const ceiling = rules.ceilingCold + hot * (rules.ceilingHot - rules.ceilingCold)
    over = shown > ceiling ? over + seconds : 0
    if (over >= OVER) return found('over-limit', ceiling)
    const settled = time - arrivedAt >= GRACE && time - changedAt >= GRACE
    if (!settled) return undefined
    const least = stopUnder(filtered)
    // A needle that dances about the edge is under it all the same: time above takes off as much as time under adds.
    under = Math.max(0, under + (shown < least ? seconds : -seconds))
    if (under >= rules.outOfBand) return found('under-band', least)
    const ratio = filtered.pressure > 0 ? shown / filtered.pressure : 1
    past.push({ time, ratio, pressure: shown })
    while (time - past[0].time > WINDOW) past.shift()
    let best = past[0]
    for (const each of past) if (each.ratio > best.ratio) best = each
    if (ratio < (1 - rules.falling) * best.ratio && best.pressure - shown > LEAST_FALL) return found('falling', (1 - rules.falling) * best.ratio * filtered.pressure)
    return undefined
  }

  return {
    take,
    fired: (time) => (firedAt ??= time),
  }
}
