import { decimalMark, figure } from '~/words/numbers'
import { t } from '~/words/of/frame'
import { UNIT_CHOICES, unitFor } from '#core/quantity/unitChoices'
import type { Quantity } from '#core/record/quantity'
import { type Dimension, type Unit } from '#core/quantity/units'
import { remember, remembered } from '~/sync/browserStorage'
import { decimalsFor, formatNumber, formatQuantity } from '#core/quantity/format'

/** Units by person, the shop's own where a person has none: how every number is said. */
export const useUnits = defineStore('units', () => {
  const shop = useShop()
  void shop.load()
  const person = usePerson()
  const own = ref(remembered(unitsKey(person.who), remembered('uldo.units', '')))
  const choiceName = computed({
    get: () => own.value || shop.house.units,
    set: (name) => {
      own.value = name
      remember(unitsKey(person.who), name)
    },
  })
  const choice = computed(() => UNIT_CHOICES[choiceName.value] ?? UNIT_CHOICES['mm, bar'])

  watch(
    () => person.who,
    (name) => {
      own.value = remembered(unitsKey(name), '')
    },
  )
  function unit(dimension: Dimension): Unit {
    return unitFor(dimension, choice.value)
  }
  function nextUnits() {
    const names = Object.keys(UNIT_CHOICES)
    choiceName.value = names[(names.indexOf(choiceName.value) + 1) % names.length]
  }
  /** The value in the chosen unit, with its symbol: for sentences. */
  const say = (value: number, dimension: Dimension, decimals?: number) =>
    formatQuantity(value, unit(dimension), decimals, decimalMark())
  /** Decimals at which pressures are compared: small differences are what the trade argues over. */
  const fine = computed(() => ({ bar: 2, psi: 1, kPa: 0 })[unit('pressure').symbol as 'bar'] ?? 1)
  /** A film's thickness, too thin for the unit of clearances: µm, or thou to the thousandth. */
  const sayFilm = (value: number) =>
    unit('clearance').symbol === 'mm'
      ? `${figure(1e6 * value, 1)} µm`
      : t('units.thou', { value: figure(value / 25.4e-6, 3) })
  /** The value in the chosen unit, bare: for columns. */
  const show = (value: number, dimension: Dimension, decimals?: number) =>
    formatNumber(value, unit(dimension), decimals, decimalMark())
  /** A reading in the chosen unit, no finer than its instrument's step, or than what is usual for its kind. */
  function showReading(value: number, quantity: Quantity, instrument?: string) {
    const chosen = unit(quantity.dimension)
    const step = shop.house.instruments.find(({ name }) => name === instrument)?.resolution
    const decimals =
      step && ['length', 'diameter', 'clearance'].includes(quantity.dimension)
        ? Math.max(chosen.symbol === 'mm' ? 2 : 0, Math.min(chosen.decimals + 1, decimalsFor(step, chosen)))
        : quantity.dimension === 'length'
          ? Math.min(chosen.decimals + 1, decimalsFor(0.5 * quantity.sigma, chosen))
          : undefined
    return formatNumber(value, chosen, decimals, decimalMark())
  }
  /** A reading in the chosen unit, with it. */
  const sayReading = (value: number, quantity: Quantity) =>
    `${showReading(value, quantity)} ${unit(quantity.dimension).symbol}`.trim()
  return { choiceName, choice, unit, fine, nextUnits, say, sayFilm, show, showReading, sayReading }
})

function unitsKey(who: string): string {
  return `uldo.units.${who.toLowerCase()}`
}
