<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/start'
import { checksOf } from '#core/engine/catalogue'
import type { RunSetUp } from '#core/run/schema'

/** What must be in order before it is started, from all stations: stop there, or go on with a written reason. */
const emit = defineEmits<{ go: [] }>()
const build = useBuild()
const run = useRun()
const checks = computed(() => checksOf(build.sheet!.layout).filter((check) => check.group === 'preflight'))
const ready = computed(() => checks.value.filter((check) => build.sheet!.checks[check.key]?.state === 'done').length)
const { stops, gates, looking } = useStartGates(checks)
/** Gates that somebody goes on past, and why. */
const reasons = reactive<Record<string, string>>({})
const open = computed(() => gates.value.filter(({ gate }) => !reasons[gate]?.trim()))
const clear = computed(() => gates.value.length === 0 && !looking.value)
async function begin(setup: Pick<RunSetUp, 'source' | 'rig'>) {
  for (const each of stops.value) await run.found(each.run, reasons[each.gate].trim())
  const passed = gates.value.map(({ words, more, gate }) => ({
    gate: [words, more].filter(Boolean).join(' ').slice(0, 1000),
    reason: reasons[gate].trim(),
  }))
  await run.begin(build.id!, 'start', { ...setup, ...(passed.length > 0 ? { passed } : {}) })
  emit('go')
}
</script>

<template>
  <div class="columns">
    <section>
      <h2>{{ t('startPreflight.preflightOf', { ready, count: checks.length }) }}</h2>
      <CheckRow v-for="item in checks" :key="item.key" :item="item" />
      <HandOver class="block" />
    </section>
    <section>
      <div class="go" :class="clear ? 'ready' : 'not'" data-testid="clear-to-start">
        <span class="word">{{
          clear
            ? t('startPreflight.clearToStart')
            : looking
              ? t('startPreflight.looking')
              : open.length === 0
                ? t('startPreflight.goingOn')
                : t('startPreflight.notYet')
        }}</span>
        <div v-for="each in gates" :key="each.gate" class="gate" :data-gate="each.gate">
          <span
            ><NuxtLink v-if="each.to" :to="each.to">{{ named(each.words) }}</NuxtLink
            ><b v-else>{{ named(each.words) }}</b
            ><span v-if="each.more" class="more">{{ each.more }}</span></span
          >
          <InputText
            v-model="reasons[each.gate]"
            maxlength="400"
            :aria-label="
              each.asks
                ? t('startPreflight.write', { each: named(each.words), asks: each.asks })
                : t('startPreflight.goOnPastBecause', { each: named(each.words) })
            "
            :placeholder="each.asks ?? t('startPreflight.goOnBecause')"
          />
        </div>
      </div>
      <DeadlineWords />
      <CautionNote name="start">{{ t('startPreflight.handsAndSleevesClearOfBelts') }}</CautionNote>
      <h2 class="next">{{ t('startPreflight.readings') }}</h2>
      <RunSource kind="start" :disabled="open.length > 0 || looking" @begin="begin">{{
        t('startPreflight.goToTheStart')
      }}</RunSource>
      <p v-if="open.length > 0" class="quiet">
        {{ t('startPreflight.eachOfTheseIsPutRight') }}
      </p>
    </section>
  </div>
</template>

<style scoped>
.go {
  border: 2px solid var(--field);
  padding: 14px 18px;
  display: grid;
  gap: 6px;
}
.word {
  font-size: 30px;
  font-weight: 700;
  font-stretch: 88%;
}
.go.ready {
  border-color: var(--pass);
  color: var(--pass);
  border-radius: 26px;
}
.go.not {
  border-style: dashed;
}
.gate {
  display: grid;
  gap: 4px;
  padding: 8px 0;
  border-top: 1px solid var(--rule);
}
.more {
  display: block;
  color: var(--quiet);
  line-height: 1.35;
}
.gate input {
  height: 44px;
  font-size: 15px;
  padding: 0 8px;
  border: 1px solid var(--field);
  border-radius: 3px;
  background: var(--sheet);
  min-width: 0;
}
.next {
  margin: 20px 0 6px;
}
</style>
