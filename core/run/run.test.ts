import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CHANNEL, CHANNELS, type ChannelSample } from './channels'
import { fileHead, guessColumns, readSamples, samplesToCsv, withUnits } from './csv'
import { checksum, parseLine, writeLine } from './line'

const sampleOf = fc.record(
  {
    time: fc.integer({ min: 0, max: 10_000_000 }).map((ms) => ms / 1000),
    ...Object.fromEntries(
      CHANNELS.map((channel) => [
        channel,
        fc.double({ min: Math.max(0, CHANNEL[channel].range[0]), max: CHANNEL[channel].range[1], noNaN: true }),
      ]),
    ),
  },
  { requiredKeys: ['time'] },
) as fc.Arbitrary<ChannelSample>

describe('a line from a logger', () => {
  it('reads bare numbers as kPa, rpm and °C, and units where they stand', () => {
    expect(parseLine('P=231 N=820 T=18.5')).toEqual({
      ok: true,
      sample: { pressure: 231e3, speed: 820 / 60, temperature: 18.5 },
    })
    expect(parseLine('t=12.3,P=2.31bar;D=450rpm')).toMatchObject({ ok: true, sample: { time: 12.3, drill: 7.5 } })
    const psi = parseLine('P=33.5psi T=64.4°F')
    expect(psi.ok && psi.sample.pressure).toBeCloseTo(33.5 * 6894.757, 0)
    expect(psi.ok && psi.sample.temperature).toBeCloseTo(18, 6)
  })
  it('passes over empty lines and remarks, and refuses what it cannot read with the reason', () => {
    expect(parseLine('# logger 3')).toEqual({ ok: true, sample: {} })
    for (const [line, message] of [
      ['P231', /not a letter/],
      ['X=4', /none of t/],
      ['P=2 Q', /not a letter/],
      ['P=4°C', /not a unit of P/],
      ['P=1*00', /garbled/],
    ] as const) {
      const result = parseLine(line)
      expect(!result.ok && result.message).toMatch(message)
    }
  })
  it('comes back as it was written, and a changed byte is found by its sum', () => {
    fc.assert(
      fc.property(sampleOf, fc.nat(), fc.integer({ min: 1, max: 127 }), (sample, place, flip) => {
        const line = writeLine(sample)
        const read = parseLine(line)
        if (!read.ok) throw new Error(read.message)
        for (const key of Object.keys(sample) as (keyof ChannelSample)[])
          expect(read.sample[key]).toBeCloseTo(sample[key]!, key === 'time' ? 3 : -1)
        const body = line.slice(0, -3)
        const at = place % body.length
        const broken = body.slice(0, at) + String.fromCharCode(body.charCodeAt(at) ^ flip) + body.slice(at + 1)
        if (!/[\0-\x1f]/.test(broken)) expect(checksum(broken)).not.toBe(checksum(body))
      }),
      { numRuns: 200 },
    )
  })
})

describe('a logger’s file', () => {
  const columnsOf = (text: string) => withUnits(guessColumns(fileHead(text)), fileHead(text).headings)
  const read = (text: string, columns = columnsOf(text)) => {
    const pieces = [...readSamples(text, columns, 3)]
    return {
      samples: pieces.flatMap(({ samples }) => samples),
      bad: pieces.flatMap(({ bad }) => bad),
      shares: pieces.map(({ share }) => share),
    }
  }
  it('guesses columns and units by their headings', () => {
    const guess = guessColumns(fileHead('Time (ms),Oil press (psi),RPM,Oil temp [°F],Volts\n0,1,2,3,4\n'))
    expect(guess.map(({ column, use, unit }) => [column, use, unit?.symbol])).toEqual([
      [0, 'time', 'ms'],
      [1, 'pressure', 'psi'],
      [2, 'speed', 'rpm'],
      [3, 'temperature', '°F'],
    ])
  })
  it('reads rows, begins its time at the first, names the bad ones by line and column and keeps the good', () => {
    const { samples, bad } = read(
      'time (s),pressure (bar),speed (rpm)\n100,1.5,800\n100.1,x,810\nlater,1.5,800\n100.2,1.6,\n100.1,1.6,800\n100.3,99,800\n',
    )
    expect(samples.map(({ time }) => Number(time.toFixed(3)))).toEqual([0, 0.1, 0.2, 0.3])
    expect(samples[0]).toEqual({ time: 0, pressure: 1.5e5, speed: 800 / 60 })
    expect(samples[2].speed).toBeUndefined()
    expect(bad).toEqual([
      { line: 3, column: 'pressure (bar)', message: '“x” is not a number' },
      { line: 4, column: 'time (s)', message: '“later” is not a time' },
      { line: 6, column: 'time (s)', message: 'does not come after the row before' },
      { line: 7, column: 'pressure (bar)', message: '99 bar is out of any instrument’s range' },
    ])
  })
  it('reads semicolons with decimal commas, and Windows line ends', () => {
    expect(read('t (s);Druck pressure (bar)\r\n0,0;1,25\r\n0,1;1,26\r\n').samples).toEqual([
      { time: 0, pressure: expect.closeTo(1.25e5, 3) },
      { time: 0.1, pressure: expect.closeTo(1.26e5, 3) },
    ])
  })
  it('says what is missing of its columns', () => {
    expect(() => read('a,b\n1,2\n')).toThrow('columns: none is the time')
    expect(() => read('time (s),b\n1,2\n')).toThrow('columns: none is a reading')
  })
  it('asks for a unit that it does not say, and never takes it for bar or seconds', () => {
    const text = 'time (s),oil pressure\n0,43\n1,44\n'
    expect(guessColumns(fileHead(text)).map(({ unit }) => unit?.symbol)).toEqual(['s', undefined])
    expect(() => read(text)).toThrow(/“oil pressure” says no unit; write it behind in brackets, one of .*psi/)
    expect(() => read('t,pressure (bar)\n0,3\n1,3\n')).toThrow('“t” says no unit')
  })
  it('reads titles, a row of units, clock times over midnight, decimal commas and cells in quotes', () => {
    const text =
      'Logger 7;;\nFirst start;12 May;\n\nTime;Oil pressure;RPM\nhh:mm:ss;psi;1/min\n23:59:59;"43,5";800\n00:00:00,5;44;810\n00:00:01;x;820\n'
    const { samples, bad } = read(text)
    expect(samples.map(({ time }) => time)).toEqual([0, 1.5, 2])
    expect(samples[0]!.pressure).toBeCloseTo(43.5 * 6894.757, 0)
    expect(samples[2]).toEqual({ time: 2, speed: expect.closeTo(820 / 60, 9) as number })
    expect(bad).toEqual([{ line: 8, column: 'Oil pressure', message: '“x” is not a number' }])
    expect(read('time (mm:ss)\tpressure (bar)\n9:59\t3\n10:01\t3,1\n').samples.map(({ time }) => time)).toEqual([0, 2])
    expect(read('time (hh:mm:ss),pressure (bar)\n9:59,3\n09:61:00,3\n09:59:01,3\n').bad).toHaveLength(2)
  })
  it('what is written comes back', () => {
    fc.assert(
      fc.property(fc.uniqueArray(sampleOf, { selector: ({ time }) => time, maxLength: 20 }), (made) => {
        const samples = made.filter((sample) => Object.keys(sample).length > 1).sort((a, b) => a.time - b.time)
        if (samples.length === 0) return
        const back = read(samplesToCsv(samples))
        expect(back.bad).toEqual([])
        back.samples.forEach((sample, i) => {
          expect(sample.time).toBeCloseTo(samples[i].time - samples[0].time, 3)
          for (const channel of CHANNELS)
            if (samples[i][channel] !== undefined)
              expect(Math.abs(sample[channel]! - samples[i][channel]!)).toBeLessThan(
                1e-5 * Math.abs(samples[i][channel]!) + 1e-3,
              )
        })
      }),
    )
  })
})
