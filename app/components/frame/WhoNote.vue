<script setup lang="ts">
import { t } from '~/words/of/frame'
import { sessionRead, sessionWrite } from '~/sync/browserStorage'

/** Who records is asked once, before the first value carries nobody’s name. */
const person = usePerson()
const access = useAccess()
const build = useBuild()
const outlook = useOutlook()
/** It comes once the strip under it has its height. */
const settled = computed(() => !build.id || outlook.now !== undefined || outlook.failed !== undefined || outlook.late)
const nobody = ref(sessionRead('uldo.nobody', '') !== '')
const asks = computed(() => access.state && !access.needed && person.who === '' && access.people.length > 0)
function leave() {
  nobody.value = true
  sessionWrite('uldo.nobody', 'yes')
}
</script>

<template>
  <NoteBar v-if="asks && !nobody && settled" class="foot" kind="told" data-testid="who">
    <p>{{ t('whoNote.whoIsRecordingEachValueCarries') }}</p>
    <template #actions
      ><Button
        v-for="each in access.people"
        :key="each.name"
        type="button"
        variant="outlined"
        @click="person.who = each.name"
        >{{ each.name }}</Button
      ><Button type="button" variant="text" @click="leave">{{ t('whoNote.nobodyInParticular') }}</Button></template
    >
  </NoteBar>
</template>

<style scoped>
.foot {
  margin: 0;
}
/* A phone has no room for both; what is under the hand comes first. */
@media (max-width: 700px) {
  .sheet:has(.reading-bar) ~ .foot {
    display: none;
  }
}
</style>
