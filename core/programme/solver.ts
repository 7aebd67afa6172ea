import loadHighs from 'highs'

/** The solver of an integer programme: a problem in CPLEX LP format in, values of its columns out; undefined when there is no solution. */
export type IntegerSolver = (problem: string) => Record<string, number> | undefined

let loading: Promise<IntegerSolver> | undefined

/**
 * HiGHS (WebAssembly) as the integer solver, loaded once.
 *
 * @param locate where a bundler has put the solver's .wasm; Node finds it by itself
 */
export function integerSolver(locate?: (file: string) => string): Promise<IntegerSolver> {
  loading ??= loadHighs(locate ? { locateFile: locate } : {}).then((highs) => (problem) => {
    const answer = highs.solve(problem, { output_flag: false })
    if (answer.Status !== 'Optimal') return undefined
    return Object.fromEntries(
      Object.entries(answer.Columns).map(([name, column]) => [name, (column as { Primal: number }).Primal]),
    )
  })
  return loading
}
