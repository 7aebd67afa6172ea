/**
 * Uldo without a face: `npm run -s uldo -- VERB [FILE]`. Reads JSON from FILE or standard input, writes one JSON value to
 * standard output. Exit code 0, or 2 with one line on standard error that names the field and the reason.
 */
import { readFileSync } from 'node:fs'
import { z } from 'zod'
import { Refused, type Verb, VERBS } from '../core/verbs/index'
import { version } from '../package.json'
import { completionFor, SHELLS } from './lib/completion'

const HELP = `uldo VERB [FILE]    reads JSON from FILE or standard input, writes one JSON value; SI units, °C

${Object.entries(VERBS)
  .map(([name, { summary }]) => `  ${name.padEnd(11)}${summary}`)
  .join('\n')}

  VERB --help          its input as JSON Schema, with an example
  completion SHELL     completion for ${SHELLS.join(' or ')}, to be read by it: eval "$(npm run -s uldo -- completion bash)"
  --version

Exit code 0, or 2 with one line on standard error that names the field and the reason.
`

const WHERE = {
  whole: 'Input is a build file (docs/file-format.md), such as demo/builds/ottiline.json.',
  beside: 'Input is a build file (docs/file-format.md) with these keys beside its own.',
  each: 'Each of “engines” has a build file (docs/file-format.md) under “build”.',
  under: 'Input has a build file (docs/file-format.md) under “build”, beside these.',
}

function helpOf(name: string, { summary, input, example, build }: Verb): string {
  const schema = build === 'whole' ? undefined : z.toJSONSchema(input, { io: 'input', unrepresentable: 'any' })
  return [
    `uldo ${name} [FILE]    ${summary}.`,
    ...(build ? [WHERE[build]] : []),
    ...(schema
      ? [`Schema of the input:\n${JSON.stringify(schema, null, 2)}`]
      : ['Schema of the input: docs/build-file.schema.json']),
    ...(build === 'whole'
      ? []
      : [`Example${build ? ', beside the build file' : ''}:\n${JSON.stringify(example, null, 2)}`]),
    '',
  ].join('\n\n')
}

async function answer(words: string[]): Promise<string> {
  const [name, file] = words
  if (name === '--help') return HELP
  if (name === '--version') return `${version}\n`
  if (name === 'completion') {
    const found = completionFor(file ?? '', Object.keys(VERBS))
    if (!found) throw new Refused('shell', `is one of ${SHELLS.join(', ')}`)
    return found
  }
  const verb = Object.hasOwn(VERBS, name ?? '') ? VERBS[name!] : undefined
  if (!verb) throw new Refused('verb', `is one of ${Object.keys(VERBS).join(', ')}`)
  if (words.includes('--help')) return helpOf(name!, verb)
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
  return `${JSON.stringify(await verb.run(input))}\n`
}

const words = process.argv.slice(2)
try {
  if (words.length === 0) {
    process.stderr.write(HELP)
    process.exitCode = 2
  } else process.stdout.write(await answer(words))
} catch (error) {
  if (!(error instanceof Refused)) throw error
  process.stderr.write(`${error.message}\n`)
  process.exitCode = 2
}
