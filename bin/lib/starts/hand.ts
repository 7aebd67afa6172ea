import { normal, type Random } from '../../../core/random/random'
import type { RunSample } from '../../../core/start/watchTypes'
import type { OwnEngine } from './engine'

/** How a start goes and how it is seen. */
export interface Manner {
  /** Share by which the idle hunts, and in how many seconds. */
  hunts: number
  period: number
  /** Sender, s. */
  lag: number
  /** Readings a second. */
  rate: number
  /** Share of readings that are wild or zero. */
  spikes: number
  /** Share of time in which nothing comes. */
  dropouts: number
  /** Whether speed and temperature are wired; how far a wired temperature is out, K. */
  speed: boolean
  temperature: boolean
  temperatureError: number
  /** Oil temperature at the start, °C. */
  startsAt: number
  /** Starter restarts after a stall, and pauses of the crank before it fires. */
  restarts: number
  /** s to first pressure after it turns. */
  fills: number
}

/** A manner as shops have them: everything drawn, each of the hard ones in a good part of the starts. */
export function drawManner(random: Random, { cold, hot }: OwnEngine): Manner {
  const pick = <T>(...choices: T[]) => choices[Math.floor(random() * choices.length)]
  const speed = random() > 0.12
  return {
    hunts: pick(0, 0.07, 0.1, 0.15, 0.2),
    period: 1.5 + 6.5 * random(),
    lag: pick(0.2, 0.5, 1.5, 2, 3),
    rate: pick(10, 10, 10, 1, 0.2),
    spikes: pick(0, 0, 0.01),
    dropouts: pick(0, 0, 0.02),
    speed,
    temperature: random() > 0.3,
    temperatureError: pick(0, 0, -15, 15, 8),
    startsAt: pick(cold, 20, 20, 60, hot),
    restarts: pick(0, 0, 1),
    fills: 0.5 + 2 * random(),
  }
}

/** What goes wrong, and when, s after it fired. */
export interface Wrong {
  kind: 'none' | 'no-pressure' | 'total-loss' | 'slow-loss' | 'over'
  after: number
}

export interface MadeStart {
  samples: RunSample[]
  /** s at which a hand said “fired”, where no speed is wired. */
  fired?: number
  /** s at which it was switched off for good. */
  off: number
  firedAt: number
}

const STEP = 0.05

/** One start by a hand: cranked, perhaps with pauses and a stall, fired, warmed, worked, idled and switched off. */
export function makeStart(engine: OwnEngine, manner: Manner, wrong: Wrong, random: Random): MadeStart {
  const plan = planOf(engine, manner, random)
  const seconds = plan[plan.length - 1].until
  let speed = 0
  let temperature = manner.startsAt
  let pressure = 0
  let shown = 0
  let firedAt = Infinity
  let turning = 0
  let nextAt = 0
  let quiet = 0
  const samples: RunSample[] = []
  for (let time = 0; time < seconds; time += STEP) {
    const phase = plan.find(({ until }) => time < until)!
    const hunting = phase.hunts ? 1 + manner.hunts * Math.sin((2 * Math.PI * time) / manner.period) : 1
    // A flywheel: quick to fire, slower to run down.
    speed += (STEP / (phase.speed > speed ? 0.35 : 0.7)) * (phase.speed * hunting - speed)
    if (phase.speed === 0 && speed < 0.4) speed = 0
    if (phase.fires && firedAt === Infinity && speed > 1.7 * engine.cranking) firedAt = time
    turning = speed > 0.5 ? turning + STEP : 0.7 * turning
    const since = time - firedAt
    if (since > 0 && speed > 2)
      temperature += STEP * (engine.hot + 4 - temperature) * (speed > 1.5 * engine.idle ? 1 / 150 : 1 / 300)
    const filled = wrong.kind === 'no-pressure' ? 0 : Math.min(1, Math.max(0, (turning - manner.fills) / 0.8))
    const gone =
      since < wrong.after
        ? 1
        : wrong.kind === 'total-loss'
          ? Math.exp(-(since - wrong.after) / 0.6)
          : wrong.kind === 'slow-loss'
            ? Math.max(0.2, 1 - (since - wrong.after) / 25)
            : wrong.kind === 'over'
              ? 4
              : 1
    pressure += (STEP / 0.15) * (engine.pressure(speed, temperature) * filled * gone - pressure)
    shown += (STEP / Math.max(STEP, manner.lag)) * (pressure - shown)
    if (random() < (manner.dropouts * STEP) / 1.5) quiet = time + 3 * random()
    if (time < nextAt) continue
    nextAt += 1 / manner.rate
    if (time < quiet) continue
    const wild = random() < manner.spikes
    samples.push({
      time: Number(time.toFixed(3)),
      pressure: Math.max(0, wild ? (random() < 0.5 ? 0 : shown + 6e5 * random()) : shown + 3e3 * normal(random)),
      ...(manner.speed
        ? { speed: Math.max(0, speed * (1 + 0.004 * normal(random)) + (wild && random() < 0.3 ? 30 : 0)) }
        : {}),
      ...(manner.temperature ? { temperature: temperature + manner.temperatureError + 0.2 * normal(random) } : {}),
    })
  }
  return { samples, firedAt, off: plan[plan.length - 2].until, ...(manner.speed ? {} : { fired: firedAt }) }
}

interface Phase {
  until: number
  speed: number
  hunts?: boolean
  fires?: boolean
}

function planOf(
  { cranking, coldIdle, idle, working }: OwnEngine,
  { restarts, speed }: Manner,
  random: Random,
): Phase[] {
  const plan: Phase[] = []
  let time = 0
  const add = (seconds: number, at: number, more: Partial<Phase> = {}) =>
    plan.push({ until: (time += seconds), speed: at, ...more })
  add(1 + random(), 0)
  // A crank that pauses before it fires.
  if (random() < 0.3) {
    add(2 + 3 * random(), cranking)
    add(1 + 2 * random(), 0)
  }
  add(2 + random(), cranking)
  add(14 + 8 * random(), coldIdle, { hunts: true, fires: true })
  // It stalls and is started again; only where the speed is wired can that be known.
  if (restarts > 0 && speed) {
    add(3, 0)
    add(2, cranking)
    add(10, coldIdle, { hunts: true, fires: true })
  }
  add(20 + 10 * random(), 0.5 * (coldIdle + working), { fires: true })
  add(20 + 10 * random(), idle, { hunts: true, fires: true })
  add(15, working, { fires: true })
  add(15, idle, { hunts: true, fires: true })
  add(4, 0)
  return plan
}
