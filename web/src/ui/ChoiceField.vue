<script setup lang="ts">
import { useId } from 'vue';
import { mdiChevronDown } from '@mdi/js';

/** One of a few choices, with its label. */
defineProps<{
  label: string;
  value: string;
  options: readonly { readonly value: string; readonly title: string }[];
}>();
const emit = defineEmits<{ choose: [value: string] }>();
const id = useId();
const choose = (e: Event): void => emit('choose', (e.target as HTMLSelectElement).value);
</script>

<template>
  <div class="choice-field">
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
.fld {
  width: var(--field-width, 92px);
}
</style>
