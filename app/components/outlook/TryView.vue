<script setup lang="ts">
import type { ReadingKey } from '#core/parts/list'
import { catalogueOf } from '#core/engine/catalogue'
import { sessionRead, sessionWrite } from '~/sync/browserStorage'
import type { Operation } from 'fast-json-patch'
import { recordedOrDefault, requireValue } from '#core/engine/values'
import { OIL_GRADES } from '#core/oil/grades'
import { STATE_LABELS } from '#core/outlook/states'
import type { TriedChange, TriedOutlook } from '#core/outlook/tried'
import type { ShelfItem } from '#core/shelf/schema'
import { STATE_NAMES } from '#core/targets/targets'
import { keptApart, linePath } from '~/composables/plot'
import { clearPatch, oilPatch, shelfPatch, SPRING_FIELDS, unfitPatch } from '~/composables/shelfPatch'

/** A bench copy of the build: anything may be tried without touching the record, up to four set-ups side by side; one is adopted with its reason. */
interface Draft {
  name: string
  spring: string
  oil: string
  pump: string
  shims?: number
  mains: number
  rods: number
  readings: Record<string, number>
}
const MOST = 4
const LETTERS = ['A', 'B', 'C', 'D']
const build = useBuild()
const units = useUnits()
const shelf = useShelf()
void shelf.load()
const blank = (name: string): Draft => ({
  name,
  spring: 'now',
  oil: 'now',
  pump: 'now',
  mains: 0,
  rods: 0,
  readings: {},
})
const key = `uldo.try.2.${build.id}`
const drafts = ref<Draft[]>(JSON.parse(sessionRead(key)) ?? [blank('A')])
watch(drafts, (now) => sessionWrite(key, JSON.stringify(now)), { deep: true })
const add = () =>
  drafts.value.push({
    ...(JSON.parse(JSON.stringify(drafts.value.at(-1))) as Draft),
    name: LETTERS.find((letter) => !drafts.value.some(({ name }) => name === letter))!,
  })

const itemOf = (id: string) => shelf.items.find((item) => item.id === id)
const figure = (item: ShelfItem, name: string) => shelf.figure(item, name)!
function changeOf(draft: Draft): TriedChange {
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
          pump: {
            displacement: figure(pump, 'displacement'),
            rotorDiameter: figure(pump, 'rotorDiameter'),
            rotorLength: figure(pump, 'rotorLength'),
            endClearance: figure(pump, 'endClearance'),
            tipClearance: figure(pump, 'tipClearance'),
          },
        }
      : {}),
    ...(oilItem
      ? {
          oil: {
            kv40: figure(oilItem, 'kv40'),
            kv100: figure(oilItem, 'kv100'),
            density15: figure(oilItem, 'density15'),
            highShear150: 1e-3 * figure(oilItem, 'highShear150'),
            pumpingLimit: figure(oilItem, 'pumpingLimit'),
          },
        }
      : grade
        ? { oil: grade }
        : {}),
    shims: draft.shims,
    mains: draft.mains,
    rods: draft.rods,
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
        { name: 'As recorded', found: answers.value[0] },
        ...drafts.value.flatMap((draft, i) =>
          answers.value![i + 1] ? [{ name: draft.name, draft, found: answers.value![i + 1] }] : [],
        ),
      ]
    : [],
)

const fitting = (kind: 'spring' | 'pump' | 'oil') =>
  shelf.fitting(kind, build.sheet!.engine).filter((item) => item.count > item.reserved)
const options = (kind: 'spring' | 'pump' | 'oil') => [
  { value: 'now', words: 'as it is' },
  ...fitting(kind).map(({ id, label }) => ({ value: id, words: label })),
  ...(kind === 'oil' ? OIL_GRADES.map(({ name }) => ({ value: name, words: name })) : []),
]
const MICRON = 1e-6
const SLIDERS = computed(() => [
  {
    field: 'mains' as const,
    label: 'Mains looser by',
    from: -30 * MICRON,
    to: 30 * MICRON,
    step: MICRON,
    dimension: 'clearance' as const,
  },
  {
    field: 'rods' as const,
    label: 'Rods looser by',
    from: -30 * MICRON,
    to: 30 * MICRON,
    step: MICRON,
    dimension: 'clearance' as const,
  },
  {
    field: 'shims' as const,
    label: 'Shims',
    from: 0,
    to: 5e-3,
    step: 5e-5,
    dimension: 'length' as const,
    now: requireValue(build.sheet!, 'relief.shims').value,
  },
])
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
const price = (draft: Draft) =>
  [draft.spring, draft.pump, draft.oil].map(itemOf).reduce((sum, item) => sum + (item?.price ?? 0), 0)

const COLOURS = ['var(--ink)', 'var(--petrol)', 'var(--oil)', 'var(--stop)', 'var(--pass)']
const DASHES = ['', '', '8 4', '3 3', '10 3 2 3']
const plot = computed(() => {
  const all = columns.value.map(({ found }) => found)
  if (all.length === 0) return undefined
  const most = 1.08 * Math.max(...all.flatMap(({ pressures }) => pressures))
  const { speeds } = all[0]
  const [from, to] = [speeds[0], speeds.at(-1)!]
  const x = (speed: number) => 46 + ((speed - from) / (to - from)) * 590
  const y = (pressure: number) => 150 - (pressure / most) * 140
  const ends = keptApart(
    all.map(({ pressures }) => y(pressures.at(-1)!)),
    14,
  )
  return {
    lines: all.map(({ pressures }) => linePath(pressures.map((pressure, i) => [x(speeds[i]), y(pressure)] as const))),
    ends,
    from,
    to,
    most,
  }
})

const reason = ref('')
const adopted = ref('')
/** What of a set-up a record has a place for; looser or tighter bearings are shells to be found, and stay a wish. */
async function adopt(draft: Draft) {
  const parts = [draft.spring, draft.pump, draft.oil]
    .map(itemOf)
    .filter((item): item is ShelfItem => item !== undefined)
  const figures = (prefix: string, id: string, fields: string[]) => {
    const item = itemOf(id)
    return item
      ? shelfPatch(
          Object.fromEntries(fields.map((field) => [`${prefix}.${field}`, shelf.figure(item, field)])),
          item.label,
        )
      : []
  }
  const { oil } = changeOf(draft)
  const planned = (name: string, value: number | undefined): Operation[] =>
    value === undefined ? [] : shelfPatch({ [name]: value }, `tried as ${draft.name}`)
  const patch: Operation[] = [
    ...(itemOf(draft.spring)
      ? [
          ...clearPatch(
            build.sheet!,
            SPRING_FIELDS.map((field) => `relief.${field}`),
          ),
          ...unfitPatch(build.sheet!, 'relief'),
        ]
      : []),
    ...figures('relief', draft.spring, ['springRate', 'freeLength', 'solidLength', 'wire', 'coilDiameter']),
    ...(itemOf(draft.pump) ? clearPatch(build.sheet!, ['pump.centres']) : []),
    ...figures('pump', draft.pump, [
      'displacement',
      'rotorDiameter',
      'rotorLength',
      'endClearance',
      'tipClearance',
      'driveLength',
    ]),
    ...planned('relief.shims', draft.shims),
    ...Object.entries(draft.readings).flatMap(([name, value]) => planned(name, value)),
    ...(oil
      ? oilPatch(build.sheet!, {
          kv40: oil.kv40,
          kv100: oil.kv100,
          density15: oil.density15,
          highShear150: oil.highShear150,
          pumpingLimit: oil.pumpingLimit,
        })
      : []),
  ]
  if (patch.length === 0)
    return void (adopted.value = 'Nothing of it can be written: other clearances are shells to be chosen and measured.')
  await build.change(
    patch,
    `Set-up ${draft.name}`,
    reason.value.trim() || `tried as ${draft.name}`,
    parts.map((item) => ({ item: item.id, move: 'reserve' as const, count: 1 })),
  )
  adopted.value = `Set-up ${draft.name} is written to the record${parts.length > 0 ? ', its parts set aside on the shelf' : ''}${draft.mains || draft.rods ? '; its clearances are not: choose shells for them' : ''}. One undo takes it back.`
}
</script>

<template>
  <div>
    <p class="quiet words">Nothing here touches the record until a set-up is adopted.</p>
    <div class="drawing-scroll">
      <table>
        <thead>
          <tr>
            <th scope="col"><span class="hidden-but-read">What</span></th>
            <th v-for="(column, i) in columns" :key="column.name" scope="col">
              <span class="key" :style="{ background: COLOURS[i] }" />{{ column.name }}
              <button
                v-if="'draft' in column && drafts.length > 1"
                type="button"
                class="small"
                :aria-label="`Drop ${column.name}`"
                @click="drafts = drafts.filter(({ name }) => name !== column.name)"
              >
                drop
              </button>
            </th>
            <th v-if="drafts.length < MOST" scope="col">
              <Button type="button" variant="outlined" @click="add">Another</Button>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="kind in ['spring', 'oil', 'pump'] as const" :key="kind">
            <th scope="row">{{ kind.replace(/^./, (letter) => letter.toUpperCase()) }}</th>
            <td />
            <td v-for="draft in drafts" :key="draft.name">
              <ChoiceField
                :label="`${draft.name}, ${kind}`"
                quiet
                :value="draft[kind]"
                :options="options(kind)"
                @choose="draft[kind] = $event"
              />
            </td>
          </tr>
          <tr v-for="slider in SLIDERS" :key="slider.field">
            <th scope="row">{{ slider.label }}</th>
            <td class="mono">{{ slider.now === undefined ? '' : units.show(slider.now, slider.dimension) }}</td>
            <td v-for="draft in drafts" :key="draft.name" class="slide">
              <input
                type="range"
                :min="slider.from"
                :max="slider.to"
                :step="slider.step"
                :value="draft[slider.field] ?? slider.now ?? 0"
                :aria-label="`${draft.name}, ${slider.label}`"
                :aria-valuetext="units.say(draft[slider.field] ?? slider.now ?? 0, slider.dimension)"
                @input="draft[slider.field] = Number(($event.target as HTMLInputElement).value)"
              /><span class="mono">{{ units.show(draft[slider.field] ?? slider.now ?? 0, slider.dimension) }}</span>
            </td>
          </tr>
          <tr v-for="each in others" :key="each.key">
            <th scope="row">{{ each.label }}</th>
            <td class="mono">{{ units.show(each.value, each.dimension) }}</td>
            <td v-for="draft in drafts" :key="draft.name" class="slide">
              <input
                type="range"
                :min="each.from"
                :max="each.to"
                :step="(each.to - each.from) / 200"
                :value="draft.readings[each.key] ?? each.value"
                :aria-label="`${draft.name}, ${each.label}`"
                :aria-valuetext="units.say(draft.readings[each.key] ?? each.value, each.dimension)"
                @input="draft.readings[each.key] = Number(($event.target as HTMLInputElement).value)"
              /><span class="mono">{{ units.show(draft.readings[each.key] ?? each.value, each.dimension) }}</span>
            </td>
          </tr>
          <tr>
            <th scope="row" :colspan="drafts.length + 2">
              <ChoiceField
                label="Try something else too"
                quiet
                value="none"
                :options="[
                  { value: 'none', words: 'something else too' },
                  ...triable.map(({ key, label }) => ({ value: key, words: label })),
                ]"
                @choose="extra = [...extra, $event]"
              />
            </th>
          </tr>
          <tr v-for="state in STATE_NAMES" :key="state" :data-row="state">
            <th scope="row">{{ STATE_LABELS[state] }}</th>
            <td v-for="column in columns" :key="column.name" class="mono" :class="column.found.states[state].verdict">
              <span class="big">{{
                units.show(column.found.states[state].pressure, 'pressure', units.fine)
              }}</span><span class="quiet band"
                >{{ units.show(column.found.states[state].low, 'pressure') }} to
                {{ units.show(column.found.states[state].high, 'pressure') }}</span
              >
            </td>
          </tr>
          <tr data-row="power">
            <th scope="row">Drive, working hot</th>
            <td v-for="column in columns" :key="column.name" class="mono">
              {{ units.say(column.found.power.best, 'power')
              }}<span class="quiet band"
                >{{ units.show(column.found.power.low, 'power') }} to
                {{ units.show(column.found.power.high, 'power') }}</span
              >
            </td>
          </tr>
          <tr>
            <th scope="row">Parts</th>
            <td />
            <td v-for="draft in drafts" :key="draft.name" class="mono">
              {{ price(draft) ? price(draft).toFixed(2) : '·' }}
            </td>
          </tr>
          <tr>
            <th scope="row">
              <InputText v-model="reason" maxlength="200" placeholder="why" aria-label="Reason for adopting" />
            </th>
            <td />
            <td v-for="draft in drafts" :key="draft.name">
              <Button type="button" :aria-label="`Adopt ${draft.name}`" @click="adopt(draft)">Adopt</Button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="shelf.problem" class="wrong" role="alert">{{ shelf.problem }}</p>
    <p v-if="adopted" class="adopted" role="status">{{ adopted }}</p>
    <div v-if="plot" class="drawing-scroll">
      <svg class="drawing" viewBox="0 0 732 182" role="img" aria-label="Pressure over speed with hot oil, each set-up">
        <path class="thin" d="M 46 8 V 150 H 640" />
        <text x="40" y="16" text-anchor="end" class="quiet-text">{{ units.show(plot.most, 'pressure') }}</text>
        <text x="40" y="154" text-anchor="end" class="quiet-text">0</text>
        <text x="46" y="170" class="quiet-text">{{ units.show(plot.from, 'speed') }}</text>
        <text x="636" y="170" text-anchor="end" class="quiet-text">{{ units.say(plot.to, 'speed') }}</text>
        <text x="340" y="170" text-anchor="middle" class="quiet-text">
          hot oil; {{ units.unit('pressure').symbol }} over speed
        </text>
        <path
          v-for="(d, i) in plot.lines"
          :key="i"
          :d="d"
          fill="none"
          :stroke="COLOURS[i]"
          stroke-width="2.4"
          :stroke-dasharray="DASHES[i]"
        />
        <text v-for="(column, i) in columns" :key="column.name" x="646" :y="plot.ends[i] + 4">{{ column.name }}</text>
      </svg>
    </div>
  </div>
</template>

<style scoped>
.words {
  padding-bottom: 6px;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  text-align: right;
  padding: 3px 0 3px 12px;
  border-top: 1px solid var(--rule);
  font-weight: 400;
  vertical-align: middle;
}
thead th {
  border: 0;
  font-weight: 650;
  white-space: nowrap;
}
th:first-child {
  text-align: left;
  padding-left: 0;
  min-width: 132px;
}
.key {
  display: inline-block;
  width: 14px;
  height: 4px;
  margin-right: 6px;
  vertical-align: middle;
}
.slide {
  min-width: 128px;
}
.slide input {
  width: 100%;
  accent-color: var(--petrol);
  display: block;
  min-height: 30px;
}
.slide .mono {
  font-size: 15px;
}
.big {
  font-size: 19px;
}
.band {
  display: block;
  font-size: 12.5px;
  white-space: nowrap;
}
td.stop .big {
  color: var(--stop);
}
td.watch .big {
  color: var(--watch);
}
.small {
  border: 0;
  background: none;
  color: var(--petrol);
  min-height: 32px;
  cursor: pointer;
}
td :deep(.choice) {
  max-width: 150px;
}
.p-inputtext {
  height: 44px;
  width: 130px;
  font-size: 15px;
}
.adopted {
  border-left: 6px solid var(--pass);
  padding: 6px 12px;
  margin: 8px 0;
}
.wrong {
  color: var(--stop);
}
</style>
