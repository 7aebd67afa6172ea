import { ANY_PARTS } from '../parts/list'
import type { Outlet } from '../parts/part'
import type { Layout } from '../record/schema'

/** Every outlet of a layout's parts: what can be seen has its check. */
export function outletsOf(layout: Layout): Outlet[] {
  return ANY_PARTS.filter(({ fitted }) => fitted(layout)).flatMap(({ outlets }) => outlets?.(layout) ?? [])
}
