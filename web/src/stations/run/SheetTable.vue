<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue';
import type { VDataTableVirtual } from 'vuetify/components';
import { sheet, type RunPlan } from '@pendrix/core';
import { Digits } from '../../ui/Digits.ts';
import RichText from '../../ui/RichText.vue';
import PlaceText from './PlaceText.vue';
import { NAMES, sheetHeads } from './sheet-columns.ts';
import { sized } from '../../ui/rem.ts';

/** The sheet, line by line as it is worked; only the lines in view are made, however many there are. */
const { plan, now = 0 } = defineProps<{ plan: RunPlan; now?: number }>();
const table = ref<VDataTableVirtual | null>(null);
const whole = computed(() => sheet(plan));
/** Each line is reckoned when it comes into view. */
const lines = computed(() => Array.from({ length: whole.value.length }, (_, at) => ({ at })));
onMounted(async () => {
  await nextTick();
  if (now > 4) table.value?.scrollToIndex(now - 3);
});
</script>

<template>
  <v-data-table-virtual
    ref="table"
    v-focus-scroll
    class="sheet-table"
    :items="lines"
    :item-height="sized(34)"
    item-value="at"
  >
    <template #colgroup
      ><caption class="sr-only">
        Sheet of targets
      </caption></template
    >
    <template #headers>
      <tr>
        <th v-for="(h, i) in sheetHeads(whole)" :key="h" scope="col" :class="{ num: i > 0 }">{{ h }}</th>
      </tr>
    </template>
    <template #item="{ item }">
      <tr
        v-for="row in [whole.row(item.at)]"
        :key="row.gap"
        :class="{ on: row.is === 'gap' && row.gap === now, quiet: row.is !== 'gap' }"
      >
        <th scope="row" class="mono">{{ NAMES[whole.place][row.is] || row.gap }}</th>
        <td class="num quiet">{{ row.is === 'gap' ? row.move : '' }}</td>
        <td class="num">
          <b><Digits :text="row.target" /></b>
        </td>
        <td v-if="!whole.plate" class="num"><Digits :text="row.moved" /></td>
        <td v-if="!whole.plate" class="num">{{ row.error }}</td>
        <td class="num"><PlaceText :of="row.position" /></td>
        <td class="num"><RichText :text="row.crank" /></td>
      </tr>
    </template>
  </v-data-table-virtual>
</template>

<style scoped>
.sheet-table {
  flex: 1 1 0;
  min-height: 0;
}
.sheet-table :deep(.fr) {
  font-size: 0.72em;
  margin-block: -0.25rem;
}
</style>
