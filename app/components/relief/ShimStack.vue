<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/relief'
import { recordedOrDefault } from '#core/engine/values'
import type { ValveField, ValveName } from '#core/parts/reliefReadings'
import { reliefValve } from '#core/parts/reliefRecord'
import type { Route } from '#core/relief/routes'
import { planStack, type Stack, type Washer, washerFault } from '#core/relief/stack'
import { openingPressure } from '#core/relief/valve'
import type { ShownItem } from '~/stores/shelf'
import { shelfPatch, springPatch } from '~/composables/shelfPatch'
import { WASHER_WORDS } from '~/words/relief'

/** The shim stack from the drawer that a route asks for, under the fitted spring or under the one that it brings; set aside, or taken and fitted. */
const { valve, route, springs } = defineProps<{ valve: ValveName; route: Route; springs: readonly ShownItem[] }>()
const build = useBuild()
const units = useUnits()
const shelf = useShelf()
const of = (field: ValveField) => recordedOrDefault(build.sheet!, `${valve}.${field}`)?.value
const seat = computed(() => ({
  plugBore: of('plugBore'),
  plugHole: of('plugHole'),
  springDiameter: route.spring?.coilDiameter ?? of('coilDiameter'),
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
    return fault ? [{ label: labelOf(washer.id), fault: WASHER_WORDS[fault] }] : []
  }),
)
const labelOf = (id: string) => washers.value.find((item) => item.id === id)?.label ?? id
const plans = computed(() => {
  const target = route.shims
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
const opensWith = (stack: Stack) => openingPressure({ ...route.valve, shims: [stack.thickness] })
const unknownSeat = computed(() =>
  (
    [
      ['plugBore', t('shimStack.plugBore')],
      ['plugHole', t('shimStack.holeInThePlug')],
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
  const spring = route.kind === 'spring' ? springs.find(({ id }) => id === route.spring!.id) : undefined
  const words = stack.washers
    .flatMap(({ id, thickness, count }) =>
      Array.from({ length: count }, (_, i) =>
        units.show(thickness - (stack.grind?.id === id && i === 0 ? stack.grind.by : 0), 'length'),
      ),
    )
    .join(' + ')
  await build.change(
    [
      ...(spring ? springPatch(build.sheet!, valve, spring) : []),
      ...shelfPatch({ [`${valve}.shims`]: stack.thickness }, words),
      { op: 'add', path: `/choices/${valve}.stack`, value: words.slice(0, 80) },
    ],
    t('shimStack.shims'),
    t('shimStack.takenFromTheShelf', { pieces: pieces(stack) }),
    [...moves, ...(spring ? [{ item: spring.id, move: 'take' as const, count: 1 }] : [])],
  )
}
async function fitSpring() {
  const spring = springs.find(({ id }) => id === route.spring!.id)!
  await build.change(
    [...springPatch(build.sheet!, valve, spring), ...shelfPatch({ [`${valve}.shims`]: 0 }, 'none')],
    t('shimStack.spring', { spring: named(spring.label) }),
    t('shimStack.takenFromTheShelf2'),
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
  <section class="block" :aria-label="t('shimStack.shimStack')">
    <div class="block-head">
      <h2>{{ t('shimStack.stackOf', { shims: units.say(route.shims, 'length') }) }}</h2>
      <span class="note">{{
        route.spring
          ? t('shimStack.under', { spring: named(route.spring.label) })
          : t('shimStack.isUnderItNow', { shims: units.say(bare.shims[0] ?? 0, 'length') })
      }}</span>
    </div>
    <p v-if="route.shims < 1e-5 && !route.spring" class="quiet">{{ t('shimStack.noShimsAreAskedFor') }}</p>
    <p v-else-if="route.shims < 1e-5" class="actions">
      <span class="quiet">{{ t('shimStack.noShimsAreAskedForWith') }}</span><Button type="button" @click="fitSpring">{{
        t('shimStack.takeAndFitTheSpring')
      }}</Button>
    </p>
    <p v-else-if="plans && 'problem' in plans" class="wrong" role="alert">
      {{ t('shimStack.theDrawerCannotMakeIt', { problem: plans.problem }) }}
    </p>
    <div v-for="each in stacks" :key="each.name" class="row stack" :data-stack="each.name">
      <span class="what"
        ><b>{{ pieces(each.stack) }}</b
        ><span class="origin">{{
          t('shimStack.opensAt', {
            grind: each.stack.grind
              ? t('shimStack.groundDownBy', {
                  labelOf: labelOf(each.stack.grind.id),
                  by: units.say(each.stack.grind.by, 'clearance'),
                })
              : each.stack.pieces === 1
                ? t('shimStack.oneWasherAsItLies')
                : t('shimStack.washersAsTheyLie', { pieces: each.stack.pieces }),
            opensWith: units.say(opensWith(each.stack), 'pressure', units.fine),
          })
        }}</span></span
      >
      <span class="figure" :data-metres="each.stack.thickness"
        >{{ units.show(each.stack.thickness, 'length')
        }}<span class="unit"
          >{{ units.unit('length').symbol }},
          {{
            Math.abs(each.stack.off) < 5e-7
              ? 'exact'
              : `${units.show(Math.abs(each.stack.off), 'length')} ${named(each.stack.off > 0 ? 'over' : 'under')}`
          }}</span
        ></span
      >
      <span class="actions"
        ><Button type="button" variant="outlined" @click="setAside(each.stack)">{{ t('shimStack.setAside') }}</Button
        ><Button type="button" @click="fit(each.stack)">{{ t('shimStack.takeAndFit') }}</Button></span
      >
    </div>
    <p v-if="unfit.length > 0" class="quiet hint">
      {{ t('shimStack.leftOut', { unfit: unfit.map(({ label, fault }) => `${label} (${fault})`).join('; ') }) }}
    </p>
    <p v-if="unknownSeat.length > 0" class="quiet hint">
      {{ t('shimStack.notCheckedWithoutItAWasher', { unknownSeat: unknownSeat.join(', ') }) }}
    </p>
    <p v-if="aside.length > 0" class="actions hint">
      <span class="quiet">{{
        t('shimStack.setAsideForThisBuild', {
          aside: aside.map(({ item, count }) => `${count} × ${named(item.label)}`).join(', '),
        })
      }}</span><Button type="button" variant="outlined" @click="release">{{ t('shimStack.release') }}</Button>
    </p>
    <p v-if="taken.length > 0" class="actions hint">
      <span class="quiet">{{
        t('shimStack.inThisBuild', {
          taken: taken.map(({ item, count }) => `${count} × ${named(item.label)}`).join(', '),
        })
      }}</span><Button type="button" variant="outlined" @click="putBack">{{ t('shimStack.putAllBack') }}</Button>
    </p>
  </section>
</template>

<style scoped>
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
