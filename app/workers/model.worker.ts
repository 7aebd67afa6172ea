import { expose } from 'comlink'
import type { Sheet } from '#core/build/schema'
import { pressureCurves } from '#core/outlook/curves'
import { bearingProblems } from '#core/outlook/effects'
import { FULL_SAMPLES, outlookOf } from '#core/outlook/outlook'
import { primeByDrill } from '#core/prime/prime'
import { judgePoint, pointMoment } from '#core/start/verdict'
import { reliefSummary } from '#core/outlook/relief'

/** The model, off the page's thread. */
const model = {
  outlook: (sheet: Sheet) => outlookOf(sheet),
  fullOutlook: (sheet: Sheet) => outlookOf(sheet, FULL_SAMPLES),
  problems: bearingProblems,
  curves: (sheet: Sheet) => pressureCurves(sheet),
  relief: reliefSummary,
  prime: (sheet: Sheet) => primeByDrill(sheet),
  point: (sheet: Sheet, name: 'idleCold' | 'idleHot' | 'workingHot', reading: number) => {
    const { speed, temperature } = pointMoment(sheet, name)
    return judgePoint(sheet, name, reading, speed, temperature)
  },
}
export type ModelWorker = typeof model
expose(model)
