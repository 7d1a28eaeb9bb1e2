<script setup lang="ts">
import { dataOf } from '@pendrix/core';
import { computed } from 'vue';
import { mdiContentDuplicate, mdiTrashCanOutline } from '@mdi/js';
import {
  counted,
  partInputs,
  partKindOf,
  partLabel,
  showInput,
  usedMessage,
  type InputValue,
  type PartColumn,
  type Refusal,
  type ShelfPart,
} from '@pendrix/core';
import { useShelf } from '../../stores/shelf.ts';
import ChoiceField from '../../ui/ChoiceField.vue';
import ReadField from '../../ui/ReadField.vue';

/** Everything that is known of one line; or what can be done with several at once. */
const { ids } = defineProps<{ ids: readonly string[] }>();
const emit = defineEmits<{ remove: []; duplicate: [] }>();
const shelf = useShelf();

const parts = computed(() => ids.flatMap((id) => shelf.byId.get(id) ?? []));
const only = computed<ShelfPart | null>(() => (parts.value.length === 1 ? parts.value[0]! : null));
const inputs = computed(() => (only.value ? partInputs(only.value) : []));
const valueOf = (part: ShelfPart, key: string): InputValue | undefined => dataOf(part)[key];

const commit =
  (key: string) =>
  (text: string, editSession: string): Refusal | null => {
    const read = shelf.setInput(only.value!.id, key, text, editSession);
    return read && !read.ok ? read.refusal : null;
  };
const price = (text: string, editSession: string): Refusal | null => {
  const read = shelf.edit(only.value!.id, 'price', text, editSession);
  return read && !read.ok ? read.refusal : null;
};
const KNOWN = [
  { value: '', title: 'leave' },
  { value: 'counted', title: 'counted' },
  { value: 'ownFile', title: 'own file' },
  { value: 'dataSheet', title: 'data sheet' },
  { value: 'printed', title: 'printed, not counted' },
];
const all =
  (column: PartColumn) =>
  (text: string): void => {
    if (text !== '') shelf.editMany(ids, column, text);
  };
</script>

<template>
  <section class="panel" aria-label="Part">
    <template v-if="only">
      <header class="sub">
        <h2>{{ partLabel(only) }}</h2>
        <span class="q">{{ partKindOf(only).title }}</span>
      </header>
      <div class="fields">
        <template v-for="i in inputs" :key="`${only.id} ${i.key}`">
          <ChoiceField
            v-if="i.type === 'choice'"
            :label="i.label"
            :value="String(valueOf(only, i.key) ?? i.default)"
            :options="i.options"
            @choose="(v) => commit(i.key)(v, `${i.key}-${Date.now()}`)"
          />
          <ReadField
            v-else
            :class="{ below: i.type === 'text' && i.key !== 'name' }"
            :label="i.label"
            :value="valueOf(only, i.key) === undefined ? '' : showInput(i, valueOf(only, i.key)!)"
            :unit="i.unit && i.type !== 'text' ? i.unit : ''"
            :placeholder="i.optional ? 'unknown' : ''"
            :commit="commit(i.key)"
          />
          <ReadField
            v-if="i.key === 'own'"
            label="Price each"
            unit="€"
            placeholder="none"
            :value="only.price ?? ''"
            :commit="price"
          />
        </template>
      </div>
      <p class="uses">{{ usedMessage(only, shelf.uses.get(only.id) ?? []) }}</p>
    </template>
    <template v-else>
      <header class="sub">
        <h2>{{ counted(parts.length, 'line').replace(/^./, (c) => c.toUpperCase()) }} chosen</h2>
      </header>
      <div class="fields">
        <ChoiceField label="Known by, all" value="" :options="KNOWN" @choose="(v) => all('known')(v)" />
        <ReadField
          label="Own, all"
          value=""
          placeholder="leave"
          :commit="(text) => (all('own')(text), null)"
        />
      </div>
    </template>
    <div class="keys">
      <v-btn :prepend-icon="mdiContentDuplicate" @click="emit('duplicate')">Duplicate</v-btn>
      <v-btn :prepend-icon="mdiTrashCanOutline" @click="emit('remove')">Delete</v-btn>
    </div>
  </section>
</template>

<style scoped>
.panel {
  display: flex;
  flex-direction: column;
  min-height: 0;
  overflow: hidden auto;
}
.fields {
  --field-width: 9.25rem;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(16.875rem, 1fr));
  gap: 0.25rem 1.75rem;
  align-items: start;
  padding: 0.625rem 0.875rem;
}
.uses {
  margin: 0 0.875rem;
  padding: 0.625rem 0;
  border-top: 1px solid var(--p-row);
  font-size: 0.875rem;
}
.keys {
  display: flex;
  gap: 0.5rem;
  padding: 0.25rem 0.875rem 0.875rem;
}
</style>
