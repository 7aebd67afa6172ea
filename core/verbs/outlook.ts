import { outlookMap } from '../outlook/map'
import { outlookOf } from '../outlook/outlook'
import { FULL_SAMPLES } from '../outlook/solved'
import { build, type BuildFile } from './build'
import { named } from './take'

/** What the gauge of a build will read at its four states, each with its band and verdict, and the map over speed and temperature. Pa, °C. */
export function outlook(input: BuildFile) {
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
