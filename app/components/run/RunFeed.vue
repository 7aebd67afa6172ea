<script setup lang="ts">
import { t } from '~/words/of/start'
import { whole } from '~/words/numbers'
import type { ChannelSample } from '#core/run/channels'

/** What an open run is fed by: where a logger posts to, the state of a port, a file to be read in, or the rig. */
const { baudRate = 115_200 } = defineProps<{ baudRate?: number }>()
const run = useRun()
const serial = useSerial(run.now, (samples: ChannelSample[]) => void run.take(samples))
const address = computed(() => `${location.origin}/api/runs/${run.run!.id}/samples`)
const source = computed(() => run.run!.setup.source)
</script>

<template>
  <div class="feed">
    <p v-if="source === 'logger'">
      {{ t('runFeed.postTo') }} <code data-testid="run-address">{{ address }}</code>{{ t('runFeed.jsonSuchAs') }}
      <code>{"pressure": 231000, "speed": 13.7, "temperature": 18.5}</code> {{ t('runFeed.inPaRevSAndC') }}
    </p>
    <div v-else-if="source === 'serial'" class="port">
      <Button
        v-if="serial.state.value !== 'open'"
        type="button"
        :disabled="!serial.supported"
        @click="serial.open(baudRate)"
        >{{ serial.state.value === 'lost' ? t('runFeed.openItAgain') : t('runFeed.openThePort') }}</Button
      >
      <Button v-else type="button" variant="outlined" @click="serial.shut">{{ t('runFeed.shutThePort') }}</Button>
      <span class="quiet" data-testid="port">{{
        serial.supported
          ? t('runFeed.read', {
              good: t('runFeed.lineLines', { n: whole(serial.good.value) }, serial.good.value),
              bad: serial.bad.value > 0 ? t('runFeed.couldNotBe', { bad: serial.bad.value }) : '',
            })
          : t('runFeed.thisBrowserHasNoSerialPort')
      }}</span>
      <span v-if="serial.problem.value" class="wrong" role="alert">{{ serial.problem.value }}</span>
    </div>
    <LazyGaugeCamera v-else-if="source === 'camera' && run.own" is-run />
    <LazyRunImport v-else-if="source === 'file'" />
    <p v-else-if="source === 'rig'" class="quiet">
      {{
        t('runFeed.simulated', {
          pace: run.run!.setup.rig!.pace === 1 ? '' : t('runFeed.timesAsFast', { pace: run.run!.setup.rig!.pace }),
          hidden: run.run!.setup.rig!.hidden ? t('runFeed.withSomethingHidden') : '',
        })
      }}
    </p>
  </div>
</template>

<style scoped>
.feed {
  display: grid;
  gap: 6px;
  overflow-wrap: anywhere;
}
code {
  font-family: var(--mono);
  font-size: 15px;
  background: var(--petrol-wash);
  padding: 1px 5px;
}
.port {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
}
.wrong {
  color: var(--stop);
}
</style>
