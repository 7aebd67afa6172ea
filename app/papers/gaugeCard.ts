import { type CardGrounds, type CardReading, readsUnder } from '#core/logbook/gaugeCard'
import type { PaperAnswers } from '#core/logbook/papers'
import { ruleOf } from '#core/house/limits'
import { handOverOf, portLeftOf } from '#core/start/handOver'
import { fillOf, oilFor } from '#core/record/fill'
import type { Sheet } from '#core/record/schema'
import { trendOf } from '#core/logbook/trend'
import { floorFrom } from '#core/logbook/trendVerdict'
import { breakInPlan, remindersOf } from '#core/start/breakIn'
import { requireValue } from '#core/engine/values'
import { dateOf } from '~/words/dates'
import { figure } from '~/words/numbers'
import { named, said } from '~/words/speak'
import { t } from '~/words/of/papers'
import type { Block } from './paper'
import { barePressure, pressures, type Units } from './saying'

/** What a card needs beside its numbers. */
export interface CardFacts {
  /** When it was first started, ms; undefined while it was not. */
  startedAt?: number
  /** How long a prime lasts, s, where that is known. */
  primeGood?: number
  address: string
  /** What opens there, where that is not the engine's page. */
  opens?: string
}

const HOUR = 3600

/** An owner's gauge card: what the gauge should read, where to lift the foot and where to stop, break-in and dates, how to prime again. */
export function gaugeCard(
  sheet: Sheet,
  { card, outlook, prime }: PaperAnswers,
  facts: CardFacts,
  units: Units,
): Block[] {
  if (outlook.voids.length > 0)
    return [
      {
        kind: 'text',
        tone: 'stop',
        words: t('card.void', { what: outlook.voids.map(({ about }) => named(about)).join('; ') }),
      },
    ]
  const hot = units.say(requireValue(sheet, 'brief.hotOil').value, 'temperature')
  const cold = units.say(requireValue(sheet, 'brief.coldStart').value, 'temperature')
  const bar = units.unit('pressure').symbol
  const under = readsUnder(card)
  return [
    ...(under.length > 0
      ? [
          {
            kind: 'text' as const,
            tone: 'stop' as const,
            words: t('card.readsUnder', { states: under.map(({ name }) => STATES[name]).join('; ') }),
          },
        ]
      : []),
    { kind: 'text', words: t('card.oil', { grade: sheet.oil.grade, hot, cold }) },
    ...handedOver(sheet, units),
    {
      kind: 'table',
      label: t('card.gauge'),
      columns: [
        { head: t('card.when') },
        { head: `${t('card.reads')}, ${bar}`, figures: true },
        { head: t('card.lift'), figures: true },
        { head: t('card.stop'), figures: true },
      ],
      rows: card.map((reading) => cardRow(reading, units)),
    },
    ...(card.some(({ grounds }) => grounds === 'assumed')
      ? [{ kind: 'text' as const, tone: 'careful' as const, words: t('card.assumed') }]
      : []),
    ...(card.some(({ grounds }) => grounds === 'doubted')
      ? [{ kind: 'text' as const, tone: 'careful' as const, words: t('card.doubted') }]
      : []),
    { kind: 'text', words: `${t('card.stopWords')} ${t('card.gaugeGives')}` },
    { kind: 'heading', words: t('card.prime') },
    { kind: 'text', words: primeWords(sheet, prime.least, facts.primeGood, units) },
    { kind: 'heading', words: t('card.breakIn') },
    { kind: 'facts', facts: datesOf(sheet, facts.startedAt) },
    { kind: 'code', address: facts.address, words: facts.opens ?? t('card.code') },
  ]
}

/** What is in it as it leaves, and who takes it. */
function handedOver(sheet: Sheet, units: Units): Block[] {
  const { oil, to } = handOverOf(sheet) ?? {}
  const { grade } = oilFor(sheet, 'start')
  return [
    ...(oil !== undefined
      ? [
          {
            kind: 'text' as const,
            tone: 'careful' as const,
            words: t('card.oilInSoMuch', { grade, volume: units.say(oil, 'volume') }),
          },
        ]
      : fillOf(sheet) === 'firstFill'
        ? [{ kind: 'text' as const, tone: 'careful' as const, words: t('card.oilIn', { grade }) }]
        : []),
    ...(to ? [{ kind: 'text' as const, words: t('card.handedTo', { to }) }] : []),
  ]
}

const STATES = said(t, {
  idleCold: 'card.idleCold',
  workingCold: 'card.workingCold',
  idleHot: 'card.idleHot',
  workingHot: 'card.workingHot',
})
const GROUNDS = said(t, {
  read: 'card.isRead',
  'read-with-other-oil': 'card.isReadWithOtherOil',
  predicted: 'card.isPredicted',
  assumed: 'card.isAssumed',
  doubted: 'card.isDoubted',
  void: 'card.isVoid',
}) satisfies Record<CardGrounds, string>

function cardRow({ name, speed, expected, low, high, lift, stop, grounds }: CardReading, units: Units): string[] {
  const p = (value: number) => barePressure(units, value)
  const words = GROUNDS[grounds]
  const when = `${STATES[name]}, ${units.say(speed, 'speed')}`
  if (grounds === 'void') return [`${when}\n${words}`, '', '', '']
  return [
    `${when}\n${words}`,
    `${p(expected)}\n${pressures(units, { low, high })}`,
    // Cold oil stands high: there it is the ceiling that asks for the foot.
    t(stop === undefined ? 'card.over' : 'card.under', { pressure: p(lift) }),
    stop === undefined ? t('card.none') : t('card.under', { pressure: p(stop) }),
  ]
}

const PORTS = said(t, { gauge: 'card.portGauge', pad: 'card.portPad', pump: 'card.portPump' })

function primeWords(sheet: Sheet, leastPressure: number, good: number | undefined, units: Units): string {
  const least = units.say(leastPressure, 'pressure', units.fine)
  const left = portLeftOf(sheet)
  const fitting = handOverOf(sheet)?.fitting
  return [
    good === undefined ? '' : t('card.primeGood', { hours: figure(good / HOUR, 0) }),
    left === undefined ? t('card.noPort', { least }) : t('card.primePort', { port: PORTS[left], least }),
    fitting ? t('card.fitting', { fitting }) : '',
    t('card.deadline', { seconds: figure(ruleOf(sheet, 'start.deadline'), 0) }),
  ]
    .filter(Boolean)
    .join(' ')
}

/** What of the break-in is still to be done, and the days of what is due. */
function datesOf(sheet: Sheet, startedAt: number | undefined): [string, string][] {
  const left = breakInPlan(sheet).filter(({ key }) => sheet.checks[key]?.state !== 'done')
  const due = startedAt === undefined ? [] : remindersOf(sheet, startedAt, floorFrom(trendOf(sheet)))
  return [
    ...(left.length > 0
      ? ([[t('card.stillToDo'), left.map(({ words }) => named(words)).join('; ')]] as [string, string][])
      : []),
    ...due.map(({ title, due: day }): [string, string] => [named(title), dateOf(day)]),
  ]
}
