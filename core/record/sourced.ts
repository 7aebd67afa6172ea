export type Source = 'measured' | 'maker' | 'planned' | 'layout' | 'computed'

/** A value that can be used, with its standard uncertainty, SI, and what stands behind it. */
export interface Sourced {
  value: number
  sigma: number
  source: Source
}
