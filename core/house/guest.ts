import { z } from 'zod'
import type { Sheet } from '../record/schema'

/** Papers of one build for somebody outside the shop: who looks by a link, until when, and what of the record goes there. */

const DAY = 86400e3
/** A link lasts so long where nobody says otherwise, and at most, days. */
export const LINK_DAYS = { usual: 30, most: 366 }
/** Links of one build that can stand at once. */
export const MOST_LINKS = 20

const name = z.string().trim().min(1, 'must be given: whom it is for').max(60)
/** What the form of a link asks for. */
export const LinkForm = z.strictObject({
  name,
  /** Last day on which it opens anything, in the browser's own days. */
  until: z.iso.date('must be a day'),
})
/** And what the server takes: the moment at which that day is over. */
export const NewLink = z.strictObject({ name, until: z.iso.datetime({ offset: true }) })

/**
 * Whether a link may end at a moment, or why not.
 *
 * @param until end of its last day, ms since 1970
 */
export function linkEndFault(until: number, now: number): string | undefined {
  if (until <= now) return 'must be today or later'
  return until > now + (LINK_DAYS.most + 1) * DAY ? `must be within ${LINK_DAYS.most} days` : undefined
}

/** What stands in the two papers, and nothing else: no cases, no photos, nothing that is parked, no remarks of the service log. */
export function guestSheet(sheet: Sheet): Sheet {
  const { format, version, name, engine, work, layout, use, oil, oils, fill, school, choices, shells } = sheet
  const plain = <T extends { photos?: unknown }>(lines: Record<string, T>) =>
    Object.fromEntries(Object.entries(lines).map(([key, { photos: _photos, ...line }]) => [key, line])) as Record<
      string,
      T
    >
  const services = Object.fromEntries(
    Object.entries(plain(sheet.services ?? {})).flatMap(([key, { note: _note, by: _by, ...line }]) =>
      line.pressure !== undefined || line.oil || line.filter || line.topUp ? [[key, line]] : [],
    ),
  )
  return {
    ...{ format, version, name, engine, work, layout, use, oil, oils, fill, school, choices, shells },
    readings: plain(sheet.readings),
    checks: plain(sheet.checks),
    inspections: plain(sheet.inspections),
    benches: sheet.benches,
    ...(Object.keys(services).length > 0 ? { services } : {}),
    ...(sheet.house ? { house: sheet.house } : {}),
    ...(sheet.experience ? { experience: sheet.experience } : {}),
  }
}
