import { GAUGE_ERROR } from '../outlook/measured'
import { type Envelope, envelopeOf } from './envelope'
import type { Expectation } from './expectation'
import { deviation, mean, median } from '../quantity/mean'
import type { Assessment, BlindReason, RunSample, Stop, StopCode, WatchCode } from './watchTypes'
import type { WatchRules } from './watchRules'

/** Pressure that counts as having come, Pa: more than any sender's offset. */
const ARRIVED = 30e3
/** Oil temperatures between which the ceiling goes from cold to hot, °C. */
const COLD_TO_HOT = [40, 80]
/** A rule must be broken for so many seconds, and in so many readings of a logger. */
const SURE = { seconds: 1, readings: 3 }
/** Speeds that may be behind a reading: a sender lags by up to three seconds, s. */
const BEHIND = 10
/** s after first pressure in which only its loss and the ceiling are watched: the circuit fills and the sender follows. */
const SETTLES = 9
/** s under half of the band's lower edge. */
const UNDER_HALF = 9
/** Least fall that counts, Pa, and s over which it is looked for. */
const LEAST_FALL = 30e3
const FALL_WINDOW = 12
/** Mean speeds of ten seconds that count as the same, share. */
const SAME_SPEED = 0.08
/** s for which a fall must stand: longer than half a hunt. */
const FALL_SURE = 3
/** Sender and gauge differ by so much for so long. */
const DIFFER = { share: 0.15, least: 40e3, seconds: 4 }
/** A needle swings about its mean by more than this at a speed as steady as that, over so many seconds, in so many readings. */
const SWINGS = { share: 0.1, steady: 0.04, seconds: 6, readings: 12 }
/** Longest gap between readings that is counted whole, s: what is tapped in by hand comes slowly. */
const GAP = 6
/** s without a reading after which a logger is silent: so many of its own intervals, and at least so much; and after which a hand has not looked for too long. */
const SILENT = { intervals: 3, least: 2, hand: 30 }
/** A temperature of which nothing more is heard stands for so long, s. */
const TEMPERATURE_STANDS = 60
/** A clock that goes back, or ahead by more than an hour, has jumped, s. */
const JUMP = 3600

export interface Watch {
  take: (sample: RunSample) => Assessment
  /** Time goes on and no reading has come. */
  tick: (time: number) => Assessment
  /** The engine fired, by a hand or an event rather than by the tachometer. */
  fired: (time: number) => void
  /** It was switched off by hand: what its pressure does now is no loss. */
  off: () => void
  /** What the model expects, as soon as it has answered; undefined when it cannot. */
  expect: (expectation: Expectation | undefined) => void
}

/**
 * Watches a start, reading by reading, whatever feeds it; the same in the page, on the server and headless. Two layers: deadline, ceiling and total loss by the
 * readings alone, from the first second and without a model; falling, too low, swinging and out of the band by what the model expects. The first rule that is
 * broken stays. A reading or two that are lost or wild break none.
 */
export function prepareWatch(rules: WatchRules, expectation?: Expectation, awaits = false): Watch {
  let model = expectation
  let firedAt: number | undefined
  let saidFired = false
  let arrivedAt: number | undefined
  let stop: Stop | undefined
  let last: RunSample | undefined
  let readAt = -Infinity
  let interval = 0.1
  let speedSeen = false
  let jumped = -Infinity
  let temperature: number | undefined
  let temperatureAt = -Infinity
  let speed = 0
  let whole = false
  let now = 0
  /** Readings of the last seconds with the speed they were read at, raw. */
  let past: { time: number; reading: number; speed: number }[] = []
  let speedsPast: { time: number; speed: number }[] = []
  let ratios: { time: number; ratio: number; pressure: number; speed: number }[] = []
  const sure = {
    over: stretch(),
    lost: stretch(),
    under: stretch(),
    half: stretch(),
    falling: stretch(),
    differ: stretch(),
    above: stretch(),
    below: stretch(),
    firing: stretch(),
    stopped: stretch(),
  }

  function take(sample: RunSample): Assessment {
    if (last && (sample.time < last.time - 0.5 || sample.time > last.time + JUMP)) afterJump(sample.time)
    const seconds = last ? Math.min(GAP, Math.max(0, sample.time - last.time)) : 0
    last = sample
    now = sample.time
    whole = sample.whole ?? false
    if (sample.temperature !== undefined) {
      temperature = sample.temperature
      temperatureAt = now
    } else if (now - temperatureAt > TEMPERATURE_STANDS) temperature = undefined
    takeSpeed(sample, seconds)
    const reading = sample.gauge ?? sample.pressure
    if (reading === undefined) return judge(seconds, undefined)
    if (readAt > -Infinity && now > readAt) interval = 0.8 * interval + 0.2 * Math.min(GAP, now - readAt)
    readAt = now
    past.push({ time: now, reading, speed })
    while (past.length > 3 && now - past[0].time > FALL_WINDOW) past.shift()
    const apart =
      sample.gauge !== undefined &&
      sample.pressure !== undefined &&
      Math.abs(sample.gauge - sample.pressure) > Math.max(DIFFER.least, DIFFER.share * sample.gauge)
    sure.differ.step(apart, seconds)
    return judge(seconds, reading)
  }

  function tick(time: number): Assessment {
    const seconds = Math.min(GAP, Math.max(0, time - now))
    now = Math.max(now, time)
    return judge(seconds, undefined)
  }

  function takeSpeed(sample: RunSample, seconds: number): void {
    if (sample.speed === undefined) return
    speedSeen = true
    speedsPast.push({ time: now, speed: sample.speed })
    while (speedsPast.length > 3 && now - speedsPast[0].time > BEHIND) speedsPast.shift()
    speed = whole ? sample.speed : median(speedsPast.slice(-3).map((each) => each.speed))
    const [turns, stands] = [sample.speed > rules.firing, sample.speed < 0.5 * rules.cranking]
    sure.firing.step(turns, seconds)
    sure.stopped.step(stands, seconds)
    if (firedAt === undefined && !stands && sure.firing.readings >= (whole || interval > 0.5 ? 2 : 3))
      firedAt = sure.firing.since(now)
    // It stands: the next firing is a new one.
    const standing = sure.stopped.readings >= (whole || interval > 0.5 ? 1 : 2)
    // Nor can what is only cranked after a silence be the engine that ran before it.
    const cranked = seconds > silence() && sample.speed < rules.firing
    if (firedAt !== undefined && (standing || cranked) && now - firedAt > 1) rest()
  }

  function rest(): void {
    firedAt = arrivedAt = undefined
    saidFired = false
    ratios = []
    for (const each of Object.values(sure)) each.clear()
  }

  function afterJump(time: number): void {
    jumped = time
    past = []
    speedsPast = []
    ratios = []
    last = undefined
    readAt = -Infinity
    if (firedAt !== undefined) firedAt = time - (arrivedAt === undefined ? 0 : SETTLES)
    if (arrivedAt !== undefined) arrivedAt = time
    for (const each of Object.values(sure)) each.clear()
  }

  /** Without single spikes: the middle of the last three, or what a hand read. */
  const shownNow = () =>
    whole || past.length < 3
      ? (past[past.length - 1]?.reading ?? 0)
      : median(past.slice(-3).map(({ reading }) => reading))

  function judge(seconds: number, reading: number | undefined): Assessment {
    const pressure = shownNow()
    const running = firedAt === undefined ? undefined : now - firedAt
    if (running !== undefined && arrivedAt === undefined && reading !== undefined) {
      const lately = past.slice(-3).filter((each) => each.reading >= ARRIVED && each.time >= firedAt!)
      if (lately.length >= (whole ? 1 : 2)) arrivedAt = lately[0].time
    }
    const envelope = model && running !== undefined ? envelopeOf(model, rules, speedsBehind(), temperature) : undefined
    if (!stop && running !== undefined) stop = broken(running, seconds, pressure, reading, envelope)
    return {
      time: now,
      phase: running !== undefined ? 'running' : speed > 0.3 ? 'cranking' : 'rest',
      pressure,
      running,
      stop,
      blind: blindness(running),
      watches: watchesOf(running, seconds, pressure, reading, envelope),
      ...(envelope ? { expected: envelope.band } : {}),
      countdown: running !== undefined && arrivedAt === undefined ? Math.max(0, rules.deadline - running) : undefined,
      firstPressure: arrivedAt === undefined || firedAt === undefined ? undefined : Math.max(0, arrivedAt - firedAt),
    }
  }

  /** Slowest and fastest of the last seconds, without single spikes; undefined where no speed is read. */
  function speedsBehind(): [number, number] | undefined {
    if (!speedSeen) return undefined
    // Of a slow logger every reading counts: what looks like a spike may be a stall.
    if (interval > 0.5)
      return [Math.min(...speedsPast.map((each) => each.speed)), Math.max(...speedsPast.map((each) => each.speed))]
    const own = speedsPast
      .map((each, i) =>
        i === 0 || i === speedsPast.length - 1
          ? undefined
          : median([speedsPast[i - 1].speed, each.speed, speedsPast[i + 1].speed]),
      )
      .filter((each) => each !== undefined)
    return [Math.min(speed, ...own), Math.max(speed, ...own)]
  }

  function broken(
    running: number,
    seconds: number,
    pressure: number,
    reading: number | undefined,
    envelope: Envelope | undefined,
  ): Stop | undefined {
    const found = (code: StopCode, limit: number, read = pressure): Stop => ({
      code,
      time: now,
      reading: read,
      limit,
      speed,
      temperature: temperature ?? rules.temperatures[0],
    })
    if (arrivedAt === undefined) {
      // One reading that is lost right at the deadline is none; where nothing at all was read there is nothing to wait for.
      const dry =
        reading === undefined ||
        whole ||
        past.filter((each) => each.time >= firedAt! && each.reading < ARRIVED).length >= SURE.readings
      return running >= rules.deadline && dry ? found('no-pressure', rules.deadline) : undefined
    }
    if (reading === undefined) return undefined
    const hot =
      temperature === undefined
        ? 0
        : Math.min(1, Math.max(0, (temperature - COLD_TO_HOT[0]) / (COLD_TO_HOT[1] - COLD_TO_HOT[0])))
    const ceiling =
      temperature === undefined
        ? Math.max(rules.ceilingCold, rules.ceilingHot)
        : rules.ceilingCold + hot * (rules.ceilingHot - rules.ceilingCold)
    if (sure.over.step(reading > ceiling, seconds).holds(whole)) return found('over-limit', ceiling, reading)
    const turns = !speedSeen || speed > 0.5 * rules.cranking
    if (sure.lost.step(turns && reading < rules.loss, seconds).holds(false)) return found('lost', rules.loss, reading)
    if (!envelope || now - arrivedAt < SETTLES) return undefined
    // A needle that dances about the edge is under it all the same: time above takes off as much as time under adds.
    if (sure.under.step(pressure < envelope.least, seconds).seconds >= rules.outOfBand)
      return found('under-band', envelope.least)
    if (sure.half.step(pressure < envelope.half, seconds).seconds >= UNDER_HALF)
      return found('under-band', envelope.half)
    return temperature === undefined ? undefined : fallen(seconds, pressure, envelope, found)
  }

  /** A fall against what the model expects of the same speeds: the best of the last seconds at its fastest, against now at its slowest. */
  function fallen(
    seconds: number,
    pressure: number,
    { slowest, fastest }: Envelope,
    found: (code: StopCode, limit: number) => Stop,
  ): Stop | undefined {
    const steady = mean(speedsPast.map((each) => each.speed))
    ratios.push({ time: now, ratio: fastest > 0 ? pressure / fastest : 1, pressure, speed: steady })
    while (now - ratios[0].time > FALL_WINDOW) ratios.shift()
    // Only what stood at the same speed: with the oil's temperature somewhat out, the step from one speed to another reads as a fall.
    const before = ratios.filter(
      (each) => now - each.time >= SURE.seconds && Math.abs(each.speed - steady) <= SAME_SPEED * steady,
    )
    if (before.length < SURE.readings) return undefined
    // The best that stood, not a spike: the third best.
    const best = [...before].sort((a, b) => b.ratio - a.ratio)[SURE.readings - 1]
    const limit = (1 - rules.falling) * best.ratio * slowest
    const falls = sure.falling.step(pressure < limit && best.pressure - pressure > LEAST_FALL, seconds)
    return falls.holds(whole) && (whole || falls.seconds >= FALL_SURE) ? found('falling', limit) : undefined
  }

  /** s without a reading after which a logger is silent. */
  const silence = () => Math.max(SILENT.least, SILENT.intervals * interval)

  function blindness(running: number | undefined): BlindReason[] {
    const blind: BlindReason[] = []
    if (!model) blind.push('no-prediction')
    if (
      readAt > -Infinity
        ? whole
          ? running !== undefined && now - readAt > SILENT.hand
          : now - readAt > silence()
        : awaits && now > SILENT.least
    )
      blind.push('no-readings')
    if (running === undefined && !speedSeen && !saidFired && readAt > -Infinity) blind.push('no-speed')
    if (now - jumped < BEHIND) blind.push('clock')
    return blind
  }

  function watchesOf(
    running: number | undefined,
    seconds: number,
    pressure: number,
    reading: number | undefined,
    envelope: Envelope | undefined,
  ): WatchCode[] {
    const watches: WatchCode[] = []
    if (blindness(running).length > 0) watches.push('not-watching')
    if (running === undefined || reading === undefined) return watches
    const settled = arrivedAt !== undefined && now - arrivedAt >= SETTLES
    if (settled && sure.differ.seconds >= DIFFER.seconds) watches.push('gauges-differ')
    if (settled && swings()) watches.push('swings')
    if (envelope) {
      const above = sure.above.step(settled && pressure > envelope.band.high + GAUGE_ERROR, seconds).holds(whole)
      const below = sure.below.step(settled && pressure < envelope.band.low - GAUGE_ERROR, seconds).holds(whole)
      if (above) watches.push('above-band')
      if (below) watches.push('below-band')
    }
    if (temperature === undefined) watches.push('temperature-unknown')
    return watches
  }

  /** A needle that swings while the speed stands still: air in the oil, or a plunger that sticks. */
  function swings(): boolean {
    const window = past.filter(({ time }) => now - time <= SWINGS.seconds)
    if (!speedSeen || window.length < SWINGS.readings) return false
    const speeds = window.map((each) => each.speed)
    if (deviation(speeds) > SWINGS.steady * mean(speeds)) return false
    const readings = window.map((each) => each.reading).sort((a, b) => a - b)
    const cut = Math.ceil(0.1 * readings.length)
    return (
      (readings[readings.length - 1 - cut] - readings[cut]) / 2 > SWINGS.share * Math.max(mean(readings), 2 * ARRIVED)
    )
  }

  return {
    take,
    tick,
    fired: (time) => {
      if (firedAt !== undefined) return
      firedAt = time
      saidFired = true
    },
    off: rest,
    expect: (next) => (model = next),
  }
}

/** How long, and in how many readings, something has held: one reading between that says otherwise does not end it, and its time is taken off. */
function stretch() {
  let times: number[] = []
  let against = 0
  const self = {
    seconds: 0,
    readings: 0,
    step(holds: boolean, seconds: number) {
      if (holds) {
        self.seconds += self.readings === 0 ? 0 : seconds
        self.readings++
        against = 0
        times.push(seconds)
      } else if (self.readings > 0) {
        against++
        self.seconds = Math.max(0, self.seconds - seconds)
        if (against >= 2 && self.seconds === 0) self.clear()
        else if (against >= 4) self.readings = Math.max(0, self.readings - 1)
      }
      return self
    },
    holds: (atOnce: boolean) =>
      self.readings > 0 &&
      against === 0 &&
      (atOnce || (self.seconds >= SURE.seconds && self.readings >= SURE.readings)),
    /** When it began. */
    since: (now: number) => now - times.slice(1).reduce((sum, each) => sum + each, 0),
    clear() {
      self.seconds = 0
      self.readings = 0
      against = 0
      times = []
    },
  }
  return self
}
