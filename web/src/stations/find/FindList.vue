<script setup lang="ts">
import { nextTick, ref } from 'vue';
import { mdiCheckAll, mdiProgressClock } from '@mdi/js';
import { periodicText, stepText, type FindReport, type FindRow } from '@pendrix/core';
import GradeTag from '../../ui/GradeTag.vue';
import RichText from '../../ui/RichText.vue';

/** The trains that were found, by their number of stages; each group says whether it is proven. */
const { report, opened, ticks } = defineProps<{
  report: FindReport;
  opened: string | null;
  /** ticks between two steps in a column of their own */
  ticks: boolean;
}>();
const emit = defineEmits<{ open: [key: string] }>();
const body = ref<HTMLElement | null>(null);

const keys = (): string[] => report.groups.flatMap((g) => g.rows.map((r) => r.key));
/** The row that Tab reaches. */
const reached = (row: FindRow): boolean =>
  row.key === (opened !== null && keys().includes(opened) ? opened : keys()[0]);

async function onKey(e: KeyboardEvent): Promise<void> {
  const by = { ArrowDown: 1, ArrowUp: -1 }[e.key];
  if (by === undefined) return;
  e.preventDefault();
  const all = keys();
  const now = (e.target as HTMLElement).closest('tr')?.dataset['key'] ?? '';
  const to = all[Math.min(all.length - 1, Math.max(0, all.indexOf(now) + by))];
  if (to === undefined) return;
  emit('open', to);
  await nextTick();
  body.value?.querySelector<HTMLElement>(`tr[data-key="${CSS.escape(to)}"]`)?.focus();
}
</script>

<template>
  <div ref="body" class="list" :class="{ ticks }" @keydown="onKey">
    <v-table v-focus-scroll fixed-header>
      <caption class="sr-only">
        Trains found
      </caption>
      <thead>
        <tr>
          <th scope="col">Grade</th>
          <th scope="col">Driver : driven</th>
          <th scope="col" class="num">Steps a turn</th>
          <th v-if="ticks" scope="col" class="num">Ticks</th>
          <th scope="col" class="num" title="one step, mark or count at the work">″ a step</th>
          <th scope="col" class="num" title="what comes again while it turns one way, all of it at its worst">
            Periodic
          </th>
          <th scope="col" class="num">Teeth</th>
          <th scope="col" class="num own">Own</th>
        </tr>
      </thead>
      <tbody v-for="g in report.groups" :key="g.key" :class="g.state">
        <tr class="head">
          <th :colspan="ticks ? 8 : 7" scope="rowgroup">
            <span class="line"
              ><b>{{ g.title }}</b
              ><span class="message">{{ g.message }}</span
              ><em
                ><v-icon :icon="g.state === 'proven' ? mdiCheckAll : mdiProgressClock" size="15" />{{
                  g.state
                }}</em
              ></span
            >
          </th>
        </tr>
        <tr
          v-for="r in g.rows"
          :key="r.key"
          :class="{ on: r.key === opened, dim: r.idle }"
          :data-key="r.key"
          :tabindex="reached(r) ? 0 : -1"
          :aria-selected="r.key === opened"
          :title="r.idle ?? ''"
          @click="emit('open', r.key)"
          @keydown.enter="emit('open', r.key)"
        >
          <td><GradeTag :graded="r.graded" /></td>
          <td class="mono train">
            {{ r.pairs }}<span v-if="r.idle" class="sr-only">, {{ r.idle }}</span>
          </td>
          <td class="num"><RichText :text="r.steps" /></td>
          <td v-if="ticks" class="num">{{ r.ticks }}</td>
          <td class="num">{{ r.atWork && stepText(r.atWork) }}</td>
          <td class="num">{{ r.atWork && periodicText(r.atWork) }}</td>
          <td class="num">{{ r.teeth }}</td>
          <td class="num own">
            <b>{{ r.owned }}</b> <span class="of">of</span> {{ r.wheels }}
          </td>
        </tr>
      </tbody>
    </v-table>
  </div>
</template>

<style scoped>
.list {
  flex: 1 1 0;
  min-height: 7.5rem;
  contain: strict;
  container-type: inline-size;
  display: flex;
}
.v-table {
  --v-table-header-height: 1.75rem;
  --v-table-row-height: 1.5rem;
  flex: 1;
  min-height: 0;
}
.v-table tr:not(.head) :is(td, th) {
  padding-inline: 0.75rem 0;
}
.v-table tr:not(.head) :is(td, th).num {
  padding-inline: 0.3125rem;
  letter-spacing: -0.04em;
}
.v-table tr:not(.head) :is(td, th).num:last-child {
  padding-right: 0.75rem;
}
tr.head th {
  height: 1.375rem !important;
  background: var(--p-rail);
  font-weight: 400;
  font-size: 0.8125rem;
}
.line {
  display: flex;
  align-items: center;
  gap: 0.625rem;
  line-height: 1rem;
}
.line .message {
  color: var(--p-quiet);
}
.line em {
  margin-left: auto;
  font-style: normal;
  font-weight: 600;
  display: flex;
  gap: 0.25rem;
  align-items: center;
  color: var(--p-even);
}
.provisional .line em {
  color: var(--p-amber);
}
.provisional tr.head th {
  background: var(--p-amber-ground);
}
.provisional td {
  background: repeating-linear-gradient(135deg, var(--p-surface) 0 5px, var(--p-amber-ground) 5px 6px);
}
.num :deep(.fr) {
  font-size: 0.65625rem;
  line-height: 0.625rem;
}
.train {
  font-weight: 650;
  letter-spacing: -0.04em;
  word-spacing: -0.3em;
}
.own {
  word-spacing: -0.35em;
}
/* beside an opened row there is no room for all: what is owned stands there, too */
@container (max-width: 690px) {
  .ticks .own {
    display: none;
  }
}
tr.dim td {
  color: var(--p-quiet);
}
tr[data-key]:focus-visible {
  outline-offset: -2px;
}
.own .of {
  font-family: var(--text);
  font-size: 0.8125rem;
  color: var(--p-quiet);
}
</style>
