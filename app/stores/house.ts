import type { Quantity } from '#core/record/quantity'
import { type Dimension, type Unit, UNIT_CHOICES, unitFor } from '#core/quantity/units'
import { remember, remembered, rememberedJson } from '~/sync/browserStorage'
import { decimalsFor, formatNumber, formatQuantity } from '#core/quantity/format'

/** Who records, in which units and with which instrument, kept in this browser; units by person, the shop's own where a person has none. */
export const useHouse = defineStore('house', () => {
  const shop = useShop()
  void shop.load()
  const access = useAccess()
  /** Who was chosen on this browser; where people sign in, who is signed in. */
  const chosen = ref(read('uldo.who', ''))
  const who = computed({
    get: () =>
      access.needed
        ? (access.person?.name ?? '')
        : access.state && !access.people.some(({ name }) => name === chosen.value)
          ? ''
          : chosen.value,
    set: (name) => {
      chosen.value = name
      remember('uldo.who', name)
    },
  })
  const own = ref(read(unitsKey(who.value), read('uldo.units', '')))
  const choiceName = computed({
    get: () => own.value || shop.house.units,
    set: (name) => {
      own.value = name
      remember(unitsKey(who.value), name)
    },
  })
  /** Instrument in the hand, carried from reading to reading; by dimension, since a feeler gauge follows a micrometer. */
  const instruments = ref<Record<string, string>>(rememberedJson<Record<string, string>>('uldo.instruments', {}))
  const scheme = ref<'light' | 'dark'>(
    read('uldo.scheme', matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light') as 'light' | 'dark',
  )
  const choice = computed(() => UNIT_CHOICES[choiceName.value] ?? UNIT_CHOICES['mm, bar'])

  watch(who, (name) => {
    own.value = read(unitsKey(name), '')
  })
  watch(instruments, (chosen) => remember('uldo.instruments', JSON.stringify(chosen)), { deep: true })
  watch(
    scheme,
    (now) => {
      document.documentElement.dataset.scheme = now
    },
    { immediate: true },
  )

  function unit(dimension: Dimension): Unit {
    return unitFor(dimension, choice.value)
  }
  function nextUnits() {
    const names = Object.keys(UNIT_CHOICES)
    choiceName.value = names[(names.indexOf(choiceName.value) + 1) % names.length]
  }
  function flipScheme() {
    scheme.value = scheme.value === 'dark' ? 'light' : 'dark'
    remember('uldo.scheme', scheme.value)
  }
  /** The value in the chosen unit, with its symbol: for sentences. */
  const say = (value: number, dimension: Dimension, decimals?: number) =>
    formatQuantity(value, unit(dimension), decimals)
  /** Decimals at which pressures are compared: small differences are what the trade argues over. */
  const fine = computed(() => ({ bar: 2, psi: 1, kPa: 0 })[unit('pressure').symbol as 'bar'] ?? 1)
  /** A film's thickness, too thin for the unit of clearances: µm, or thou to the thousandth. */
  const sayFilm = (value: number) =>
    unit('clearance').symbol === 'mm' ? `${(1e6 * value).toFixed(1)} µm` : `${(value / 25.4e-6).toFixed(3)} thou`
  /** The value in the chosen unit, bare: for columns. */
  const show = (value: number, dimension: Dimension, decimals?: number) =>
    formatNumber(value, unit(dimension), decimals)
  /** A reading in the chosen unit, no finer than its instrument's step, or than what is usual for its kind. */
  function showReading(value: number, quantity: Quantity, instrument?: string) {
    const chosen = unit(quantity.dimension)
    const step = shop.house.instruments.find(({ name }) => name === instrument)?.resolution
    if (step && ['length', 'diameter', 'clearance'].includes(quantity.dimension))
      return formatNumber(
        value,
        chosen,
        Math.max(chosen.symbol === 'mm' ? 2 : 0, Math.min(chosen.decimals + 1, decimalsFor(step, chosen))),
      )
    return formatNumber(
      value,
      chosen,
      quantity.dimension === 'length'
        ? Math.min(chosen.decimals + 1, decimalsFor(0.5 * quantity.sigma, chosen))
        : undefined,
    )
  }
  return {
    choiceName,
    choice,
    who,
    scheme,
    instruments,
    unit,
    fine,
    nextUnits,
    flipScheme,
    say,
    sayFilm,
    show,
    showReading,
  }
})

function read(key: string, fallback: string): string {
  return remembered(key, fallback)
}

function unitsKey(who: string): string {
  return `uldo.units.${who.toLowerCase()}`
}
