import { describe, expect, it } from 'vitest'
import { definitionOf } from './definition'
import { newSheet } from '#core/record/layouts'
import type { PaperAnswers } from '#core/logbook/papers'
import { begunRun } from '#core/run/run'
import { inFonts } from './letters'
import type { Units } from './saying'
import { startReport } from './startReport'
import type { Paper } from './paper'

const joined = (words: string) =>
  inFonts(words)
    .map(({ text }) => text)
    .join('')

describe('letters of a paper', () => {
  it('each goes to the file that has it; what none has is a question mark, and nothing is lost', () => {
    expect(inFonts('Zoë 3.46 ± ½ – “a”')).toEqual([{ text: 'Zoë 3.46 ± ½ – “a”', font: 'Archivo' }])
    expect(inFonts('Ő, b', 'Mono')).toEqual([
      { text: 'Ő', font: 'MonoExtended' },
      { text: ', b', font: 'Mono' },
    ])
    expect(joined('ротор Ω')).toBe('????? ?')
    expect(joined('🛢 4.0 bar')).toBe('? 4.0 bar')
    expect(inFonts('')).toEqual([{ text: '', font: 'Archivo' }])
  })
})

describe('a paper as a PDF', () => {
  const paper: Paper = {
    title: 'Build sheet',
    of: 'Anna, Engine',
    made: 'Made by Ilse',
    page: 'sheet',
    blocks: [
      {
        kind: 'table',
        label: 'Bearings',
        columns: [{ head: 'Bearing' }, { head: 'Clearance, mm', figures: true }, { head: 'With' }],
        rows: [['Main 1', '0.056', 'Bore gauge']],
      },
      { kind: 'drawing', name: 'crank', label: 'Crank' },
      { kind: 'drawing', name: 'run', label: 'Run' },
    ],
  }
  const written = definitionOf(paper, { crank: '<svg/>' }, (number, count) => `page ${number} of ${count}`)

  it('repeats a table’s head, keeps figures on one line, and gives its width to the last words', () => {
    const content = written.content as unknown as {
      table?: { headerRows: number; widths: string[]; body: { noWrap?: boolean }[][] }
    }[]
    const { table } = content.find((each) => each.table)!
    expect(table!.headerRows).toBe(1)
    expect(table!.widths).toEqual(['auto', 'auto', '*'])
    expect(table!.body[1].map(({ noWrap }) => noWrap)).toEqual([false, true, false])
  })

  it('a drawing that is not there leaves no gap; the foot says engine, hand and page', () => {
    const content = written.content as unknown as { svg?: string }[]
    expect(content.filter((each) => 'svg' in each)).toHaveLength(1)
    const footer = (written.footer as (number: number, count: number) => object)(2, 5)
    expect(JSON.stringify(footer)).toContain('page 2 of 5')
    expect(JSON.stringify(footer)).toContain('Made by Ilse')
  })
})

describe('a report of a start', () => {
  const sheet = newSheet('inline6', 'Anna', 'Engine')
  const report = (source: 'logger' | 'rig', more: { stopped?: boolean; found?: string | null } = {}) => {
    const begun = { id: 'a', buildId: 'b', kind: 'start', who: 'Ilse', startedAt: '2026-05-16T08:00:00Z' } as const
    const run = { ...begunRun({ ...begun, setup: { source } }), outcome: 'stopped: no pressure', ...more }
    const units = { unit: () => ({ symbol: 'bar' }) } as unknown as Units
    return JSON.stringify(startReport(sheet, run, { points: [] } as unknown as PaperAnswers, units))
  }

  it('says what a simulated engine ran as such, and nothing of the kind of a real one', () => {
    expect(report('rig')).toContain('nothing of this run was measured')
    expect(report('logger')).not.toContain('nothing of this run was measured')
    expect(report('logger')).toContain('a logger')
  })

  it('what the server did not tell is not said to be none', () => {
    const words = (run: 'none' | 'not-known') =>
      JSON.stringify(startReport(sheet, run, { points: [] } as unknown as PaperAnswers, {} as Units))
    expect(words('none')).toContain('No start is on record')
    expect(words('not-known')).not.toContain('No start is on record')
    expect(words('not-known')).toContain('is not known')
  })

  it('a start that was stopped says what was found, or that nobody wrote it', () => {
    expect(report('logger', { stopped: true })).toContain('not written down yet')
    expect(report('logger', { stopped: true, found: 'air lock' })).toContain('air lock')
    expect(report('logger')).not.toContain('Found and done')
  })
})
