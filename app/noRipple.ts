import type { Directive } from 'vue'

/** Stands in for PrimeVue's ripple, which is off: the directive and what it is built on would be a fiftieth of the first load. */
export default {} satisfies Directive
