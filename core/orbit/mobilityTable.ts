/** Places of the table of finite widths: L/D, eccentricity ratio, and angle from the journal's eccentricity to the load, degrees. */
export const RATIOS = [0.08, 0.14, 0.2, 0.3, 0.4, 0.55, 0.75, 1]
export const ECCENTRICITIES = [0.02, 0.2, 0.4, 0.55, 0.7, 0.8, 0.87, 0.92, 0.95, 0.97, 0.985, 0.993]
export const ANGLES = [0, 4, 8, 13, 19, 26, 34, 45, 60, 80, 100, 130, 180]
