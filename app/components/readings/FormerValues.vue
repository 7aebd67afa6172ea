<script setup lang="ts">
import { t } from '~/words/of/frame'
import type { Quantity } from '#core/record/quantity'
import type { Reading } from '#core/record/schema'
import { ask } from '~/sync/ask'
import { momentOf } from '~/words/dates'

/** Every former value of a reading, newest first, each one touch away. */
const { quantity, now } = defineProps<{ quantity: Quantity; now?: number }>()
const build = useBuild()
const units = useUnits()

interface Former {
  revision: number
  value?: Reading
  who: string
  at: string
  signedBy?: string
}
const former = shallowRef<Former[]>()
async function loadFormer() {
  const { key } = quantity
  const entries = await ask('GET /api/builds/:build/entries', { at: { build: build.id! } }).catch(() => undefined)
  former.value = entries
    ?.flatMap((entry) =>
      entry.patch.flatMap((operation) =>
        operation.path === `/readings/${key}`
          ? [
              {
                revision: entry.revision,
                value: 'value' in operation ? (operation.value as Reading) : undefined,
                who: entry.who,
                at: entry.at,
                signedBy: entry.signedBy,
              },
            ]
          : [],
      ),
    )
    .reverse()
}
function restore({ value }: Former) {
  const { key, label } = quantity
  if (value) void build.change([{ op: 'add', path: `/readings/${key}`, value }], label, 'restored')
}
watch(() => [quantity.key, build.revision], loadFormer, { immediate: true })
</script>

<template>
  <div class="former" data-testid="former">
    <p v-if="!former" class="quiet">{{ t('formerValues.serverOfflineLogUnavailable') }}</p>
    <p v-else-if="former.length === 0" class="quiet">{{ t('formerValues.nothingWasWrittenHereSinceThe') }}</p>
    <ul v-else>
      <li v-for="each in former" :key="each.revision">
        <span class="mono">{{
          each.value ? units.showReading(each.value.value, quantity) : t('formerValues.takenOut')
        }}</span><span class="quiet"
          >{{ each.who }}{{ each.signedBy ? t('formerValues.signedOffBy', { signedBy: each.signedBy }) : '' }},
          {{ momentOf(each.at)
          }}{{ each.value?.typed ? t('formerValues.typed', { typed: each.value.typed }) : '' }}</span
        >
        <Button
          v-if="each.value && each.value.value !== now"
          type="button"
          variant="outlined"
          :aria-label="t('formerValues.restore', { showReading: units.showReading(each.value.value, quantity) })"
          @click="restore(each)"
          >{{ t('formerValues.restore2') }}</Button
        >
      </li>
    </ul>
  </div>
</template>

<style scoped>
.former {
  padding: 8px 0;
  max-height: 230px;
  overflow-y: auto;
}
.former ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.former li {
  display: grid;
  grid-template-columns: 100px 1fr auto;
  gap: 14px;
  align-items: center;
  min-height: 46px;
  border-bottom: 1px solid var(--rule);
}
</style>
