import { type ChannelSample, sequenceOf } from '#core/run/channels'
import { ask } from '~/sync/ask'

const PIECE = 20_000

/**
 * All samples of a run that is on the server, fetched piece by piece.
 *
 * @throws {Refused} where the server does not give them
 */
export async function runSamples(run: string): Promise<ChannelSample[]> {
  const samples: ChannelSample[] = []
  for (;;) {
    const last = samples.at(-1)
    const piece = await ask('GET /api/runs/:run/samples', {
      at: { run },
      query: { after: last ? sequenceOf(last) : -1, most: PIECE },
    })
    samples.push(...piece)
    if (piece.length < PIECE) return samples
  }
}
