<script setup lang="ts">
import { fillOf } from '#core/record/fill'

const build = useBuild()
const outlook = useOutlook()
const units = useUnits()
const cause = computed(() =>
  build.lastLabel === ''
    ? 'another hand wrote'
    : build.lastLabel === 'undo'
      ? 'undo'
      : `${build.lastLabel.toLowerCase()} ${/shells$/.test(build.lastLabel) ? 'were' : 'was'} written`,
)
/** Where the filter can and the cooler see the most: they stand before the gauge. */
const vessels = computed(() =>
  (
    [
      ['can', 'filter can'],
      ['cooler', 'cooler'],
    ] as const
  ).flatMap(([key, words]) => {
    const seen = (outlook.now?.states ?? [])
      .flatMap(({ [key]: vessel, label, pumpable }) => (vessel && pumpable ? [{ ...vessel, label, words, key }] : []))
      .sort((a, b) => b.pressure - a.pressure)
    return seen.slice(0, 1)
  }),
)
const assumed = computed(() => outlook.now?.assumed.slice(0, 5) ?? [])
</script>

<template>
  <aside class="strip" aria-label="Outlook" tabindex="0" :data-took="outlook.took">
    <div class="head">
      <h2>Outlook</h2>
      <span class="quiet">{{ units.unit('pressure').symbol }}, at the gauge</span>
    </div>
    <p v-if="outlook.failed" class="failed" role="alert" data-testid="strip-failed">
      No prediction: {{ outlook.failed }}{{ outlook.now ? ' What stands below is of the record before.' : '' }}
    </p>
    <p v-else-if="outlook.late || !outlook.now" class="computed" role="status" data-testid="strip-late">
      {{ outlook.now ? 'Computing: what stands below is of the record before.' : 'Computing.' }}
    </p>
    <p v-if="outlook.now && outlook.now.voids.length > 0" class="failed" data-testid="strip-void">
      Void until mended: {{ outlook.now.voids.map(({ about }) => about).join('; ') }}.
    </p>
    <p v-if="outlook.now && outlook.now.faults.length > 0" class="computed" data-testid="strip-faults">
      Computed with: {{ outlook.now.faults.map(({ about }) => about).join('; ') }}.
    </p>
    <p v-if="outlook.now?.starvesFrom !== undefined" class="failed" data-testid="strip-starves">
      The pump starves from {{ units.say(outlook.now.starvesFrom, 'speed') }} with hot oil.
    </p>
    <p v-if="outlook.now && outlook.now.unused.length > 0" class="computed">
      Not used: {{ outlook.now.unused.map(({ path, message }) => `${path} ${message}`).join('; ') }}.
    </p>
    <div v-if="outlook.now" class="states">
      <StateScale
        v-for="state in outlook.now.states"
        :key="state.name"
        :state="state"
        :ghost="outlook.ghost?.states.find((each) => each.name === state.name)"
        :change="outlook.change(state.name)"
        :cause="cause"
        :voided="outlook.now.voids.length > 0"
        :stale="!outlook.current"
      />
    </div>
    <p v-if="build.sheet && fillOf(build.sheet) === 'firstFill'" class="can" data-testid="strip-oil">
      By the running oil, {{ build.sheet.oil.grade }}. The first fill is in the engine now: its figures stand at Brief.
    </p>
    <p v-for="can in vessels" :key="can.key" class="can" :class="can.verdict" :data-testid="`strip-${can.key}`">
      At the {{ can.words }} up to {{ units.say(can.pressure, 'pressure') }} ({{ units.show(can.low, 'pressure') }} to
      {{ units.show(can.high, 'pressure') }}), {{ can.label.toLowerCase() }}:
      {{ can.verdict === 'pass' ? 'within' : can.pressure > can.most ? 'over' : 'near' }} its
      {{ units.say(can.most, 'pressure') }}.
    </p>
    <div v-if="outlook.now" class="assumed-list">
      <h3>Still assumed</h3>
      <p v-if="assumed.length === 0" class="quiet">Nothing here changes hot-idle pressure.</p>
      <dl v-else>
        <template v-for="share in assumed" :key="share.key"
          ><dt>{{ share.label }}</dt>
          <dd class="mono">{{ Math.max(1, Math.round(100 * share.share)) }} %</dd></template
        >
      </dl>
      <p v-if="assumed.length > 0" class="quiet foot">Share of hot-idle uncertainty.</p>
    </div>
  </aside>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  margin-bottom: 12px;
}
.assumed-list {
  border-top: 1px solid var(--rule);
  padding-top: 10px;
}
h3 {
  font-size: 16px;
  margin-bottom: 2px;
}
dl {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 3px 12px;
  margin: 0;
}
dt {
  color: var(--quiet);
  line-height: 1.25;
}
dd {
  margin: 0;
  color: var(--quiet);
  text-align: right;
}
.foot {
  margin-top: 4px;
}
.can {
  color: var(--quiet);
  font-size: 15px;
  line-height: 1.3;
  margin: 0 0 10px;
}
.can.watch {
  color: var(--watch);
}
.can.stop {
  color: var(--stop);
  font-weight: 600;
}
.failed {
  color: var(--stop);
  font-weight: 600;
  margin: 0 0 8px;
  line-height: 1.3;
}
.computed {
  color: var(--watch);
  margin: 0 0 8px;
  line-height: 1.3;
}
@media (max-width: 1099px) {
  .head,
  .can.pass,
  .assumed-list {
    display: none;
  }
  .states {
    display: grid;
    grid-template-columns: repeat(4, 1fr);
    gap: 18px;
  }
  .states :deep(.state) {
    padding: 0;
  }
  .states :deep(h3 span),
  .states :deep(.band) {
    display: none;
  }
  .states :deep(.line) {
    justify-content: space-between;
  }
  .states :deep(.words:not(.apart)) {
    display: none;
  }
  .states :deep(.beside .words) {
    display: inline;
  }
}
@media (max-width: 760px) {
  .states {
    grid-template-columns: repeat(4, 1fr);
    gap: 8px;
  }
  .states :deep(.value) {
    font-size: 20px;
  }
  .states :deep(h3) {
    font-size: 15px;
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .states :deep(.scale) {
    display: none;
  }
  .states :deep(.line) {
    flex-wrap: wrap;
    gap: 2px;
  }
  .states :deep(.beside .words) {
    font-size: 13px;
  }
  .states :deep(.apart) {
    font-size: 13px;
    line-height: 1.15;
  }
  .states :deep(.verdict) {
    font-size: 13px;
    padding: 3px 6px;
  }
}
</style>
