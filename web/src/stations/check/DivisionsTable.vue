<script setup lang="ts">
import { computed, nextTick, ref } from 'vue';
import type { VDataTableVirtual } from 'vuetify/components';
import { grouped, type DivisionRow } from '@pendrix/core';
import { Digits } from '../../ui/Digits.ts';
import GradeTag from '../../ui/GradeTag.vue';
import { keyHandler } from '../../ui/keys.ts';
import { sized } from '../../ui/rem.ts';

/** The divisions the job asks for. Up and Down go from row to row; only those in view are made. */
const { rows, selected, unit } = defineProps<{
  rows: readonly DivisionRow[];
  selected: number | null;
  /** what they are counted in: "microstep", "place" */
  unit: string;
}>();
const emit = defineEmits<{ choose: [divisions: number] }>();
const table = ref<VDataTableVirtual | null>(null);
const ROW = sized(36);
/** Longer lists scroll in a window of their own. */
const MAX_WHOLE = 9;
/** The row that Tab reaches: the selected one, or the first. */
const stop = computed(() => (rows.some((r) => r.divisions === selected) ? selected : rows[0]?.divisions));

async function step(by: number): Promise<void> {
  const from = rows.findIndex((r) => r.divisions === stop.value);
  const to = rows[Math.max(0, Math.min(rows.length - 1, from + by))];
  if (!to) return;
  emit('choose', to.divisions);
  if (rows.length > MAX_WHOLE) table.value?.scrollToIndex(Math.max(0, from + by - 3));
  await nextTick();
  await nextTick();
  (table.value?.$el as HTMLElement | undefined)
    ?.querySelector<HTMLElement>(`tr[data-key="${to.divisions}"] button`)
    ?.focus();
}
const keys = keyHandler({ down: () => void step(1), up: () => void step(-1) });
</script>

<template>
  <v-data-table-virtual
    ref="table"
    v-focus-scroll
    class="divisions"
    :items="rows as DivisionRow[]"
    :item-height="ROW"
    item-value="divisions"
    :height="rows.length > MAX_WHOLE ? MAX_WHOLE * ROW + 46 : undefined"
    @keydown="keys"
  >
    <template #colgroup
      ><caption class="sr-only">
        Divisions
      </caption></template
    >
    <template #headers>
      <tr>
        <th scope="col">Wanted</th>
        <th scope="col">Grade</th>
        <th scope="col" colspan="2" class="step">
          <span class="unit">{{ unit }}s</span><br />for each
        </th>
        <th scope="col" class="num">Spacing<br />error</th>
        <th scope="col" colspan="2" class="step">Closing error,<br />if one count is repeated</th>
        <th scope="col">Coarsest<br />exact mode</th>
      </tr>
    </template>
    <template #item="{ item: row }">
      <tr
        :key="row.divisions"
        :class="{ on: row.divisions === selected }"
        :data-key="row.divisions"
        @click="emit('choose', row.divisions)"
      >
        <th scope="row">
          <v-btn
            class="count mono"
            variant="text"
            :tabindex="row.divisions === stop ? 0 : -1"
            :aria-pressed="row.divisions === selected"
            @click.stop="emit('choose', row.divisions)"
            ><Digits :text="grouped(String(row.divisions))"
          /></v-btn>
        </th>
        <td class="graded">
          <GradeTag :graded="row.graded" /><small v-if="row.share" class="quiet">{{ row.share }}</small>
        </td>
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
        <td class="miss">
          <GradeTag v-if="row.closingMisses" :graded="{ grade: 'misses', word: row.closingMisses }" />
        </td>
        <td :class="{ quiet: row.mode.startsWith('lacks') }"><Digits :text="row.mode" /></td>
      </tr>
    </template>
  </v-data-table-virtual>
</template>

<style scoped>
.divisions {
  flex: none;
  border-bottom: 1px solid var(--p-hair);
}
.unit {
  display: inline-block;
}
.unit::first-letter {
  text-transform: uppercase;
}
.divisions thead th {
  vertical-align: bottom;
  padding-block: 0.375rem;
}
.divisions th.step {
  padding-left: 1.625rem;
}
.graded small {
  display: block;
  font-size: 0.75rem;
  line-height: 0.875rem;
  padding-left: 1.125rem;
  white-space: nowrap;
}
.rest {
  width: 4.125rem;
}
.rest .exact {
  margin-left: 0.5rem;
}
.bad {
  color: var(--p-red);
  font-weight: 600;
}
.miss {
  min-width: 5.625rem;
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
