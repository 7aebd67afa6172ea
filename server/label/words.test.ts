import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { plugLabel } from '#core/outlook/plugLabel'
import { UNIT_CHOICES } from '#core/quantity/unitChoices'
import { labelWords } from './words'

describe('what a relief plug’s label says', () => {
  it('a label says every line of what is behind the plug, by whom and when, and never calls assumed what was measured', () => {
    const six = DEMO_BUILDS.ottiline()
    const hand = (by: string, at: string) => ({ by, at })
    six.checks['relief.marked'] = { state: 'done', ...hand('Ilse', '2026-05-14T09:00:00Z') }
    const { title, lines, engine } = labelWords(plugLabel(six, 'relief'), UNIT_CHOICES['mm, bar'])
    expect([title, engine]).toEqual(['Relief plug', 'Ottiline, Hesper 3.6'])
    expect(lines[0]).toMatch(/^Opens 4\.06 bar ± 0\.1\d bar$/)
    expect(lines.slice(1)).toEqual([
      'From its measured parts',
      expect.stringMatching(/^Spring \d+\.\d+ N\/mm, free \d+\.\d+ mm$/),
      'Shims 1.50 mm: 1.0 + 0.5',
      'Ilse, 2026-05-14',
    ])
    const bare = DEMO_BUILDS.talvik()
    const unmarked = labelWords(plugLabel(bare, 'relief'), UNIT_CHOICES['in, psi']).lines
    expect(unmarked[1]).toBe('Assumed, not measured')
    expect(unmarked.slice(3)).toEqual(['No shims', 'Not dated'])
  })
  it('of two valves each label is its own: place, stack and hand of one never stand on the other', () => {
    const two = DEMO_BUILDS.pell()
    two.checks['relief.marked'] = { state: 'done', by: 'Ilse', at: '2026-05-14T09:00:00Z' }
    two.readings['relief2.springRate'] = { value: 5200, source: 'measured', by: 'Tobi', at: '2026-05-15T09:00:00Z' }
    two.choices['relief.stack'] = '1.0 + 0.2'
    const [first, second] = (['relief', 'relief2'] as const).map((name) =>
      labelWords(plugLabel(two, name), UNIT_CHOICES['mm, bar']),
    )
    expect([first.title, second.title]).toEqual(['Relief plug, at the pump', 'Relief plug, gallery end'])
    expect(first.lines.at(-1)).toBe('Ilse, 2026-05-14')
    expect(second.lines.at(-1)).toBe('Tobi, 2026-05-15')
    expect(second.lines.join()).not.toContain('1.0 + 0.2')
  })
})
