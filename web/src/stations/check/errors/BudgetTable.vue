<script setup lang="ts">
import { computed, shallowRef } from 'vue';
import { mdiChevronDown } from '@mdi/js';
import type { BudgetReport, Edit, ErrorRow, Refusal } from '@pendrix/core';
import FigureText from '../../../ui/FigureText.vue';
import GradeTag from '../../../ui/GradeTag.vue';
import { useOpenDrive } from '../../../ui/open-drive.ts';
import ReadField from '../../../ui/ReadField.vue';
import RichText from '../../../ui/RichText.vue';
import ErrorBar from './ErrorBar.vue';

/** The rows of a budget with their bars, largest first, and the two sums. */
const { budget, tolerance } = defineProps<{ budget: BudgetReport; tolerance: number | null }>();
const emit = defineEmits<{ edit: [edits: readonly Edit[]] }>();
const { edit } = useOpenDrive();

/** ″ over the width of a bar: the sum, and the tolerance with a little to spare. */
const scale = computed(() =>
  Math.max(
    budget.worst.arcsec,
    (tolerance ?? 0) * 1.25,
    ...budget.rows.filter((r) => r.counts).map((r) => r.arcsec ?? 0),
    1e-9,
  ),
);
/** While something is typed the rows keep their places, also one whose cause is emptied: what moved would lose the pen. */
const held = shallowRef<readonly ErrorRow[] | null>(null);
const rows = computed(() => {
  if (!held.value) return budget.rows;
  const now = new Map(budget.rows.map((r) => [r.id, r]));
  const there = held.value.map((r) => now.get(r.id) ?? r);
  const ids = new Set(there.map((r) => r.id));
  return [...there, ...budget.rows.filter((r) => !ids.has(r.id))];
});
function enter(): void {
  held.value ??= budget.rows;
}
function leave({ currentTarget, relatedTarget }: FocusEvent): void {
  if (!(currentTarget as HTMLElement).contains(relatedTarget as Node | null)) held.value = null;
}
const commit =
  (row: ErrorRow) =>
  (text: string, session: string): Refusal | null =>
    row.field ? edit(row.field.edit(text), session) : null;
const HOW = [
  ['typed', 'Typed'],
  ['dataSheet', 'From a data sheet'],
  ['measured', 'Measured'],
] as const;
const unit = (row: ErrorRow): string => row.field?.spec.unit ?? '';
</script>

<template>
  <table class="budget">
    <caption class="sr-only">
      Causes of error of
      {{
        budget.title
      }}
    </caption>
    <thead>
      <tr>
        <th scope="col">Cause and where</th>
        <th scope="col" class="bar">
          <ErrorBar v-if="tolerance !== null" :arcsec="null" :scale="scale" :tolerance="tolerance" head />
        </th>
        <th scope="col" class="num">at the work</th>
        <th scope="col">Period</th>
        <th scope="col">Value</th>
        <th scope="col">Taken out by</th>
      </tr>
    </thead>
    <tbody @focusin="enter" @focusout="leave">
      <tr v-for="row in rows" :key="row.id" :class="{ out: row.taker?.state === 'on' }">
        <th scope="row">
          {{ row.cause }}<span class="q">{{ row.where }}</span>
        </th>
        <td class="bar">
          <ErrorBar :arcsec="row.arcsec" :scale="scale" :tolerance="tolerance" :out="!row.counts" />
        </td>
        <td class="num">
          <FigureText v-if="row.figure" class="figure-cell" :figure="row.figure" />
          <GradeTag v-else :graded="{ grade: 'unknown', word: 'Unknown' }" />
        </td>
        <td>
          <template v-if="row.period"
            ><RichText :text="row.period.turns" /><span class="q">{{ row.period.time }}</span></template
          >
        </td>
        <td class="value">
          <ReadField
            v-if="row.field"
            :label="`${row.field.spec.label} of ${row.cause.toLowerCase()}, ${row.where}`"
            :labelled="false"
            :value="row.field.value"
            :unit="unit(row)"
            :hint="row.field.spec.hint ?? ''"
            :placeholder="row.field.estimate || '–'"
            :commit="commit(row)"
          />
          <span class="q known">
            <v-menu v-if="row.field && row.field.value !== '' && row.field.spec.type !== 'exact'">
              <template #activator="{ props }">
                <button
                  type="button"
                  v-bind="props"
                  class="link"
                  :class="`from-${row.known.from}`"
                  :aria-label="`${row.cause}: known from ${row.known.word}`"
                >
                  {{ row.known.word }}<v-icon :icon="mdiChevronDown" size="14" />
                </button>
              </template>
              <v-list density="compact">
                <v-list-item
                  v-for="[how, title] in HOW"
                  :key="how"
                  :title="title"
                  :active="row.known.from === how"
                  @click="emit('edit', row.field.knownAs(how))"
                />
              </v-list>
            </v-menu>
            <span v-else :class="`from-${row.known.from}`">{{ row.known.word }}</span>
            <template v-if="row.mayBe"> · {{ row.mayBe }}</template>
          </span>
        </td>
        <td class="taker" :class="row.taker?.state">
          <template v-if="row.taker">
            <v-checkbox
              v-if="row.taker.edit"
              :label="row.taker.title"
              :model-value="row.taker.state === 'on'"
              :aria-label="`${row.cause}: ${row.taker.title}`"
              @update:model-value="emit('edit', [row.taker.edit])"
            />
            <span v-else>{{ row.taker.title }}</span>
            <span class="q">{{ row.taker.message }}</span>
          </template>
        </td>
      </tr>
    </tbody>
    <tfoot>
      <tr
        v-for="s in [
          { title: 'Sum, all at their worst', sum: budget.worst, note: budget.unknown },
          { title: 'Root sum square, likely', sum: budget.likely, note: budget.out },
        ]"
        :key="s.title"
      >
        <th scope="row">{{ s.title }}</th>
        <td class="bar"><ErrorBar :arcsec="s.sum.arcsec" :scale="scale" :tolerance="tolerance" /></td>
        <td class="num"><FigureText class="figure-cell" :figure="s.sum.figure" /></td>
        <td colspan="2">
          <GradeTag v-if="s.sum.graded" :graded="s.sum.graded" /><span v-else class="q"
            >no tolerance asked</span
          >
        </td>
        <td class="q">{{ s.note }}</td>
      </tr>
    </tfoot>
  </table>
</template>

<style scoped src="./budget.css"></style>
