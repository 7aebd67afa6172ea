import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: { alias: { '~': fileURLToPath(new URL('./app', import.meta.url)) } },
  test: {
    setupFiles: ['bin/lib/propertySeed.ts'],
    // Mutation testing asks for the tests of one area, without the longest.
    include: process.env.ULDO_TESTS?.split(' ') ?? ['{core,server,bin,demo,app}/**/*.test.ts'],
    ...(process.env.ULDO_TESTS_NOT ? { testNamePattern: `^(?!.*(${process.env.ULDO_TESTS_NOT}))` } : {}),
    testTimeout: 60_000,
    hookTimeout: 60_000,
  },
})
