<script setup lang="ts">
import { halfBand } from '#core/quantity/uncertain'
import type { ValveField, ValveName } from '#core/parts/reliefReadings'
import { reliefValve } from '#core/parts/reliefRecord'
import { recordedOrDefault } from '#core/engine/values'
import type { ReliefSummary } from '#core/outlook/relief'
import type { Route } from '#core/relief/routes'
import { openingPressure } from '#core/relief/valve'
import { planStack, type Stack, type Washer, washerFault } from '#core/relief/stack'
import type { ShelfItem } from '#core/shelf/schema'
import { clearPatch, shelfPatch, SPRING_FIELDS, unfitPatch } from '~/composables/shelfPatch'

/** Ways to a wanted opening pressure side by side, and the shim stack from the drawer that makes one of them. */
const { valve, summary } = defineProps<{ valve: ValveName; summary?: ReliefSummary }>()
const build = useBuild()
const units = useUnits()
const shelf = useShelf()
void shelf.load()
const of = (field: ValveField) => recordedOrDefault(build.sheet!, `${valve}.${field}`)?.value
const wanted = computed(() => of('wanted'))
const springs = computed(() =>
  shelf
    .fitting('spring', build.sheet!.engine)
    .filter((item) => item.count > item.reserved || shelf.shareOf(build.id, item.id).reserved > 0),
)
const offered = computed(() =>
  springs.value.map((item) => ({
    id: item.id,
    label: item.label,
    springRate: shelf.figure(item, 'springRate')!,
    freeLength: shelf.figure(item, 'freeLength')!,
    solidLength: shelf.figure(item, 'solidLength'),
    wire: shelf.figure(item, 'wire'),
    coilDiameter: shelf.figure(item, 'coilDiameter'),
  })),
)
const { value: routes } = useAnswer(
  (model) => (build.sheet && wanted.value ? model.routes(build.sheet, valve, offered.value, wanted.value) : undefined),
  () => [build.sheet, valve, offered.value, wanted.value],
)
const titles = { shims: 'Shims', spring: 'Spring', plug: 'Plug', cap: 'Deformed cap' }
const p = (value: number | undefined) => (value === undefined ? '·' : units.show(value, 'pressure', units.fine))
function what(route: Route): string {
  if (route.kind === 'shims') return `${units.say(route.shims, 'length')} in all under the fitted spring`
  if (route.kind === 'spring')
    return `${units.say(route.spring!.springRate, 'springRate')}${route.shims > 1e-6 ? `, with ${units.say(route.shims, 'length')} of shims` : ', no shims'}`
  return `${units.say(Math.abs(route.further), 'length')} ${route.further < 0 ? 'out' : 'further in'}`
}

/** The stack under the spring that is fitted, or under the one whose route was chosen. */
const chosen = ref<string>()
const route = computed(
  () => routes.value?.find((each) => (each.spring?.id ?? each.kind) === chosen.value) ?? routes.value?.[0],
)
const seat = computed(() => ({
  plugBore: of('plugBore'),
  plugHole: of('plugHole'),
  springDiameter: route.value?.spring?.coilDiameter ?? of('coilDiameter'),
}))
const washers = computed(() => shelf.fitting('washer', build.sheet!.engine))
const drawer = computed(() =>
  washers.value.map((item): Washer => ({
    id: item.id,
    thickness: shelf.figure(item, 'thickness')!,
    count: item.count - item.reserved + shelf.shareOf(build.id, item.id).reserved,
    outside: shelf.figure(item, 'outside'),
    hole: shelf.figure(item, 'hole'),
    ...(item.properties.stainless ? { stainless: item.properties.stainless === 'yes' } : {}),
  })),
)
const unfit = computed(() =>
  drawer.value.flatMap((washer) => {
    const fault = washerFault(washer, seat.value)
    return fault ? [{ label: labelOf(washer.id), fault }] : []
  }),
)
const labelOf = (id: string) => washers.value.find((item) => item.id === id)?.label ?? id
const plans = computed(() => {
  const target = route.value?.shims
  if (target === undefined || target < 1e-5 || !shelf.loaded) return undefined
  try {
    return planStack(drawer.value, target, seat.value)
  } catch (error) {
    return { problem: (error as Error).message.replace(/^\w+: /, '') }
  }
})
const stacks = computed(() => {
  const plan = plans.value
  if (!plan || 'problem' in plan) return []
  return [
    { name: 'as they lie', stack: plan.plain },
    ...(plan.ground ? [{ name: 'one ground', stack: plan.ground }] : []),
  ]
})
const pieces = (stack: Stack) => stack.washers.map(({ id, count }) => `${count} × ${labelOf(id)}`).join(', ')
const opensWith = (stack: Stack) => openingPressure({ ...route.value!.valve, shims: [stack.thickness] })
const unknownSeat = computed(() =>
  (
    [
      ['plugBore', 'plug bore'],
      ['plugHole', 'hole in the plug'],
      ['coilDiameter', 'coil'],
    ] as const
  )
    .filter(([field]) => of(field) === undefined && !(field === 'coilDiameter' && seat.value.springDiameter))
    .map(([, words]) => words),
)

/** Keeps washers for this build until the plug is opened. */
const setAside = (stack: Stack) =>
  shelf.move(
    build.id!,
    stack.washers.map(({ id, count }) => ({ item: id, move: 'reserve' as const, count })),
  )
async function fit(stack: Stack) {
  const moves = stack.washers.map(({ id, count }) => ({ item: id, move: 'take' as const, count }))
  const spring =
    route.value?.kind === 'spring' ? springs.value.find(({ id }) => id === route.value!.spring!.id) : undefined
  const words = stack.washers
    .flatMap(({ id, thickness, count }) =>
      Array.from({ length: count }, (_, i) =>
        units.show(thickness - (stack.grind?.id === id && i === 0 ? stack.grind.by : 0), 'length'),
      ),
    )
    .join(' + ')
  await build.change(
    [
      ...(spring ? springPatch(spring) : []),
      ...shelfPatch({ [`${valve}.shims`]: stack.thickness }, words),
      { op: 'add', path: `/choices/${valve}.stack`, value: words.slice(0, 80) },
    ],
    'Shims',
    `taken from the shelf: ${pieces(stack)}`,
    [...moves, ...(spring ? [{ item: spring.id, move: 'take' as const, count: 1 }] : [])],
  )
}
/** Another spring: what the bench and the wire said of the old one goes. */
function springPatch(spring: ShelfItem) {
  const figures = Object.fromEntries(
    ['springRate', 'freeLength', 'solidLength', 'wire', 'coilDiameter'].map((field) => [
      `${valve}.${field}`,
      shelf.figure(spring, field),
    ]),
  )
  return [
    ...clearPatch(
      build.sheet!,
      SPRING_FIELDS.map((field) => `${valve}.${field}`),
    ),
    ...unfitPatch(build.sheet!, valve),
    ...shelfPatch(figures, spring.label),
  ]
}
async function fitSpring() {
  const spring = springs.value.find(({ id }) => id === route.value!.spring!.id)!
  await build.change(
    [...springPatch(spring), ...shelfPatch({ [`${valve}.shims`]: 0 }, 'none')],
    `Spring ${spring.label}`,
    'taken from the shelf',
    [{ item: spring.id, move: 'take', count: 1 }],
  )
}
const aside = computed(() =>
  washers.value
    .map((item) => ({ item, count: shelf.shareOf(build.id, item.id).reserved }))
    .filter(({ count }) => count > 0),
)
const release = () =>
  shelf.move(
    build.id!,
    aside.value.map(({ item, count }) => ({ item: item.id, move: 'release' as const, count })),
  )
const taken = computed(() =>
  washers.value
    .map((item) => ({ item, count: shelf.shareOf(build.id, item.id).taken }))
    .filter(({ count }) => count > 0),
)
const putBack = () =>
  shelf.move(
    build.id!,
    taken.value.map(({ item, count }) => ({ item: item.id, move: 'put-back' as const, count })),
  )
const bare = computed(() => reliefValve(build.sheet!, valve))
</script>

<template>
  <div>
    <div class="columns">
      <section><ReadingRow :name="`${valve}.wanted`" /><ReadingRow :name="`${valve}.plugTravel`" /></section>
      <section>
        <ReadingRow :name="`${valve}.plugBore`" /><ReadingRow :name="`${valve}.plugHole`" /><ReadingRow
          :name="`${valve}.coilDiameter`"
        /><ReadingRow :name="`${valve}.wire`" />
      </section>
    </div>
    <p v-if="shelf.problem" class="wrong" role="alert">{{ shelf.problem }}</p>
    <p v-if="wanted === undefined" class="quiet hint">
      Write the opening pressure that is wanted; every way to it is set side by side.
    </p>
    <template v-if="routes">
      <div class="block-head block">
        <h2>Routes to {{ units.say(wanted!, 'pressure', units.fine) }}</h2>
        <span class="note"
          >full flow: all the pump gives at working speed, cold oil<template v-if="summary"
            >; known to ± {{ units.say(halfBand({ sigma: summary.opensSigma }), 'pressure', units.fine) }}</template
          ></span
        >
      </div>
      <div class="drawing-scroll">
        <table>
          <thead>
            <tr>
              <th scope="col">Way</th>
              <th scope="col">full flow</th>
              <th scope="col">override</th>
              <th scope="col">before bind</th>
              <th scope="col">wire</th>
              <th scope="col">back</th>
              <th scope="col"><span class="hidden-but-read">Choose</span></th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="each in routes"
              :key="each.spring?.id ?? each.kind"
              :class="{ chosen: route === each }"
              :data-route="each.spring?.label ?? each.kind"
            >
              <th scope="row">
                {{ each.spring?.label ?? titles[each.kind] }}<span class="quiet">{{ what(each) }}</span
                ><span v-if="each.against.length > 0" class="against"
                  >{{ each.against.join('; ').replace(/^./, (letter) => letter.toUpperCase()) }}.</span
                >
              </th>
              <td class="mono">{{ p(each.fullFlow) }}</td>
              <td class="mono">{{ p(each.override) }}</td>
              <td class="mono" :class="{ bad: each.bindMargin !== undefined && each.bindMargin < 0 }">
                {{ each.bindMargin === undefined ? '·' : units.show(each.bindMargin, 'length') }}
              </td>
              <td class="mono" :class="{ bad: (each.stress ?? 0) > 1 }">
                {{ each.stress === undefined ? '·' : `${Math.round(100 * each.stress)} %` }}
              </td>
              <td>{{ each.reversible ? 'yes' : 'no' }}</td>
              <td>
                <Button
                  v-if="each.kind === 'shims' || each.kind === 'spring'"
                  type="button"
                  variant="outlined"
                  :aria-pressed="route === each"
                  @click="chosen = each.spring?.id ?? each.kind"
                  >{{ route === each ? 'chosen' : 'choose' }}</Button
                >
              </td>
            </tr>
          </tbody>
          <tfoot>
            <tr>
              <td />
              <td>{{ units.unit('pressure').symbol }}</td>
              <td>{{ units.unit('pressure').symbol }}</td>
              <td>{{ units.unit('length').symbol }}</td>
              <td>of what it bears</td>
              <td />
              <td />
            </tr>
          </tfoot>
        </table>
      </div>
      <section
        v-if="route && (route.kind === 'shims' || route.kind === 'spring')"
        class="block"
        aria-label="Shim stack"
      >
        <div class="block-head">
          <h2>Stack of {{ units.say(route.shims, 'length') }}</h2>
          <span class="note">{{
            route.spring ? `under ${route.spring.label}` : `${units.say(bare.shims[0] ?? 0, 'length')} is under it now`
          }}</span>
        </div>
        <p v-if="route.shims < 1e-5 && !route.spring" class="quiet">No shims are asked for.</p>
        <p v-else-if="route.shims < 1e-5" class="actions">
          <span class="quiet">No shims are asked for with this spring.</span
          ><Button type="button" @click="fitSpring">Take and fit the spring</Button>
        </p>
        <p v-else-if="plans && 'problem' in plans" class="wrong" role="alert">
          The drawer cannot make it: {{ plans.problem }}.
        </p>
        <div v-for="each in stacks" :key="each.name" class="row stack" :data-stack="each.name">
          <span class="what"
            ><b>{{ pieces(each.stack) }}</b
            ><span class="origin"
              >{{
                each.stack.grind
                  ? `${labelOf(each.stack.grind.id)} ground down by ${units.say(each.stack.grind.by, 'clearance')}`
                  : each.stack.pieces === 1
                    ? 'one washer, as it lies'
                    : `${each.stack.pieces} washers, as they lie`
              }}; opens at {{ units.say(opensWith(each.stack), 'pressure', units.fine) }}</span
            ></span
          >
          <span class="figure" :data-metres="each.stack.thickness"
            >{{ units.show(each.stack.thickness, 'length')
            }}<span class="unit"
              >{{ units.unit('length').symbol }},
              {{
                Math.abs(each.stack.off) < 5e-7
                  ? 'exact'
                  : `${units.show(Math.abs(each.stack.off), 'length')} ${each.stack.off > 0 ? 'over' : 'under'}`
              }}</span
            ></span
          >
          <span class="actions"
            ><Button type="button" variant="outlined" @click="setAside(each.stack)">Set aside</Button
            ><Button type="button" @click="fit(each.stack)">Take and fit</Button></span
          >
        </div>
        <p v-if="unfit.length > 0" class="quiet hint">
          Left out: {{ unfit.map(({ label, fault }) => `${label} (${fault})`).join('; ') }}.
        </p>
        <p v-if="unknownSeat.length > 0" class="quiet hint">
          Not checked without it: {{ unknownSeat.join(', ') }}. A washer must be narrower than the plug’s bore, wide
          enough to seat the spring, its hole no smaller than the plug’s own, and stainless.
        </p>
        <p v-if="aside.length > 0" class="actions hint">
          <span class="quiet"
            >Set aside for this build:
            {{ aside.map(({ item, count }) => `${count} × ${item.label}`).join(', ') }}.</span
          ><Button type="button" variant="outlined" @click="release">Release</Button>
        </p>
        <p v-if="taken.length > 0" class="actions hint">
          <span class="quiet"
            >In this build: {{ taken.map(({ item, count }) => `${count} × ${item.label}`).join(', ') }}.</span
          ><Button type="button" variant="outlined" @click="putBack">Put all back</Button>
        </p>
      </section>
    </template>
  </div>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  text-align: right;
  padding: 6px 0 6px 12px;
  border-top: 1px solid var(--rule);
  font-weight: 400;
}
thead th,
tfoot td {
  color: var(--quiet);
  border: 0;
  padding-block: 2px;
}
th:first-child {
  text-align: left;
  padding-left: 8px;
  line-height: 1.3;
}
tbody th {
  font-weight: 650;
}
tbody th .quiet {
  display: block;
  font-weight: 400;
}
.against {
  display: block;
  color: var(--watch);
  font-weight: 400;
}
td.mono {
  font-size: 17px;
}
.chosen th {
  box-shadow: inset 3px 0 0 var(--petrol);
}
.bad {
  color: var(--stop);
  font-weight: 700;
}
.stack {
  grid-template-columns: minmax(0, 1fr) auto auto;
}
.stack .origin {
  white-space: normal;
}
.hint {
  padding-top: 8px;
  align-items: center;
}
.wrong {
  color: var(--stop);
  padding-top: 8px;
}
</style>
