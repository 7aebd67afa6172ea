<script setup lang="ts">
import type { Run } from '#core/run/run'
import type { Paper, TableColumn } from '~/papers/paper'
import { codePath } from '~/papers/codePath'

/** A paper as a page: the same blocks that its PDF is written from. */
const { paper } = defineProps<{ paper: Paper; run?: Run }>()
/** Rows by the number of their column, as a table sorts and shows them. */
const rowsOf = (rows: string[][]) => rows.map((row) => Object.fromEntries(row.map((words, i) => [`c${i}`, words])))
const classOf = ({ figures }: TableColumn) => (figures ? 'figures' : 'words')
</script>

<template>
  <article class="paper" :class="paper.page" data-testid="paper" :aria-label="paper.title">
    <h2 class="title">{{ paper.title }}</h2>
    <p class="quiet">{{ paper.of }}</p>
    <template v-for="(block, i) in paper.blocks" :key="`${paper.title} ${i}`">
      <h3 v-if="block.kind === 'heading'">{{ block.words }}</h3>
      <p v-else-if="block.kind === 'text'" :class="block.tone">{{ block.words }}</p>
      <dl v-else-if="block.kind === 'facts'">
        <template v-for="([what, words], f) in block.facts" :key="f"
          ><dt>{{ what }}</dt>
          <dd>{{ words }}</dd></template
        >
      </dl>
      <ResultTable v-else-if="block.kind === 'table'" :rows="rowsOf(block.rows)" :label="block.label">
        <Column
          v-for="(column, c) in block.columns"
          :key="c"
          :field="`c${c}`"
          :header="column.head"
          :class="classOf(column)"
        />
      </ResultTable>
      <figure v-else-if="block.kind === 'drawing'" :data-paper-drawing="block.name">
        <CrankDrawing v-if="block.name === 'crank'" />
        <RunCurve v-else-if="run" :run="run" />
      </figure>
      <p v-else-if="block.kind === 'code'" class="code">
        <svg
          :viewBox="`0 0 ${codePath(block.address).size} ${codePath(block.address).size}`"
          role="img"
          :aria-label="block.address"
        >
          <path :d="codePath(block.address).path" /></svg
        ><span class="quiet"
          >{{ block.words }}<br /><span class="mono">{{ block.address }}</span></span
        >
      </p>
      <dl v-else class="signed">
        <div v-for="line in block.lines" :key="line">
          <dt>{{ line }}</dt>
          <dd></dd>
        </div>
      </dl>
    </template>
    <p class="quiet made">{{ paper.made }}</p>
  </article>
</template>

<style scoped>
.paper {
  max-width: 940px;
}
.paper.card {
  max-width: 640px;
}
.title {
  font-size: 24px;
  margin: 0;
}
h3 {
  margin: 22px 0 6px;
}
.careful,
.stop {
  color: var(--watch);
  font-weight: 600;
}
.stop {
  color: var(--stop);
}
dl:not(.signed) {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 4px 18px;
  margin: 8px 0;
}
dt {
  color: var(--quiet);
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
figure {
  margin: 14px 0;
}
/* A cell's second line stands under its first. */
.paper :deep(td) {
  white-space: pre-line;
}
.paper :deep(td.figures) {
  white-space: pre;
}
.code {
  display: flex;
  gap: 14px;
  align-items: center;
}
.code svg {
  width: 112px;
  background: #fff;
  flex: none;
}
.code .mono {
  overflow-wrap: anywhere;
}
.signed {
  display: grid;
  grid-template-columns: 3fr 2fr;
  gap: 30px;
  margin: 56px 0 0;
}
.signed div {
  border-top: 1px solid var(--ink);
  padding-top: 4px;
}
.made {
  margin-top: 18px;
}
@media (max-width: 700px) {
  dl:not(.signed) {
    grid-template-columns: 1fr;
    gap: 0;
  }
  dd {
    margin-bottom: 8px;
  }
  .paper.card :deep(td.figures) {
    white-space: pre-line;
  }
  .paper :deep(.results) {
    overflow-x: auto;
  }
}
</style>
