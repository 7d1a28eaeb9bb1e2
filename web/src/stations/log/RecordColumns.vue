<script setup lang="ts">
import type { ColumnsSeen } from '@pendrix/core/files/record';
import { COLUMN_HEADS } from '@pendrix/core/files/record-columns';
import ChoiceField from '../../ui/ChoiceField.vue';

/** What each column of a record holds: by its head, or as its maker says; it is remembered for records with the same heads. */
const { seen, heads } = defineProps<{ seen: ColumnsSeen; heads: readonly string[] }>();
const emit = defineEmits<{ say: [index: number, head: string] }>();
</script>

<template>
  <table class="columns">
    <thead class="sr-only">
      <tr>
        <th scope="col">Column</th>
        <th scope="col">Begins</th>
        <th scope="col">Holds</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(c, i) in seen.columns" :key="i">
        <th scope="row">{{ c.head }}</th>
        <td class="quiet num">{{ c.cells.join(', ') }}</td>
        <td>
          <ChoiceField
            :label="`${c.head} holds`"
            :labelled="false"
            across
            :value="heads[i] ?? ''"
            :options="[{ value: '', title: `${c.guess}, by its head` }, ...COLUMN_HEADS]"
            @choose="(head) => emit('say', i, head)"
          />
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.columns {
  table-layout: fixed;
  width: 100%;
}
.columns th {
  width: 27%;
  overflow-wrap: anywhere;
  text-align: left;
}
.columns .num {
  width: 27%;
  overflow: hidden;
  text-align: left;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.columns :deep(.choice-field),
.columns :deep(.v-select) {
  width: 100%;
}
</style>
