import { existsSync, rmSync } from 'node:fs'
import { EARLIER, prepareEarlier } from './earlier'
import { type Place, type Places, placesOn } from './places'
import { begin, leftAlone, moved, same } from './server'

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms))

/** Kills a server at moments spread over its start, and starts it again each time: it holds what it would hold had it been left alone. */
async function killedAtStart(places: Places, times: number, prepared?: string): Promise<string> {
  const first = await places.place(prepared)
  const { takes, holds } = await leftAlone(first)
  await first.end()
  if (holds.damage.length > 0) throw new Error(`Left alone, it is damaged: ${JSON.stringify(holds.damage)}`)
  let killed = 0
  for (let i = 0; i < times; i++) {
    const place = await places.place(prepared)
    const server = await begin(place.folder, place.env)
    await pause(((i + 0.5) / times) * takes)
    if (server.child.kill('SIGKILL')) killed++
    await server.gone
    const again = await leftAlone(place)
    if (!same(again.holds, holds))
      throw new Error(
        `Killed after ${(((i + 0.5) / times) * takes).toFixed(0)} ms it holds ${JSON.stringify(again.holds)} and not ${JSON.stringify(holds)}`,
      )
    await place.end()
  }
  return `${killed} kills over ${takes} ms, each time whole after the next start`
}

export const killedInCreation = (places: Places, times: number): Promise<string> => killedAtStart(places, times)

/** Records as the first version left them, brought up to date: all migrations at once. */
export async function killedInMigration(places: Places, times: number): Promise<string> {
  await prepareEarlier(places)
  return killedAtStart(places, times, EARLIER)
}

/** `npm run move` from one kind of records to the other, killed in the middle, and run again. */
export async function killedInMove(places: Places, times: number): Promise<string> {
  const other = await placesOn(places.postgres ? 'folder' : 'postgres')
  const source = await places.place()
  try {
    const { holds } = await leftAlone(source)
    let takes = 0
    const move = async (to: Place, killAfter?: number) => {
      const began = Date.now()
      const ended = await moved(source, to, killAfter)
      takes ||= Date.now() - began
      return ended
    }
    const fresh = async () => {
      const to = await other.place()
      if (existsSync(to.named)) rmSync(to.named, { recursive: true })
      return to
    }
    const alone = await move(await fresh())
    if (alone.code !== 0) throw new Error(`Left alone, it ends with ${alone.code}: ${alone.words}`)
    let whole = 0
    for (let i = 0; i < times; i++) {
      const to = await fresh()
      const after = ((i + 0.5) / times) * takes
      const killed = await move(to, after)
      if (killed.code !== 0) {
        const again = await move(to)
        // Killed after the last of it was there: then it is left as it is, and says so.
        if (again.code !== 0 && !/has records already|records/.test(again.words))
          throw new Error(`Killed after ${after.toFixed(0)} ms, run again it ends with ${again.code}: ${again.words}`)
      }
      const there = await leftAlone(to)
      if (!same(there.holds, holds))
        throw new Error(`Killed after ${after.toFixed(0)} ms, then run again: ${JSON.stringify(there.holds)}`)
      whole++
      await to.end()
    }
    if (!same((await leftAlone(source)).holds, holds)) throw new Error('Where it came from it is not as it was.')
    return `${whole} moves killed over ${takes} ms and run again, whole there and untouched where they came from`
  } finally {
    await other.stop()
  }
}
