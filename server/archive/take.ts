import { House } from '#core/house/schema'
import type { Sheet } from '#core/record/schema'
import type { Database, Queries } from '../data/database'
import { getHouse, putHouse } from '../data/house'
import { damageOf } from '../data/integrity'
import { insertSamples } from '../data/runs'
import { putBuild, putPhoto, putRows, takenIds } from '../data/wholeBuild'
import { BadArchive } from './format'
import type { ArchivedBuild, ReadArchive } from './read'

/** What was taken in, and what of the shop's own was left as it stands here. */
export interface TakenIn {
  builds: { id: string; name: string }[]
  house: 'taken' | 'left' | 'none'
  shelf: number
}

const SAMPLES = 5000

/**
 * Takes an archive in: all of it, or, where anything is wrong with it or one of its builds is here already, nothing.
 *
 * @throws BadArchive in words
 */
export async function takeArchive(db: Database, { builds, shop }: ReadArchive): Promise<TakenIn> {
  const taken = await takenIds(db, {
    builds: builds.map(({ head }) => head.id),
    runs: builds.flatMap(({ rows }) => rows.run.map(({ id }) => String(id))),
    photos: builds.flatMap(({ photos }) => photos.map(({ head }) => head.id)),
  })
  const here = builds.find(({ head, rows, photos }) =>
    [head.id, ...rows.run.map(({ id }) => String(id)), ...photos.map((photo) => photo.head.id)].some((id) =>
      taken.includes(id),
    ),
  )
  if (here)
    throw new BadArchive(`${nameOf(here)} is here already, on the floor, archived or deleted: nothing was taken in.`)
  const shelf = await db.transaction(async (tx) => {
    for (const build of builds) await takeBuild(tx, build)
    return shop ? takeShelf(tx, shop.shelf) : 0
  })
  return {
    builds: builds.map((build) => ({ id: build.head.id, name: nameOf(build) })),
    house: shop ? await takeHouse(db, shop.house) : 'none',
    shelf,
  }
}

const nameOf = ({ head }: ArchivedBuild): string => (head.sheet as Sheet).name

async function takeBuild(tx: Queries, build: ArchivedBuild): Promise<void> {
  const { head, rows, samples, photos } = build
  try {
    await putBuild(tx, head)
    for (const photo of photos) await putPhoto(tx, head.id, photo.head, photo.bytes)
    for (const table of ['entry', 'proposal', 'run', 'run_event'] as const) await putRows(tx, table, rows[table])
    for (const { run, samples: all } of samples)
      for (let from = 0; from < all.length; from += SAMPLES)
        await insertSamples(tx, run, all.slice(from, from + SAMPLES))
  } catch (error) {
    throw new BadArchive(`${nameOf(build)} could not be taken in: ${(error as Error).message}.`)
  }
  const why = await damageOf(tx, { id: head.id, revision: head.revision, sheet: head.sheet as Sheet })
  if (why) throw new BadArchive(`${nameOf(build)}: its history does not hold together (${why}).`)
}

/** The shop's rules, where this one has none of its own yet. */
async function takeHouse(db: Database, house: unknown): Promise<'taken' | 'left'> {
  const read = House.safeParse(house)
  if (!read.success || (await getHouse(db)).revision !== 0) return 'left'
  return (await putHouse(db, 0, read.data, 'An archive')).kind === 'written' ? 'taken' : 'left'
}

/** Things on the shelf that are not here yet, and what the builds hold of them. */
async function takeShelf(tx: Queries, shelf: unknown): Promise<number> {
  const { items = [], holds = [], moves = [] } = shelf as Record<string, Record<string, unknown>[] | undefined>
  try {
    const { rows } = await tx.query<{ id: string }>(
      `insert into shelf_item select * from jsonb_populate_recordset(null::shelf_item, $1::jsonb)
       on conflict (id) do nothing returning id`,
      [JSON.stringify(items)],
    )
    const fresh = new Set(rows.map(({ id }) => id))
    const of = (all: Record<string, unknown>[]) =>
      JSON.stringify(all.filter(({ item_id }) => fresh.has(String(item_id))))
    await tx.query('insert into shelf_hold select * from jsonb_populate_recordset(null::shelf_hold, $1::jsonb)', [
      of(holds),
    ])
    await tx.query(
      `insert into shelf_move (client_key, item_id, build_id, move, count, who, at, entry_key)
       select client_key, item_id, build_id, move, count, who, at, entry_key from jsonb_populate_recordset(null::shelf_move, $1::jsonb)`,
      [of(moves)],
    )
    return fresh.size
  } catch (error) {
    throw new BadArchive(`What lies on the shelf could not be taken in: ${(error as Error).message}.`)
  }
}
