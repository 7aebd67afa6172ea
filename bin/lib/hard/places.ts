import { execFileSync } from 'node:child_process'
import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import pg from 'pg'
import type { Database, Migration } from '../../../server/data/database'
import { migrate } from '../../../server/data/database'
import { type OwnPostgres, startPostgres } from '../../../server/data/ownPostgres'
import { openPostgres } from '../../../server/data/postgres'

/** Records of one kind: empty ones, or copies of some that were prepared. */
export interface Place {
  folder: string
  env: Record<string, string>
  /** What a server of its own is reached by; a folder by itself. */
  named: string
  end: () => Promise<void>
}

export interface Places {
  postgres?: OwnPostgres
  /** Empty records, or a copy of those that were prepared under a name. */
  place: (prepared?: string) => Promise<Place>
  /** Records as an earlier version left them: with these migrations alone, filled by `fill`. */
  prepare: (name: string, migrations: Migration[], fill: (db: Database) => Promise<void>) => Promise<void>
  stop: () => Promise<void>
}

export async function placesOn(where: string, settings?: Parameters<typeof startPostgres>[0]): Promise<Places> {
  const made: string[] = []
  const base = tmpdir()
  const newFolder = (at = tmpdir()) => {
    const folder = mkdtempSync(join(at, 'uldo-hard-'))
    made.push(folder)
    return folder
  }
  const stop = () => made.forEach((each) => rmSync(each, { recursive: true, force: true }))
  if (where === 'folder') {
    const prepared = new Map<string, string>()
    return {
      place: async (name) => {
        const folder = newFolder(base)
        if (name) cpSync(prepared.get(name)!, folder, { recursive: true })
        return {
          folder,
          env: {},
          named: folder,
          end: () => Promise.resolve(rmSync(folder, { recursive: true, force: true })),
        }
      },
      prepare: async (name, migrations, fill) => {
        const folder = newFolder()
        prepared.set(name, folder)
        const db = await PGlite.create(join(folder, 'records'))
        await migrate(db, migrations)
        await fill(db)
        await db.close()
      },
      stop: () => Promise.resolve(stop()),
    }
  }
  const postgres = await startPostgres({ safe: true, ...settings })
  const admin = async (sql: string) => {
    const client = new pg.Client({ connectionString: postgres.url })
    await client.connect()
    await client.query(sql).finally(() => client.end())
  }
  let count = 0
  return {
    postgres,
    place: async (name) => {
      const database = `hard_${count++}`
      await admin(`create database ${database}${name ? ` template ${name}` : ''}`)
      const folder = newFolder()
      return {
        folder,
        env: { ULDO_DATABASE_URL: postgres.database(database) },
        named: postgres.database(database),
        end: () => admin(`drop database ${database} with (force)`),
      }
    },
    prepare: async (name, migrations, fill) => {
      await admin(`create database ${name}`)
      const db = openPostgres(postgres.database(name))
      await migrate(db, migrations)
      await fill(db)
      await db.close()
    },
    stop: async () => {
      stop()
      await postgres.stop()
    },
  }
}

/** A small disk of its own, which can be filled to the last and emptied again. Only the superuser may mount one. */
export function smallDisk(megabytes: number) {
  const folder = mkdtempSync(join(tmpdir(), 'uldo-disk-'))
  execFileSync('mount', ['-t', 'tmpfs', '-o', `size=${megabytes}m,mode=1777`, 'tmpfs', folder])
  const ballast = join(folder, 'ballast')
  return {
    folder,
    /** Fills it but for so many kilobytes. */
    fill: (left: number) => {
      const free = Number(execFileSync('df', ['--output=avail', '-k', folder]).toString().split('\n')[1])
      execFileSync('fallocate', ['-l', `${Math.max(1, free - left)}K`, ballast])
    },
    empty: () => rmSync(ballast, { force: true }),
    end: () => {
      execFileSync('umount', ['-l', folder])
      rmSync(folder, { recursive: true, force: true })
    },
  }
}

/** Places whose records lie on a small disk. */
export async function placesOnDisk(on: string, disk: { folder: string }): Promise<Places> {
  const { TMPDIR } = process.env
  process.env.TMPDIR = disk.folder
  const places = await placesOn(on)
  if (TMPDIR === undefined) delete process.env.TMPDIR
  else process.env.TMPDIR = TMPDIR
  return places
}
