import { type OwnPostgres, startPostgres } from '../../../server/data/ownPostgres'

/** Where a measured server's records lie: in its folder, or on a PostgreSQL server of its own (`ON=postgres`). */
export interface Records {
  /** What the server is started with. */
  env: Record<string, string>
  /** The database server dies and is started again; nothing where there is none. */
  die: () => Promise<void>
  stop: () => Promise<void>
}

export async function recordsOn(where = process.env.ON ?? 'folder'): Promise<Records> {
  if (where === 'folder') return { env: {}, die: () => Promise.resolve(), stop: () => Promise.resolve() }
  if (where !== 'postgres') throw new Error(`ON=${where} is neither folder nor postgres.`)
  const server: OwnPostgres = await startPostgres({ safe: true })
  return {
    env: { ULDO_DATABASE_URL: server.url },
    die: async () => {
      await server.kill()
      await server.start()
    },
    stop: server.stop,
  }
}
