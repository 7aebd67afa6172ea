import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { newSheet, PRESETS } from '../record/layouts'
import { CAUSES } from '../trace/priors'
import { costOfCheck, costOfParts, costOfRepair, dryFor } from './costs'
import { type Done, type Exercise, prepareExercise } from './exercise'
import { scoreOf, tallyOf } from './score'
import { codeOf, HARDNESS, type PracticeTask, taskOf } from './task'

describe('the code by which a task is shared', () => {
  const tasks = fc.record({
    preset: fc.constantFrom(...Object.keys(PRESETS)),
    seed: fc.nat(2 ** 20 - 1),
    hardness: fc.constantFrom(...HARDNESS),
    cause: fc.option(fc.constantFrom(...CAUSES), { nil: undefined }),
  })

  it('gives its task back, whatever way it is typed', () => {
    fc.assert(
      fc.property(tasks, (task) => {
        const code = codeOf(task as PracticeTask)
        expect(code).toMatch(/^[0-9A-HJKMNP-TV-Z]{4}-[0-9A-HJKMNP-TV-Z]{4}$/)
        for (const typed of [
          code,
          code.toLowerCase(),
          code.replace('-', ' '),
          code.replace('-', '').replaceAll('0', 'o'),
        ])
          expect(taskOf(typed)).toEqual(JSON.parse(JSON.stringify(task)))
      }),
    )
  })

  it('with one sign typed wrong is nearly always refused, and never with too few', () => {
    const code = codeOf({ preset: 'inline6', seed: 4711, hardness: 'middle', cause: 'undriven' })
    const signs = '0123456789ABCDEFGHJKMNPQRSTVWXYZ'
    const wrong = [0, 1, 2, 3, 5, 6, 7, 8].flatMap((at) =>
      [...signs].filter((sign) => sign !== code[at]).map((sign) => code.slice(0, at) + sign + code.slice(at + 1)),
    )
    expect(wrong.filter((each) => taskOf(each) === undefined).length / wrong.length).toBeGreaterThan(0.95)
    expect(taskOf(code.slice(1))).toBeUndefined()
    expect(taskOf('')).toBeUndefined()
  })

  it('does not show two tasks that differ in the fault alone as neighbours of one sign', () => {
    const of = (cause: PracticeTask['cause']) => codeOf({ preset: 'v8', seed: 99, hardness: 'plain', cause })
    expect(new Set(CAUSES.map(of)).size).toBe(CAUSES.length)
    expect(() => codeOf({ preset: 'none such', seed: 1, hardness: 'plain' })).toThrow(RangeError)
  })
})

describe('an exercise', () => {
  const sheet = newSheet('inline4', 'Trial', 'Practice four')

  it('hides the fault that a teacher set, and gives the same again for the same task', () => {
    const task = { seed: 12, hardness: 'plain', cause: 'undriven' } as const
    const [one, other] = [prepareExercise(sheet, task), prepareExercise(sheet, task)]
    expect(one.hidden).toBe('undriven')
    expect(other.traced).toEqual(one.traced)
    for (const check of one.checks) expect(other.look(check)).toEqual(one.look(check))
    // A check that is made after others comes to what it comes to when it is made first.
    expect(one.look('drive')).toEqual(prepareExercise(sheet, task).look('drive'))
  })

  it('stands behind what its fault usually comes of: a pump turned the wrong way is a fresh build’s', () => {
    const fresh = Array.from(
      { length: 30 },
      (_, seed) => prepareExercise(sheet, { seed, hardness: 'plain', cause: 'wrong-way' }).traced.context,
    ).filter((context) => context === 'fresh')
    expect(fresh.length).toBeGreaterThan(20)
  })

  it('run without oil is called off at the deadline, dry until then; with pressure it is read where it was to be', () => {
    const dry = Array.from({ length: 40 }, (_, seed) =>
      prepareExercise(sheet, { seed, hardness: 'plain', cause: 'undriven' }),
    ).find(({ traced }) => traced.moment !== 'prime')!
    expect(dry.runs).toEqual(['crank', 'cold', 'idle-hot', 'working-hot'])
    for (const moment of ['cold', 'idle-hot', 'working-hot'] as const) {
      const ran = dry.run(moment)
      expect(ran).toMatchObject({ run: moment, calledOff: true, reading: { moment: 'first-run' } })
      expect(dry.costOf(ran)).toMatchObject({ minutes: 3, parts: [], dry: 5 })
    }
    // By the starter it is turned its fifteen seconds all the same, which count for a third.
    expect(dry.costOf(dry.run('crank'))).toMatchObject({ minutes: 2, dry: 5 })

    const worn = prepareExercise(sheet, { seed: 3, hardness: 'middle', cause: 'pump-worn' })
    const [cold, idle, working] = (['cold', 'idle-hot', 'working-hot'] as const).map(worn.run)
    expect([cold, idle, working].map(({ calledOff }) => calledOff)).toEqual([undefined, undefined, undefined])
    expect(working.reading.pressure).toBeGreaterThan(idle.reading.pressure)
    expect(cold.reading.pressure).toBeGreaterThan(idle.reading.pressure)
    expect(working.reading.speed).toBeGreaterThan(2 * idle.reading.speed!)
    expect(worn.costOf(idle)).toMatchObject({ minutes: 20, dry: 0 })
  })

  it('that is being primed is turned by its drill alone', () => {
    const primed = Array.from({ length: 60 }, (_, seed) => prepareExercise(sheet, { seed, hardness: 'plain' })).find(
      ({ traced }) => traced.moment === 'prime',
    )!
    expect(primed.runs).toEqual(['prime'])
    expect(primed.costOf(primed.run('prime'))).toMatchObject({ minutes: 4, dry: 0 })
  })

  it('refuses a fault that its engine cannot have', () => {
    expect(() =>
      prepareExercise(newSheet('rotary2', 'Trial', 'Two rotors'), { seed: 1, hardness: 'plain', cause: 'lifter-open' }),
    ).toThrow(/cannot have “lifter-open”/)
  })

  it('brings pressure back when it is repaired, and leaves it when something else is', () => {
    for (const cause of ['undriven', 'relief-open', 'clearance'] as const) {
      const exercise = prepareExercise(DEMO_BUILDS.talvik(), { seed: 5, hardness: 'plain', cause })
      const [right, wrong] = [exercise.repair(cause), exercise.repair('by-design')]
      expect(right).toMatchObject({ right: true })
      expect(wrong).toMatchObject({ right: false })
      const [mended, before] = [right, wrong].map((done) => ('reading' in done ? done.reading.pressure : NaN))
      expect(mended).toBeGreaterThan(1.2 * before)
    }
  })

  it('is found by the shortest way, which ends with the right repair', () => {
    const exercise = prepareExercise(DEMO_BUILDS.ottiline(), { seed: 3, hardness: 'plain', cause: 'undriven' })
    const way = exercise.shortest()
    expect(way.at(-1)).toMatchObject({ repair: 'undriven', right: true })
    expect(way.filter((each) => 'check' in each).length).toBeLessThan(13)
    expect(tallyOf(exercise, way).minutes).toBeGreaterThan(0)
  })

  it('runs dry no more once it is repaired, and does while something else is', () => {
    const of = (seed: number) => prepareExercise(sheet, { seed, hardness: 'plain', cause: 'undriven' })
    const turned = Array.from({ length: 12 }, (_, seed) => of(seed)).filter(({ traced }) => traced.moment !== 'prime')
    expect(turned.length).toBeGreaterThan(3)
    for (const exercise of turned) {
      // What is felt at a drill is felt at no crank.
      expect(exercise.checks).not.toContain('drill')
      expect(exercise.costOf(exercise.repair('undriven')).dry).toBe(0)
      expect(exercise.costOf(exercise.repair('relief-open')).dry).toBeGreaterThan(3)
    }
  })

  it('slips in one check without slipping in the others, and otherwise in the next engine', () => {
    const slips = Array.from({ length: 120 }, (_, seed) => {
      const { look } = prepareExercise(sheet, { seed, hardness: 'plain', cause: 'undriven' })
      return ['sender', 'oil-grade', 'relief'].map(
        (check) => !['reads-right', 'right', 'free'].includes(look(check as 'sender').value),
      )
    })
    const all = slips.filter((each) => each.every(Boolean)).length
    const some = slips.filter((each) => each.some(Boolean)).length
    expect(all).toBe(0)
    expect(some).toBeGreaterThan(2)
    expect(some).toBeLessThan(40)
  })

  it('draws what is plain further from sound than what is hard', () => {
    const lost = (hardness: 'plain' | 'hard') =>
      [1, 2, 3, 4].reduce((sum, seed) => {
        const exercise = prepareExercise(DEMO_BUILDS.ottiline(), { seed, hardness, cause: 'pump-worn' })
        const [now, then] = [exercise.repair('by-design'), exercise.repair('pump-worn')].map((done) =>
          'reading' in done ? done.reading.pressure : NaN,
        )
        return sum + now / then
      }, 0)
    expect(lost('plain')).toBeLessThan(lost('hard'))
  })
})

describe('what it costs', () => {
  it('counts dry journals only while the crank turns without pressure, and less while the starter turns it', () => {
    expect(dryFor(10, 0, 3e5, 'first-run')).toBe(10)
    expect(dryFor(9, 0, 3e5, 'crank')).toBe(3)
    expect(dryFor(10, 2e5, 3e5, 'first-run')).toBe(0)
    expect(costOfCheck('noise', 'prime').turning).toBe(0)
    expect(costOfCheck('noise', 'idle-hot').turning).toBe(10)
    expect(costOfRepair('by-design', 'idle-hot').turning).toBe(0)
    expect(costOfRepair('undriven', 'first-run').turning).toBe(10)
    expect(costOfParts(['pump', 'sump-gasket', 'pickup-seal'])).toBe(15.5)
  })

  const exercise: Pick<Exercise, 'costOf'> = {
    costOf: (done) =>
      'check' in done
        ? { minutes: 5, parts: [], turning: 10, dry: done.check === 'noise' ? 10 : 0 }
        : { minutes: 30, parts: ['spring'], turning: 0, dry: 0 },
  }
  const check = (key: 'drive' | 'noise'): Done => ({ check: key, value: 'none' })
  const repair = (right: boolean): Done => ({
    repair: 'relief-weak',
    right,
    reading: { moment: 'idle-hot', pressure: 1e5, with: 'mechanical' },
  })
  const shortest = tallyOf(exercise, [check('drive'), repair(true)])
  const scored = (done: Done[], helped = 0) => scoreOf(tallyOf(exercise, done), shortest, done, helped)

  it('is a hundred for the shortest way, and nothing where it was not found', () => {
    expect(scored([check('drive'), repair(true)])).toMatchObject({ found: true, points: 100, minutes: 35, parts: 1 })
    expect(scored([check('drive')])).toMatchObject({ found: false, points: 0 })
  })

  it('falls with time, with wrong repairs, with dry journals and with help', () => {
    const best = 100
    const slow = scored([check('drive'), check('drive'), check('drive'), repair(true)]).points
    const wrong = scored([check('drive'), repair(false), repair(true)]).points
    const dry = scored([check('noise'), repair(true)]).points
    const helped = scored([check('drive'), repair(true)], 2).points
    expect(slow).toBeLessThan(best)
    // 50 · 45/75 + 25 · 3/4 + 25 − 10.
    expect(wrong).toBe(64)
    // Ten seconds: a quarter of a hundred times 1 − e^−½.
    expect(dry).toBe(Math.round(75 + 25 * Math.exp(-0.5)))
    expect(helped).toBe(90)
  })
})
