<script setup lang="ts" generic="T extends { readonly id: string }">
import { VDataTableVirtual } from 'vuetify/components/VDataTable';

/** A list so long that only the rows in view are made. Loaded when it is first wanted: few workshops have so many drives. */
defineProps<{ items: readonly T[]; itemHeight: number }>();
defineSlots<{
  headers: () => unknown;
  row: (slot: { readonly item: T; readonly measure: (el: unknown) => void }) => unknown;
}>();
</script>

<template>
  <VDataTableVirtual v-focus-scroll :items="items as T[]" :item-height="itemHeight" item-value="id">
    <template #headers><slot name="headers" /></template>
    <template #item="{ item, itemRef }">
      <slot name="row" :item="item" :measure="itemRef as unknown as (el: unknown) => void" />
    </template>
  </VDataTableVirtual>
</template>
