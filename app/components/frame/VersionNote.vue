<script setup lang="ts">
import { t } from '~/words/of/frame'
/** That a newer version is there, or that a part of this one did not come, with the way on. */
const version = useVersion()
</script>

<template>
  <NoteBar v-if="version.newer" kind="told" data-testid="newer">
    <p>
      {{
        t('versionNote.aNewerVersionOfUldoIs', {
          holds: version.holds ? t('versionNote.whatYouWroteHasNotArrived') : t('versionNote.whatYouWroteIsKeptAnd'),
        })
      }}
    </p>
    <template #actions
      ><Button type="button" :disabled="version.holds || version.taking" @click="version.takeOver()">{{
        version.taking ? t('versionNote.takingItOver') : t('versionNote.useItNow')
      }}</Button></template
    >
  </NoteBar>
  <NoteBar v-else-if="version.broken" kind="stop" data-testid="broken">
    <p>
      {{
        t('versionNote.aPartOfThisPageDid', {
          holds: version.holds ? t('versionNote.whatYouWroteHasNotArrived2') : t('versionNote.whatYouWroteIsKept'),
        })
      }}
    </p>
    <template #actions
      ><Button type="button" :disabled="version.holds || version.taking" @click="version.takeOver()">{{
        t('versionNote.reloadThePage')
      }}</Button></template
    >
  </NoteBar>
</template>
