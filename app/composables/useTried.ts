import { t } from '~/words/of/frame'
import { recordedOrDefault, requireValue } from '#core/engine/values'
import { catalogueOf } from '#core/engine/catalogue'
import { OIL_GRADES } from '#core/oil/grades'
import type { TriedChange, TriedOutlook } from '#core/outlook/tried'
import type { ReadingKey } from '#core/parts/list'
import type { ShelfItem } from '#core/shelf/schema'
import { shelfOil, shelfPump } from '#core/shelf/figures'
import { sessionRead, sessionWrite } from '~/sync/browserStorage'

/** A set-up that is tried: parts by their id on the shelf (`now`: as it is), and what differs from the record, SI. */
export interface TriedDraft {
  name: string
  spring: string
  oil: string
  pump: string
  shims?: number
  mains: number
  rods: number
  /** Fuel in the oil, share; viscosity over a new oil's. */
  dilution?: number
  ageing?: number
  readings: Record<string, number>
}

export const MOST_TRIED = 4
/** Of what is recorded, then of each set-up. */
export const TRIED_INKS = ['ink', 'petrol', 'oil', 'stop', 'pass']
const MICRON = 1e-6
/** What may have become of an oil: fuel in it, and what age made of its viscosity. */
export const OIL_STATES = [
  { field: 'dilution', words: 'useTried.fuelInTheOil', from: 0, to: 0.2, step: 0.005, fresh: 0, dimension: 'ratio' },
  {
    field: 'ageing',
    words: 'useTried.viscosityOverANewOils',
    from: 0.5,
    to: 2,
    step: 0.01,
    fresh: 1,
    dimension: 'ratio',
  },
] as const
const LETTERS = ['A', 'B', 'C', 'D']
const blank = (name: string): TriedDraft => ({
  name,
  spring: 'now',
  oil: 'now',
  pump: 'now',
  mains: 0,
  rods: 0,
  readings: {},
})

/** A bench copy of the build: set-ups side by side, kept for this tab, each with what the model says of it. Nothing of it touches the record. */
export function useTried() {
  const build = useBuild()
  const shelf = useShelf()
  const key = `uldo.try.2.${build.id}`
  const drafts = ref<TriedDraft[]>(JSON.parse(sessionRead(key)) ?? [blank('A')])
  watch(drafts, (now) => sessionWrite(key, JSON.stringify(now)), { deep: true })
  const add = () =>
    drafts.value.push({
      ...(JSON.parse(JSON.stringify(drafts.value.at(-1))) as TriedDraft),
      name: LETTERS.find((letter) => !drafts.value.some(({ name }) => name === letter))!,
    })

  const itemOf = (id: string) => shelf.items.find((item) => item.id === id)
  const figure = (item: ShelfItem, name: string) => shelf.figure(item, name)!
  function changeOf(draft: TriedDraft): TriedChange {
    const [spring, pump, oilItem] = [draft.spring, draft.pump, draft.oil].map(itemOf)
    const grade = OIL_GRADES.find(({ name }) => name === draft.oil)
    return {
      ...(spring
        ? {
            spring: {
              springRate: figure(spring, 'springRate'),
              freeLength: figure(spring, 'freeLength'),
              solidLength: shelf.figure(spring, 'solidLength'),
            },
          }
        : {}),
      ...(pump
        ? {
            pump: shelfPump(pump),
          }
        : {}),
      ...(oilItem
        ? {
            oil: shelfOil(oilItem),
          }
        : grade
          ? { oil: grade }
          : {}),
      shims: draft.shims,
      mains: draft.mains,
      rods: draft.rods,
      ...(draft.dilution === undefined ? {} : { dilution: draft.dilution }),
      ...(draft.ageing === undefined ? {} : { ageing: draft.ageing }),
      readings: { ...draft.readings },
    }
  }
  const { value: answers } = useAnswer(
    async (model) => {
      const sheet = build.sheet
      if (!sheet) return undefined
      const list: TriedOutlook[] = []
      for (const change of [{}, ...drafts.value.map(changeOf)])
        list.push(await model.tried(sheet, JSON.parse(JSON.stringify(change)) as TriedChange))
      return list
    },
    () => [build.sheet, JSON.stringify(drafts.value), shelf.items],
  )
  const columns = computed(() =>
    answers.value
      ? [
          { name: t('useTried.asRecorded'), found: answers.value[0] },
          ...drafts.value.flatMap((draft, i) =>
            answers.value![i + 1] ? [{ name: draft.name, draft, found: answers.value![i + 1] }] : [],
          ),
        ]
      : [],
  )

  /** Anything else that has a number: what was tried somewhere stands in a row of its own. */
  const catalogue = computed(() => catalogueOf(build.sheet!.layout).quantities)
  const triable = computed(() =>
    [...catalogue.value.values()].filter(
      ({ key, fallback, station, planned, view, part }) =>
        fallback !== undefined &&
        !planned &&
        !['prime', 'start'].includes(station) &&
        view !== 'bench' &&
        !['main', 'rod'].includes(part ?? '') &&
        key !== 'relief.shims' &&
        key !== 'relief2.shims',
    ),
  )
  const extra = ref<string[]>(['pump.endClearance'])
  const others = computed(() =>
    [...new Set([...extra.value, ...drafts.value.flatMap(({ readings }) => Object.keys(readings))])].flatMap((key) => {
      const quantity = catalogue.value.get(key)
      const value = quantity && recordedOrDefault(build.sheet!, key as ReadingKey)?.value
      if (!quantity || value === undefined) return []
      const span =
        quantity.dimension === 'temperature'
          ? [value - 40, value + 40]
          : [0.4 * value, value === 0 ? quantity.plausible[1] : 2 * value]
      return [
        {
          key,
          label: quantity.label,
          dimension: quantity.dimension,
          value,
          from: Math.max(quantity.plausible[0], span[0]),
          to: Math.min(quantity.plausible[1], span[1]),
        },
      ]
    }),
  )
  const fitting = (kind: 'spring' | 'pump' | 'oil') =>
    shelf.fitting(kind, build.sheet!.engine).filter((item) => item.count > item.reserved)
  const options = (kind: 'spring' | 'pump' | 'oil') => [
    { value: 'now', words: t('useTried.noChange') },
    ...fitting(kind).map(({ id, label }) => ({ value: id, words: label })),
    ...(kind === 'oil' ? OIL_GRADES.map(({ name }) => ({ value: name, words: name })) : []),
  ]
  const sliders = computed(() => [
    {
      field: 'mains' as const,
      label: t('useTried.mainsLooserBy'),
      from: -30 * MICRON,
      to: 30 * MICRON,
      step: MICRON,
      dimension: 'clearance' as const,
    },
    {
      field: 'rods' as const,
      label: t('useTried.rodsLooserBy'),
      from: -30 * MICRON,
      to: 30 * MICRON,
      step: MICRON,
      dimension: 'clearance' as const,
    },
    {
      field: 'shims' as const,
      label: t('useTried.shims'),
      from: 0,
      to: 5e-3,
      step: 5e-5,
      dimension: 'length' as const,
      now: requireValue(build.sheet!, 'relief.shims').value,
    },
    ...OIL_STATES.map((each) => ({ ...each, label: t(each.words), now: build.sheet!.oil[each.field] ?? each.fresh })),
  ])
  const price = (draft: TriedDraft) =>
    [draft.spring, draft.pump, draft.oil].map(itemOf).reduce((sum, item) => sum + (item?.price ?? 0), 0)

  return { drafts, add, columns, itemOf, changeOf, sliders, triable, extra, others, options, price }
}
