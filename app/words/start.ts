import { named } from './speak'
import { t } from '~/words/of/start'
import { said } from './speak'
import type { DesignReason, LowByDesign } from '#core/start/lowByDesign'
import type { LeakPlace, RemarkKind } from '#core/run/remarks'
import type { PointVerdict } from '#core/start/verdict'
import type { BlindReason, StopCode, WatchCode } from '#core/start/watchTypes'

/** A figure said in the builder's units. */
type Say = (pressure: number) => string

export const STOP_TITLES = said(t, {
  'no-pressure': 'start.noPressure',
  falling: 'start.pressureFalls',
  lost: 'start.pressureIsLost',
  'over-limit': 'start.overTheLimit',
  'under-band': 'start.tooLow',
}) satisfies Record<StopCode, string>

export const REMARK_WORDS = said(t, {
  leak: 'remarks.leak',
  smoke: 'remarks.smoke',
  tick: 'remarks.tick',
  knock: 'remarks.knock',
  whine: 'remarks.whine',
}) satisfies Record<RemarkKind, string>

export const LEAK_PLACE_WORDS = said(t, {
  filter: 'remarks.filter',
  plug: 'remarks.plug',
  other: 'remarks.other',
}) satisfies Record<LeakPlace, string>

/** Why a start was stopped, as a sentence with its numbers. */
export function stopReason(
  { code, reading, limit }: { code: StopCode; reading: number; limit: number },
  p: Say,
): string {
  switch (code) {
    case 'no-pressure':
      return t('start.noPressureWithinSOfFiring', { limit })
    case 'lost':
      return t('start.whileItTurnsUnderNothingIs', { reading: p(reading), limit: p(limit) })
    case 'falling':
      return t('start.downToWhileTheSpeedStands', { reading: p(reading) })
    case 'over-limit':
      return t('start.aboveTheMaximumOfThatFilter', { reading: p(reading), limit: p(limit) })
    case 'under-band':
      return t('start.aHealthyOneOfThisBuild', { reading: p(reading), limit: p(limit) })
  }
}

export const WATCH_WORDS = said(t, {
  'gauges-differ': 'start.senderAndGaugeDifferBelieveThe',
  'above-band': 'start.aboveWhatWasExpected',
  'below-band': 'start.belowWhatWasExpected',
  swings: 'start.theNeedleSwingsAtASteady',
  'temperature-unknown': 'start.oilTemperatureNotKnownTypeIt',
  'not-watching': 'start.notEverythingIsWatched',
}) satisfies Record<WatchCode, string>

/** What is not watched for each reason, and what is to be done meanwhile. */
export const BLIND_WORDS = said(t, {
  'no-prediction': 'start.noPredictionOnlyDeadline',
  'no-readings': 'start.noReadingsComeNothingIsWatched',
  'no-speed': 'start.noCrankSpeedAndNobodyHas',
  clock: 'start.theClockOfTheReadingsJumped',
}) satisfies Record<BlindReason, string>

/** What a steady point says against its target and its prediction. */
export function pointReason({ reading, target, expected, against, prediction }: PointVerdict, p: Say): string {
  const said = t('start.theModelSaysTo', {
    pressure: p(expected.pressure),
    low: p(expected.low),
    high: p(expected.high),
  })
  if (against === 'under')
    return t('start.underTheTargetOf', {
      least: p(target.least - reading),
      least2: p(target.least),
      reason: named(target.reason),
      said,
      prediction: prediction === 'below' ? t('start.soSomethingLeaksStarvesOr') : t('start.soTheEngineDoesWhatWas'),
    })
  if (against === 'over')
    return t('start.aboveTheMaximumOfEaseOff', { reading: p(reading - target.most), most: p(target.most) })
  if (prediction === 'void')
    return t('start.inItsTargetFromThereIs', { least: p(target.least), reason: named(target.reason) })
  if (prediction === 'below')
    return t('start.inItsTargetFromButBelow', { least: p(target.least), reason: named(target.reason), said })
  if (prediction === 'above') return t('start.inItsTargetButAboveWhat', { said })
  return t('start.inItsTargetFromAndThe', { least: p(target.least), reason: named(target.reason), said })
}

const BY_DESIGN = said(t, {
  'aluminium-housing': 'start.itsAluminiumHousingOpensThe',
  'few-bearings': 'start.fewBearingsDrawOnASmall',
  'full-grooves': 'start.itsFullCircleGroovesLetMore',
}) satisfies Record<DesignReason, string>

/** Why a hot idle can be low and right. */
export function designWords({ target, rule, reasons }: LowByDesign, p: Say): string {
  const because = reasons.map((reason) => BY_DESIGN[reason]).join(', ')
  return t('start.lowByDesignAsksForAt', {
    reason: named(target.reason),
    least: p(target.least),
    rule: p(rule),
    because: because && `; ${because}`,
  })
}
