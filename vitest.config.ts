import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: { include: ['core/**/*.test.ts', 'server/**/*.test.ts', 'bin/**/*.test.ts', 'demo/**/*.test.ts', 'app/**/*.test.ts'], testTimeout: 60_000, hookTimeout: 60_000 },
})
