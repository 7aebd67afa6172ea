import { inspectionsOf, passagesOf } from './catalogue'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { findingOf } from './inspections'
import { newSheet, PRESETS } from '../record/layouts'
import type { Sheet } from '../record/schema'
import { outlookMap } from '../outlook/map'
import { passageEffects, withFinding } from '../outlook/passages'
import { stateReadings } from '../outlook/change'
import { modelOf } from '../outlook/model'
import { coolerFit } from '../parts/cooler'

const idle = (sheet: Sheet) => stateReadings(sheet, 1).idleHot.pressure
function withCooler(change: Partial<Sheet['layout']>): Sheet {
  const sheet = newSheet('inline4', 'a', 'b')
  Object.assign(sheet.layout, change)
  return sheet
}

describe('passages', () => {
  it('every layout’s passages are named once, stand on nodes that its circuit has, and ask what they should', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.keys(PRESETS)),
        fc.record({
          cooler: fc.boolean(),
          turbo: fc.boolean(),
          tensioner: fc.boolean(),
          timingJet: fc.boolean(),
          rockerFeed: fc.boolean(),
          filter: fc.boolean(),
          pistonJets: fc.nat(4),
        }),
        (preset, more) => {
          const sheet = newSheet(preset, 'a', 'b')
          Object.assign(sheet.layout, more)
          const items = passagesOf(sheet.layout)
          expect(new Set(items.map(({ key }) => key)).size).toBe(items.length)
          const nodes = new Set(modelOf(sheet).engine.circuit.network.nodes.map(({ id }) => id))
          for (const { absent } of items) if (absent.kind === 'leak') expect(nodes.has(absent.node)).toBe(true)
          const asked = inspectionsOf(sheet.layout).filter(({ station }) => station === 'passages')
          expect(asked.map(({ key }) => key)).toEqual(items.map(({ key }) => key))
          for (const each of asked) expect(each.findings.some(({ verdict }) => verdict === 'pass')).toBe(true)
        },
      ),
    )
  })
  it('anything left out inside lowers every state, and what runs out of it is what is missing elsewhere', () => {
    const sheet = newSheet('v8', 'a', 'b')
    const { now, effects } = passageEffects(sheet)
    for (const { finding, states } of effects.filter((each) => each.finding === 'left-out')) {
      expect(finding).toBe('left-out')
      for (const [name, { pressure }] of Object.entries(states))
        expect(pressure).toBeLessThan(now[name as keyof typeof now].pressure)
    }
    const gone = outlookMap(withFinding(sheet, 'passage.frontPlug', 'left-out'), [3, 2])
    gone.flows.lost.forEach((lost) => expect(lost).toBeGreaterThan(0))
    outlookMap(sheet, [3, 2]).flows.lost.forEach((lost) => expect(lost).toBe(0))
  })
  it('a restrictor left out works like its drilling', () => {
    const sheet = newSheet('inline6', 'a', 'b')
    const drilled = newSheet('inline6', 'a', 'b')
    drilled.readings['passage.rockerRestrictor'] = { value: 5e-3, source: 'measured' }
    expect(idle(withFinding(sheet, 'passage.rockerRestrictor', 'left-out'))).toBeCloseTo(idle(drilled), 3)
  })
})

describe('a bypass valve and its cooler', () => {
  it('belongs in by a fitted cooler; where the cooler is gone, out with the way open, or plugged where it leads to the sump', () => {
    expect(coolerFit(withCooler({ cooler: true }).layout)).toBe('in')
    expect(coolerFit(withCooler({ coolerPlugged: true }).layout)).toBe('open')
    expect(coolerFit(withCooler({ coolerPlugged: true, coolerBypass: 'sump' }).layout)).toBe('plugged')
  })
  it('one to the sump wrongly left in holds hot idle at its opening pressure, less what the filter takes', () => {
    const sheet = withCooler({ coolerPlugged: true, coolerBypass: 'sump' })
    sheet.readings['passage.coolerBypass'] = { value: 1e5, source: 'measured' }
    const sound = idle(sheet)
    const wrong = idle(withFinding(sheet, 'passage.coolerBypass', 'in'))
    expect(sound).toBeGreaterThan(2e5)
    expect(wrong).toBeGreaterThan(0.85e5)
    expect(wrong).toBeLessThan(1.12e5)
    const item = inspectionsOf(sheet.layout).find(({ key }) => key === 'passage.coolerBypass')!
    expect(findingOf(withFinding(sheet, item.key, 'in'), item)).toMatchObject({
      verdict: 'watch',
      action: expect.stringContaining('alarmingly low hot idle'),
    })
  })
  it('one round the cooler wrongly left in costs its opening pressure once the relief valve is open', () => {
    const sheet = withCooler({ coolerPlugged: true })
    const lost =
      stateReadings(sheet, 1).workingHot.pressure -
      stateReadings(withFinding(sheet, 'passage.coolerBypass', 'in'), 1).workingHot.pressure
    expect(lost).toBeGreaterThan(0.7 * 1.5e5)
    expect(lost).toBeLessThan(1.1 * 1.5e5)
  })
  it('with ports and valve both plugged nothing reaches the gallery; taken out by a fitted cooler the reading hardly moves', () => {
    const sheet = withCooler({ coolerPlugged: true })
    expect(idle(withFinding(sheet, 'passage.coolerBypass', 'plugged'))).toBeLessThan(1e3)
    const fitted = withCooler({ cooler: true })
    expect(Math.abs(idle(withFinding(fitted, 'passage.coolerBypass', 'open')) / idle(fitted) - 1)).toBeLessThan(0.1)
  })
  it('a filter’s loss and a finer one move the gauge', () => {
    const sheet = newSheet('inline4', 'a', 'b')
    const before = stateReadings(sheet, 1).workingHot.pressure
    sheet.readings['passage.filterLoss'] = { value: 60e3, source: 'measured' }
    expect(stateReadings(sheet, 1).workingHot.pressure).toBeLessThan(before - 5e3)
  })
})
