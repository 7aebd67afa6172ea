import { checksOf } from '../engine/catalogue'
import type { FieldOf } from '../parts/list'
import type { CheckItem } from '../record/looked'
import type { Layout, Sheet } from '../record/schema'
import { serviceLog } from '../engine/serviceLog'
import { requireValue } from '../engine/values'

/** One stretch of a break-in: hold this, that long, and look at that. */
export interface BreakInStep {
  key: string
  words: string
  /** s; undefined where it is not timed. */
  seconds?: number
  /** rev/s, from and to. */
  speed?: [number, number]
  why: string
}

/** Speeds between which a sliding cam throws enough oil at its own lobes, rev/s: 1800 and 2500 rpm, but no faster than the engine works. */
const SLIDING: [number, number] = [30, 41.7]
const MINUTE = 60

/**
 * How an engine is broken in, by its followers: sliding ones bed in at fast idle at once and without a pause, on oil with an
 * anti-wear additive; rollers need no more than to be warmed and loaded by and by.
 */
export function breakInPlan(sheet: Sheet): BreakInStep[] {
  const { layout } = sheet
  const working = requireValue(sheet, 'brief.workingSpeed').value
  const steps: BreakInStep[] = []
  const add = (key: string, words: string, why: string, more: Partial<BreakInStep> = {}) =>
    steps.push({ key: `start.${key}`, words, why, ...more })
  if (layout.followers === 'sliding') {
    add(
      'breakInOil',
      'Break-in oil with an anti-wear additive is in',
      'Cam and followers meet under their full spring load with no skin on them yet. What may be added differs by place and by catalyst.',
    )
    const [from, to] = [Math.min(SLIDING[0], 0.7 * working), Math.min(SLIDING[1], 0.9 * working)]
    add('breakInRun', 'Straight to fast idle, up and down, no idling', 'At idle the cam throws no oil at itself.', {
      seconds: requireValue(sheet, 'start.breakInTime').value,
      speed: [from, to],
    })
  } else
    add('breakInRun', 'Idle until the oil is warm', 'Roller followers need no break-in of their own.', {
      seconds: 10 * MINUTE,
      speed: [requireValue(sheet, 'brief.idleSpeed').value, requireValue(sheet, 'brief.coldIdleSpeed').value],
    })
  add('breakInCool', 'Stop, let it cool, look for leaks', 'Gaskets take their set on the first heat.', {
    seconds: 45 * MINUTE,
  })
  add('breakInLoad', 'Load it in short pulls, eased off between', 'Rings seat under pressure and glaze under idling.', {
    seconds: 30 * MINUTE,
  })
  return steps
}

/** What is gone over again after the first heat. */
export function recheckList(layout: Layout): CheckItem[] {
  return checksOf(layout).filter(({ group }) => group === 'recheck')
}

/** When an engine was first started, ms, by the earliest of what was read then; undefined where nothing was. */
export function firstStartedAt({ readings }: Pick<Sheet, 'readings'>): number | undefined {
  const times = ['start.firstPressure', 'start.idleCold.pressure', 'start.idleHot.pressure']
    .map((key) => Date.parse(readings[key]?.at ?? ''))
    .filter(Number.isFinite)
  return times.length > 0 ? Math.min(...times) : undefined
}

/** Something to be reminded of, with when it is due. */
export interface Reminder {
  key: string
  title: string
  words: string
  /** ms since 1970. */
  due: number
}

const DAY = 86400e3

/** Usage in a week and what is changed after so much of it: days until that, whichever comes first. */
function daysUntil(sheet: Sheet, hours: 'changeHours' | 'laterHours', distance: 'changeDistance' | 'laterDistance') {
  const value = (field: FieldOf<'start'>) => requireValue(sheet, `start.${field}`).value
  const weeks = [value(hours) / value('hoursPerWeek')]
  if (sheet.use === 'road' || sheet.use === 'race') weeks.push(value(distance) / value('distancePerWeek'))
  return Math.max(1, Math.round(7 * Math.min(...weeks)))
}

const CHANGE_WORDS =
  'Cut the filter open, spread its paper, read what is in it, and keep a photo. Used oil harms skin: gloves, and dispose of it by local rules.'

/**
 * What is due after a first start, by the shop's usage: the first changes by hours or distance, whichever comes first; once a later one is in the
 * service log, the next one after that.
 *
 * @param floorFrom day from which on hot idle may stand under its floor, by its trend, ms
 */
export function remindersOf(sheet: Sheet, startedAt: number, floorFrom?: number): Reminder[] {
  const changed = serviceLog(sheet).findLast(({ oil, at }) => oil && Date.parse(at) >= startedAt)
  const floor: Reminder[] =
    floorFrom === undefined
      ? []
      : [
          {
            key: 'floor',
            title: 'Read hot idle again',
            words:
              'By its readings hot idle may stand under its floor from this day on: read it hot at idle, write it down, and look at bearings and pump before it does.',
            due: floorFrom,
          },
        ]
  if (changed)
    return [
      {
        key: 'next',
        title: 'Oil and filter change',
        words: CHANGE_WORDS,
        due: Date.parse(changed.at) + daysUntil(sheet, 'laterHours', 'laterDistance') * DAY,
      },
      ...floor,
    ]
  const change = startedAt + daysUntil(sheet, 'changeHours', 'changeDistance') * DAY
  return [
    {
      key: 'recheck',
      title: 'Go over it again, cold',
      words: recheckList(sheet.layout)
        .map(({ label }) => label)
        .join('; '),
      due: startedAt + DAY,
    },
    { key: 'change', title: 'First oil and filter change', words: CHANGE_WORDS, due: change },
    {
      key: 'second',
      title: 'Second change, read the filter again',
      words: 'What is left of the build comes out with this one. Compare with the first.',
      due: startedAt + 3 * (change - startedAt),
    },
    ...floor,
  ]
}
