/**
 * Uldo without a face: `npm run -s uldo -- VERB [FILE]`. Reads JSON from FILE or standard input, writes one JSON value to
 * standard output. Exit code 0, or 2 with one line on standard error that names the field and the reason.
 */
import { readFileSync } from 'node:fs'
import { Refused, VERBS } from './lib/verbs/index'

const [verb, file] = process.argv.slice(2)
try {
  const handler = VERBS[verb ?? '']
  if (!handler) throw new Refused('verb', `is one of ${Object.keys(VERBS).join(', ')}`)
  let text: string
  try {
    text = readFileSync(file ?? 0, 'utf8')
  } catch {
    throw new Refused('file', `“${file ?? 'standard input'}” cannot be read`)
  }
  let input: unknown
  try {
    input = JSON.parse(text)
  } catch {
    throw new Refused('input', 'is not JSON')
  }
  process.stdout.write(`${JSON.stringify(handler(input))}\n`)
} catch (error) {
  if (!(error instanceof Refused)) throw error
  process.stderr.write(`${error.message}\n`)
  process.exitCode = 2
}
