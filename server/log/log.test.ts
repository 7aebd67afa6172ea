import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, it, vi } from 'vitest'
import { openLog, roll } from './log'

const folder = mkdtempSync(join(tmpdir(), 'uldo-log-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

describe('the log', () => {
  it('is lines of JSON in the data folder, with no secret in them', async () => {
    openLog(folder, undefined).info({
      path: '/api/builds',
      status: 200,
      pin: '1234',
      headers: { cookie: 'secret', authorization: 'Bearer secret' },
    })
    await vi.waitFor(() => expect(readFileSync(join(folder, 'log/uldo.log'), 'utf8')).toContain('/api/builds'))
    const text = readFileSync(join(folder, 'log/uldo.log'), 'utf8')
    expect(JSON.parse(text)).toMatchObject({
      path: '/api/builds',
      status: 200,
      pin: '·',
      time: expect.stringMatching(/^\d{4}-/) as string,
    })
    expect(text).not.toMatch(/secret|1234/)
  })
  it('that has grown too large is moved aside, and the oldest goes', () => {
    const file = join(folder, 'x.log')
    for (let i = 1; i <= 5; i++) {
      writeFileSync(file, String(i).repeat(20))
      expect(roll(file, 20)).toBe(true)
    }
    expect(existsSync(file)).toBe(false)
    expect(
      ['1', '2', '3', '4'].map((n) => existsSync(`${file}.${n}`) && readFileSync(`${file}.${n}`, 'utf8')[0]),
    ).toEqual(['5', '4', '3', false])
    writeFileSync(file, 'small')
    expect(roll(file, 20)).toBe(false)
  })
  it('that cannot be written is none, and ends nothing', () => {
    writeFileSync(join(folder, 'file'), '')
    expect(() => openLog(folder, join(folder, 'file', 'x.log')).info('hello')).not.toThrow()
    // A disk that is full.
    const full = openLog(folder, '/dev/full')
    for (let i = 0; i < 3; i++) expect(() => full.info('hello')).not.toThrow()
  })
})
