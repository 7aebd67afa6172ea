<script setup lang="ts">
import { t } from '~/words/of/sight'
import { openCamera, shutCamera } from '~/composables/camera'

/** A picture taken by this device's camera, seen before it is taken. What stands in its way is said, with the way round. */
const emit = defineEmits<{ shot: [picture: File] }>()
const stream = shallowRef<MediaStream>()
const problem = ref('')
const video = useTemplateRef<HTMLVideoElement>('video')
const WHY = {
  refused: t('camera.refused'),
  none: t('camera.none'),
  busy: t('camera.busy'),
  plainHttp: t('camera.plainHttp'),
} as const
async function open() {
  problem.value = ''
  const opened = await openCamera({ width: { ideal: 2560 }, height: { ideal: 1920 } })
  if ('no' in opened) {
    problem.value = opened.no === 'failed' ? t('camera.failed', { why: opened.message }) : WHY[opened.no]
    return
  }
  stream.value = opened
  await nextTick()
  if (!video.value) return close()
  video.value.srcObject = opened
  await video.value.play().catch(() => undefined)
  // A camera that is pulled out ends by itself.
  for (const track of opened.getVideoTracks())
    track.onended = () => {
      close()
      problem.value = t('camera.gone')
    }
}
function close() {
  shutCamera(stream.value)
  stream.value = undefined
}
async function take() {
  const { videoWidth: width, videoHeight: height } = video.value!
  if (width === 0) return void (problem.value = t('camera.notYet'))
  const canvas = new OffscreenCanvas(width, height)
  canvas.getContext('2d')!.drawImage(video.value!, 0, 0)
  // Without loss: an edge is looked for to a fraction of a pixel.
  const blob = await canvas.convertToBlob({ type: 'image/png' })
  close()
  emit('shot', new File([blob], 'camera.png', { type: 'image/png' }))
}
onBeforeUnmount(close)
</script>

<template>
  <Button v-if="!stream" type="button" variant="outlined" @click="open">{{ t('camera.open') }}</Button>
  <div v-else class="camera">
    <video ref="video" muted playsinline :aria-label="t('camera.sees')" />
    <span class="hands"
      ><Button type="button" data-take @click="take">{{ t('camera.take') }}</Button
      ><Button type="button" variant="outlined" @click="close">{{ t('camera.close') }}</Button></span
    >
  </div>
  <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
</template>

<style scoped>
.camera {
  flex: 1 1 100%;
  display: grid;
  gap: 10px;
}
video {
  width: 100%;
  max-width: 760px;
  background: #000;
}
.hands {
  display: flex;
  gap: 10px;
}
.wrong {
  flex: 1 1 100%;
  color: var(--stop);
  margin: 0;
}
</style>
