import { describe, expect, it } from 'vitest'
import { type PrimeSaid, primeWords } from './prime'

const bar = (pressure: number) => `${(pressure / 1e5).toFixed(1)} bar`
const said: PrimeSaid = { gauge: 1.2e5, sender: 0.7e5, oilAtPad: false, ceiling: 6e5, coming: { code: 'rising' } }

describe('the sentence under a prime’s word', () => {
  it('says where to look by whether oil came to the pad', () => {
    const late = { code: 'late-gauge', by: 12.4 } as const
    expect(primeWords(late, said, bar)).toMatch(/12 s ago.*pickup, pump and filter/)
    expect(primeWords(late, { ...said, oilAtPad: true }, bar)).toMatch(/12 s ago.*behind the pad/)
  })
  it('says its own numbers: too low by how much, over which limit, how far above the model', () => {
    expect(primeWords({ code: 'low', by: 0.8e5 }, said, bar)).toBe(
      '1.2 bar and no more: 0.8 bar under the least to accept.',
    )
    expect(primeWords({ code: 'over-limit', by: 0.5e5 }, said, bar)).toMatch(/^6\.5 bar, over the 6\.0 bar/)
    expect(primeWords({ code: 'over-band', by: 0.9e5 }, said, bar)).toMatch(/^0\.9 bar above.*not count as primed/)
    expect(primeWords({ code: 'gauges-differ', by: 0 }, said, bar)).toMatch(/sender says 0\.7 bar, the gauge 1\.2 bar/)
    expect(primeWords({ code: 'flickers', by: 0.234 }, said, bar)).toContain('23 percent')
  })
  it('without readings names how long, without a model that it cannot be called primed', () => {
    expect(primeWords({ code: 'not-watching', by: 4 }, said, bar)).toMatch(/^Nothing was read for 4 s/)
    expect(primeWords({ code: 'not-watching', by: 0 }, said, bar)).toMatch(/limit of 6\.0 bar.*cannot be called primed/)
  })
  it('that goes well says what comes next, and never that it is primed', () => {
    const next = (coming: PrimeSaid['coming']) => primeWords({ code: 'going-well', by: 0 }, { ...said, coming }, bar)
    expect(next({ code: 'gauge-after', from: 6.6, to: 14.2 })).toBe('Oil at the gauge after 7 to 14 s of turning.')
    expect(next({ code: 'fit-filter' })).toContain('fit the filter')
    expect(next({ code: 'will-not-prime' })).toContain('will not prime')
    expect(next({ code: 'rising' })).not.toContain('primed')
  })
})
