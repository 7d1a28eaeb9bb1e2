<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { mdiClose } from '@mdi/js';
import { compareReports, plainText, type Report } from '@pendrix/core';
import GradeTag from '../../ui/GradeTag.vue';
import RichText from '../../ui/RichText.vue';

/** Two trains side by side, figure by figure; what differs is marked, what is equal goes quiet. */
const { a, b, title, aName, bName } = defineProps<{
  a: Report;
  b: Report;
  title: string;
  aName: string;
  bName: string;
}>();
const emit = defineEmits<{ close: [] }>();
const rows = computed(() => compareReports(a, b));
const differing = computed(() => rows.value.filter((r) => r.differs).length);
const head = ref<HTMLElement | null>(null);
onMounted(() => head.value?.focus());
const alt = (side: (typeof rows.value)[number]['a']): string =>
  `${plainText(side.text)} ${side.graded?.word ?? ''}`;
</script>

<template>
  <section class="compare" aria-label="Comparison" @keydown.escape.stop="emit('close')">
    <header class="sub">
      <h2 ref="head" tabindex="-1">Compare</h2>
      <span class="sp"></span>
      <button type="button" class="icon-button" aria-label="Close the comparison" @click="emit('close')">
        <v-icon :icon="mdiClose" size="20" />
      </button>
    </header>
    <p class="what">
      <b>{{ title }}</b>
      <span class="quiet">{{
        differing === 0 ? 'nothing differs' : `${differing} of ${rows.length} differ`
      }}</span>
    </p>
    <div class="keys"><slot /></div>
    <table>
      <thead>
        <tr>
          <th></th>
          <th>{{ aName }}</th>
          <th>{{ bName }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.label" :class="{ differs: row.differs }">
          <th scope="row">{{ row.label }}<span v-if="row.differs" class="sr-only">, differs</span></th>
          <td v-for="(side, i) in [row.a, row.b]" :key="i" :aria-label="alt(side)">
            <RichText class="fig" :text="side.text" />
            <GradeTag v-if="side.graded" :graded="side.graded" />
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
h2:focus-visible {
  outline: none;
}
.what {
  padding: 10px 14px 4px;
  font-size: 14px;
}
.keys {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding: 4px 14px 10px;
}
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 13px;
  table-layout: fixed;
}
thead th {
  text-align: left;
  font-weight: 650;
  padding: 4px 8px;
  border-bottom: 1px solid var(--p-ink);
}
th:first-child {
  width: 27%;
  padding-left: 14px;
}
tbody th {
  text-align: left;
  font-weight: 400;
  color: var(--p-quiet);
  vertical-align: top;
  padding: 5px 8px;
}
td {
  vertical-align: top;
  padding: 5px 8px;
  color: var(--p-quiet);
  overflow-wrap: anywhere;
}
td .fig {
  display: block;
  font-size: 14px;
  font-variant-numeric: tabular-nums;
}
td :deep(.grade) {
  font-size: 13px;
  gap: 4px;
}
td :deep(.grade > span) {
  white-space: normal;
}
.what .quiet {
  display: block;
}
.sub {
  padding: 0 14px;
}
tr {
  border-bottom: 1px solid var(--p-row);
}
.differs {
  background: var(--p-tint);
}
.differs th,
.differs td {
  color: var(--p-ink);
}
.differs th:first-child {
  box-shadow: inset 3px 0 0 var(--p-blue);
}
</style>
