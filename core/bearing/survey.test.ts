import { describe, expect, it } from 'vitest'
import { feedDuty } from './feed'
import { endFloatLimits, judgeFloat, sideClearanceLimits } from './float'
import { adviseGroove, adviseShell } from './shell'
import { stripClearance } from './strip'
import { planeClearances, repeated, shapeOf, spreadOf } from './survey'
import { capOrder, judgeTurning } from './turning'

describe('survey', () => {
  const bore = [
    [66.037, 66.044, 66.046],
    [66.041, undefined, 66.047],
  ]
  it('finds taper, roundness and how much wider the parting line is', () => {
    const shape = shapeOf(bore)
    expect(shape.vertical).toBeCloseTo(66.039, 9)
    expect(shape.taper).toBeCloseTo(0.004, 9)
    expect(shape.outOfRound).toBeCloseTo(0.009, 9)
    expect(shape.eccentricity).toBeCloseTo((66.044 + 66.046 + 66.047) / 3 - 66.039, 9)
  })
  it('says nothing of what was not read, and asks for a vertical reading', () => {
    expect(shapeOf([[66]])).toMatchObject({ taper: undefined, outOfRound: undefined, eccentricity: undefined })
    expect(() => shapeOf([[undefined, 66]])).toThrow(/vertical/)
  })
  it('clearance by plane is where it touches first', () => {
    expect(planeClearances(bore, [[65.98], [65.99]]).map((each) => Number(each.toFixed(6)))).toEqual([0.057, 0.051])
    expect(spreadOf([0.056, 0.061, 0.057])).toBeCloseTo(0.005, 9)
  })
  it('repeats shrink the instrument’s part by √n, unless they scatter', () => {
    expect(repeated([66.037, 66.037, 66.037], 0.003).sigma).toBeCloseTo(0.003 / Math.sqrt(3), 9)
    const wild = repeated([66.03, 66.05, 66.04], 0.003)
    expect(wild).toMatchObject({ value: expect.closeTo(66.04, 9), sigma: expect.closeTo(0.01 / Math.sqrt(3), 9) })
  })
})

describe('strip', () => {
  const scale = [
    { width: 3.2e-3, clearance: 38e-6 },
    { width: 2.4e-3, clearance: 51e-6 },
    { width: 1.6e-3, clearance: 76e-6 },
  ]
  it('reads its lines exactly and lies between them elsewhere', () => {
    expect(stripClearance(2.4e-3, scale).value).toBeCloseTo(51e-6, 12)
    const between = stripClearance(2.0e-3, scale)
    // (1/2.0 − 1/1.6) / (1/2.4 − 1/1.6) = 0.6: 76 − 0.6 · 25 = 61 µm.
    expect(between.value * 1e6).toBeCloseTo(61, 9)
    expect(between.sigma * 1e6).toBeCloseTo(6.25, 9)
  })
  it('refuses a strip off the scale and a scale that is none', () => {
    expect(() => stripClearance(5e-3, scale)).toThrow(/width/)
    expect(() => stripClearance(2e-3, [scale[0], { width: 1e-3, clearance: 20e-6 }])).toThrow(/scale/)
  })
})

describe('turning torque', () => {
  const inOrder = (torques: number[]) =>
    judgeTurning(
      new Map(torques.map((torque, i) => [i + 1, torque])),
      torques.map((_, i) => i + 1),
    )
  it('even steps pass; a jump stops and names its cap', () => {
    expect(inOrder([0.5, 1.1, 1.6, 2.2, 2.7]).verdict).toBe('pass')
    expect(inOrder([0.5, 1.1, 4.4, 5, 5.5])).toMatchObject({
      verdict: 'stop',
      main: 3,
      among: [3],
      jump: expect.closeTo(3.3, 9),
    })
  })
  it('twice the usual is watched, and one cap alone says nothing', () => {
    expect(inOrder([0.6, 1.2, 2.7, 3.3]).verdict).toBe('watch')
    // A stiff crank: three times what the others add stops, twice is watched, however many N·m it is.
    expect(
      [
        [2, 4, 7.5, 9.5],
        [2, 4, 9, 11],
        [2, 4, 11, 13],
      ].map((torques) => inOrder(torques).verdict),
    ).toEqual(['pass', 'watch', 'stop'])
    expect(inOrder([2.5]).verdict).toBe('pass')
    expect(inOrder([]).verdict).toBe('pass')
  })
  it('caps are judged in the order in which they are tightened, from the middle out unless it was recorded', () => {
    expect(capOrder(5)).toEqual([3, 2, 4, 1, 5])
    expect(capOrder(4)).toEqual([2, 3, 1, 4])
    expect(capOrder(5, '5,4,3,2,1')).toEqual([5, 4, 3, 2, 1])
    expect(capOrder(5, '5,4,3')).toEqual([3, 2, 4, 1, 5])
    // Main 4's cap binds, the third that was tightened: by number it would have been main 2.
    const readings = new Map([
      [3, 0.5],
      [2, 1],
      [4, 4.5],
      [1, 5],
      [5, 5.5],
    ])
    expect(judgeTurning(readings, capOrder(5))).toMatchObject({
      verdict: 'stop',
      main: 4,
      among: [4],
      jump: expect.closeTo(3.5, 9),
    })
  })
  it('a cap that was not read is named with the one after it, and its usual share is no jump', () => {
    const readings = new Map([
      [3, 0.5],
      [4, 1.5],
      [1, 2],
      [5, 6],
    ])
    expect(judgeTurning(readings, capOrder(5))).toMatchObject({ gaps: [2], verdict: 'stop', main: 5, among: [5] })
    expect(
      judgeTurning(
        new Map([
          [3, 0.5],
          [4, 1.5],
          [1, 2],
          [5, 2.5],
        ]),
        capOrder(5),
      ),
    ).toMatchObject({ verdict: 'pass', gaps: [2] })
    expect(
      judgeTurning(
        new Map([
          [3, 0.5],
          [2, 1],
          [1, 5.5],
        ]),
        capOrder(5),
      ),
    ).toMatchObject({ verdict: 'stop', among: [4, 1], gaps: [4], jump: expect.closeTo(4, 9) })
  })
})

describe('feed duty', () => {
  it('is the groove’s share of a turn, doubled by a drilling right through', () => {
    expect(feedDuty([0], [{ centre: 0, arc: 180 }])).toBeCloseTo(0.5, 3)
    expect(feedDuty([0, 180], [{ centre: 0, arc: 180 }])).toBeCloseTo(1, 3)
    expect(feedDuty([0], [{ centre: 0, arc: 360 }])).toBe(1)
    expect(
      feedDuty(
        [40],
        [
          { centre: 0, arc: 12 },
          { centre: 180, arc: 12 },
        ],
      ),
    ).toBeCloseTo(24 / 360, 3)
    expect(feedDuty([0], [])).toBe(0)
    // What two mouths or two grooves reach at once counts once: 180° and 90° over one another and beside, across the crown.
    const over = (centre: number) =>
      feedDuty(
        [0],
        [
          { centre: 0, arc: 180 },
          { centre, arc: 90 },
        ],
      )
    expect([over(0), over(90), over(180)]).toEqual([0.5, 0.625, 0.75])
    expect(feedDuty([0, 90], [{ centre: 0, arc: 180 }])).toBeCloseTo(0.75, 9)
  })
})

it('shells are advised by load, use and oil', () => {
  expect(adviseShell(20e6, 'road').construction).toBe('two-layer')
  expect(adviseShell(20e6, 'race').construction).toBe('three-layer')
  expect([adviseGroove(9e-6, 3e-6, 0.5e-6).arc, adviseGroove(30e-6, 12e-6, 0.5e-6).arc]).toEqual([180, 360])
})

describe('float', () => {
  it('end float of a 66 mm main may lie from 0.05 to 0.315 mm; at an edge it is watched', () => {
    const limits = endFloatLimits(0.066)
    expect([limits.least, limits.most]).toEqual([0.05e-3, expect.closeTo(0.315e-3, 9)])
    expect([0.03e-3, 0.06e-3, 0.15e-3, 0.3e-3, 0.4e-3].map((value) => judgeFloat(value, limits))).toEqual([
      'stop',
      'watch',
      'pass',
      'watch',
      'stop',
    ])
  })
  it('two rods on a pin share twice the side clearance of one', () => {
    const [one, two] = [sideClearanceLimits(0.05, 1), sideClearanceLimits(0.05, 2)]
    expect(two.most / one.most).toBeCloseTo(2, 12)
  })
})
