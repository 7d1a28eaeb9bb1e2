<script setup lang="ts">
import type { PartColumn, Refusal, ShelfRow } from '@pendrix/core';
import MarkIcon from '../../ui/MarkIcon.vue';
import { COLUMNS, textOf } from './columns.ts';
import PartCell from './PartCell.vue';

/** One line of the list. While the list scrolls it is given another line to show, which is cheaper than a new one. */
const { row, at, writing, edit } = defineProps<{
  row: ShelfRow;
  /** its column that the keys reach; null: the keys reach another line */
  at: number | null;
  /** that cell is written in */
  writing: boolean;
  edit: (id: string, column: PartColumn, text: string) => Refusal | null;
}>();
const emit = defineEmits<{
  press: [row: ShelfRow, column: number, e: MouseEvent];
  reach: [row: ShelfRow, column: number];
  left: [to: 'down' | 'right' | 'left' | 'stay'];
}>();
</script>

<template>
  <div class="row" role="row" :data-row="row.id">
    <span
      v-for="(c, i) in COLUMNS"
      :key="c.id"
      role="gridcell"
      :data-column="i"
      :class="[c.id, { num: c.number, short: c.id === 'used' && row.short }]"
      :tabindex="i === at && !writing ? 0 : -1"
      @click="emit('press', row, i, $event)"
      @focus="emit('reach', row, i)"
    >
      <PartCell
        v-if="writing && i === at"
        :key="row.id"
        :part="row.part"
        :column="c.id as PartColumn"
        :commit="(text) => edit(row.id, c.id as PartColumn, text)"
        @done="(to) => emit('left', to)"
      />
      <template v-else-if="c.id === 'known'"
        ><span class="by" :class="`by-${row.knownMark}`"
          ><MarkIcon :name="row.knownMark" :size="9" />{{ row.knownMessage }}</span
        ><span class="quiet used-by">{{ row.usedBy }}</span></template
      >
      <template v-else
        >{{ textOf(row, c.id)
        }}<span v-if="(c.id === 'size' || c.id === 'bore') && row[c.id]" class="u">mm</span></template
      >
    </span>
  </div>
</template>

<style scoped src="./shelf-table.css"></style>
