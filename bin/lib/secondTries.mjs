/** Tests of Playwright's report that passed only when they were tried again, by file and title. */
export function secondTries({ suites = [] }) {
  const found = []
  const walk = (suite) => {
    for (const inner of suite.suites ?? []) walk(inner)
    for (const { title, file, tests } of suite.specs ?? [])
      if (tests.some(({ status }) => status === 'flaky')) found.push(`${file}: ${title}`)
  }
  suites.forEach(walk)
  return found
}
