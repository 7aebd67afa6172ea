import { existsSync, rmSync } from 'node:fs'
import { EARLIER, prepareEarlier } from './earlier'
import { type Place, placesOn, placesOnDisk, smallDisk } from './places'
import { begin, type Contents, leftAlone, moved, same } from './server'

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms))
/** What is left free on the disk, kB: from nothing to enough, so that it is full at one step or another. */
const LEFT = [0, 300, 1000, 2500, 5000, 9000, 16_000, 24_000, 50_000, 90_000]
/** A database server that fell over a full disk is back after so long, ms. */
const BACK = 4000
const FULL = /full|room/i

type Disk = ReturnType<typeof smallDisk>

/**
 * One step with so little room that it may fail: then it says that the disk is full, and done again with room all is there.
 *
 * @returns whether the disk was too small for it
 */
async function withLittleRoom(
  disk: Disk,
  left: number,
  step: () => Promise<{ done: boolean; words: string }>,
  whole: () => Promise<Contents>,
  wanted: Contents,
): Promise<boolean> {
  disk.fill(left)
  const { done, words } = await step()
  disk.empty()
  if (!done) {
    if (!FULL.test(words)) throw new Error(`With ${left} kB left it says only: ${words}`)
    await pause(BACK)
  }
  const holds = await whole()
  if (!same(holds, wanted)) throw new Error(`With ${left} kB left, then with room: ${JSON.stringify(holds)}`)
  return !done
}

const told = (what: string, failed: boolean[], amounts: number[]) => {
  if (!failed.some(Boolean)) throw new Error('The disk was never full.')
  return `${what} with ${amounts.length} amounts of room, ${failed.filter(Boolean).length} times too little: said so, and whole with room`
}

/** Records of the first version brought up to date while the disk fills. */
export async function fullInMigration(on: string, amounts = LEFT): Promise<string> {
  const disk = smallDisk(on === 'postgres' ? 400 : 220)
  const places = await placesOnDisk(on, disk)
  try {
    await prepareEarlier(places)
    const alone = await places.place(EARLIER)
    const { holds } = await leftAlone(alone)
    await alone.end()
    const failed: boolean[] = []
    for (const left of amounts) {
      const place = await places.place(EARLIER)
      const step = async () => {
        const server = await begin(place.folder, place.env)
        const done = await server.ready()
        server.child.kill('SIGTERM')
        await server.gone
        return { done, words: server.words() }
      }
      failed.push(await withLittleRoom(disk, left, step, async () => (await leftAlone(place)).holds, holds))
      await place.end()
    }
    return told('brought up to date', failed, amounts)
  } finally {
    await places.stop().catch(() => undefined)
    disk.end()
  }
}

/** A shop moved onto a disk that fills: to a server where the records are `folder`, else into a folder. */
export async function fullInMove(on: string, amounts = LEFT): Promise<string> {
  const disk = smallDisk(on === 'folder' ? 400 : 220)
  const here = await placesOn(on)
  const there = await placesOnDisk(on === 'folder' ? 'postgres' : 'folder', disk)
  try {
    const source = await here.place()
    const { holds } = await leftAlone(source)
    const failed: boolean[] = []
    for (const left of amounts) {
      const to: Place = await there.place()
      if (existsSync(to.named)) rmSync(to.named, { recursive: true })
      let done = false
      const step = async () => {
        const { code, words } = await moved(source, to)
        done = code === 0
        return { done, words }
      }
      const whole = async () => {
        if (!done) {
          const again = await moved(source, to)
          if (again.code !== 0) throw new Error(`With room it ends with ${again.code}: ${again.words}`)
        }
        return (await leftAlone(to)).holds
      }
      failed.push(await withLittleRoom(disk, left, step, whole, holds))
      await to.end()
    }
    if (!same((await leftAlone(source)).holds, holds)) throw new Error('Where it came from it is not as it was.')
    return told('moved', failed, amounts)
  } finally {
    await here.stop().catch(() => undefined)
    await there.stop().catch(() => undefined)
    disk.end()
  }
}
