import type { Network } from './types'

/** The element with most flow at the node of a row: what is named when a circuit does not settle. */
export function unsettled(
  row: number,
  { elements }: Pick<Network, 'elements'>,
  rowFroms: Int32Array,
  rowTos: Int32Array,
  flows: Float64Array,
): string {
  const touches = (e: number) => rowFroms[e] === row || rowTos[e] === row
  let found = 0
  for (let e = 0; e < elements.length; e++)
    if (touches(e) && (!touches(found) || Math.abs(flows[e]) > Math.abs(flows[found]))) found = e
  return `elements.${found} (${elements[found].id})`
}
