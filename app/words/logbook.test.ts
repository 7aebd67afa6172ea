import { describe, expect, it } from 'vitest'
import { catalogueOf } from '#core/engine/catalogue'
import { newSheet, PRESETS } from '#core/record/layouts'
import { choiceTitle, lineWords } from './logbook'

const say = (value: number) => `${(1e3 * value).toFixed(3)} mm`

describe('a line of the story in words', () => {
  it('every choice of every layout has a title of its own', () => {
    for (const preset of Object.keys(PRESETS)) {
      const { layout } = newSheet(preset, 'Anna', 'Engine')
      for (const choice of catalogueOf(layout).choices) expect(choiceTitle(choice, layout), choice).toBeDefined()
    }
  })

  it('says which valve and which passage', () => {
    const { layout } = newSheet('inline3', 'Anna', 'Engine')
    expect(choiceTitle('relief2.body', layout)).toBe('Valve at the gallery: Valve')
    expect(choiceTitle('relief.body', layout)).toBe('Valve')
    const passage = [...catalogueOf(layout).choices].find((each) => each.endsWith('.by'))!
    expect(choiceTitle(passage, layout)).toMatch(/^.+: Fitted by$/)
  })

  it('a reading says value, what stood before and its instrument; taken out is said', () => {
    const { layout } = newSheet('inline6', 'Anna', 'Engine')
    const line = {
      revision: 3,
      kind: 'reading',
      station: 'bearings',
      part: 'readings',
      key: 'main.2.bore',
      reason: '',
    } as const
    const before = { value: 0.066041 }
    const after = { value: 0.066061, instrument: 'bore gauge' }
    expect(lineWords({ ...line, before, after }, layout, say)).toMatchObject({
      what: 'Main 2 bore',
      before: '66.041 mm',
      after: '66.061 mm',
      instrument: 'bore gauge',
    })
    expect(lineWords({ ...line, before }, layout, say)).toMatchObject({ before: '66.041 mm', after: 'taken out' })
  })
})
