<script setup lang="ts">
import type { ChannelSample } from '#core/run/channels'
import { many } from '~/composables/words'

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
      Post to <code data-testid="run-address">{{ address }}</code>: JSON such as
      <code>{"pressure": 231000, "speed": 13.7, "temperature": 18.5}</code> in Pa, rev/s and °C, or CSV with its units
      in the headings.
    </p>
    <div v-else-if="source === 'serial'" class="port">
      <Button
        v-if="serial.state.value !== 'open'"
        type="button"
        :disabled="!serial.supported"
        @click="serial.open(baudRate)"
        >{{ serial.state.value === 'lost' ? 'Open it again' : 'Open the port' }}</Button
      >
      <Button v-else type="button" variant="outlined" @click="serial.shut">Shut the port</Button>
      <span class="quiet" data-testid="port">{{
        serial.supported
          ? `${many(serial.good.value, 'line')} read${serial.bad.value > 0 ? `, ${serial.bad.value} could not be` : ''}`
          : 'This browser has no serial port. Take the readings by hand or from a logger.'
      }}</span>
      <span v-if="serial.problem.value" class="wrong" role="alert">{{ serial.problem.value }}</span>
    </div>
    <RunImport v-else-if="source === 'file'" />
    <p v-else-if="source === 'rig'" class="quiet">
      Simulated{{ run.run!.setup.rig!.pace === 1 ? '' : `, ${run.run!.setup.rig!.pace} times as fast`
      }}{{ run.run!.setup.rig!.hidden ? ', with something hidden' : '' }}.
    </p>
    <p v-if="!run.online || run.unsent > 0" class="quiet" role="status">
      {{
        run.online
          ? `${run.unsent} on their way`
          : 'No network: what is tapped in is kept here and sent when it is back.'
      }}
    </p>
    <p v-if="run.refused" class="wrong" role="alert">{{ run.refused }}</p>
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
