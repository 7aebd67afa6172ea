import { type Dimension, type Unit, UNIT_CHOICES, unitFor } from '#core/units/units'
import type { Quantity } from '#core/build/quantities'
import { decimalsFor, formatNumber, formatQuantity } from '#core/units/format'

/** Units and who is recording, kept in this browser. */
export const useHouse = defineStore('house', () => {
  const choiceName = ref(read('uldo.units', 'mm, bar'))
  const who = ref(read('uldo.who', ''))
  const scheme = ref<'light' | 'dark'>(read('uldo.scheme', matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light') as 'light' | 'dark')
  const choice = computed(() => UNIT_CHOICES[choiceName.value] ?? UNIT_CHOICES['mm, bar'])

  watch(choiceName, (name) => localStorage.setItem('uldo.units', name))
  watch(who, (name) => localStorage.setItem('uldo.who', name))
  watch(scheme, (now) => {
    document.documentElement.dataset.scheme = now
  }, { immediate: true })

  function unit(dimension: Dimension): Unit {
    return unitFor(dimension, choice.value)
  }
  function nextUnits() {
    const names = Object.keys(UNIT_CHOICES)
    choiceName.value = names[(names.indexOf(choiceName.value) + 1) % names.length]
  }
  function flipScheme() {
    scheme.value = scheme.value === 'dark' ? 'light' : 'dark'
    localStorage.setItem('uldo.scheme', scheme.value)
  }
  /** The value in the chosen unit, with its symbol: for sentences. */
  const say = (value: number, dimension: Dimension, decimals?: number) => formatQuantity(value, unit(dimension), decimals)
  /** The value in the chosen unit, bare: for columns. */
  const show = (value: number, dimension: Dimension, decimals?: number) => formatNumber(value, unit(dimension), decimals)
  /** A reading in the chosen unit, no finer than its instrument. */
  function showReading(value: number, quantity: Quantity) {
    const chosen = unit(quantity.dimension)
    return formatNumber(value, chosen, quantity.dimension === 'length' ? Math.min(chosen.decimals + 1, decimalsFor(0.5 * quantity.sigma, chosen)) : undefined)
  }
  return { choiceName, choice, who, scheme, unit, nextUnits, flipScheme, say, show, showReading }
})

function read(key: string, fallback: string): string {
  return localStorage.getItem(key) ?? fallback
}
