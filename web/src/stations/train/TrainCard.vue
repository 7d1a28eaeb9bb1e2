<script setup lang="ts">
import type { Rich } from '@pendrix/core';
import RichText from '../../ui/RichText.vue';
import MarkIcon from '../../ui/MarkIcon.vue';

/** The frame of a card in the strip: head, fields, a figure that runs along the train, misfits, what a maker should know. */
defineProps<{
  title: string;
  label: string;
  facts: readonly string[];
  warns?: readonly string[];
  steps?: Rich | null;
  word?: string;
  on?: boolean;
}>();
</script>

<template>
  <section class="card" :class="{ on }" :aria-label="label">
    <header>
      <slot name="handle" />
      <h3 :title="title">{{ title }}</h3>
      <slot name="menu" />
    </header>
    <div class="fields"><slot /></div>
    <footer v-if="steps">
      <span>{{ word ?? 'steps a turn' }}</span><RichText class="mono" :text="steps" />
    </footer>
    <p v-for="warn in warns ?? []" :key="warn" class="fact warn">
      <MarkIcon name="diamond" :size="12" /><span>{{ warn }}</span>
    </p>
    <p v-for="fact in facts" :key="fact" class="fact">{{ fact }}</p>
    <slot name="after" />
  </section>
</template>

<style scoped>
.card {
  contain: layout;
  width: 12.8125rem;
  flex: none;
  padding: 0 1rem 0 1.25rem;
  position: relative;
  border-left: 1px solid var(--p-hair);
  display: flex;
  flex-direction: column;
}
.card.on {
  background: var(--p-surface);
}
.card.on::before {
  content: '';
  position: absolute;
  left: -1px;
  right: 0;
  top: 0;
  height: 0.1875rem;
  background: var(--p-blue);
}
.card.on h3 {
  color: var(--p-blue);
}
header {
  height: 2.25rem;
  flex: none;
  display: flex;
  align-items: center;
}
h3 {
  flex: 1;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.fields {
  display: flex;
  flex-direction: column;
  gap: 0.25rem;
}
.fact {
  font-size: 0.8125rem;
  line-height: 1.0625rem;
  color: var(--p-quiet);
  padding: 0.1875rem 0 0.25rem;
  overflow-wrap: anywhere;
}
.warn {
  display: flex;
  gap: 0.375rem;
  align-items: flex-start;
  color: var(--p-amber);
  font-weight: 600;
}
.warn :deep(svg) {
  flex: none;
  margin-top: 2px;
}
footer {
  margin-top: 0.25rem;
  border-top: 1px solid var(--p-hair);
  padding: 0.3125rem 0 0.5rem;
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  font-size: 0.8125rem;
  color: var(--p-quiet);
}
footer .mono {
  font-size: 0.875rem;
  font-weight: 600;
  color: var(--p-ink);
  white-space: nowrap;
}
</style>
