<script setup lang="ts">
import { t } from '~/words/of/sound'
import { said } from '~/words/speak'
import { FOOT_DOES, type FootDoes } from '~/stores/footKeys'

/** Whether this device speaks, by which of its own voices, and which keys a foot presses. */
const voice = useVoice()
const foot = useFootKeys()
onBeforeUnmount(() => foot.learning && foot.learn(foot.learning))
const DOES: Record<FootDoes, string> = said(t, { take: 'voice.take', next: 'voice.next' })
const SHORT: Record<FootDoes, string> = said(t, { take: 'voice.takeShort', next: 'voice.nextShort' })
</script>

<template>
  <section class="hands-free" :aria-label="t('voice.handsFree')">
    <h3>{{ t('voice.voice') }}</h3>
    <TickBox :value="voice.on" :disabled="!voice.voice" @tick="voice.on = $event">{{ t('voice.speak') }}</TickBox>
    <p v-if="!voice.voice" class="quiet" data-testid="no-voice">{{ t('voice.none') }}</p>
    <div v-else-if="voice.on" class="row">
      <ChoiceField
        v-if="voice.voices.length > 1"
        :label="t('voice.which')"
        :value="voice.voice.name"
        :options="voice.voices.map(({ name }) => ({ value: name, words: name }))"
        @choose="voice.name = $event"
      />
      <Button type="button" variant="outlined" @click="voice.say(t('voice.example'), 'now')">{{
        t('voice.tryIt')
      }}</Button>
    </div>
    <h3>{{ t('voice.foot') }}</h3>
    <p class="quiet">{{ t('voice.footHow') }}</p>
    <div v-for="does in FOOT_DOES" :key="does" class="row" :data-foot="does">
      <span class="what">{{ DOES[does] }}</span>
      <kbd v-if="foot.keys[does]" class="mono">{{ foot.keys[does] }}</kbd>
      <Button type="button" variant="outlined" :aria-pressed="foot.learning === does" @click="foot.learn(does)">{{
        foot.learning === does ? t('voice.pressIt') : t('voice.choose', { what: SHORT[does] })
      }}</Button>
      <Button v-if="foot.keys[does]" type="button" variant="text" @click="foot.forget(does)">{{
        t('voice.forget', { what: SHORT[does] })
      }}</Button>
    </div>
    <p v-if="foot.refused" class="wrong" role="alert">{{ t('voice.isTyped', { key: foot.refused }) }}</p>
  </section>
</template>

<style scoped>
.hands-free {
  display: grid;
  gap: 8px;
}
h3 {
  font-size: 17px;
  margin: 14px 0 0;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
}
.what {
  flex: 1 1 240px;
}
kbd {
  padding: 2px 8px;
  background: var(--petrol-wash);
  border-radius: 3px;
}
.wrong {
  color: var(--stop);
}
p {
  margin: 0;
}
</style>
