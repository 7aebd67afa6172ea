import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import type { Experience } from '#core/record/experience'
import { applyPatch } from './patch'

const experience: Experience = {
  engines: 9,
  readings: 9,
  mean: 0.5,
  spread: 0.01,
  oil: '',
  shift: { 'model.leakage': -3 },
  oils: [],
  directions: [],
}

describe('a change of a record', () => {
  it('writes nothing that is the shop’s: neither its rules nor what its starts have taught', () => {
    const sheet = DEMO_BUILDS.ottiline()
    const refused = (patch: Parameters<typeof applyPatch>[1]) => {
      const result = applyPatch(sheet, patch)
      return 'problems' in result ? result.problems.map(({ path }) => path) : []
    }
    expect(refused([{ op: 'add', path: '/house', value: { rules: {}, school: 'auto' } }])).toEqual(['/house'])
    expect(refused([{ op: 'add', path: '/experience', value: experience }])).toEqual(['/experience'])
    expect(refused([{ op: 'replace', path: '', value: { ...sheet, experience } }])).not.toEqual([])
    expect(refused([{ op: 'add', path: '/choices/shop.experience', value: 'off' }])).toEqual([])
  })
})
