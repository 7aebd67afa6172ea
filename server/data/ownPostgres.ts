import { execFileSync, spawn, type ChildProcess } from 'node:child_process'
import { chownSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'

/** A PostgreSQL server of one's own, on a port and a folder that nobody else has, for tests and measurements. */
export interface OwnPostgres {
  /** Its `postgres` database. */
  url: string
  port: number
  folder: string
  /** An address of a database on it. */
  database: (name: string) => string
  /** As a power cut would: no farewell. */
  kill: () => Promise<void>
  start: () => Promise<void>
  stop: () => Promise<void>
}

/** Where Debian puts the programs of its newest version. */
export function postgresPrograms(): string | undefined {
  const debian = '/usr/lib/postgresql'
  if (!existsSync(debian)) return undefined
  const [newest] = readdirSync(debian).sort((a, b) => Number(b) - Number(a))
  return newest && existsSync(join(debian, newest, 'bin', 'initdb')) ? join(debian, newest, 'bin') : undefined
}

function freePort(): Promise<number> {
  return new Promise((done) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number }
      probe.close(() => done(port))
    })
  })
}

/** PostgreSQL does not run as root: there its own user runs it. */
const asItsUser = (program: string, args: string[]): [string, string[]] =>
  process.getuid?.() === 0 ? ['runuser', ['-u', 'postgres', '--', program, ...args]] : [program, args]

/**
 * Makes a server in a folder of its own and starts it; on this machine alone, and quick rather than safe unless `safe`. One that `follows` another begins as its copy and
 * writes only once it is promoted.
 *
 * @throws Error naming what to install where PostgreSQL is not there
 */
export async function startPostgres({
  safe = false,
  settings = {} as Record<string, string>,
  follows = undefined as OwnPostgres | undefined,
} = {}): Promise<OwnPostgres> {
  const programs = postgresPrograms()
  if (!programs) throw new Error('PostgreSQL is not installed. Install Debian’s package postgresql.')
  const folder = mkdtempSync(join(tmpdir(), 'uldo-postgres-'))
  if (process.getuid?.() === 0) {
    const id = (flag: string) => Number(execFileSync('id', [flag, 'postgres']).toString())
    chownSync(folder, id('-u'), id('-g'))
  }
  const data = join(folder, 'data')
  const run = (program: string, ...args: string[]) => {
    const [command, words] = asItsUser(join(programs, program), args)
    execFileSync(command, words, { stdio: ['ignore', 'ignore', 'pipe'], cwd: folder })
  }
  if (follows)
    run('pg_basebackup', '--pgdata', data, '--dbname', follows.url, '--write-recovery-conf', '--checkpoint', 'fast')
  else
    run(
      'initdb',
      '--pgdata',
      data,
      '--username',
      'uldo',
      '--auth',
      'trust',
      '--encoding',
      'UTF8',
      '--locale',
      'C.UTF-8',
    )
  const port = await freePort()
  const all = {
    listen_addresses: '127.0.0.1',
    port: String(port),
    unix_socket_directories: '',
    ...(safe ? {} : { fsync: 'off', synchronous_commit: 'off', full_page_writes: 'off' }),
    ...settings,
  }
  let child: ChildProcess | undefined
  const database = (name: string) => `postgres://uldo@127.0.0.1:${port}/${name}`
  const answers = async () => {
    const client = new pg.Client({ connectionString: database('postgres'), connectionTimeoutMillis: 1000 })
    client.on('error', () => undefined)
    try {
      await client.connect()
      await client.query('select 1')
      return true
    } catch {
      return false
    } finally {
      await client.end().catch(() => undefined)
    }
  }
  const gone = () =>
    new Promise<void>((done) =>
      child && child.exitCode === null && !child.signalCode ? child.once('exit', () => done()) : done(),
    )
  const start = async () => {
    const [command, words] = asItsUser(join(programs, 'postgres'), [
      '-D',
      data,
      ...Object.entries(all).flatMap(([name, value]) => ['-c', `${name}=${value}`]),
    ])
    for (let tries = 0; tries < 300; tries++) {
      // One that was killed leaves processes behind for a moment; while they live no other begins in its folder.
      if (!child || child.exitCode !== null || child.signalCode)
        child = spawn(command, words, { stdio: 'ignore', cwd: folder })
      if (await answers()) return
      await new Promise((done) => setTimeout(done, 100))
    }
    throw new Error(`PostgreSQL in ${folder} did not answer.`)
  }
  /** Its number stands in the first line of the file that it keeps while it runs. */
  const signal = (name: string) => {
    const file = join(data, 'postmaster.pid')
    if (!existsSync(file)) return
    const [number] = execFileSync(...asItsUser('head', ['-n', '1', file]))
      .toString()
      .split('\n')
    execFileSync(...asItsUser('kill', [`-${name}`, number!]))
  }
  const stopWith = async (name: string) => {
    if (!child || child.exitCode !== null || child.signalCode) return
    const ended = gone()
    signal(name)
    await ended
  }
  await start()
  return {
    url: database('postgres'),
    port,
    folder,
    database,
    start,
    kill: () => stopWith('KILL'),
    stop: async () => {
      await stopWith('INT')
      rmSync(folder, { recursive: true, force: true })
    },
  }
}
