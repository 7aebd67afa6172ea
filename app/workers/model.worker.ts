import { oilFor } from '#core/record/fill'
import type { ValveName } from '#core/parts/reliefReadings'
import { expose } from 'comlink'
import type { Running } from '#core/engine/engine'
import type { Sister } from '#core/logbook/sisters'
import type { Experience } from '#core/record/experience'
import type { Sheet } from '#core/record/schema'
import { bearingProblems } from '#core/outlook/effects'
import { outlookOf } from '#core/outlook/outlook'
import { FULL_SAMPLES } from '#core/outlook/solved'
import type { TriedChange } from '#core/outlook/tried'
import type { PrimeSetUp } from '#core/prime/setUp'
import type { OfferedSpring } from '#core/relief/routes'
import type { PointName } from '#core/start/points'
import type { StateName } from '#core/targets/targets'
import { withUsableSheets } from './usable'

/** The model, off the page's thread. What only one station asks for is fetched with its first question, or by `warm` beforehand. */
const model = {
  warm: async () =>
    void (await Promise.all([
      import('#core/outlook/curves'),
      import('#core/outlook/relief'),
      import('#core/outlook/suction'),
      import('#core/outlook/circuitState'),
      import('#core/outlook/tried'),
      import('#core/outlook/map'),
      import('#core/outlook/sensitivity'),
      import('#core/outlook/nextMeasurement'),
      import('#core/outlook/change'),
      import('#core/prime/prime'),
      import('#core/start/verdict'),
      import('#core/logbook/papers'),
    ])),
  outlook: (sheet: Sheet) => outlookOf(sheet),
  fullOutlook: (sheet: Sheet) => outlookOf(sheet, FULL_SAMPLES),
  problems: bearingProblems,
  curves: async (sheet: Sheet) => (await import('#core/outlook/curves')).pressureCurves(sheet),
  relief: async (sheet: Sheet, name?: ValveName) => (await import('#core/outlook/relief')).reliefSummary(sheet, name),
  governing: async (sheet: Sheet) => (await import('#core/outlook/relief')).governing(sheet),
  routes: async (sheet: Sheet, name: ValveName, springs: OfferedSpring[], wanted: number) =>
    (await import('#core/outlook/relief')).reliefRoutes(sheet, name, springs, wanted),
  tried: async (sheet: Sheet, change: TriedChange) => (await import('#core/outlook/tried')).triedOutlook(sheet, change),
  map: async (sheet: Sheet) => (await import('#core/outlook/map')).outlookMap(sheet),
  circuit: async (sheet: Sheet, moment: Running) =>
    (await import('#core/outlook/circuitState')).circuitState(sheet, moment),
  sensitivities: async (sheet: Sheet) => (await import('#core/outlook/sensitivity')).sensitivities(sheet),
  next: async (sheet: Sheet) => (await import('#core/outlook/nextMeasurement')).nextMeasurements(sheet),
  cures: async (sheet: Sheet) => (await import('#core/outlook/relief')).idleCures(sheet),
  suction: async (sheet: Sheet, blocked: number) => (await import('#core/outlook/suction')).suctionOver(sheet, blocked),
  /** What a change of readings does to a state's pressure, Pa. */
  change: async (sheet: Sheet, readings: Record<string, number>, name: StateName) => {
    const changed = {
      ...sheet,
      readings: {
        ...sheet.readings,
        ...Object.fromEntries(
          Object.entries(readings).map(([key, value]) => [key, { value, source: 'measured' as const }]),
        ),
      },
    }
    return (await import('#core/outlook/change')).changeAt(sheet, changed, name)
  },
  /** An outlook by a sheet's own record, and with what other engines teach of it. */
  withAndWithout: (sheet: Sheet, experience: Experience) => ({
    without: outlookOf({ ...sheet, experience: undefined }, FULL_SAMPLES).states,
    with: outlookOf({ ...sheet, experience }, FULL_SAMPLES).states,
  }),
  spreads: async (sheet: Sheet, sisters: Sister[]) => (await import('#core/logbook/sisters')).spreadsOf(sheet, sisters),
  trend: async (sheet: Sheet) => (await import('#core/logbook/trend')).trendOf(sheet),
  papers: async (sheet: Sheet) => (await import('#core/logbook/papers')).paperAnswers(sheet),
  prime: async (sheet: Sheet, setUp?: PrimeSetUp) => (await import('#core/prime/prime')).primeExpectation(sheet, setUp),
  pointAt: async (sheet: Sheet, name: PointName, reading: number, speed: number, temperature: number) =>
    (await import('#core/start/verdict')).judgePoint(
      sheet,
      name,
      reading,
      speed,
      temperature,
      300,
      oilFor(sheet, 'start'),
    ),
  point: async (sheet: Sheet, name: PointName, reading: number) => {
    const { judgePoint, pointMoment } = await import('#core/start/verdict')
    const { speed, temperature } = pointMoment(sheet, name)
    return judgePoint(sheet, name, reading, speed, temperature)
  },
}
export type ModelWorker = typeof model
expose(withUsableSheets(model))
