/** Viscosity of the oil for which filters, coolers, turbos and rockers are given here, Pa·s: about that of a 10W-40 at 95 °C. */
export const STATED_VISCOSITY = 0.01

/**
 * Conductance of what is given by a flow at a pressure with oil of {@link STATED_VISCOSITY}, m³/(s·Pa): laminar, so that it goes by 1/μ,
 *
 *   Q / Δp = Q_given μ_given / (Δp_given μ)
 *
 * @param flow Q_given, m³/s  @param pressure Δp_given, Pa  @param viscosity μ of the oil that passes, Pa·s
 */
export function laminar(flow: number, pressure: number, viscosity: number): number {
  return (flow * STATED_VISCOSITY) / (pressure * viscosity)
}
