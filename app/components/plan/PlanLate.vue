<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/plan'
import { stretch } from '~/composables/words'
import { wallMoment } from '~/words/dates'
import type { Planned } from '#core/plan/shop'

/** Promises that the plan does not keep, or may not: said days before. */
const { following = false } = defineProps<{
  /** The page shows no more of the plan than this, and something else first. */
  following?: boolean
}>()
const plan = usePlan()
const FIRST_SCREEN = 3000
if (following) plan.follow(FIRST_SCREEN)
const late = computed(() => (plan.planned?.engines ?? []).filter(({ lateMost }) => lateMost))
function words({ name, promised, done, latest, late: by, whole, held = '' }: Planned): string {
  const given = {
    engine: name,
    promised: wallMoment(promised!),
    done: done === undefined ? '' : wallMoment(done),
    latest: latest === undefined ? '' : wallMoment(latest),
  }
  if (by && !whole && by !== Infinity) return t('late.held', { ...given, held: named(held) })
  if (by === Infinity) return t('late.noTime', given)
  if (by) return t('late.late', { ...given, late: stretch(by) })
  return latest === undefined ? t('late.mayFindNoTime', given) : t('late.mayBe', given)
}
</script>

<template>
  <NoteBar
    v-if="late.length > 0"
    :kind="late.some(({ late: by }) => by) ? 'stop' : 'watch'"
    class="on-paper"
    data-testid="late"
  >
    <p v-for="each in late" :key="each.build">{{ words(each) }}</p>
    <template #actions><slot /></template>
  </NoteBar>
</template>
