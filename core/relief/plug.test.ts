import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { progressOf } from '../progress/progress'
import { formsUnmeasured, valveFit } from '../parts/reliefFit'
import type { Sheet } from '../record/schema'
import { outlookOf } from '../outlook/outlook'
import { reliefRoutes } from '../outlook/relief'
import { routeKey, routesTo } from './routes'
import { TEST_ROUTES, TEST_VALVE } from './testValve'
import { plungerArea } from './valve'

const [valve, given] = [TEST_VALVE, TEST_ROUTES]
const stiff = { id: 's', label: 'S', springRate: 7200, freeLength: 0.047, solidLength: 0.027 }

describe('a plug that is moved', () => {
  const routes = (more: object, wanted = 4.5e5) =>
    Object.fromEntries(routesTo(valve, { ...given, wanted, ...more }).map((route) => [routeKey(route), route]))

  it('driven flush by its 2 mm opens at 6 · 9 N over the plunger, and says that it misses what is wanted', () => {
    const { flush } = routes({ plugProud: 2e-3 })
    expect(flush.opens).toBeCloseTo(54 / plungerArea(0.012), 3)
    expect(flush).toMatchObject({ further: 2e-3, reversible: false, against: ['opens-above'] })
    expect(routes({ plugProud: 1.5e-3 }).flush.against).toEqual([])
    expect(routes({ plugProud: 0.2e-3 }).flush.against).toEqual(['opens-below'])
  })
  it('goes with each spring as well: flush, or as far as that spring asks, which is out for a stiffer one', () => {
    const found = routes({ plugProud: 1.5e-3, plugOutward: 3e-3, springs: [stiff] })
    expect(Object.keys(found)).toEqual(['shims', 'spring s', 'plug', 'spring-plug s', 'flush', 'spring-flush s', 'cap'])
    // 4.5 bar on the plunger is 50.89 N: 7.068 mm of the stiffer spring.
    expect(1e3 * found['spring-plug s'].further).toBeCloseTo((4.5e5 * plungerArea(0.012)) / 7.2 - 7, 6)
    expect(found['spring-plug s'].opens).toBeCloseTo(4.5e5, 2)
    expect(found['spring-flush s'].opens).toBeCloseTo((7.2 * 8.5) / plungerArea(0.012), 3)
  })
  it('comes out no further than what sits over it lets it', () => {
    const down = { plugOutward: 1e-3, springs: [stiff] }
    // 3 bar with the stiffer spring is 4.71 mm of preload, 2.29 less than now.
    expect(routes(down, 3e5)['spring-plug s'].against).toEqual(['plug-covered'])
    expect(routes({ ...down, plugOutward: 3e-3 }, 3e5)['spring-plug s'].against).toEqual([])
    expect(routes(down, 3.5e5).plug.against).toEqual([])
  })
  it('is not offered where nobody measured how it stands', () => {
    expect(Object.keys(routes({ springs: [stiff] }))).toEqual(['shims', 'spring s', 'plug', 'cap'])
  })
})

it('travel left before the coils touch is judged by the maker’s limit where there is one', () => {
  const shims = (least?: number) => {
    const sheet = DEMO_BUILDS.ottiline()
    if (least !== undefined) sheet.readings['limit.bindMargin'] = { value: least, source: 'maker' }
    return reliefRoutes(sheet, 'relief', [], 5e5)[0].against
  }
  expect(shims()).toEqual([])
  // 3.3 mm are left.
  expect(shims(3.6e-3)).toEqual(['little-travel'])
})

describe('a valve and its housing', () => {
  const six = (choices: Record<string, string>, readings: Record<string, number> = {}): Sheet => {
    const sheet = DEMO_BUILDS.ottiline()
    for (const [key, value] of Object.entries(choices)) sheet.choices[`relief.${key}`] = value
    for (const [key, value] of Object.entries(readings)) sheet.readings[`relief.${key}`] = { value, source: 'measured' }
    return sheet
  }
  const refused = (choices: Record<string, string>, readings?: Record<string, number>) =>
    valveFit(six(choices, readings), 'relief').map(({ about }) => about)
  const lengths = { reach: 0.042, seatDepth: 0.0415, thread: 0.014, tapped: 0.015 }

  it('of kinds that do not go together are refused by name', () => {
    expect(refused({ body: 'late', sleeve: 'in' })).toEqual(['one-piece valve in a sleeved block'])
    expect(refused({ body: 'loose', housing: 'late' })).toEqual(['loose piston without its bore'])
    expect(refused({ body: 'early', housing: 'loose' })).toEqual(['one-piece valve in a housing for a loose piston'])
    expect(refused({ body: 'loose', sleeve: 'in', housing: 'late' })).toEqual([])
    expect(refused({ body: 'loose', sleeve: 'none', housing: 'loose' })).toEqual([])
    expect(refused({ body: 'late', sleeve: 'none', housing: 'late' })).toEqual([])
    expect(refused({ sleeve: 'in' })).toEqual([])
  })
  it('void the prediction by that name', () => {
    const voided = outlookOf(six({ body: 'late', sleeve: 'in' }), 20)
    expect(voided.voids).toContainEqual(
      expect.objectContaining({ about: 'one-piece valve in a sleeved block', path: 'choices/relief.body' }),
    )
  })
  it('of two forms are told by their lengths: watched until those are read', () => {
    const two = six({ body: 'early', housing: 'late' })
    expect([formsUnmeasured(two, 'relief'), valveFit(two, 'relief')]).toEqual([true, []])
    expect(progressOf(two).find(({ station }) => station === 'relief')).toMatchObject({
      about: 'valve and housing of two forms',
    })
    expect(formsUnmeasured(six({ body: 'early', housing: 'late' }, lengths), 'relief')).toBe(false)
    expect(formsUnmeasured(six({ body: 'late', housing: 'late' }), 'relief')).toBe(false)
  })
  it('stand off by a spacer, or by a lip that is higher than that', () => {
    expect(refused({}, lengths)).toEqual([])
    expect(refused({}, { ...lengths, spacer: 0.3e-3 })).toEqual([])
    expect(refused({}, { ...lengths, spacer: 0.3e-3, lip: 0.8e-3 })).toEqual(['valve never reaches its seat'])
    expect(refused({}, { ...lengths, spacer: 0.6e-3 })).toEqual(['valve never reaches its seat'])
    // Raised by a spacer a long thread ends in time.
    expect(refused({}, { ...lengths, thread: 0.0152 })).toEqual(['valve bottoms out before it seals'])
    expect(refused({}, { ...lengths, thread: 0.0152, spacer: 0.3e-3 })).toEqual([])
  })
})
