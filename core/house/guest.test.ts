import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { FIRST_HOUSE } from './first'
import { guestSheet, linkEndFault, LinkForm } from './guest'
import { houseRules } from './limits'
import { line, logs } from '../logbook/testLog'
import { paperAnswers } from '../logbook/papers'
import { trendOf } from '../logbook/trend'
import { Sheet } from '../record/schema'

const PHOTO = '4be0643f-1d98-573b-97cd-ca98a65347dd'

describe('what of a record goes to a customer', () => {
  it.each(Object.keys(DEMO_BUILDS) as (keyof typeof DEMO_BUILDS)[])('of %s is enough for the same papers', (name) => {
    const sheet = { ...DEMO_BUILDS[name](), house: houseRules(FIRST_HOUSE) }
    const seen = guestSheet(sheet)
    expect(Sheet.parse(seen)).toBeTruthy()
    expect(paperAnswers(seen)).toEqual(paperAnswers(sheet))
  })
  it('is no photo, no case, nothing parked, no remark of the service log, and nothing that is added to a sheet one day', () => {
    const sheet = logs(DEMO_BUILDS.ottiline)([
      line(100, 200, 2e5, { by: 'Oda', note: 'owner argued over the bill', photos: [PHOTO] }),
      { at: '2027-01-01T00:00:00Z', note: 'only a remark' },
    ])
    sheet.readings['main.1.bore'] = { ...sheet.readings['main.1.bore'], photos: [PHOTO], note: 'read twice' }
    sheet.checks['prime.plug'] = { state: 'done', photos: [PHOTO] }
    sheet.inspections['shells.main'] = { finding: 'even', photos: [PHOTO] }
    sheet.parked = { 'was.main.9.bore': { value: 1, source: 'measured' } }
    sheet.cases = DEMO_BUILDS.talvik().cases ?? { 'case.1': {} as never }
    const seen = guestSheet({ ...sheet, secretOfTomorrow: 'x' } as Sheet)
    const text = JSON.stringify(seen)
    for (const none of [PHOTO, 'photos', 'cases', 'parked', 'argued', 'only a remark', 'Oda', 'secretOfTomorrow'])
      expect(text).not.toContain(none)
    // What stands on the build sheet, and what moves the card's dates, is there.
    expect(text).toContain('read twice')
    expect(Object.keys(seen.services!)).toEqual(['service.1'])
    expect(trendOf(seen)!.now.pressure).toBeCloseTo(trendOf(sheet)!.now.pressure, 3)
    expect(sheet.readings['main.1.bore'].photos).toEqual([PHOTO])
  })
})

describe('the end of a link', () => {
  const now = Date.parse('2026-11-29T15:00:00Z')
  const days = (count: number) => now + count * 86400e3
  it('lies ahead, and within a year', () => {
    expect(linkEndFault(days(0), now)).toMatch(/today or later/)
    expect(linkEndFault(days(0.3), now)).toBeUndefined()
    expect(linkEndFault(days(366.9), now)).toBeUndefined()
    expect(linkEndFault(days(368), now)).toMatch(/within 366 days/)
  })
  it('is a day, and whom it is for is named', () => {
    expect(LinkForm.safeParse({ name: ' Harbour trust ', until: '2026-12-24' }).data?.name).toBe('Harbour trust')
    expect(LinkForm.safeParse({ name: '', until: 'soon' }).error?.issues.map(({ path }) => path[0])).toEqual([
      'name',
      'until',
    ])
  })
})
