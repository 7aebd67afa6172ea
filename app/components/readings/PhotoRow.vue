<script setup lang="ts">
import { t } from '~/words/of/frame'
import { shrinkPhoto } from '~/composables/photo'

/** Photos of one thing: small in a row, large when touched, and one more taken. */
const {
  of,
  photos = [],
  words = t('addPhoto.photo'),
  size = 'row',
  onlyLookedAt = false,
} = defineProps<{
  of: string
  photos?: readonly string[]
  words?: string
  /** Small beside other words; as large as the page has room for where photos are what is looked at. */
  size?: 'small' | 'row' | 'large'
  /** None is taken here. */
  onlyLookedAt?: boolean
}>()
defineEmits<{ kept: [id: string] }>()
const build = useBuild()
const person = usePerson()
const problem = ref('')
const open = ref<number>()
</script>

<template>
  <div class="photos" :class="size">
    <Button
      v-for="(photo, i) in photos"
      :key="photo"
      type="button"
      variant="text"
      class="photo on-paper"
      :aria-label="t('photoRow.openLarge', { of, n: i + 1 })"
      @click="open = i"
      ><img :src="`/api/builds/${build.id}/photos/${photo}`" :alt="t('photoRow.photoOf', { of })" loading="lazy"
    /></Button>
    <AddPhoto
      v-if="!onlyLookedAt"
      :of="of"
      :words="words"
      :keep="(file) => shrinkPhoto(file, build.id!, person.who)"
      @kept="$emit('kept', $event)"
      @problem="problem = $event"
    />
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <LazyLargePhoto v-if="open !== undefined" v-model:at="open" :of="of" :photos="photos" />
  </div>
</template>

<style scoped>
.photos {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding: 4px 0;
}
.photo {
  padding: 0;
}
img {
  display: block;
  width: 64px;
  height: 64px;
  object-fit: cover;
  border: 1px solid var(--rule);
}
.small img {
  width: 44px;
  height: 44px;
}
.large img {
  width: auto;
  max-width: min(420px, 100%);
  height: auto;
  max-height: 320px;
  object-fit: contain;
}
.wrong {
  flex-basis: 100%;
}
</style>
