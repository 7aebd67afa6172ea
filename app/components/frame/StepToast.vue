<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/frame'
import ToastService from 'primevue/toastservice'
import { useToast } from 'primevue/usetoast'
import type { StepNews } from '~/stores/steps'
import { stationPath, type Page } from '~/composables/stations'

/** What the last step did, or its undo: a word beside the work with the way back and the way to where it happened, gone by itself. */
// Comes with the first toast, and not with the first screen.
const { vueApp } = useNuxtApp()
if (!vueApp.config.globalProperties.$toast) vueApp.use(ToastService)
const toast = useToast()
const build = useBuild()
const turning = useTurning()
const GROUP = 'steps'
/** How long a word stays, ms: what was done shows itself on the sheet; what an undo did has to be read; a question waits. */
const LIFE = { did: 5000, undid: 12_000 }
function show() {
  const news = build.stepNews
  toast.removeGroup(GROUP)
  // What a run writes by itself is on its board.
  if (news && (!turning.value || news.ask))
    toast.add({
      group: GROUP,
      severity: 'secondary',
      detail: news,
      life: news.ask ? undefined : news.did ? LIFE.did : LIFE.undid,
    })
}
watch(() => build.stepNews, show)
// What was written while this was on its way.
onMounted(show)
const again = ({ ask }: StepNews) => (ask === 'undo' ? build.undo(true) : build.redo(true))
const route = useRoute()
/** The way to where it happened, from another station. */
const wayTo = ({ page }: StepNews) =>
  build.id && page && !route.path.endsWith(`/${page}`) ? stationPath(build.id, page as Page) : undefined
const closed = () => (build.stepNews = undefined)
</script>

<template>
  <Toast
    :group="GROUP"
    position="bottom-left"
    class="steps-toast"
    :pt="{ message: { role: 'status', 'aria-live': 'polite' }, transition: { css: false } }"
    @close="closed"
    @life-end="closed"
  >
    <template #message="{ message }">
      <div class="news" data-testid="step-news" :data-did="message.detail.did">
        <p>{{ named(message.detail.words) }}</p>
        <span class="ways">
          <Button v-if="message.detail.ask" type="button" @click="again(message.detail)">{{
            message.detail.ask === 'undo' ? t('stepToast.undoItThere') : t('stepToast.redoItThere')
          }}</Button><Button v-if="message.detail.did" type="button" variant="text" @click="build.undo()">{{
            t('stepToast.undo')
          }}</Button
          ><NuxtLink
            v-if="!message.detail.did && wayTo(message.detail)"
            class="p-button p-button-text"
            :to="wayTo(message.detail)!"
            >{{ t('stepToast.goThere') }}</NuxtLink
          >
        </span>
      </div>
    </template>
  </Toast>
</template>

<style>
/* Over the rail’s foot, where nothing is written; on a narrow screen only what an undo did, since it lies over the strip there. */
.steps-toast.p-toast {
  width: 192px;
  left: 8px !important;
}
.steps-toast .p-toast-message {
  margin: 0;
}
.steps-toast .news {
  flex: 1;
  min-width: 0;
}
.steps-toast p {
  margin: 0 0 2px;
  line-height: 1.3;
  overflow-wrap: anywhere;
}
.steps-toast .ways {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
@media (max-width: 1099px) {
  .steps-toast .p-toast-message:has([data-did='true']) {
    display: none;
  }
  .steps-toast.p-toast {
    width: min(420px, calc(100vw - 24px));
  }
}
@media print {
  .steps-toast {
    display: none;
  }
}
</style>
