<script setup lang="ts">
import Sortable from 'sortablejs'
import { t } from '~/words/of/plan'

/** Engines in the order in which they have their pick of everybody's time: dragged by their handle, or moved by arrows. */
const plan = usePlan()
/** As a hand has put them, at once; how the plan has them, where none has. */
const order = computed(() => {
  const planned = plan.planned?.order ?? []
  const asked = plan.kept.order.filter((id) => planned.includes(id))
  return [...asked, ...planned.filter((id) => !asked.includes(id))]
})
const engines = computed(() => {
  const by = new Map(plan.planned?.engines.map((each) => [each.build, each]))
  return order.value.flatMap((id) => by.get(id) ?? [])
})
function move(from: number, to: number) {
  const next = order.value.toSpliced(from, 1).toSpliced(to, 0, order.value[from]!)
  void plan.putInOrder(next)
}
const list = useTemplateRef<HTMLElement>('list')
let sortable: Sortable | undefined
watch(list, (now) => {
  sortable?.destroy()
  sortable = now
    ? Sortable.create(now, {
        handle: '.handle',
        animation: 120,
        onEnd({ item, from, oldIndex, newIndex }) {
          if (oldIndex === undefined || newIndex === undefined || oldIndex === newIndex) return
          // The list draws itself by the order: what was dragged is put back until it does.
          item.remove()
          from.insertBefore(item, from.children[oldIndex] ?? null)
          move(oldIndex, newIndex)
        },
      })
    : undefined
})
onBeforeUnmount(() => sortable?.destroy())
const learnt = computed(() => Object.values(plan.given?.pace.seen ?? {}).reduce((sum, each) => sum + each, 0))
</script>

<template>
  <div v-if="plan.planned">
    <p class="how">
      {{ plan.kept.order.length > 0 ? t('engines.byHand') : t('engines.byPlan') }}
      <Button v-if="plan.kept.order.length > 0" type="button" variant="outlined" @click="plan.putInOrder([])">{{
        t('engines.giveBack')
      }}</Button>
    </p>
    <ol ref="list" :aria-label="t('engines.order')">
      <PlanEngineRow
        v-for="(each, i) in engines"
        :key="each.build"
        :engine="each"
        :first="i === 0"
        :last="i === engines.length - 1"
        @up="move(i, i - 1)"
        @down="move(i, i + 1)"
      />
    </ol>
    <p class="quiet">{{ learnt > 0 ? t('plan.paceLearnt', { n: learnt }, learnt) : t('plan.paceAssumed') }}</p>
  </div>
</template>

<style scoped>
.how {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
ol {
  list-style: none;
  margin: 0 0 12px;
  padding: 0;
  border-bottom: 1px solid var(--rule);
}
</style>
