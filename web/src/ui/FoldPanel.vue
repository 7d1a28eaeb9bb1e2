<script setup lang="ts">
import { ref, watch } from 'vue';

/** What is folded away until it is wanted; what is in it is made when it is first opened. */
const { title, open = false, note = '' } = defineProps<{ title: string; open?: boolean; note?: string }>();
const emit = defineEmits<{ toggle: [open: boolean] }>();
const shown = ref<number | undefined>(open ? 0 : undefined);
watch(
  () => open,
  (now) => {
    // it opens by itself, and stays: what closed under somebody's hands would move the next key from under the pointer
    if (now) shown.value = 0;
  },
);
</script>

<template>
  <v-expansion-panels v-model="shown" @update:model-value="(v: unknown) => emit('toggle', v === 0)">
    <v-expansion-panel>
      <v-expansion-panel-title>
        <slot name="title"
          >{{ title }}<span v-if="note" class="quiet">{{ note }}</span></slot
        >
      </v-expansion-panel-title>
      <v-expansion-panel-text><slot /></v-expansion-panel-text>
    </v-expansion-panel>
  </v-expansion-panels>
</template>
