import { hotIdleReads, type HotIdleRead } from '../engine/serviceLog'
import { usableSheet } from '../engine/usableSheet'
import type { Band } from '../outlook/band'
import { GAUGE_ERROR } from '../outlook/measured'
import { gaugePressure, type Model, modelOf } from '../outlook/model'
import { targetAt } from '../outlook/outlook'
import { momentAt, namedStates } from '../outlook/states'
import { filledFor, filledWith } from '../record/fill'
import type { Sheet } from '../record/schema'
import { agesOf, FAINT, type LeftOfTrend, type Meter, meterOf, type Pace, paceOf } from './ages'
import { fittedLine } from './line'

/** A reading of hot idle as it would have been at the engine's own hot idle with its running oil. */
export interface TrendPoint extends Pick<HotIdleRead, 'key' | 'at' | 'by'> {
  /** Since the first start: s of running, m, or s. */
  run: number
  /** As it was read, and as it stands for hot idle, Pa. */
  read: number
  standard: number
  /** Standard deviation of its logarithm. */
  sigma: number
}

/** A day, and what the meter then shows since the first start. */
export interface Meeting {
  run: number
  /** ms since 1970. */
  at: number
}

/** How an engine's hot idle goes with its age. */
export interface Trend {
  by: Meter
  points: TrendPoint[]
  left: { key: string; why: LeftOfTrend }[]
  /** What is wanted at hot idle at least, Pa. */
  floor: number
  /** Hot idle at its last reading, by all of them, Pa. */
  now: Band
  /** Share that it gains, or loses below nought, over `per` of its age, with 5 and 95 percent. */
  change: { per: number; share: number; low: number; high: number }
  /** Share of what is known of that change that its readings told; the rest is the estimate for engines of its use. */
  told: number
  /** When the chance that it stands under its floor passes 5, 50 and 95 of 100; left out where it does not within thirty years. */
  meets: { earliest?: Meeting; expected?: Meeting; latest?: Meeting }
  curve: (Band & Meeting)[]
  pace: Pace
}

/**
 * Hours between two rebuilds, by use, and what an engine's hot idle loses between them as a logarithm, give or take as much: Uldo's own estimates, wide,
 * and soon outweighed by readings.
 */
const LIFE_HOURS: Record<Sheet['use'], number> = {
  road: 5000,
  race: 60,
  marine: 5000,
  generator: 10_000,
  farm: 8000,
  aircraft: 2000,
}
const LOSS = { mean: -0.4, sigma: 0.4 }
/** Where the first reading lies beside the prediction is not foretold: a gauge beats it, and a fault may stand between them. */
const LEVEL = 1

const HOUR = 3600
const YEAR = 365.25 * 86400
const HORIZON = 30 * YEAR
/** What a change is told over. */
const PER: Record<Meter, number> = { hours: 100 * HOUR, distance: 10e6, time: YEAR }
/** How far a temperature and a speed that were read may be out; and where they were not, K and shares. */
const READ = { temperature: 3, speed: 0.03 }
const UNREAD = { temperature: 8, speed: 0.08 }
/** What the model misses in bringing a reading to hot idle, and oil that ages between changes does to it, as a share. */
const BROUGHT = 0.03
const CURVE = 60

/**
 * Trend of hot idle over an engine's age: a straight line through the logarithms of its readings, each as a share of what the model says for the moment and the
 * oil it was read with. Least squares weighted by each reading's own spread, with a prior: the level wide around the prediction, the slope as engines of its use
 * have it. The scatter's scale is unknown too (inverse gamma), so the line's band is Student's t.
 * Source: Gelman et al., Bayesian Data Analysis, 3rd ed. (2013), 14.8, with the conjugate normal-inverse-gamma of 3.3 and 14.2.
 *
 * @returns undefined where hot idle was never read, or the record is void
 */
export function trendOf(sheet: Sheet): Trend | undefined {
  const { reads, left: elsewhere } = hotIdleReads(sheet)
  if (reads.length === 0 || usableSheet(sheet).voids.length > 0) return undefined
  const running = modelOf(filledFor(sheet, 'running'))
  const state = namedStates(running.sheet).find(({ name }) => name === 'idleHot')!
  const level = gaugePressure(running, state)
  if (level < FAINT) return undefined
  const by = meterOf(reads)
  const { kept, left } = agesOf(sheet, reads, by)
  const points = kept.map(({ read, run }): TrendPoint => {
    const { share, sigma } = shareOf(sheet, read, gaugeSigma(read, reads))
    return {
      key: read.key,
      at: read.at,
      ...(read.by ? { by: read.by } : {}),
      run,
      read: read.pressure,
      standard: share * level,
      sigma,
    }
  })
  if (points.length === 0) return undefined
  const pace = paceOf(sheet, points, by)
  const life = (LIFE_HOURS[sheet.use] * HOUR * paceOf(sheet, [], by).value) / paceOf(sheet, [], 'hours').value
  const line = fittedLine(
    points.map(({ run, standard, sigma }) => ({ x: run / life, y: Math.log(standard / level), sigma })),
    { level: LEVEL, slope: LOSS },
  )
  const floor = targetAt(running.sheet, running.oil, state).least
  const last = points.at(-1)!
  const at = (run: number): Meeting => ({ run, at: last.at + ((run - last.run) / pace.value) * 1e3 })
  const bandAt = (run: number): Band => {
    const { mean, half } = line.at(run / life)
    return { pressure: level * Math.exp(mean), low: level * Math.exp(mean - half), high: level * Math.exp(mean + half) }
  }
  const meets = meetingsOf((run) => line.below(run / life, Math.log(floor / level)), last.run, pace.value)
  const shares = line.slope(PER[by] / life)
  const until = Math.max(
    1.6 * last.run,
    meets.expected === undefined ? 0 : Math.min(1.15 * meets.expected, 6 * last.run),
    0.2 * life,
  )
  return {
    by,
    points,
    left: [...elsewhere, ...left].sort((a, b) => a.key.localeCompare(b.key)),
    floor,
    now: bandAt(last.run),
    change: {
      per: PER[by],
      share: Math.expm1(shares.mean),
      low: Math.expm1(shares.low),
      high: Math.expm1(shares.high),
    },
    told: line.told,
    meets: Object.fromEntries(Object.entries(meets).map(([name, run]) => [name, at(run!)])),
    curve: Array.from({ length: CURVE + 1 }, (_, i) => {
      const run = (until * i) / CURVE
      return { ...at(run), ...bandAt(run) }
    }),
    pace,
  }
}

/** How far a gauge may be out, Pa: of the one that reads most of the time the half that stays the same moves no trend. */
function gaugeSigma({ instrument }: HotIdleRead, reads: readonly HotIdleRead[]): number {
  const sigma = GAUGE_ERROR / Math.sqrt(3)
  const same = reads.filter((each) => each.instrument === instrument).length
  return instrument && 2 * same > reads.length ? Math.SQRT1_2 * sigma : sigma
}

/** A reading over what the model says for its moment and oil, with the standard deviation of its logarithm. */
function shareOf(
  sheet: Sheet,
  { pressure, speed, temperature, oil }: HotIdleRead,
  gauge: number,
): { share: number; sigma: number } {
  const model: Model = modelOf(filledWith(sheet, oil))
  const state = namedStates(model.sheet).find(({ name }) => name === 'idleHot')!
  const [n, warm] = [speed ?? state.speed, temperature ?? state.temperature]
  const at = (shareOfSpeed: number, warmer: number) =>
    Math.log(Math.max(1, gaugePressure(model, momentAt(model.sheet, n * shareOfSpeed, warm + warmer))))
  const [dn, dt] = [0.02, 2]
  const perSpeed = (at(1 + dn, 0) - at(1 - dn, 0)) / (2 * dn)
  const perKelvin = (at(1, dt) - at(1, -dt)) / (2 * dt)
  return {
    share: pressure / Math.exp(at(1, 0)),
    sigma: Math.hypot(
      gauge / pressure,
      perSpeed * (speed === undefined ? UNREAD : READ).speed,
      perKelvin * (temperature === undefined ? UNREAD : READ).temperature,
      BROUGHT,
    ),
  }
}

/** Ages at which a chance passes 5, 50 and 95 of 100 for the first time from now on, within thirty years. */
function meetingsOf(under: (run: number) => number, now: number, pace: number) {
  const steps = 600
  const step = (HORIZON * pace) / steps
  const first = (chance: number): number | undefined => {
    if (under(now) >= chance) return now
    const passed = Array.from({ length: steps }, (_, i) => now + (i + 1) * step).find((run) => under(run) >= chance)
    if (passed === undefined) return undefined
    let [low, high] = [passed - step, passed]
    for (let i = 0; i < 40; i++) {
      const middle = 0.5 * (low + high)
      if (under(middle) >= chance) high = middle
      else low = middle
    }
    return high
  }
  const [earliest, expected, latest] = [first(0.05), first(0.5), first(0.95)]
  return {
    ...(earliest === undefined ? {} : { earliest }),
    ...(expected === undefined ? {} : { expected }),
    ...(latest === undefined ? {} : { latest }),
  }
}
