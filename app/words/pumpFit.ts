import type { PumpComparison } from '#core/outlook/pumps'
import type { FitWarning } from '#core/shelf/pumpFit'

/** What may keep a pump from fitting, in words. */
export function fitWords(warning: FitWarning, length: (value: number) => string): string {
  switch (warning.code) {
    case 'other-engine':
      return `kept for the ${warning.engine}`
    case 'drive':
      return `drive is ${warning.has}, the engine’s ${warning.wants}`
    case 'year':
      return `of ${warning.has}, the engine’s of ${warning.wants}: look-alikes of other years may not fit`
    case 'drive-length':
      return `drive ${length(Math.abs(warning.by))} ${warning.by > 0 ? 'longer' : 'shorter'}`
    case 'body-longer':
      return `body ${length(warning.by)} longer: look at the sump and the pickup’s bracket`
  }
}

/** What another pump, or a stiffer spring on the one that is fitted, gives and costs beside what is fitted now. */
export function pumpTradeWords(
  other: Pick<PumpComparison, 'states' | 'working' | 'fastest' | 'coldest'>,
  now: Pick<PumpComparison, 'states' | 'working'>,
  stiffer: boolean,
  units: { say: (value: number, dimension: 'pressure' | 'power', decimals?: number) => string; fine?: number },
): string {
  const pressure = (value: number) => units.say(value, 'pressure', units.fine)
  const power = (value: number) => units.say(value, 'power')
  const ceiling = other.states.workingHot.pressure - now.states.workingHot.pressure
  if (stiffer) return `Raises the ceiling by ${pressure(ceiling)}, working hot; idle hot stays where it is.`
  const idle = other.states.idleHot.pressure - now.states.idleHot.pressure
  const watts = other.working.power.best - now.working.power.best
  const suction = other.coldest.starves
    ? 'It starves at cold idle: the suction does not keep up.'
    : other.fastest.starves
      ? 'It starves at maximum speed: the suction does not keep up.'
      : 'The suction keeps up.'
  return `${idle < 0 ? 'Loses' : 'Buys'} ${pressure(Math.abs(idle))} at idle hot, ${watts < 0 ? 'saves' : 'costs'} ${power(Math.abs(watts))} at working speed. ${suction}`
}
