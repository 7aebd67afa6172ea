<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/start'
import { POINT_NAMES, type PointName } from '#core/start/points'
import { POINT_LABELS } from '~/composables/useCapturedPoints'
import type { KeptEvent } from '#core/run/run'

/** The steady points of a start: what was captured, or a mark to be set where the engine runs and all three figures are known. */
const { kept, markable } = defineProps<{ kept: Map<string, KeptEvent>; markable: boolean }>()
const emit = defineEmits<{ mark: [PointName] }>()
const units = useUnits()
</script>

<template>
  <div class="points">
    <span v-for="name in POINT_NAMES" :key="name" class="point" :class="{ has: kept.has(name) }" :data-point="name"
      ><b>{{ named(POINT_LABELS[name]) }}</b
      >{{ ' '
      }}<template v-if="kept.has(name)">{{
        units.say(Number(kept.get(name)!.data.pressure), 'pressure', units.fine)
      }}</template
      ><Button v-else-if="markable" type="button" variant="outlined" @click="emit('mark', name)">{{
        t('boardPoints.mark')
      }}</Button
      ><template v-else>·</template></span
    >
  </div>
</template>

<style scoped>
.points {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 26px;
  font-size: 18px;
  align-items: center;
}
.point {
  color: var(--quiet);
}
.point.has {
  color: var(--ink);
}
.point button {
  min-height: 44px;
  min-width: 64px;
  border: 1px solid var(--field);
  background: none;
  border-radius: 3px;
  cursor: pointer;
}
</style>
