import { describe, expect, it } from 'vitest'
import { fullLift, portHeight, uncoveredArea, uncoveredWidth } from './port'
import { routesTo } from './routes'
import { TEST_ROUTES, TEST_VALVE } from './testValve'
import { allowedStress, preload, wahlStress } from './spring'
import { planStack, washerFault } from './stack'
import { bindMargin, fullFlowPressure, liftAt, plungerArea, valveFlow } from './valve'

const [valve, given] = [TEST_VALVE, TEST_ROUTES]
const area = plungerArea(valve.plungerDiameter)
/** Opening pressure with so much preload, Pa. */
const opensWith = (length: number, rate = 6000) => (rate * length) / area

describe('a route at its limits', () => {
  it('is objected to on one side of each limit and not on the other', () => {
    const tall = { ...valve, solidLength: undefined }
    const shims = (stack: number) => routesTo(tall, { ...given, wanted: opensWith(7e-3 + stack) })[0]
    expect(shims(7.9e-3).against).toEqual([])
    expect(shims(8.1e-3).against).toEqual(['stack-too-tall'])
    expect(shims(0).against).toEqual([])
    expect(shims(-0.1e-3)).toMatchObject({ against: ['opens-above'], shims: 0, further: 0 })
    const plug = (travel: number | undefined, further: number) =>
      routesTo(tall, { ...given, wanted: opensWith(7e-3 + further), plugTravel: travel })[1]
    expect(plug(1e-3, 0.99e-3).against).toEqual([])
    expect(plug(1e-3, 1e-3).against).toEqual([])
    expect(plug(1e-3, 1.01e-3).against).toEqual(['plug-at-end'])
    expect(plug(undefined, 3e-3).against).toEqual([])
    expect(routesTo(tall, { ...given, wanted: opensWith(7e-3 + 1e-4) })[2].against).toEqual(['cap-not-adjustable'])
  })
  it('tells coils that touch from travel that is short: 40 − shims − 6 − 27 mm is what is left', () => {
    const left = (margin: number) => routesTo(valve, { ...given, wanted: opensWith(7e-3 + 7e-3 - margin) })[0]
    expect(left(1.01e-3).against).toEqual([])
    expect(left(0.99e-3).against).toEqual(['little-travel'])
    expect(left(0.01e-3).against).toEqual(['little-travel'])
    expect(left(-0.01e-3).against).toEqual(['coils-touch'])
    expect(left(-0.01e-3).bindMargin).toBeCloseTo(-0.01e-3, 9)
  })
  it('counts the stack that lies there already for the plug, and not again for the shims', () => {
    const shimmed = { ...valve, shims: [0.5e-3, 0.3e-3] }
    const [shims, plug] = routesTo(shimmed, { ...given, wanted: opensWith(9e-3) })
    expect(shims.shims).toBeCloseTo(2e-3, 9)
    expect(plug.further).toBeCloseTo(1.2e-3, 9)
    expect(plug.shims).toBeCloseTo(0.8e-3, 12)
    expect([shims.opens, plug.opens]).toEqual([expect.closeTo(opensWith(9e-3), 3), expect.closeTo(opensWith(9e-3), 3)])
  })
  it('stresses the wire by the load at full lift over what it bears, and only where wire and coil are both known', () => {
    const wire = 1.9e-3
    const route = (more: object) => routesTo(valve, { ...given, wanted: opensWith(8e-3), ...more })[0]
    const load = 6000 * (8e-3 + 6e-3)
    expect(route({ wire, coilDiameter: 10e-3 }).stress).toBeCloseTo(
      wahlStress({ wire, meanDiameter: 10e-3, activeCoils: 1 }, load) / allowedStress(wire),
      9,
    )
    expect(route({ wire }).stress).toBeUndefined()
    expect(route({ coilDiameter: 10e-3 }).stress).toBeUndefined()
    const thick = route({ wire: 2.4e-3, coilDiameter: 10e-3 })
    expect(thick.stress).toBeLessThan(1)
    expect(thick.against).toEqual([])
  })
  it('a port that cannot pass the flow leaves full flow and override open, and what else can be said is said', () => {
    const [shims] = routesTo(valve, { ...given, wanted: opensWith(8e-3), flow: 0.01 })
    expect(shims).toMatchObject({ fullFlow: undefined, override: undefined, against: [] })
    expect(shims.opens).toBeCloseTo(opensWith(8e-3), 3)
  })
})

describe('a port', () => {
  const round = { shape: 'round', diameter: 0.006, count: 2, overlap: 1e-3 } as const
  const slot = { shape: 'slot', width: 0.008, height: 0.004, count: 3, overlap: 0.5e-3 } as const
  it('is shut within its overlap, and wholly open at its full lift: area and its width in closed form', () => {
    expect([portHeight(round), portHeight(slot)]).toEqual([0.006, 0.004])
    expect([fullLift(round), fullLift(slot)]).toEqual([expect.closeTo(0.007, 12), expect.closeTo(0.0045, 12)])
    expect(uncoveredArea(round, 1e-3)).toBe(0)
    expect(uncoveredArea(round, 0.02)).toBeCloseTo(2 * 0.25 * Math.PI * 0.006 ** 2, 12)
    expect(uncoveredArea(round, 4e-3)).toBeCloseTo(Math.PI * 0.003 ** 2, 12)
    expect(uncoveredArea(slot, 2.5e-3)).toBeCloseTo(3 * 0.008 * 2e-3, 12)
  })
  it('its width is the slope of its area, and nothing outside its travel', () => {
    for (const port of [round, slot])
      for (const lift of [1.5e-3, 2.5e-3, 3.9e-3]) {
        const slope = (uncoveredArea(port, lift + 1e-8) - uncoveredArea(port, lift - 1e-8)) / 2e-8
        expect(uncoveredWidth(port, lift)).toBeCloseTo(slope, 6)
      }
    for (const lift of [0, 0.5e-3, 4.5e-3, 0.02]) expect(uncoveredWidth(slot, lift)).toBe(0)
    for (const lift of [0.5e-3, 1e-3, 7e-3, 0.02]) expect(uncoveredWidth(round, lift)).toBe(0)
    expect(uncoveredWidth({ ...slot, count: undefined }, 2e-3)).toBe(0.008)
  })
})

describe('a plunger', () => {
  it('with the stream pulling it shut: p A = F₀ + k x + 0.43 A(x) p holds at its lift, between shut and open', () => {
    const pulled = { ...valve, flowForce: true }
    for (const pressure of [3.8e5, 4e5, 4.5e5, 5e5]) {
      const lift = liftAt(pulled, pressure)
      expect(lift).toBeGreaterThan(0)
      expect(lift).toBeLessThan(liftAt(valve, pressure))
      const held = preload(valve) + 6000 * lift + 0.43 * uncoveredArea(valve.port, lift) * pressure
      expect(held / (pressure * area)).toBeCloseTo(1, 9)
    }
    expect(liftAt(pulled, 3e5)).toBe(0)
    expect(liftAt(pulled, opensWith(7e-3))).toBeCloseTo(0, 15)
  })
  it('passes nothing against the flow, and what it must at its full-flow pressure', () => {
    expect(valveFlow(valve, 0, 870, 0.2)).toBe(0)
    expect(valveFlow(valve, -1e5, 870, 0.2)).toBe(0)
    const pressure = fullFlowPressure(valve, 3e-4, 870, 0.2)
    expect(valveFlow(valve, pressure, 870, 0.2)).toBeCloseTo(3e-4, 9)
    expect(() => fullFlowPressure(valve, 0.01, 870, 0.2)).toThrow('flow: more than the open port can pass')
  })
  it('its margin to bind is not known while its solid length is not', () => {
    expect(bindMargin({ ...valve, solidLength: undefined })).toBeUndefined()
    expect(bindMargin({ ...valve, shims: [1e-3, 0.5e-3] })).toBeCloseTo(5.5e-3, 12)
  })
})

describe('a washer', () => {
  const seat = { plugBore: 0.016, plugHole: 0.005, springDiameter: 0.01 }
  const fits = { id: 'w', thickness: 1e-3, count: 1, outside: 0.014, hole: 0.006, stainless: true }
  it.each([
    [{ outside: 0.016 }, 'wider-than-plug'],
    [{ outside: 0.01599 }, undefined],
    [{ hole: 0.00499 }, 'hole-under-plugs'],
    [{ hole: 0.005 }, undefined],
    [{ outside: 0.00999 }, 'narrower-than-spring'],
    [{ outside: 0.01 }, undefined],
    [{ hole: 0.01001 }, 'hole-over-spring'],
    [{ hole: 0.01 }, undefined],
    [{ outside: undefined, hole: undefined, stainless: undefined }, undefined],
    [{ stainless: false }, 'not-stainless'],
  ])('%o: %s', (change, fault) => {
    expect(washerFault({ ...fits, ...change }, seat)).toBe(fault)
    if (fault !== 'not-stainless') expect(washerFault({ ...fits, ...change }, {})).toBeUndefined()
  })
})

describe('a stack', () => {
  const of = (thickness: number, count: number, id = `${1e3 * thickness}`) => ({ id, thickness, count })
  it('takes no more of a kind than there are, the fewest pieces, and says what it is made of thickest or thinnest as they lie', () => {
    const { plain } = planStack([of(0.5e-3, 2), of(1e-3, 1), of(2e-3, 1)], 2e-3)
    expect(plain).toMatchObject({ pieces: 1, washers: [{ id: '2', count: 1 }], off: expect.closeTo(0, 9) })
    const all = planStack([of(0.5e-3, 2), of(1e-3, 1), of(2e-3, 1)], 4e-3).plain
    expect(all.washers.map(({ id, count }) => [id, count])).toEqual([
      ['0.5', 2],
      ['1', 1],
      ['2', 1],
    ])
    expect(planStack([of(0.5e-3, 2)], 3e-3).plain).toMatchObject({ pieces: 2, off: expect.closeTo(-2e-3, 9) })
  })
  it('equally far over and under, takes fewer pieces', () => {
    // 1.1 is one washer and 0.1 over; 0.9 is three of 0.3 and 0.1 under.
    const { plain } = planStack([of(0.3e-3, 3), of(1.1e-3, 1)], 1e-3)
    expect(plain).toMatchObject({ pieces: 1, washers: [{ id: '1.1' }] })
    const other = planStack([of(0.9e-3, 1), of(0.55e-3, 2)], 1e-3).plain
    expect(other).toMatchObject({ pieces: 1, washers: [{ id: '0.9' }] })
  })
  it('within 5 µm nothing is ground; beyond it the thickest washer gives by what is over, at most 0.35 mm, and keeps 0.3 mm', () => {
    expect(planStack([of(1.004e-3, 1)], 1e-3).ground).toBeUndefined()
    const { plain, ground } = planStack([of(0.4e-3, 1), of(0.8e-3, 1)], 1.1e-3)
    expect(plain.off).toBeCloseTo(0.1e-3, 9)
    expect(ground).toMatchObject({ thickness: 1.1e-3, off: 0, pieces: 2 })
    expect(ground!.grind).toEqual({ id: '0.8', by: expect.closeTo(0.1e-3, 9) })
    expect(planStack([of(0.8e-3, 1), of(0.4e-3, 1)], 1.1e-3).ground!.grind!.id).toBe('0.8')
    expect(planStack([of(1.34e-3, 1)], 1e-3).ground!.grind!.by).toBeCloseTo(0.34e-3, 9)
    expect(planStack([of(1.36e-3, 1)], 1e-3).ground).toBeUndefined()
    // 0.4 to 0.29 would leave too little of it.
    expect(planStack([of(0.4e-3, 1)], 0.29e-3).ground).toBeUndefined()
    expect(planStack([of(0.4e-3, 1)], 0.31e-3).ground!.grind!.by).toBeCloseTo(0.09e-3, 9)
  })
  it('of an empty drawer, of none that fits and for a height that no plug has there is none, and it says which', () => {
    expect(() => planStack([], 1e-3)).toThrow('drawer: no washer that fits')
    expect(() => planStack([of(1e-3, 0)], 1e-3)).toThrow('drawer: no washer that fits')
    expect(() => planStack([of(0, 3)], 1e-3)).toThrow('drawer: no washer that fits')
    expect(() => planStack([{ ...of(1e-3, 1), outside: 0.02 }], 1e-3, { plugBore: 0.016 })).toThrow(
      'no washer that fits',
    )
    for (const wanted of [-1e-6, 0.0201, NaN]) expect(() => planStack([of(1e-3, 9)], wanted)).toThrow('0 and 20 mm')
    expect(planStack([of(1e-3, 30)], 0.02).plain.pieces).toBe(20)
    expect(planStack([of(1e-3, 1)], 0).plain).toMatchObject({ pieces: 0, thickness: 0 })
  })
})
