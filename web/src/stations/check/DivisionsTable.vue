<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue';
import { useIntersectionObserver } from '@vueuse/core';
import { grouped, type DivisionRow } from '@pendrix/core';
import { Digits } from '../../ui/Digits.ts';
import GradeTag from '../../ui/GradeTag.vue';

/** The divisions the job asks for. Up and Down go from row to row; long lists grow as they are scrolled. */
const { rows, selected, unit } = defineProps<{
  rows: readonly DivisionRow[];
  selected: number | null;
  /** what they are counted in: "microstep", "place" */
  unit: string;
}>();
const emit = defineEmits<{ choose: [divisions: number] }>();

const STEP = 200;
const shown = ref(STEP);
const more = ref<HTMLElement | null>(null);
const body = ref<HTMLElement | null>(null);
useIntersectionObserver(more, ([entry]) => {
  if (entry?.isIntersecting) shown.value += STEP;
});
watch(
  () => rows.length,
  () => (shown.value = STEP),
);
const listed = computed(() => rows.slice(0, shown.value));
/** The row that Tab reaches: the selected one, or the first. */
const stop = computed(() =>
  listed.value.some((r) => r.divisions === selected) ? selected : listed.value[0]?.divisions,
);

async function step(from: number, by: number): Promise<void> {
  const to = Math.max(0, Math.min(listed.value.length - 1, from + by));
  emit('choose', listed.value[to]!.divisions);
  await nextTick();
  body.value?.querySelectorAll<HTMLElement>('tr button')[to]?.focus();
}
</script>

<template>
  <table aria-label="Divisions">
    <thead>
      <tr>
        <th scope="col" class="l">Wanted</th>
        <th scope="col" class="l">Grade</th>
        <th scope="col" colspan="2" class="step">
          <span class="unit">{{ unit }}s</span><br />for each
        </th>
        <th scope="col">Spacing<br />error</th>
        <th scope="col" colspan="2" class="closing">Closing error,<br />if one count is repeated</th>
        <th scope="col" class="l">Coarsest<br />exact mode</th>
      </tr>
    </thead>
    <tbody ref="body">
      <tr
        v-for="(row, i) in listed"
        :key="row.divisions"
        :class="{ on: row.divisions === selected }"
        @click="emit('choose', row.divisions)"
      >
        <th scope="row" class="l count">
          <button
            type="button"
            :tabindex="row.divisions === stop ? 0 : -1"
            :aria-pressed="row.divisions === selected"
            @keydown.down.prevent="step(i, 1)"
            @keydown.up.prevent="step(i, -1)"
            @click.stop="emit('choose', row.divisions)"
          >
            <Digits :text="grouped(String(row.divisions))" />
          </button>
        </th>
        <td class="l"><GradeTag :graded="row.graded" /></td>
        <td class="num"><Digits :text="row.stepWhole" /></td>
        <td class="rest">
          <span v-if="row.stepRest" class="fr"
            ><span><Digits :text="row.stepRest[0]" /></span><span class="sr-only">/</span
            ><span><Digits :text="row.stepRest[1]" /></span
          ></span>
          <span v-else class="exact">exact</span>
        </td>
        <td class="num"><Digits :text="row.spacing" /></td>
        <td class="num" :class="{ bad: row.closingMisses }"><Digits :text="row.closing" /></td>
        <td class="l miss">
          <GradeTag v-if="row.closingMisses" :graded="{ grade: 'misses', word: row.closingMisses }" />
        </td>
        <td class="l" :class="{ quiet: row.mode.startsWith('lacks') }"><Digits :text="row.mode" /></td>
      </tr>
    </tbody>
  </table>
  <p v-if="shown < rows.length" ref="more" class="more quiet">{{ rows.length - shown }} more below</p>
</template>

<style scoped>
.unit {
  display: inline-block;
}
.unit::first-letter {
  text-transform: uppercase;
}
table {
  width: 100%;
  background: var(--p-surface);
  border-bottom: 1px solid var(--p-hair);
}
thead th {
  font: 400 13px/16px var(--text);
  color: var(--p-quiet);
  text-align: right;
  padding: 6px 0 6px 10px;
  vertical-align: bottom;
  position: sticky;
  top: 0;
  background: var(--p-surface);
  z-index: 1;
  box-shadow: inset 0 -1px 0 var(--p-row);
}
th.step {
  text-align: left;
  padding-left: 26px;
}
th.closing {
  text-align: left;
  padding-left: 26px;
}
td,
tbody th {
  height: 36px;
  border-top: 1px solid var(--p-row);
  font-size: 14px;
  padding: 0 0 0 10px;
  white-space: nowrap;
}
.l,
thead th.l {
  text-align: left;
}
tr > :first-child {
  padding-left: 20px;
}
tr > :last-child {
  padding-right: 12px;
}
.count button {
  font-weight: 650;
  font-size: 15px;
  font-family: var(--mono);
  min-height: 32px;
  min-width: 44px;
}
.rest {
  width: 66px;
  padding-left: 0;
}
.rest .exact {
  margin-left: 8px;
}
.num {
  letter-spacing: -0.02em;
}
.bad {
  color: var(--p-red);
  font-weight: 600;
}
.miss {
  min-width: 90px;
}
.on td,
.on th {
  background: var(--p-tint);
}
.on > :first-child {
  box-shadow: inset 3px 0 0 var(--p-blue);
}
tbody tr {
  cursor: pointer;
}
.more {
  padding: 10px 20px;
  font-size: 14px;
}
@media (max-width: 1180px) {
  /* The mark alone: the words would push the last column out. */
  .miss {
    min-width: 0;
  }
  .miss :deep(.grade span) {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip: rect(0 0 0 0);
  }
}
</style>
