import { expose } from 'comlink'
import type { Sheet } from '#core/build/schema'
import { bearingProblems } from '#core/outlook/effects'
import { FULL_SAMPLES, outlookOf } from '#core/outlook/outlook'

/** The model, off the page's thread. What only one station asks for is fetched with its first question, or by `warm` beforehand. */
const model = {
  warm: async () => void (await Promise.all([import('#core/outlook/curves'), import('#core/outlook/relief'), import('#core/prime/prime'), import('#core/start/verdict')])),
  outlook: (sheet: Sheet) => outlookOf(sheet),
  fullOutlook: (sheet: Sheet) => outlookOf(sheet, FULL_SAMPLES),
  problems: bearingProblems,
  curves: async (sheet: Sheet) => (await import('#core/outlook/curves')).pressureCurves(sheet),
  relief: async (sheet: Sheet, name?: 'relief' | 'relief2') => (await import('#core/outlook/relief')).reliefSummary(sheet, name),
  prime: async (sheet: Sheet) => (await import('#core/prime/prime')).primeByDrill(sheet),
  point: async (sheet: Sheet, name: 'idleCold' | 'idleHot' | 'workingHot', reading: number) => {
    const { judgePoint, pointMoment } = await import('#core/start/verdict')
    const { speed, temperature } = pointMoment(sheet, name)
    return judgePoint(sheet, name, reading, speed, temperature)
  },
}
export type ModelWorker = typeof model
expose(model)
