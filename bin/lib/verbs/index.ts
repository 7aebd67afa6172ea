import { z } from 'zod'
import { Sheet, problemsOf } from '../../../core/record/schema'
import { checkSheet } from '../../../core/engine/checkSheet'
import { usableSheet } from '../../../core/engine/usableSheet'
import { kinematicViscosity, oilDensity, waltherLine } from '../../../core/oil/viscosity'
import { oilGrade } from '../../../core/oil/grades'
import { oilAt, oilFrom } from '../../../core/oil/oil'
import { FULL_SAMPLES, outlookOf } from '../../../core/outlook/outlook'
import { outlookMap } from '../../../core/outlook/map'
import {
  bindMargin,
  flowStartPressure,
  fullFlowPressure,
  liftAt,
  openingPressure,
  type ReliefValve,
} from '../../../core/relief/valve'
import { film } from './film'
import { network } from './network'
import { prime } from './prime'
import { trace } from './trace'
import { watch } from './watch'
import { degrees, named, notNegative, positive, Refused, take } from './take'

export { Refused }

const ViscosityInput = z.object({
  kv40: positive,
  kv100: positive,
  density15: z.number().min(500).max(1500),
  temperatures: z.array(degrees).max(10_000),
})

const PortInput = z.discriminatedUnion('shape', [
  z.object({
    shape: z.literal('round'),
    diameter: positive,
    count: z.number().int().positive().optional(),
    overlap: notNegative.optional(),
  }),
  z.object({
    shape: z.literal('slot'),
    width: positive,
    height: positive,
    count: z.number().int().positive().optional(),
    overlap: notNegative.optional(),
  }),
])

const OilInput = z.union([z.string(), z.object({ kv40: positive, kv100: positive, density15: positive })])

const ReliefInput = z.object({
  plungerDiameter: positive,
  springRate: positive,
  freeLength: positive,
  installedLength: positive,
  shims: z.array(notNegative).default([]),
  solidLength: positive.optional(),
  port: PortInput,
  flow: notNegative.optional(),
  oil: OilInput.optional(),
  temperature: degrees.optional(),
})

function viscosity(input: unknown) {
  const { kv40, kv100, density15, temperatures } = take(ViscosityInput, input)
  const line = named(() => waltherLine(kv40, kv100))
  return {
    points: temperatures.map((temperature) => {
      const kinematic = kinematicViscosity(line, temperature)
      const density = oilDensity(density15, temperature)
      return { temperature, kinematic, dynamic: kinematic * 1e-6 * density, density }
    }),
  }
}

function relief(input: unknown) {
  const { flow, oil, temperature, ...rest } = take(ReliefInput, input)
  const valve: ReliefValve = rest
  const answer = {
    openingPressure: openingPressure(valve),
    flowStartPressure: flowStartPressure(valve),
    bindMargin: bindMargin(valve) ?? null,
  }
  if (flow === undefined) return answer
  const figures =
    typeof oil === 'string'
      ? oilGrade(oil)
      : { highShear150: 3.5e-3, pumpingLimit: -100, ...(oil ?? oilGrade('10W-40')!) }
  if (!figures) throw new Refused('oil', `“${String(oil)}” is not a grade this version knows`)
  const { density, viscosity: dynamic } = named(() =>
    oilAt(oilFrom({ ...oilGrade('10W-40')!, ...figures }), temperature ?? 90),
  )
  const pressure = named(() => fullFlowPressure(valve, flow, density, dynamic))
  return { ...answer, fullFlowPressure: pressure, lift: liftAt(valve, pressure) }
}

/** A build file as the door takes it. */
function build(input: unknown): Sheet {
  const sheet = take(Sheet, input)
  const [first] = checkSheet(sheet)
  if (first) throw new Refused(first.path.replaceAll('/', '.'), first.message)
  return sheet
}

function outlook(input: unknown) {
  const sheet = build(input)
  const { states, assumed, voids, unused, suction } = named(() => outlookOf(sheet, FULL_SAMPLES))
  const cannot = voids.map(({ path, message, about }) => ({ path, message, about }))
  const { speeds, temperatures, pressure } = named(() => outlookMap(sheet))
  return {
    states: states.map(
      ({
        name,
        speed,
        temperature,
        pressure,
        low,
        high,
        target,
        verdict,
        measured,
        missing,
        outlet,
        films,
        starves,
      }) => ({
        name,
        rpm: speed * 60,
        temperature,
        pressure,
        low,
        high,
        target: target.least,
        ceiling: target.most,
        school: target.school,
        verdict,
        outlet,
        films,
        starves,
        void: cannot,
        ...(measured
          ? {
              measured: {
                pressure: measured.reading,
                rpm: measured.speed * 60,
                temperature: measured.temperature,
                against: measured.against,
                prediction: measured.prediction,
              },
            }
          : {}),
        assumed: missing.map(({ key }) => key),
      }),
    ),
    map: {
      rpm: speeds.map((speed) => speed * 60),
      temperatures,
      pressures: temperatures.map((_, row) => [...pressure.subarray(row * speeds.length, (row + 1) * speeds.length)]),
    },
    assumed,
    suction,
    void: cannot,
    unused,
  }
}

/** What the door says of a file, and what in it would void its prediction: taken, and to be mended. */
function validate(input: unknown) {
  const parsed = Sheet.safeParse(input)
  if (!parsed.success) return { ok: false, problems: problemsOf(parsed.error) }
  const problems = checkSheet(parsed.data)
  const voids = usableSheet(parsed.data).voids.map(({ path, message }) => ({ path, message }))
  return { ok: problems.length === 0, problems, ...(voids.length > 0 ? { void: voids } : {}) }
}

export const VERBS: Record<string, (input: unknown) => unknown> = {
  viscosity,
  film,
  relief,
  network,
  outlook,
  validate,
  prime: (input) => prime(input, build),
  watch: (input) => named(() => watch(input, build)),
  trace: (input) => named(() => trace(input, build)),
}
