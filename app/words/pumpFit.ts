import { t } from '~/words/of/pump'
import type { PumpComparison } from '#core/outlook/pumps'
import type { FitWarning } from '#core/shelf/pumpFit'

/** What may keep a pump from fitting, in words. */
export function fitWords(warning: FitWarning, length: (value: number) => string): string {
  switch (warning.code) {
    case 'other-engine':
      return t('pumpFit.keptForThe', { engine: warning.engine })
    case 'drive':
      return t('pumpFit.driveIsTheEngines', { has: warning.has, wants: warning.wants })
    case 'year':
      return t('pumpFit.ofTheEnginesOfLookAlikes', { has: warning.has, wants: warning.wants })
    case 'drive-length':
      return t(warning.by > 0 ? 'pumpFit.driveLonger' : 'pumpFit.driveShorter', { by: length(Math.abs(warning.by)) })
    case 'body-longer':
      return t('pumpFit.bodyLongerLookAtTheSump', { by: length(warning.by) })
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
  if (stiffer) return t('pumpFit.raisesTheCeilingByWorkingHot', { ceiling: pressure(ceiling) })
  const idle = other.states.idleHot.pressure - now.states.idleHot.pressure
  const watts = other.working.power.best - now.working.power.best
  const suction = other.coldest.starves
    ? t('pumpFit.itStarvesAtColdIdleThe')
    : other.fastest.starves
      ? t('pumpFit.itStarvesAtMaximumSpeedThe')
      : t('pumpFit.theSuctionKeepsUp')
  return t('pumpFit.atIdleHotAtWorkingSpeed', {
    idle: idle < 0 ? t('pumpFit.loses') : t('pumpFit.buys'),
    idle2: pressure(Math.abs(idle)),
    watts: watts < 0 ? t('pumpFit.saves') : t('pumpFit.costs'),
    power: power(Math.abs(watts)),
    suction,
  })
}
