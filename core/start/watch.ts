import { GAUGE_ERROR } from '../outlook/measured'
import { type Envelope, envelopeOf } from './envelope'
import type { Expectation } from './expectation'
import { median } from '../quantity/mean'
import { blindness, silenceAfter } from './blindness'
import { FALL_WINDOW, prepareFall } from './fall'
import { speedsBehind } from './speedsBehind'
import { stretch, SURE } from './stretch'
import { swings } from './swings'
import type { Assessment, RunSample, Stop, StopCode, Watch, WatchCode } from './watchTypes'
import { ceilingAt, type WatchRules } from './watchRules'

/** Pressure that counts as having come, Pa: more than any sender's offset. */
const ARRIVED = 30e3
/** Speeds that may be behind a reading: a sender lags by up to three seconds, s. */
const BEHIND = 10
/** s after first pressure in which only its loss and the ceiling are watched: the circuit fills and the sender follows. */
const SETTLES = 9
/** s under half of the band's lower edge. */
const UNDER_HALF = 9
/** Sender and gauge differ by so much for so long. */
const DIFFER = { share: 0.15, least: 40e3, seconds: 4 }
/** Longest gap between readings that is counted whole, s: what is tapped in by hand comes slowly. */
const GAP = 6
/** A temperature of which nothing more is heard stands for so long, s. */
const TEMPERATURE_STANDS = 60
/** A clock that goes back, or ahead by more than an hour, has jumped, s. */
const JUMP = 3600

/**
 * Watches a start, reading by reading, whatever feeds it; the same in the page, on the server and headless. Two layers: deadline, ceiling and total loss by the
 * readings alone, from the first second and without a model; falling, too low, swinging and out of the band by what the model expects. The first rule that is
 * broken stays. A reading or two that are lost or wild break none.
 *
 * @param awaits whether readings come by themselves, so that none is a silence from the beginning
 * @param silent s after which its source is silent, where that is known better than by its interval
 */
export function prepareWatch(rules: WatchRules, expectation?: Expectation, awaits = false, silent?: number): Watch {
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
  const fall = prepareFall()
  const sure = {
    over: stretch(),
    lost: stretch(),
    under: stretch(),
    half: stretch(),
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
    const cranked = seconds > silenceAfter(interval) && sample.speed < rules.firing
    if (firedAt !== undefined && (standing || cranked) && now - firedAt > 1) rest()
  }

  function rest(): void {
    firedAt = arrivedAt = undefined
    saidFired = false
    fall.clear()
    for (const each of Object.values(sure)) each.clear()
  }

  function afterJump(time: number): void {
    jumped = time
    past = []
    speedsPast = []
    fall.clear()
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
    const envelope =
      model && running !== undefined
        ? envelopeOf(model, rules, speedSeen ? speedsBehind(speedsPast, speed, interval) : undefined, temperature)
        : undefined
    if (!stop && running !== undefined) stop = broken(running, seconds, pressure, reading, envelope)
    const blind = blindness({
      modelled: model !== undefined,
      running: running !== undefined,
      unread: readAt > -Infinity ? now - readAt : undefined,
      awaited: awaits ? now : undefined,
      byHand: whole,
      interval,
      silent,
      turnsKnown: speedSeen || saidFired,
      jumped: now - jumped < BEHIND,
    })
    return {
      time: now,
      phase: running !== undefined ? 'running' : speed > 0.3 ? 'cranking' : 'rest',
      pressure,
      running,
      stop,
      blind,
      watches: watchesOf(running, seconds, pressure, reading, envelope, blind.length > 0),
      ...(envelope ? { expected: envelope.band } : {}),
      countdown: running !== undefined && arrivedAt === undefined ? Math.max(0, rules.deadline - running) : undefined,
      firstPressure: arrivedAt === undefined || firedAt === undefined ? undefined : Math.max(0, arrivedAt - firedAt),
    }
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
    const ceiling = ceilingAt(rules, temperature)
    if (sure.over.step(reading > ceiling, seconds).holds(whole)) return found('over-limit', ceiling, reading)
    const turns = !speedSeen || speed > 0.5 * rules.cranking
    if (sure.lost.step(turns && reading < rules.loss, seconds).holds(false)) return found('lost', rules.loss, reading)
    if (!envelope || now - arrivedAt < SETTLES) return undefined
    // A needle that dances about the edge is under it all the same: time above takes off as much as time under adds.
    if (sure.under.step(pressure < envelope.least, seconds).seconds >= rules.outOfBand)
      return found('under-band', envelope.least)
    if (sure.half.step(pressure < envelope.half, seconds).seconds >= UNDER_HALF)
      return found('under-band', envelope.half)
    if (temperature === undefined) return undefined
    const fallen = fall.step(now, seconds, pressure, envelope, speedsPast, rules.falling, whole)
    return fallen === undefined ? undefined : found('falling', fallen)
  }

  function watchesOf(
    running: number | undefined,
    seconds: number,
    pressure: number,
    reading: number | undefined,
    envelope: Envelope | undefined,
    blind: boolean,
  ): WatchCode[] {
    const watches: WatchCode[] = []
    if (blind) watches.push('not-watching')
    if (running === undefined || reading === undefined) return watches
    const settled = arrivedAt !== undefined && now - arrivedAt >= SETTLES
    if (settled && sure.differ.seconds >= DIFFER.seconds) watches.push('gauges-differ')
    if (settled && speedSeen && swings(past, now, 2 * ARRIVED)) watches.push('swings')
    if (envelope) {
      const above = sure.above.step(settled && pressure > envelope.band.high + GAUGE_ERROR, seconds).holds(whole)
      const below = sure.below.step(settled && pressure < envelope.band.low - GAUGE_ERROR, seconds).holds(whole)
      if (above) watches.push('above-band')
      if (below) watches.push('below-band')
    }
    if (temperature === undefined) watches.push('temperature-unknown')
    return watches
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
