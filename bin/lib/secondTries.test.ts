import { expect, it } from 'vitest'
import { secondTries } from './secondTries.mjs'

it('names what passed at its second try only, however deep it stands', () => {
  const spec = (title: string, status: string) => ({ title, file: 'a.spec.ts', tests: [{ status }] })
  const report = {
    suites: [
      { specs: [spec('first', 'expected'), spec('late', 'flaky')], suites: [{ specs: [spec('deep', 'flaky')] }] },
      { specs: [spec('gone', 'unexpected'), spec('left out', 'skipped')] },
    ],
  }
  expect(secondTries(report)).toEqual(['a.spec.ts: deep', 'a.spec.ts: late'])
  expect(secondTries({})).toEqual([])
})
