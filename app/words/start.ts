import type { DesignReason, LowByDesign } from '#core/start/lowByDesign'
import type { PointVerdict } from '#core/start/verdict'
import type { BlindReason, StopCode, WatchCode } from '#core/start/watchTypes'

/** A figure said in the builder's units. */
type Say = (pressure: number) => string

export const STOP_TITLES: Record<StopCode, string> = {
  'no-pressure': 'No pressure',
  falling: 'Pressure falls',
  lost: 'Pressure is lost',
  'over-limit': 'Over the limit',
  'under-band': 'Too low',
}

/** Why a start was stopped, as a sentence with its numbers. */
export function stopReason(
  { code, reading, limit }: { code: StopCode; reading: number; limit: number },
  p: Say,
): string {
  switch (code) {
    case 'no-pressure':
      return `No pressure within ${limit} s of firing.`
    case 'lost':
      return `${p(reading)} while it turns: under ${p(limit)} nothing is fed.`
    case 'falling':
      return `Down to ${p(reading)} while the speed stands: oil leaves, or air comes.`
    case 'over-limit':
      return `${p(reading)}, over the most of ${p(limit)} that filter and seals should see.`
    case 'under-band':
      return `${p(reading)}; a healthy one of this build shows ${p(limit)} at the least.`
  }
}

export const WATCH_WORDS: Record<WatchCode, string> = {
  'gauges-differ': 'Sender and gauge differ: believe the gauge',
  'above-band': 'Above what was expected',
  'below-band': 'Below what was expected',
  swings: 'The needle swings at a steady speed: air in the oil, or a plunger that sticks',
  'temperature-unknown': 'Oil temperature not known: type it',
  'not-watching': 'Not everything is watched',
}

/** What is not watched for each reason, and what is to be done meanwhile. */
export const BLIND_WORDS: Record<BlindReason, string> = {
  'no-prediction':
    'No prediction: only deadline, ceiling and loss of pressure are watched. Judge the rest by the gauge.',
  'no-readings': 'No readings come: nothing is watched. Look at the mechanical gauge, or shut down.',
  'no-speed': 'No crank speed and nobody has said “fired”: the deadline is not running. Press Fired when it fires.',
  clock: 'The clock of the readings jumped: what came before is forgotten. Watch the gauge yourself for ten seconds.',
}

/** What a steady point says against its target and its prediction. */
export function pointReason({ reading, target, expected, against, prediction }: PointVerdict, p: Say): string {
  const said = `The model says ${p(expected.pressure)} (${p(expected.low)} to ${p(expected.high)})`
  if (against === 'under')
    return `${p(target.least - reading)} under the target of ${p(target.least)}, ${target.reason}. ${said}${prediction === 'below' ? ', so something leaks, starves or misreads: shut down and find it.' : ', so the engine does what was measured: clearance, oil or pump must change.'}`
  if (against === 'over')
    return `${p(reading - target.most)} over the most of ${p(target.most)}. Ease off; look for a relief valve that sticks shut.`
  if (prediction === 'void')
    return `In its target from ${p(target.least)}, ${target.reason}. There is no prediction to hold it against until the record is mended.`
  if (prediction === 'below')
    return `In its target from ${p(target.least)}, ${target.reason}, but below what this engine should show. ${said}: read a second gauge, then look for a leak.`
  if (prediction === 'above')
    return `In its target, but above what this engine should show. ${said}: thicker oil than recorded, or a valve that opens late.`
  return `In its target from ${p(target.least)}, ${target.reason}. ${said}, and the reading agrees.`
}

const BY_DESIGN: Record<DesignReason, string> = {
  'aluminium-housing': 'its aluminium housing opens the bearings as it warms',
  'few-bearings': 'few bearings draw on a small pump',
  'full-grooves': 'its full-circle grooves let more oil past',
}

/** Why a hot idle can be low and right. */
export function designWords({ target, rule, reasons }: LowByDesign, p: Say): string {
  const because = reasons.map((reason) => BY_DESIGN[reason]).join(', ')
  return `Low by design: ${target.reason} asks for ${p(target.least)} at idle, less than the ${p(rule)} of ten psi for each thousand rpm${because && `; ${because}`}. Judged by this build’s own target.`
}
