<script setup lang="ts">
import { t } from '~/words/of/start'
import { PORTS_LEFT, type PortLeft } from '#core/parts/primingWords'
import { stationPath } from '~/composables/stations'

/** An engine that is started elsewhere: what is in it, and how whoever starts it primes it again. */
const build = useBuild()
const elsewhere = computed(() => build.sheet!.choices['start.elsewhere'] === 'yes')
const chosen = (key: string) => build.sheet!.choices[`start.${key}`]
const choose = (key: string, value: string | undefined, label: string) => build.choose(`start.${key}`, value, label)
const portLeft = computed(() => PORTS_LEFT.find((port) => port === chosen('portLeft')))
const WORDS: Record<PortLeft, string> = {
  gauge: t('handOver.gauge'),
  pump: t('handOver.pump'),
  pad: t('handOver.pad'),
  none: t('handOver.none'),
}
const ports = computed(() =>
  PORTS_LEFT.filter((port) => port !== 'pad' || build.sheet!.layout.filter).map((value) => ({
    value,
    words: WORDS[value],
  })),
)
</script>

<template>
  <section data-testid="hand-over">
    <SegmentRow
      :label="t('handOver.isIt')"
      :value="elsewhere ? 'elsewhere' : 'here'"
      :options="[
        { value: 'here', words: t('handOver.here') },
        { value: 'elsewhere', words: t('handOver.elsewhere') },
      ]"
      @choose="choose('elsewhere', $event === 'elsewhere' ? 'yes' : undefined, t('handOver.title'))"
    />
    <template v-if="elsewhere">
      <p class="quiet">
        {{ t('handOver.why') }}{{ ' '
        }}<NuxtLink :to="`${stationPath(build.id!, 'logbook')}?view=papers&paper=card`">{{
          t('handOver.card')
        }}</NuxtLink>
      </p>
      <ReadingRow name="start.oilIn" />
      <SegmentRow
        :label="t('handOver.port')"
        :origin="portLeft === 'none' ? t('handOver.noPort') : undefined"
        :value="portLeft"
        :options="ports"
        @choose="choose('portLeft', $event, t('handOver.port'))"
      />
      <div v-if="portLeft !== 'none'" class="row">
        <span class="what">{{ t('handOver.fitting') }}</span><DraftInput
          :value="chosen('fittingLeft') ?? ''"
          :aria-label="t('handOver.fitting')"
          :placeholder="t('handOver.fittingAs')"
          maxlength="80"
          @write="choose('fittingLeft', $event || undefined, t('handOver.fitting'))"
        />
      </div>
      <div class="row">
        <span class="what">{{ t('handOver.to') }}</span><DraftInput
          :value="chosen('handedTo') ?? ''"
          :aria-label="t('handOver.to')"
          maxlength="80"
          @write="choose('handedTo', $event || undefined, t('handOver.to'))"
        />
      </div>
    </template>
  </section>
</template>
