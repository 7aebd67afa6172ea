import { recorded } from '#core/engine/values'
import type { PaperAnswers } from '#core/logbook/papers'
import { START_POINTS } from '#core/parts/firstStart'
import type { Run } from '#core/run/run'
import type { Sheet } from '#core/record/schema'
import { breakInPlan } from '#core/start/breakIn'
import { dateAndTimeOf } from '~/words/dates'
import { figure } from '~/words/numbers'
import { named, said } from '~/words/speak'
import { t } from '~/words/of/papers'
import type { Block } from './paper'
import { barePressure, each, handAndDay, pressures, range, type Units } from './saying'

/** A report of one start: what was run, on which oil, what the watch and the hands saw, the steady points against target and prediction, and the break-in. */
export function startReport(
  sheet: Sheet,
  run: Run | 'none' | 'not-known',
  { points }: PaperAnswers,
  units: Units,
): Block[] {
  return [
    ...(typeof run === 'string'
      ? [{ kind: 'text' as const, words: t(run === 'none' ? 'start.noRun' : 'start.runsNotKnown') }]
      : aboutTheRun(sheet, run)),
    { kind: 'heading', words: t('start.points') },
    ...steady(points, units),
    ...(typeof run === 'string' ? [] : happened(run)),
    { kind: 'heading', words: t('start.breakIn') },
    {
      kind: 'table',
      label: t('start.breakIn'),
      columns: [{ head: t('start.step') }, { head: t('start.state') }],
      rows: breakInPlan(sheet).map(({ key, words }) => {
        const check = sheet.checks[key]
        return [
          named(words),
          check
            ? each(t(check.state === 'done' ? 'sheet.done' : 'sheet.fault'), handAndDay(check))
            : t('start.notDone'),
        ]
      }),
    },
    { kind: 'signature', lines: [t('sheet.signedBy'), t('sheet.signedOn')] },
  ]
}

const SOURCES = said(t, {
  hand: 'start.sourceHand',
  logger: 'start.sourceLogger',
  serial: 'start.sourceSerial',
  camera: 'start.sourceCamera',
  file: 'start.sourceFile',
  rig: 'start.sourceRig',
})

function aboutTheRun(sheet: Sheet, { setup, who, startedAt, endedAt, outcome, stopped, found }: Run): Block[] {
  const first = recorded(sheet, 'start.firstPressure')
  const oil = setup.oil?.grade
  return [
    ...(setup.source === 'rig'
      ? [{ kind: 'text' as const, tone: 'careful' as const, words: t('start.simulated') }]
      : []),
    { kind: 'heading', words: t('start.run') },
    {
      kind: 'facts',
      facts: [
        [t('start.begun'), dateAndTimeOf(startedAt)],
        [t('start.who'), who],
        ...(oil ? ([[t('sheet.oil'), oil]] as [string, string][]) : []),
        [t('start.source'), SOURCES[setup.source]],
        [t('start.ended'), endedAt ? dateAndTimeOf(endedAt) : t('start.stillOpen')],
        [t('start.outcome'), named(outcome ?? '')],
        ...(stopped ? ([[t('start.foundAfter'), found ?? t('start.notFoundYet')]] as [string, string][]) : []),
        ...(first ? ([[t('start.firstPressure'), `${figure(first.value, 1)} s`]] as [string, string][]) : []),
        ...(setup.passed ?? []).map(({ gate, reason }): [string, string] => [
          t('start.passed'),
          each(named(gate), reason),
        ]),
      ],
    },
    { kind: 'drawing', name: 'run', label: t('start.curve') },
  ]
}

function steady(points: PaperAnswers['points'], units: Units): Block[] {
  if (points.length === 0) return [{ kind: 'text', words: t('start.noPoints') }]
  const labels = new Map<string, string>(START_POINTS)
  const bar = units.unit('pressure').symbol
  return [
    {
      kind: 'table',
      label: t('start.points'),
      columns: [
        { head: t('start.point') },
        { head: t('sheet.at') },
        { head: `${t('sheet.read')}, ${bar}`, figures: true },
        { head: t('sheet.wanted') },
        { head: `${t('sheet.predicted')}, ${bar}`, figures: true },
        { head: t('sheet.verdict') },
      ],
      rows: points.map(({ name, speed, temperature, reading, target, expected, verdict }) => [
        named(labels.get(name)!),
        t('sheet.speedAndOil', { speed: units.say(speed, 'speed'), oil: units.say(temperature, 'temperature') }),
        barePressure(units, reading),
        range(units, target, 'pressure'),
        pressures(units, expected),
        named(verdict),
      ]),
    },
  ]
}

/** What hands and watch wrote of the run. */
function happened({ events }: Run): Block[] {
  const told = events.filter(({ words }) => words !== '')
  if (told.length === 0) return []
  return [
    { kind: 'heading', words: t('start.events') },
    {
      kind: 'table',
      label: t('start.events'),
      columns: [{ head: `${t('start.time')}, s`, figures: true }, { head: t('start.event') }, { head: t('start.who') }],
      rows: told.map(({ time, words, who }) => [figure(time, 0), named(words), who]),
    },
  ]
}
