import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { checkSheet } from '../engine/checkSheet'
import { copyOf } from './copy'
import { Sheet } from './schema'

const ottiline = () => Sheet.parse(JSON.parse(readFileSync('demo/builds/ottiline.json', 'utf8')))

describe('a copy as a new build', () => {
  it('takes over what the engine is and what its maker gives, and nothing that was measured or done on it', () => {
    const from = ottiline()
    const copy = copyOf(from, 'Ottiline’s sister')
    expect(checkSheet(copy)).toEqual([])
    expect(copy).toMatchObject({ name: 'Ottiline’s sister', engine: from.engine, layout: from.layout, use: from.use })
    expect(Object.values(copy.readings).every(({ source, by, at }) => source === 'maker' && !by && !at)).toBe(true)
    expect(copy.readings['brief.maximumSpeed'].value).toBe(from.readings['brief.maximumSpeed'].value)
    expect(copy.readings).not.toHaveProperty('main.1.bore')
    expect({ ...copy.checks, ...copy.inspections, ...copy.choices, ...copy.shells, ...copy.benches }).toEqual({})
  })
  it('shares nothing with its pattern', () => {
    const from = ottiline()
    const copy = copyOf(from, 'Sister')
    copy.layout.preset = 'v8'
    copy.readings['brief.maximumSpeed'].value = 1
    expect(from.layout.preset).not.toBe('v8')
    expect(from.readings['brief.maximumSpeed'].value).not.toBe(1)
  })
})
