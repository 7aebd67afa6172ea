import { createEvents, type DateArray } from 'ics'
import { firstStartedAt, remindersOf } from '#core/start/breakIn'
import { inThread } from '../../../threads/pool'

export default describedHandler(
  {
    about:
      'What is due after a first start and by the service log, as a calendar file: whole days, a reminder the morning before.',
    gives: 'text/calendar',
  },
  async (event) => {
    const { id, sheet } = await requireBuild(event)
    const floor = await inThread('floorFrom', sheet)
    const dayOf = (at: number): DateArray => {
      const date = new Date(at)
      return [date.getFullYear(), date.getMonth() + 1, date.getDate()]
    }
    const { value, error } = createEvents(
      remindersOf(sheet, firstStartedAt(sheet) ?? Date.now(), floor).map(({ key, title, words, due }) => ({
        uid: `${key}.${id}@uldo`,
        title: `${sheet.name}: ${title}`,
        description: words,
        start: dayOf(due),
        end: dayOf(due + 86400e3),
        productId: 'uldo/reminders',
        calName: sheet.name,
        alarms: [
          { action: 'display' as const, description: `${sheet.name}: ${title}`, trigger: { hours: 16, before: true } },
        ],
      })),
    )
    if (error || !value) throw refusal(500, 'calendar', 'The calendar could not be written.')
    setResponseHeader(event, 'content-type', 'text/calendar; charset=utf-8')
    setResponseHeader(
      event,
      'content-disposition',
      `attachment; filename="${sheet.name.replace(/[^\w-]+/g, '-').toLowerCase()}.ics"`,
    )
    return value
  },
)
