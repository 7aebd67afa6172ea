import type { CheckKey } from '#core/trace/checks'
import type { RecordSays } from '#core/trace/record'
import type { Cause, Context, Moment, Observation } from '#core/trace/vocabulary'
import { FAULT_WORDS } from './faults'
import { t } from './of/trace'
import { said } from './speak'

type Key = Parameters<typeof t>[0]
interface CheckWords {
  title: Key
  /** How it is made, and what can hurt. */
  how: Key
  caution?: Key
  values: Record<string, Key>
}

/** Checks in the words of a hand at the engine: what it is called, how it is made, what can hurt, what it can come to. */
export const CHECK_WORDS = {
  lamp: { title: 'check.lamp', how: 'how.lamp', values: { on: 'lamp.on', off: 'lamp.off', flickers: 'lamp.flickers' } },
  'oil-level': { title: 'check.oilLevel', how: 'how.oilLevel', values: { full: 'oilLevel.full', low: 'oilLevel.low' } },
  attitude: {
    title: 'check.attitude',
    how: 'how.attitude',
    values: { level: 'attitude.level', tilted: 'attitude.tilted' },
  },
  drive: {
    title: 'check.drive',
    how: 'how.drive',
    caution: 'caution.drive',
    values: { turns: 'drive.turns', 'not-engaged': 'drive.notEngaged', 'wrong-way': 'drive.wrongWay' },
  },
  drill: {
    title: 'check.drill',
    how: 'how.drill',
    caution: 'caution.drill',
    values: { free: 'drill.free', stiff: 'drill.stiff' },
  },
  noise: {
    title: 'check.noise',
    how: 'how.noise',
    caution: 'caution.noise',
    values: { none: 'noise.none', tick: 'noise.tick', knock: 'noise.knock', whine: 'noise.whine' },
  },
  needle: { title: 'check.needle', how: 'how.needle', values: { steady: 'needle.steady', swings: 'needle.swings' } },
  foam: { title: 'check.foam', how: 'how.foam', values: { yes: 'foam.yes', no: 'foam.no' } },
  'fuel-smell': {
    title: 'check.fuelSmell',
    how: 'how.fuelSmell',
    values: { yes: 'fuelSmell.yes', no: 'fuelSmell.no' },
  },
  'leak-outside': {
    title: 'check.leakOutside',
    how: 'how.leakOutside',
    caution: 'caution.leakOutside',
    values: { none: 'leakOutside.none', plug: 'leakOutside.plug', filter: 'leakOutside.filter' },
  },
  'oil-grade': {
    title: 'check.oilGrade',
    how: 'how.oilGrade',
    values: { right: 'oilGrade.right', thin: 'oilGrade.thin', thick: 'oilGrade.thick' },
  },
  'second-attempt': {
    title: 'check.secondAttempt',
    how: 'how.secondAttempt',
    caution: 'caution.secondAttempt',
    values: { same: 'secondAttempt.same', 'came-up': 'secondAttempt.cameUp' },
  },
  'oil-at-pad': {
    title: 'check.oilAtPad',
    how: 'how.oilAtPad',
    caution: 'caution.oilAtPad',
    values: { none: 'oilAtPad.none', air: 'oilAtPad.air', oil: 'oilAtPad.oil' },
  },
  filter: {
    title: 'check.filter',
    how: 'how.filter',
    values: { full: 'filter.full', dry: 'filter.dry', off: 'filter.off' },
  },
  'oil-at-gauge-port': {
    title: 'check.oilAtGaugePort',
    how: 'how.oilAtGaugePort',
    caution: 'caution.oilAtGaugePort',
    values: { none: 'oilAtGaugePort.none', some: 'oilAtGaugePort.some', all: 'oilAtGaugePort.all' },
  },
  'oil-at-turbo': {
    title: 'check.oilAtTurbo',
    how: 'how.oilAtTurbo',
    caution: 'caution.oilAtTurbo',
    values: { none: 'oilAtTurbo.none', some: 'oilAtTurbo.some', all: 'oilAtTurbo.all' },
  },
  'oil-at-rockers': {
    title: 'check.oilAtRockers',
    how: 'how.oilAtRockers',
    values: { none: 'oilAtRockers.none', some: 'oilAtRockers.some', all: 'oilAtRockers.all' },
  },
  fountain: {
    title: 'check.fountain',
    how: 'how.fountain',
    caution: 'caution.fountain',
    values: { seen: 'fountain.seen', none: 'fountain.none' },
  },
  'mechanical-gauge': {
    title: 'check.mechanicalGauge',
    how: 'how.mechanicalGauge',
    caution: 'caution.mechanicalGauge',
    values: { agrees: 'mechanicalGauge.agrees', 'reads-more': 'mechanicalGauge.readsMore' },
  },
  'air-at-pump': {
    title: 'check.airAtPump',
    how: 'how.airAtPump',
    caution: 'caution.airAtPump',
    values: { seen: 'airAtPump.seen', 'not-seen': 'airAtPump.notSeen' },
  },
  'oil-at-cover': {
    title: 'check.oilAtCover',
    how: 'how.oilAtCover',
    caution: 'caution.oilAtCover',
    values: { spews: 'oilAtCover.spews', dry: 'oilAtCover.dry' },
  },
  sender: {
    title: 'check.sender',
    how: 'how.sender',
    values: { 'reads-right': 'sender.readsRight', 'reads-low': 'sender.readsLow' },
  },
  metal: {
    title: 'check.metal',
    how: 'how.metal',
    caution: 'caution.metal',
    values: { none: 'metal.none', fine: 'metal.fine', flakes: 'metal.flakes' },
  },
  relief: {
    title: 'check.relief',
    how: 'how.relief',
    caution: 'caution.relief',
    values: {
      free: 'relief.free',
      'stuck-open': 'relief.stuckOpen',
      'stuck-shut': 'relief.stuckShut',
      dirty: 'relief.dirty',
      'wrong-spring': 'relief.wrongSpring',
    },
  },
  bypass: {
    title: 'check.bypass',
    how: 'how.bypass',
    values: { right: 'bypass.right', wrong: 'bypass.wrong', stuck: 'bypass.stuck' },
  },
  pickup: {
    title: 'check.pickup',
    how: 'how.pickup',
    caution: 'caution.pickup',
    values: {
      sound: 'pickup.sound',
      loose: 'pickup.loose',
      cracked: 'pickup.cracked',
      'seal-bad': 'pickup.sealBad',
      blocked: 'pickup.blocked',
    },
  },
  cover: {
    title: 'check.cover',
    how: 'how.cover',
    values: { sound: 'cover.sound', 'no-gasket': 'cover.noGasket', leaks: 'cover.leaks' },
  },
  pump: { title: 'check.pump', how: 'how.pump', values: { 'in-limit': 'pump.inLimit', worn: 'pump.worn' } },
  'pump-bench': {
    title: 'check.pumpBench',
    how: 'how.pumpBench',
    caution: 'caution.pumpBench',
    values: { good: 'pumpBench.good', bad: 'pumpBench.bad' },
  },
  plugs: { title: 'check.plugs', how: 'how.plugs', values: { all: 'plugs.all', 'one-missing': 'plugs.oneMissing' } },
  shells: {
    title: 'check.shells',
    how: 'how.shells',
    values: { right: 'shells.right', 'hole-off': 'shells.holeOff', loose: 'shells.loose' },
  },
} as const satisfies Record<CheckKey, CheckWords>

const SENTENCES: Record<string, Key> = { mechanical: 'trace.mechanical', sender: 'trace.sender' }

export const checkTitle = (key: Observation): string =>
  key in CHECK_WORDS ? t(CHECK_WORDS[key as CheckKey].title) : t('trace.gaugeKind')

/** What an observation came to, in words. */
export function valueWords(key: Observation, value: string): string {
  const words =
    key in CHECK_WORDS ? (CHECK_WORDS[key as CheckKey].values as Record<string, Key>)[value] : SENTENCES[value]
  return words ? t(words) : value
}

export const causeWords = (cause: Cause): string => (cause === 'by-design' ? t('trace.byDesign') : FAULT_WORDS[cause])

export const CONTEXT_WORDS = said(t, {
  fresh: 'trace.freshBuild',
  stood: 'trace.itStood',
  ran: 'trace.itRan',
  'oil-change': 'trace.oilChange',
}) satisfies Record<Context, string>

export const MOMENT_WORDS = said(t, {
  prime: 'trace.primed',
  crank: 'trace.cranked',
  'first-run': 'trace.firstRun',
  cold: 'trace.cold',
  'idle-hot': 'trace.idleHot',
  'working-hot': 'trace.workingHot',
}) satisfies Record<Moment, string>

export const RECORD_WORDS = said(t, {
  packed: 'record.packed',
  'filter-off': 'record.filterOff',
  'plugs-fitted': 'record.plugsFitted',
  'plug-left-out': 'record.plugLeftOut',
  'lifters-fitted': 'record.liftersFitted',
  'restrictors-fitted': 'record.restrictorsFitted',
  'bypass-right': 'record.bypassRight',
  'bypass-wrong': 'record.bypassWrong',
  'plunger-falls': 'record.plungerFalls',
  'plunger-hangs': 'record.plungerHangs',
  'spring-measured': 'record.springMeasured',
  'pump-measured': 'record.pumpMeasured',
  'bearings-measured': 'record.bearingsMeasured',
  'pickup-tight': 'record.pickupTight',
  'pickup-faulty': 'record.pickupFaulty',
  'screen-clean': 'record.screenClean',
  'cover-sealed': 'record.coverSealed',
  primed: 'record.primed',
  mended: 'record.mended',
}) satisfies Record<RecordSays['code'], string>
