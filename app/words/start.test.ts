import { describe, expect, it } from 'vitest'
import { newSheet } from '#core/record/layouts'
import { HARD_LIMIT, judgeFirstPressure, type PointVerdict } from '#core/start/verdict'
import { designWords, pointReason, STOP_TITLES, stopReason } from './start'

const bar = (pressure: number) => `${(pressure / 1e5).toFixed(1)} bar`
const point = (more: Partial<PointVerdict>): PointVerdict => ({
  verdict: 'pass',
  reading: 2.9e5,
  target: { least: 1.5e5, most: 6e5, school: 'maker', reason: 'the maker’s limit' },
  expected: { pressure: 2.9e5, low: 2.5e5, high: 3.3e5 },
  against: 'inside',
  prediction: 'within',
  ...more,
})

describe('why a start was stopped', () => {
  it('each rule has a title and says its own numbers', () => {
    expect(stopReason({ code: 'no-pressure', reading: 0, limit: 8 }, bar)).toContain('8 s')
    expect(stopReason({ code: 'falling', reading: 1.2e5, limit: 0 }, bar)).toContain('1.2 bar')
    expect(stopReason({ code: 'over-limit', reading: 7.1e5, limit: 6e5 }, bar)).toMatch(/7\.1 bar.*6\.0 bar/)
    expect(stopReason({ code: 'under-band', reading: 0.8e5, limit: 2.4e5 }, bar)).toMatch(/0\.8 bar.*2\.4 bar/)
    expect(new Set(Object.values(STOP_TITLES)).size).toBe(5)
  })
})

describe('what a steady point says', () => {
  it('under its target: by how much, and whether the engine or its record is to blame', () => {
    const wrong = pointReason(point({ reading: 0.8e5, against: 'under', prediction: 'below' }), bar)
    expect(wrong).toMatch(/^0\.7 bar under the target of 1\.5 bar, the maker’s limit/)
    expect(wrong).toMatch(/2\.9 bar \(2\.5 bar to 3\.3 bar\).*shut down and find it/)
    const honest = pointReason(
      point({ reading: 1.2e5, against: 'under', expected: { pressure: 1.2e5, low: 1e5, high: 1.4e5 } }),
      bar,
    )
    expect(honest).toContain('clearance, oil or pump must change')
    expect(honest).not.toContain('shut down')
  })
  it('over its most, below and above its band: another remedy for each', () => {
    expect(pointReason(point({ reading: 6.6e5, against: 'over', prediction: 'above' }), bar)).toMatch(
      /^0\.6 bar above the maximum of 6\.0 bar.*relief/,
    )
    expect(pointReason(point({ reading: 2e5, prediction: 'below' }), bar)).toContain('second gauge')
    expect(pointReason(point({ reading: 3.8e5, prediction: 'above' }), bar)).toContain('opens late')
  })
  it('never a prediction without its band', () => {
    for (const against of ['under', 'inside'] as const) {
      for (const prediction of ['below', 'within', 'above'] as const)
        expect(pointReason(point({ against, prediction }), bar)).toContain('2.9 bar (2.5 bar to 3.3 bar)')
    }
  })
})

describe('seconds to first pressure', () => {
  it('within the house’s deadline, late, and later than any house may allow', () => {
    const strict = {
      ...newSheet('inline6', 'x', 'y'),
      house: { rules: { 'start.deadline': 6 }, school: 'auto' as const },
    }
    expect(judgeFirstPressure(strict, 5.9)).toBe('pass')
    expect(judgeFirstPressure(strict, 6.1)).toBe('watch')
    expect(judgeFirstPressure(strict, HARD_LIMIT + 0.1)).toBe('stop')
  })
})

describe('a hot idle that is low by design', () => {
  const target = { least: 0.5e5, most: 6e5, school: 'maker' as const, reason: 'the maker’s limit for this engine' }
  it('is explained by what the layout does, with both figures', () => {
    expect(designWords({ target, rule: 0.8e5, reasons: ['aluminium-housing', 'full-grooves'] }, bar)).toBe(
      'Low by design: the maker’s limit for this engine asks for 0.5 bar at idle, less than the 0.8 bar of ten psi for each thousand rpm; its aluminium housing opens the bearings as it warms, its full-circle grooves let more oil past. Judged by this build’s own target.',
    )
    expect(designWords({ target, rule: 0.8e5, reasons: [] }, bar)).toContain('thousand rpm. Judged')
  })
})
