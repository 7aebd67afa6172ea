/** Stands in for PrimeVue's ripple, which this look has none of: switched off it would still work at each update of each button. */
export default {}
