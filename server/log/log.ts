import { existsSync, mkdirSync, renameSync, rmSync, statSync } from 'node:fs'
import { dirname, join } from 'node:path'
import pino, { type Logger } from 'pino'

/** Largest log file, bytes, and how many older ones are kept beside it. */
const LARGEST = 10_000_000
const OLDER = 3

/** What is never written, wherever it stands. */
const SECRETS = [
  'passphrase',
  'pin',
  'token',
  'authorization',
  'cookie',
  'password',
  '*.passphrase',
  '*.pin',
  '*.token',
  '*.authorization',
  '*.cookie',
  '*.password',
]

/** Moves a log that has grown too large aside: `uldo.log` to `uldo.log.1`, that to `.2`, and so on; the oldest goes. */
export function roll(file: string, largest = LARGEST): boolean {
  if (!existsSync(file) || statSync(file).size < largest) return false
  rmSync(`${file}.${OLDER}`, { force: true })
  for (let i = OLDER - 1; i >= 1; i--) if (existsSync(`${file}.${i}`)) renameSync(`${file}.${i}`, `${file}.${i + 1}`)
  renameSync(file, `${file}.1`)
  return true
}

/**
 * The server's log: one line of JSON for each request and each failure, without bodies and secrets. `ULDO_LOG` names a file, `stdout`, or `off`; else it is
 * `log/uldo.log` in the data folder.
 *
 * @throws nothing: a log that cannot be written is none
 */
export function openLog(data: string, wanted = process.env.ULDO_LOG): Logger {
  const options: pino.LoggerOptions = {
    base: undefined,
    timestamp: pino.stdTimeFunctions.isoTime,
    redact: { paths: SECRETS, censor: '·' },
    level: process.env.ULDO_LOG_LEVEL ?? 'info',
  }
  if (wanted === 'off') return pino({ ...options, level: 'silent' })
  if (wanted === 'stdout') return pino(options, pino.destination({ dest: 1, sync: false }))
  const file = wanted ?? join(data, 'log', 'uldo.log')
  try {
    mkdirSync(dirname(file), { recursive: true })
    roll(file)
    // At once, a line at a time: what is buffered is lost with a server that ends, and one that is not open yet holds up its end.
    const out = pino.destination({ dest: file, sync: true })
    out.on('error', () => undefined)
    const looks = setInterval(() => {
      try {
        if (roll(file)) out.reopen()
      } catch {
        // Neither a full disk nor a moved folder ends the server for its log's sake.
      }
    }, 600_000)
    looks.unref()
    return pino(options, out)
  } catch {
    return pino({ ...options, level: 'silent' })
  }
}
