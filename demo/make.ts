import type { Sheet } from '../core/record/schema'
import { dunmarrow } from './dunmarrow'
import { ottiline } from './ottiline'
import { pell } from './pell'
import { talvik } from './talvik'

export { demoHouse, demoShelf } from './shelf'

/** The workshop of the demo: Brackwater Engine Shed. Everything here is invented. */
export const DEMO_BUILDS: Record<string, () => Sheet> = { ottiline, talvik, dunmarrow, pell }
