import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { placesOnDisk, smallDisk } from './places'
import { begin, contentsOf, enter, lostOf, ottilineOf } from './server'

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms))

/** The records' disk is full while they are made, and while it works; room is made, and it goes on. */
export async function fullDisk(on: string): Promise<string> {
  const disk = smallDisk(on === 'postgres' ? 400 : 220)
  const places = await placesOnDisk(on, disk)
  try {
    const said: string[] = []
    // Made on a full disk: it ends and says so, and with room it is made.
    const place = await places.place()
    if (on === 'folder') {
      place.folder = join(disk.folder, 'shop')
      mkdirSync(place.folder)
    }
    disk.fill(on === 'postgres' ? 600 : 8000)
    const made = await begin(place.folder, place.env)
    if (await made.ready()) throw new Error('It was made on a full disk: it was not full.')
    said.push(made.words().trim().split('\n').at(-1)!)
    if (!/full|room/i.test(made.words())) throw new Error(`Made on a full disk it says only: ${made.words()}`)
    disk.empty()
    await pause(1500)
    let server = await begin(place.folder, place.env)
    if (!(await server.ready())) throw new Error(`With room again it ends: ${server.words()}`)
    const { damage, builds } = await contentsOf(server)
    if (damage.length > 0 || builds.length !== 4)
      throw new Error(`With room again: ${JSON.stringify({ damage, builds })}`)

    // Full while it works: what is not taken says so, and all that was taken is there.
    const build = await ottilineOf(server.address)
    const acknowledged = new Map<number, number>()
    const refused = new Set<string>()
    let value = 0.05
    const some = async (count: number) => {
      for (let i = 0; i < count; i++) {
        const answer = await enter(server.address, build, (value += 1e-7))
        if (typeof answer === 'number') acknowledged.set(answer, value)
        else refused.add(`${answer.status} ${answer.message}`)
      }
    }
    await some(50)
    disk.fill(200)
    await some(3000)
    const full = acknowledged.size
    if (refused.size === 0) throw new Error('3,000 changes fitted on a full disk: it was not full.')
    for (const words of refused)
      if (!/^(507|503)/.test(words)) throw new Error(`On a full disk a change was answered with ${words}`)
    disk.empty()
    await pause(4000)
    if (server.child.exitCode !== null) {
      server = await begin(place.folder, place.env)
      if (!(await server.ready())) throw new Error(`After a full disk it ends: ${server.words()}`)
    }
    await some(50)
    if (acknowledged.size < full + 50)
      throw new Error(`With room again changes are refused: ${[...refused].join('; ')}`)
    const lost = await lostOf(server.address, build, acknowledged)
    const found = await contentsOf(server)
    server.child.kill('SIGTERM')
    await server.gone
    if (lost > 0 || found.damage.length > 0) throw new Error(`${lost} lost, damage ${JSON.stringify(found.damage)}`)
    return `made: “${said.join(' ')}”; at work: ${[...refused].map((each) => `“${each}”`).join(', ')}; ${acknowledged.size} acknowledged, none lost`
  } finally {
    await places.stop().catch(() => undefined)
    disk.end()
  }
}
