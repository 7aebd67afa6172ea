import { describe, expect, it } from 'vitest'
import { Inspection, SHELL_ZONES, type ShellLook } from '../record/schema'
import { scoreLength, shellSays, zonesThatDiffer } from './shellLook'

const even = Object.fromEntries(SHELL_ZONES.map((zone) => [zone, { seen: 'even grey' }])) as ShellLook['zones']
const says = (zones: ShellLook['zones']) =>
  shellSays({ zones: { ...even, ...zones } }).map(({ code, zones: at }) => [code, at.join(' ')])

describe('a shell’s zones', () => {
  it('say where it is worn, and so why', () => {
    expect(says({})).toEqual([['even', 'crown front rear left right']])
    expect(says({ front: { seen: 'scored' } })).toEqual([['one-edge', 'front']])
    expect(says({ front: { seen: 'pounded' }, rear: { seen: 'worn on one edge' } })).toEqual([
      ['both-edges', 'front rear'],
    ])
    expect(says({ left: { seen: 'pounded' } })).toEqual([['joints', 'left']])
    expect(says({ crown: { seen: 'pounded' } })).toEqual([['crown', 'crown']])
    expect(says(Object.fromEntries(SHELL_ZONES.map((zone) => [zone, { seen: 'scored' }])))).toEqual([
      ['all-over', 'crown front rear left right'],
    ])
  })
  it('give no verdict by colour alone: a fingernail says whether it is wear, heat or a stain', () => {
    expect(says({ crown: { seen: 'overlay gone' }, front: { seen: 'discoloured' } })).toEqual([
      ['colour-alone', 'crown front'],
    ])
    expect(says({ crown: { seen: 'overlay gone', felt: 'smooth' } })).toEqual([['stain', 'crown']])
    expect(says({ crown: { seen: 'overlay gone', felt: 'catches' } })).toEqual([
      ['crown', 'crown'],
      ['heat-or-wear', 'crown'],
    ])
  })
  it('that nobody looked at are named, and differ from none', () => {
    expect(shellSays({ zones: { crown: { seen: 'even grey' } } })).toEqual([
      { code: 'unseen', zones: ['front', 'rear', 'left', 'right'] },
    ])
    const last = { zones: { crown: { seen: 'even grey' }, front: { seen: 'scored' } } }
    expect(zonesThatDiffer({ zones: { crown: { seen: 'scored' }, rear: { seen: 'scored' } } }, last)).toEqual(['crown'])
    expect(zonesThatDiffer({ zones: { crown: { seen: 'even grey', felt: 'catches' } } }, last)).toEqual(['crown'])
  })
})

describe('a score by the ruler in its picture', () => {
  // Drawn by hand: a picture of 2000 by 1000, a ruler of 20 mm that is 800 pixels long, upright.
  const size: [number, number] = [2000, 1000]
  const ruler = { from: [0.1, 0.1] as [number, number], to: [0.1, 0.9] as [number, number], length: 0.02 }
  it('is as long as its share of the ruler, whichever way it runs', () => {
    const across = scoreLength({ size, ruler }, { from: [0.2, 0.5], to: [0.4, 0.5] })
    expect(across!.length).toBeCloseTo(0.01, 9)
    const slanted = scoreLength({ size, ruler }, { from: [0.2, 0.2], to: [0.35, 0.6] })
    expect(slanted!.length).toBeCloseTo(0.0125, 9)
    // A twentieth for the shell's round, and the marks: a few tenths of a millimetre in 10.
    expect(across!.sigma).toBeGreaterThan(0.0005)
    expect(across!.sigma).toBeLessThan(0.0007)
  })
  it('is none without a ruler, or where that is no longer than its marks', () => {
    const score = { from: [0.2, 0.5] as [number, number], to: [0.4, 0.5] as [number, number] }
    expect(scoreLength({ size }, score)).toBeUndefined()
    expect(scoreLength({ size, ruler: { ...ruler, length: undefined } }, score)).toBeUndefined()
    expect(scoreLength({ size, ruler: { ...ruler, to: [0.1, 0.11] } }, score)).toBeUndefined()
  })
})

it('what was marked is kept with its shell, and what lies outside its picture is refused by name', () => {
  const photo = '6c1f6b0e-6f0a-4a51-9d3c-2f7f1ad1f001'
  const picture = { size: [1600, 1200], zones: { crown: [0.5, 0.5] }, scores: [{ from: [0, 0], to: [1, 1] }] }
  const look = { zones: { crown: { seen: 'scored', felt: 'catches' } }, pictures: { [photo]: picture } }
  expect(Inspection.parse({ finding: 'scored', shell: look }).shell).toEqual(look)
  const wild = { ...look, pictures: { [photo]: { ...picture, zones: { crown: [1.2, 0.5] } } } }
  const refused = Inspection.safeParse({ finding: 'scored', shell: wild })
  expect(refused.error!.issues[0]!.path.join('.')).toBe(`shell.pictures.${photo}.zones.crown.0`)
})
