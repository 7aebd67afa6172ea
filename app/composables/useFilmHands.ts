import { figure } from '~/words/numbers'
import { t } from '~/words/of/frame'
import type { JournalFilm } from '#core/outlook/journalFilm'

/** What a hand may change about one journal's film, in working order, each with what it comes to; SI, the groove in degrees. */
export function useFilmHands(
  grooved: boolean,
  held: { load: Ref<number>; speed: Ref<number>; temperature: Ref<number>; turned: Ref<number | undefined> },
  arc: Ref<number>,
  film: Ref<Pick<JournalFilm, 'specificLoad' | 'peakRise'> | undefined>,
) {
  const units = useUnits()
  const { load, speed, temperature, turned } = held
  return computed(() => [
    {
      words: t('useFilmHands.steadyLoad'),
      label: t('useFilmHands.loadOnTheJournal'),
      value: load.value,
      from: 200,
      to: 40_000,
      step: 100,
      says: t('useFilmHands.knOnTheShell', {
        load: figure(load.value / 1000, 1),
        specificLoad: filmPressure(film.value?.specificLoad ?? 0),
      }),
      slide: (to: number) => (load.value = to),
    },
    {
      words: t('useFilmHands.speed'),
      label: t('useFilmHands.speedOfTheCrank'),
      value: speed.value,
      from: 3,
      to: 150,
      step: 0.5,
      says: units.say(speed.value, 'speed'),
      slide: (to: number) => (speed.value = to),
    },
    {
      words: t('useFilmHands.oilAtTheFeed'),
      label: t('useFilmHands.oilTemperature'),
      value: temperature.value,
      from: 20,
      to: 150,
      step: 1,
      says: t('useFilmHands.inTheFilmUpTo', {
        temperature: units.say(temperature.value, 'temperature'),
        temperature2: units.say(temperature.value + (film.value?.peakRise ?? 0), 'temperature'),
      }),
      slide: (to: number) => (temperature.value = to),
    },
    ...(grooved
      ? [
          {
            words: t('useFilmHands.groove'),
            label: t('useFilmHands.grooveArc'),
            value: arc.value,
            from: 0,
            to: 360,
            step: 10,
            says: `${arc.value}°`,
            slide: (to: number) => (turned.value = to),
          },
        ]
      : []),
  ])
}

/** Pressure inside a film: tens of MPa, or psi where the shop's pressures are psi. */
export function filmPressure(value: number): string {
  const units = useUnits()
  return units.unit('pressure').symbol === 'psi' ? units.say(value, 'pressure') : `${figure(value / 1e6, 0)} MPa`
}
