import { createEvents, type EventAttributes } from 'ics'
import { t } from '~/words/of/plan'
import { giveFile } from '~/composables/drawingFile'
import { PAGES } from '~/composables/stations'
import { endOfWait, isTimed, type ShopPlan } from '#core/house/plan'
import { onTheWall } from '#core/plan/present'
import type { ShopPlanned } from '#core/plan/shop'
import type { WallTime } from '#core/plan/types'

/** A moment of the shop's clock as a calendar file has it: without a zone, it is what the clock says wherever the calendar is. */
const at = (time: WallTime): [number, number, number, number, number] => {
  const date = new Date(time)
  return [date.getUTCFullYear(), date.getUTCMonth() + 1, date.getUTCDate(), date.getUTCHours(), date.getUTCMinutes()]
}
const LOCAL = {
  startInputType: 'local',
  startOutputType: 'local',
  endInputType: 'local',
  endOutputType: 'local',
} as const

/** What is planned, promised and waited for, as events of a calendar. */
export function planEvents(planned: ShopPlanned, kept: ShopPlan, zone: string): EventAttributes[] {
  const nameOf = (build: string) => planned.engines.find((each) => each.build === build)?.name ?? build
  const titleOf = (station: string) => PAGES.find(({ page }) => page === station)!.title
  const common = { ...LOCAL, productId: 'uldo/plan', calName: t('plan.plan') }
  const work = planned.turns.map((turn) => ({
    ...common,
    uid: `${turn.build}.${turn.station}.${turn.from}@uldo`,
    title: `${nameOf(turn.build)}: ${titleOf(turn.station)}, ${turn.hand}`,
    start: at(turn.from),
    end: at(turn.to),
  }))
  const promises = planned.engines.flatMap(({ build, name, promised }) =>
    promised === undefined
      ? []
      : [
          {
            ...common,
            uid: `${build}.promised@uldo`,
            title: `${name}: ${t('engines.promised')}`,
            start: at(promised),
            duration: { minutes: 15 },
            alarms: [{ action: 'display' as const, description: name, trigger: { days: 1, before: true } }],
          },
        ],
  )
  const waits = Object.entries(kept.engines).flatMap(([build, engine]) =>
    Object.entries(engine.waits).flatMap(([id, wait]) => {
      const end = isTimed(wait)
        ? onTheWall(endOfWait(wait), zone)
        : 'until' in wait && wait.until
          ? Date.parse(`${wait.until}Z`)
          : undefined
      return end === undefined || !planned.engines.some((each) => each.build === build)
        ? []
        : [
            {
              ...common,
              uid: `${id}.wait@uldo`,
              title: `${nameOf(build)}: ${wait.what}`,
              start: at(end),
              duration: { minutes: 15 },
              alarms: [{ action: 'display' as const, description: wait.what, trigger: { minutes: 0, before: true } }],
            },
          ]
    }),
  )
  return [...work, ...promises, ...waits]
}

/** Gives the plan to the browser as a calendar file. */
export function planCalendar(planned: ShopPlanned, kept: ShopPlan, zone: string): void {
  const { value, error } = createEvents(planEvents(planned, kept, zone))
  if (error || !value) throw error ?? new Error('no calendar')
  giveFile('plan.ics', new Blob([value], { type: 'text/calendar' }))
}
