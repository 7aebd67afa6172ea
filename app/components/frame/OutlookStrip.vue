<script setup lang="ts">
import { inSentence, named } from '~/words/speak'
import { t } from '~/words/of/frame'
import { fillOf } from '#core/record/fill'

const build = useBuild()
const outlook = useOutlook()
const units = useUnits()
const cause = computed(() =>
  build.lastLabel === ''
    ? t('outlookStrip.anotherHandWrote')
    : build.lastLabel === 'undo'
      ? t('outlookStrip.undo')
      : t('outlookStrip.written', { lastLabel: inSentence(build.lastLabel) }, /shells$/.test(build.lastLabel) ? 2 : 1),
)
/** Where the filter can and the cooler see the most: they stand before the gauge. */
const vessels = computed(() =>
  (
    [
      ['can', t('outlookStrip.filterCan')],
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
  <aside
    class="strip"
    :aria-label="t('outlookStrip.outlook')"
    tabindex="0"
    :data-took="outlook.took"
    :data-full="outlook.full"
  >
    <div class="head">
      <h2>{{ t('outlookStrip.outlook') }}</h2>
      <span class="quiet">{{ t('outlookStrip.atTheGauge', { unit: units.unit('pressure').symbol }) }}</span>
    </div>
    <p v-if="outlook.failed" class="failed" role="alert" data-testid="strip-failed">
      {{
        t('outlookStrip.noPrediction', {
          failed: outlook.failed,
          now: outlook.now ? ` ${t('outlookStrip.whatStandsBelowIsOfThe')}` : '',
        })
      }}
    </p>
    <p v-else-if="outlook.late || !outlook.now" class="computed" role="status" data-testid="strip-late">
      {{ outlook.now ? t('outlookStrip.computingWhatStandsBelowIsOf') : t('outlookStrip.computing') }}
    </p>
    <p v-if="outlook.now && outlook.now.voids.length > 0" class="failed" data-testid="strip-void">
      {{ t('outlookStrip.voidUntilMended', { voids: outlook.now.voids.map(({ about }) => named(about)).join('; ') }) }}
    </p>
    <p v-if="outlook.now && outlook.now.faults.length > 0" class="computed" data-testid="strip-faults">
      {{ t('outlookStrip.computedWith', { faults: outlook.now.faults.map(({ about }) => named(about)).join('; ') }) }}
    </p>
    <p v-if="outlook.now?.starvesFrom !== undefined" class="failed" data-testid="strip-starves">
      {{ t('outlookStrip.thePumpStarvesFromWithHot', { starvesFrom: units.say(outlook.now.starvesFrom, 'speed') }) }}
    </p>
    <p v-if="outlook.now && outlook.now.unused.length > 0" class="computed">
      {{
        t('outlookStrip.notUsed', {
          unused: outlook.now.unused.map(({ path, message }) => `${path} ${message}`).join('; '),
        })
      }}
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
      {{ t('outlookStrip.byTheRunningOilTheFirst', { grade: build.sheet.oil.grade }) }}
    </p>
    <StripExperience />
    <p v-for="can in vessels" :key="can.key" class="can" :class="can.verdict" :data-testid="`strip-${can.key}`">
      {{
        t('outlookStrip.atTheUpToToIts', {
          can: named(can.words),
          pressure: units.say(can.pressure, 'pressure'),
          low: units.show(can.low, 'pressure'),
          high: units.show(can.high, 'pressure'),
          can2: inSentence(can.label),
          verdict: named(can.verdict === 'pass' ? 'within' : can.pressure > can.most ? 'over' : 'near'),
          most: units.say(can.most, 'pressure'),
        })
      }}
    </p>
    <div v-if="outlook.now" class="assumed-list">
      <h3>{{ t('outlookStrip.stillAssumed') }}</h3>
      <p v-if="assumed.length === 0" class="quiet">{{ t('outlookStrip.nothingHereChangesHotIdle') }}</p>
      <dl v-else>
        <template v-for="share in assumed" :key="share.key"
          ><dt>{{ named(share.label) }}</dt>
          <dd class="mono">{{ Math.max(1, Math.round(100 * share.share)) }} %</dd></template
        >
      </dl>
      <p v-if="assumed.length > 0" class="quiet foot">{{ t('outlookStrip.shareOfHotIdleUncertainty') }}</p>
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
  /* No room for the title; it still heads what is read out. */
  .head {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
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
  /* No scale in so little room: the band stands in figures, narrow, under the value. */
  .states :deep(.scale) {
    display: none;
  }
  .states :deep(.band) {
    display: block;
    font-family: var(--type);
    font-stretch: 75%;
    letter-spacing: -0.01em;
  }
  .states :deep(.line:not(.beside)) {
    display: grid;
    justify-items: start;
    gap: 2px;
  }
  .states :deep(.line.beside) {
    flex-wrap: wrap;
    gap: 0 4px;
    justify-content: flex-start;
  }
  .states :deep(.beside .words) {
    font-size: 15px;
  }
  .states :deep(.apart) {
    font-size: 15px;
    line-height: 1.15;
  }
  .states :deep(.verdict) {
    font-size: 15px;
    padding: 3px 6px;
  }
}
</style>
