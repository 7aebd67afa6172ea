/** Ways of priming and how things are left for it, in words that a sheet holds. */

export const METHODS = ['drill', 'tank', 'starter', 'hand'] as const
export type Method = (typeof METHODS)[number]
export const FILTER_FITMENTS = ['off', 'dry', 'filled'] as const
export type FilterFitment = (typeof FILTER_FITMENTS)[number]
/** Where oil is put in: at the gauge, at the pump, or into the pump's side of the filter pad. */
export const PORTS = ['gauge', 'pump', 'pad'] as const
export type Port = (typeof PORTS)[number]
/** What is left for another prime of an engine that is started elsewhere: a port, or none. */
export const PORTS_LEFT = [...PORTS, 'none'] as const
export type PortLeft = (typeof PORTS_LEFT)[number]
/** How the pump is packed before it turns. */
export const PACKINGS = ['dry', 'oil', 'assembly-lubricant', 'jelly'] as const
/** How a pump was left; `wet` is one that oil has run through. */
export type Packing = (typeof PACKINGS)[number] | 'wet'
