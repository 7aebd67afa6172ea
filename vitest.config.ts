import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const ALL = '{core,server,bin,demo,app}/**/*.test.ts'
const LONG = { testTimeout: 60_000, hookTimeout: 60_000, setupFiles: ['bin/lib/propertySeed.ts'] }
/** Mutation testing asks for the tests of one area, without the longest. */
const some = process.env.ULDO_TESTS?.split(' ')

export default defineConfig({
  resolve: { alias: { '~': fileURLToPath(new URL('./app', import.meta.url)) } },
  test: some
    ? {
        ...LONG,
        include: some,
        ...(process.env.ULDO_TESTS_NOT ? { testNamePattern: `^(?!.*(${process.env.ULDO_TESTS_NOT}))` } : {}),
      }
    : {
        // As many at a time as there are cores.
        maxWorkers: '100%',
        projects: [
          // The core keeps nothing between two calls, so its files are read once for all tests, which halves the time.
          {
            extends: true,
            test: {
              ...LONG,
              name: 'core and server',
              include: [ALL],
              exclude: ['app/**', 'server/data/postgres.test.ts', 'server/backup/move.test.ts', 'server/many/**'],
              isolate: false,
            },
          },
          // What writes and reads the records is tried on a PostgreSQL server too: the same tests, the same SQL.
          {
            extends: true,
            test: {
              ...LONG,
              name: 'on PostgreSQL',
              include: [
                'server/{data,archive,watch,rig}/**/*.test.ts',
                'server/backup/move.test.ts',
                'server/many/*.test.ts',
              ],
              // A PostgreSQL server tidies by itself.
              exclude: ['server/data/tidy.test.ts'],
              globalSetup: ['server/data/testPostgres.ts'],
              isolate: false,
            },
          },
          // The app's tests put a browser's globals in place and take them away again: each file has a world of its own.
          { extends: true, test: { ...LONG, name: 'app', include: ['app/**/*.test.ts'] } },
        ],
      },
})
