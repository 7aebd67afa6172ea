<script setup lang="ts">
import { t } from '~/words/of/frame'

/** One photo as large as the screen has room for, and those beside it. */
const { photos } = defineProps<{ of: string; photos: readonly string[] }>()
const at = defineModel<number | undefined>('at', { required: true })
const build = useBuild()
const open = computed({ get: () => at.value !== undefined, set: (stays) => void (stays || (at.value = undefined)) })
const go = (by: number) => (at.value = (at.value! + by + photos.length) % photos.length)
const STEPS: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1 }
const onKey = ({ key }: KeyboardEvent) => void (key in STEPS && photos.length > 1 && go(STEPS[key]))
onMounted(() => addEventListener('keydown', onKey))
onBeforeUnmount(() => removeEventListener('keydown', onKey))
</script>

<template>
  <Dialog
    v-model:visible="open"
    modal
    dismissable-mask
    :header="t('photoRow.nth', { of, n: at! + 1, all: photos.length })"
    class="large-photo"
  >
    <img :src="`/api/builds/${build.id}/photos/${photos[at!]}`" :alt="t('photoRow.photoOf', { of })" />
    <template v-if="photos.length > 1" #footer
      ><Button type="button" variant="outlined" @click="go(-1)">{{ t('photoRow.before') }}</Button
      ><Button type="button" variant="outlined" @click="go(1)">{{ t('photoRow.next') }}</Button></template
    >
  </Dialog>
</template>

<style>
.large-photo {
  max-width: 96vw;
}
.large-photo img {
  display: block;
  max-width: 100%;
  max-height: 74dvh;
  margin: auto;
  object-fit: contain;
}
</style>
