import type { Database } from '../../../data/database'
import { z } from 'zod'
import { CHANNELS } from '#core/run/channels'
import { SampleBody } from '#core/run/schema'
import { type ColumnUse, type FileHead, fileHead, guessColumns, readSamples, unitsFor, withUnits } from '#core/run/csv'
import { insertSamples, lastSequence, takeSamplesIn } from '../../../data/runs'

/** Largest body, bytes: some hours at ten a second. */
const LIMIT = 16_000_000
const PIECE = 6000

/** What a file's columns are taken as, where its sender says so. */
const Columns = z
  .array(
    z.strictObject({
      column: z.number().int().min(0).max(500),
      use: z.enum(['time', ...CHANNELS]),
      unit: z.string().max(20),
    }),
  )
  .min(2)
  .max(40)

export default describedHandler(
  {
    about:
      'Takes readings from any logger: JSON, one sample or a list, SI and °C; or CSV lines under headings with their units in brackets, or with `columns` saying what each is. Answers once they are committed; a sample of a millisecond that is there already is passed over.',
    body: z.union([z.array(SampleBody), SampleBody]),
    query: z.object({ columns: z.string().optional(), header: z.string().optional() }),
    takes: ['text/csv'],
  },
  async (event) => {
    const run = await requireRunHead(event)
    if (run.endedAt)
      throw refusal(409, 'ended', 'Readings: that run is over.', { problems: [{ path: 'run', message: 'is over' }] })
    const text = (await requireBytes(event, LIMIT, 'Readings')).toString('utf8')
    const db = requireDatabase()
    if ((getRequestHeader(event, 'content-type') ?? '').includes('csv'))
      return takeFile(db, run.id, text, getQuery(event), () => event.node.req.destroyed && !event.node.req.complete)
    const sent = requireKeepable(fromJson(text), 'Readings')
    const { samples, refused } = takeSamples(sent, await nextMoment(db, run))
    const { taken, known, lost } = await takeSamplesIn(db, run.id, samples)
    const stand = new Set(lost)
    if (taken > 0) announceRun(run.id, { kind: 'samples', samples: samples.filter((_, place) => !stand.has(place)) })
    const without = new Set(refused.map(({ index }) => index))
    const kept = sent.flatMap((_, index) => (without.has(index) ? [] : [index]))
    for (const place of lost)
      refused.push({ index: kept[place], path: 'time', message: `another reading stands at ${samples[place].time} s` })
    if (taken + known === 0) {
      const [first] = refused
      throw refusal(
        400,
        'invalid',
        first ? `Readings: none was taken: ${first.path} ${first.message}` : 'Readings: none was sent.',
        {
          problems:
            refused.length > 0
              ? refused.slice(0, 50).map(({ path, message }) => ({ path, message }))
              : [{ path: '', message: 'holds no reading' }],
        },
      )
    }
    return { taken, known, refused }
  },
)

/** Where readings without a time belong: now by the server's clock, and after what is there. */
async function nextMoment(db: Database, run: Parameters<typeof secondsInto>[0] & { id: string }): Promise<number> {
  return Math.max(secondsInto(run), (await lastSequence(db, run.id)) / 1000 + 1e-3)
}

function fromJson(text: string): unknown[] {
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch {
    throw refusal(400, 'not-json', 'Readings: the body is neither JSON nor CSV.', {
      problems: [{ path: '', message: 'is not JSON; send CSV as text/csv' }],
    })
  }
  return Array.isArray(value) ? value : [value]
}

/** A file, piece by piece, each told as it is committed; bad rows by line and column. */
async function takeFile(
  db: Database,
  id: string,
  text: string,
  { columns: said, header }: Record<string, unknown>,
  gone: () => boolean,
) {
  let taken = 0
  const refused: { line: number; column: string; message: string }[] = []
  try {
    const head = fileHead(text, headerOf(header))
    for (const piece of readSamples(text, columnsOf(head, said), PIECE, said ? undefined : 0, head)) {
      if (gone()) break
      taken += await insertSamples(db, id, piece.samples)
      if (piece.samples.length > 0) announceRun(id, { kind: 'samples', samples: piece.samples })
      refused.push(...piece.bad)
    }
  } catch (error) {
    if (!(error instanceof RangeError)) throw error
    throw refusal(400, 'invalid', `Readings: ${error.message}`, {
      problems: [{ path: 'headings', message: error.message }],
    })
  }
  if (taken === 0)
    throw refusal(
      400,
      'invalid',
      refused[0]
        ? `Readings: none was taken: line ${refused[0].line}, ${refused[0].column} ${refused[0].message}`
        : 'Readings: none of them was new.',
      { problems: refused.slice(0, 50).map(({ line, column, message }) => ({ path: `${line}/${column}`, message })) },
    )
  return { taken, refused }
}

/** Which of its lines has the headings, where its sender says so: `3`, or `3u` where the next has their units. */
function headerOf(said: unknown): FileHead['header'] | undefined {
  if (said === undefined) return undefined
  const text = requireValid(
    z.string().regex(/^\d{1,2}u?$/, 'must be a line’s number from 0 to 60, with u behind where units follow'),
    said,
    'header',
  )
  return { row: parseInt(text, 10) - 1, units: text.endsWith('u') }
}

function columnsOf(head: FileHead, said: unknown): ColumnUse[] {
  if (typeof said !== 'string') return withUnits(guessColumns(head), head.headings)
  let value: unknown
  try {
    value = JSON.parse(said)
  } catch {
    value = undefined
  }
  return requireValid(Columns, value, 'Columns').map(({ column, use, unit }) => {
    const found = unitsFor(use).find(({ symbol }) => symbol === unit)
    if (!found)
      throw refusal(400, 'invalid', `Columns: “${unit}” is not a unit of ${use}.`, {
        problems: [
          {
            path: `columns.${column}.unit`,
            message: `must be one of ${unitsFor(use)
              .map(({ symbol }) => symbol)
              .join(', ')}`,
          },
        ],
      })
    return { column, use, unit: found }
  })
}
