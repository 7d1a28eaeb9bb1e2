<script setup lang="ts">
import { computed, useId } from 'vue';
import { mdiChevronDown } from '@mdi/js';

/** One of a few choices, with its label. */
const { options, across = false } = defineProps<{
  label: string;
  value: string;
  options: readonly { readonly value: string; readonly title: string }[];
  /** in a row of fields, its width given */
  across?: boolean;
}>();
/** A title longer than the field: the label goes above it. */
const stacked = computed(() => !across && options.some((o) => o.title.length > 12));
const emit = defineEmits<{ choose: [value: string] }>();
const id = useId();
const choose = (e: Event): void => emit('choose', (e.target as HTMLSelectElement).value);
</script>

<template>
  <div class="choice-field" :class="{ stacked }">
    <label :for="id">{{ label }}</label>
    <span class="fld">
      <select :id="id" :value="value" @change="choose">
        <option v-for="o in options" :key="o.value" :value="o.value">{{ o.title }}</option>
      </select>
      <v-icon class="chevron" :icon="mdiChevronDown" size="18" />
    </span>
  </div>
</template>

<style scoped>
.choice-field {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: center;
  column-gap: 8px;
  font-size: 14px;
}
.stacked {
  grid-template-columns: minmax(0, 1fr);
}
.stacked > .fld {
  width: 100%;
}
.fld {
  width: var(--field-width, 92px);
}
</style>
