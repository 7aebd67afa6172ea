import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { gaugePressure, modelOf } from '../outlook/model'
import { momentAt, namedStates } from '../outlook/states'
import { bearingsOf } from '../parts/clearances'
import { normal, seeded } from '../random/random'
import { filledWith } from '../record/fill'
import type { Sheet } from '../record/schema'
import { remindersOf } from '../start/breakIn'
import { DAY, day, HOUR, line, logs, START } from './testLog'
import { trendOf } from './trend'
import { floorFrom, trendVerdict } from './trendVerdict'

const logged = logs(DEMO_BUILDS.ottiline)

/** What an engine's gauge truly shows once its bearings have worn by a share of their clearances: by the circuit, which knows nothing of trends. */
function worn(sheet: Sheet, share: number, speed: number, temperature: number): number {
  const truth = structuredClone(sheet)
  for (const set of ['main', 'rod'] as const)
    for (const { number, clearance } of bearingsOf(sheet, set))
      truth.readings[`${set}.${number}.clearance`] = { value: clearance.value * (1 + share), source: 'measured' }
  for (const key of Object.keys(truth.readings))
    if (/^(main|rod)\.\d+\.(?!clearance)/.test(key)) delete truth.readings[key as 'start.idleHot.speed']
  truth.shells = {}
  return gaugePressure(modelOf(truth), momentAt(truth, speed, temperature))
}

describe('hot idle over the years', () => {
  it('of an engine that loses nothing stays, and what readings tell grows with them', () => {
    const sheet = logged([])
    const level = sheet.readings['start.idleHot.pressure']!.value
    const told = [1, 3, 8].map((count) => {
      const trend = trendOf(
        logged(Array.from({ length: count }, (_, i) => line(100 * (i + 1), 1000 * (i + 1), level))),
      )!
      expect(trend.by).toBe('hours')
      expect(trend.points).toHaveLength(count + 1)
      return trend
    })
    // As long as the estimate tells more than the readings its word is not green.
    expect(trendVerdict(told[2]!, START)).toBe('pass')
    expect(trendVerdict({ ...told[2]!, told: 0.49 }, START)).toBe('assumed')
    expect(told[0]!.told).toBeLessThan(told[1]!.told)
    expect(told[1]!.told).toBeLessThan(told[2]!.told)
    expect(told[2]!.change.share).toBeGreaterThan(-0.005)
    expect(told[2]!.now.pressure / level).toBeCloseTo(1, 1)
    expect(told[2]!.now.low).toBeLessThan(told[2]!.now.pressure)
  })

  it('stands where the gauge read, and not where the prediction lies', () => {
    const trend = trendOf(logged([line(50, 100, 0.8e5)], 0.8e5))!
    expect(trend.now.pressure).toBeGreaterThan(0.7e5)
    expect(trend.now.pressure).toBeLessThan(0.9e5)
  })

  it('brings a reading to hot idle by the model: hotter, faster or with another oil it was no loss', () => {
    const sheet = logged([])
    const model = modelOf(sheet)
    const idle = namedStates(sheet).find(({ name }) => name === 'idleHot')!
    const hotter = gaugePressure(model, momentAt(sheet, idle.speed, idle.temperature + 15))
    const thin = gaugePressure(modelOf(filledWith(sheet, { grade: '0W-20' })), idle)
    const level = gaugePressure(model, idle)
    expect(hotter).toBeLessThan(0.9 * level)
    const trend = trendOf(
      logged([
        line(100, 500, hotter, { temperature: idle.temperature + 15, speed: idle.speed }),
        line(200, 900, level, { oil: { grade: '0W-20' }, speed: idle.speed, temperature: idle.temperature }),
        line(300, 1500, thin, { speed: idle.speed, temperature: idle.temperature }),
      ]),
    )!
    for (const { standard } of trend.points) expect(standard / level).toBeCloseTo(1, 3)
  })

  it('names what it leaves out, each with why', () => {
    const sheet = logged([
      line(-5, 0, 2e5),
      line(100, 500, 2e5),
      line(150, 600, 4e5, { speed: 40 }),
      line(155, 610, 4e5, { temperature: 40 }),
      { at: day(160), pressure: 2e5 },
      line(200, 300, 2e5),
      line(250, 900, 1e4),
      line(300, 1000, 2e5),
      { at: day(310), note: 'Topped up nothing' },
    ])
    const { left, points } = trendOf(sheet)!
    expect(left).toEqual([
      { key: 'service.1', why: 'before-start' },
      { key: 'service.3', why: 'elsewhere' },
      { key: 'service.4', why: 'elsewhere' },
      { key: 'service.5', why: 'no-meter' },
      { key: 'service.6', why: 'meter-back' },
      { key: 'service.7', why: 'faint' },
    ])
    expect(points.map(({ key }) => key)).toEqual(['start.idleHot.pressure', 'service.2', 'service.8'])
    sheet.readings['relief.springRate'] = { value: 5000, source: 'measured', at: day(280) }
    expect(trendOf(sheet)!.points.map(({ key }) => key)).toEqual(['service.8'])
  })

  it('goes by days where no meter was read, and by distance where that was', () => {
    const days = trendOf(logged([{ at: day(100), pressure: 2e5 }]))!
    expect(days).toMatchObject({ by: 'time', left: [] })
    expect(days.points[1]!.run).toBeCloseTo((100 * DAY) / 1e3)
    const far = logged([
      { at: day(100), pressure: 2e5, distance: 5e6 },
      { at: day(200), pressure: 2e5, distance: 9e6 },
    ])
    far.readings['start.meterDistance'] = { value: 1e6, source: 'measured', at: day(0) }
    const road = trendOf(far)!
    expect(road.points.map(({ run }) => run)).toEqual([0, 4e6, 8e6])
    expect(road.pace).toEqual({ value: 8e6 / (200 * 86400), assumed: false })
  })

  it('says nothing where hot idle was never read, or the record is void', () => {
    const sheet = logged([])
    expect(
      trendOf({ ...sheet, readings: { ...sheet.readings, 'main.1.bore': { value: 0.03, source: 'measured' } } }),
    ).toBeUndefined()
    delete sheet.readings['start.idleHot.pressure']
    expect(trendOf(sheet)).toBeUndefined()
  })

  it('foretells where wear of the bearings truly takes it, nine times in ten or about, and better with more readings', () => {
    const random = seeded(17)
    const base = logged([])
    const idle = namedStates(base).find(({ name }) => name === 'idleHot')!
    const floor = trendOf(base)!.floor
    let [inside, foretold] = [0, 0]
    const misses: number[][] = [[], []]
    for (let engine = 0; engine < 24; engine++) {
      // Clearances grow evenly with the hours, by a sixth to two thirds in 5,000.
      const rate = (0.17 + 0.5 * random()) / 5000
      const gauge = 6e3 * normal(random)
      const read = (hours: number, speed: number, temperature: number) =>
        worn(base, rate * hours, speed, temperature) + gauge + 5e3 * normal(random)
      const lines = Array.from({ length: 10 }, (_, i) => {
        const [speed, temperature] = [idle.speed * (1 + 0.05 * normal(random)), idle.temperature + 6 * normal(random)]
        return line(120 * (i + 1), 450 * (i + 1), Math.max(2e4, read(450 * (i + 1), speed, temperature)), {
          speed,
          temperature,
        })
      })
      const first = read(0, idle.speed, idle.temperature)
      const truth = worn(base, rate * 4500, idle.speed, idle.temperature) + gauge
      ;[lines.slice(0, 4), lines].forEach((known, i) => {
        const trend = trendOf(logged(known, first))!
        const ahead = trend.curve.reduce((near, each) =>
          Math.abs(each.run / HOUR - 4500) < Math.abs(near.run / HOUR - 4500) ? each : near,
        )
        misses[i]!.push(Math.abs(Math.log(ahead.pressure / truth)))
        if (i === 0) return
        if (trend.now.low <= truth && truth <= trend.now.high) inside++
        if (
          truth < floor
            ? trendVerdict(trend, START) !== 'pass'
            : trendVerdict(trend, START) !== 'stop' || trend.now.low < floor
        )
          foretold++
      })
    }
    const mean = (of: number[]) => of.reduce((a, b) => a + b, 0) / of.length
    expect(inside).toBeGreaterThanOrEqual(19)
    expect(foretold).toBeGreaterThanOrEqual(22)
    expect(mean(misses[1]!)).toBeLessThan(mean(misses[0]!))
    expect(mean(misses[1]!)).toBeLessThan(0.05)
  })

  it('meets its floor on a day that goes with its pace, earlier at the band’s edge, and reminds of that day', () => {
    const sheet = logged([])
    const level = sheet.readings['start.idleHot.pressure']!.value
    const { floor } = trendOf(sheet)!
    // Down to the middle between what it read and its floor in 2,000 hours and as many days.
    const lines = [1, 2, 3, 4].map((i) => line(500 * i, 500 * i, level * Math.pow(floor / level, i / 8)))
    const trend = trendOf(logged(lines))!
    const { earliest, expected, latest } = trend.meets
    expect(earliest!.at).toBeLessThan(expected!.at)
    expect(expected!.at).toBeLessThan(latest?.at ?? Infinity)
    expect(expected!.run / HOUR).toBeGreaterThan(3000)
    expect(expected!.run / HOUR).toBeLessThan(6000)
    expect((expected!.at - START) / DAY).toBeCloseTo(expected!.run / HOUR, -1)
    expect(floorFrom(trend)).toBe(earliest!.at)
    // Nobody has read it for years: past the day on which it may be under its floor no word is green.
    expect(trendVerdict(trend, earliest!.at - 400 * DAY)).not.toBe('watch')
    expect(trendVerdict(trend, earliest!.at - 300 * DAY)).toBe('watch')
    expect(trendVerdict(trend, earliest!.at + 900 * DAY)).toBe('watch')
    const due = remindersOf(logged(lines), START, floorFrom(trend))
    expect(due.find(({ key }) => key === 'floor')?.due).toBe(earliest!.at)
    const under = trendOf(logged([...lines, line(2500, 2500, 0.8 * floor), line(2600, 2600, 0.8 * floor)]))!
    expect(trendVerdict(under, START)).not.toBe('pass')
    const deep = trendOf(
      logged(
        [100, 200, 300, 400].map((days) => line(days, days, 0.5 * floor)),
        0.5 * floor,
      ),
    )!
    expect(trendVerdict(deep, START)).toBe('stop')
    expect(floorFrom(deep)).toBeUndefined()
  })

  it('with readings of its first hour alone is what engines of its use lose, at the pace that is planned', () => {
    const begun = logged([line(0.04, 0, 2e5)])
    for (const [use, hours] of [
      ['race', 60],
      ['aircraft', 2000],
      ['road', 5000],
      ['marine', 5000],
      ['farm', 8000],
      ['generator', 10_000],
    ] as const) {
      const trend = trendOf({ ...begun, use })!
      expect(trend.change.per).toBe(100 * HOUR)
      expect(trend.change.share, use).toBeCloseTo(Math.expm1((-0.4 * 100) / hours), 6)
      expect(trend.told).toBeCloseTo(0, 6)
    }
    expect(trendOf(begun)!.pace).toEqual({ value: (5 * HOUR) / (7 * 86400), assumed: true })
    // Ten days are no pace yet, three weeks are.
    expect(trendOf(logged([line(10, 100, 2e5)]))!.pace.assumed).toBe(true)
    expect(trendOf(logged([line(21, 100, 2e5)]))!.pace).toEqual({ value: (100 * HOUR) / (21 * 86400), assumed: false })
    expect(trendOf(logged([{ at: day(1), pressure: 2e5 }]))!.change.per).toBe(365.25 * 86400)
    expect(trendOf(logged([{ at: day(1), pressure: 2e5, distance: 1e6 }]))!.change.per).toBe(1e7)
  })

  it('counts a reading less that lacks its speed and temperature, or comes of another gauge', () => {
    const idle = namedStates(logged([])).find(({ name }) => name === 'idleHot')!
    const at = { speed: idle.speed, temperature: idle.temperature }
    const sigma = (more: Partial<Parameters<typeof line>[3]>) =>
      trendOf(logged([line(50, 200, 1e5, { ...at }), line(100, 400, 1e5, more)]))!.points.at(-1)!.sigma
    expect(sigma({})).toBeGreaterThan(1.4 * sigma(at))
    // 16 kPa at most, as likely by any part of it; of the gauge in use the half of its variance.
    const [other, same] = [sigma({ ...at, instrument: 'Borrowed gauge' }), sigma(at)]
    expect(other ** 2 - same ** 2).toBeCloseTo(0.5 * (0.16 / Math.sqrt(3)) ** 2, 6)
  })

  it('may meet its floor from where the band’s lower edge does', () => {
    const { floor } = trendOf(logged([]))!
    const lines = [1, 2, 3, 4, 5, 6, 7, 8].map((i) => line(500 * i, 500 * i, floor * 2.2 * Math.exp(-0.045 * i)))
    const trend = trendOf(logged(lines, 2.2 * floor))!
    const edge = (of: 'low' | 'high', run: number) => {
      const after = trend.curve.findIndex((each) => each.run >= run)
      const [a, b] = [trend.curve[after - 1]!, trend.curve[after]!]
      return a[of] + ((run - a.run) / (b.run - a.run)) * (b[of] - a[of])
    }
    expect(trend.meets.earliest!.run).toBeGreaterThan(trend.points.at(-1)!.run)
    expect(edge('low', trend.meets.earliest!.run) / floor).toBeCloseTo(1, 2)
    expect(trend.curve.at(-1)!.run).toBeGreaterThan(trend.meets.earliest!.run)
  })
})
