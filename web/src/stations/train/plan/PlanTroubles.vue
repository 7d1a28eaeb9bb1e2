<script setup lang="ts">
import { mdiAlertOutline } from '@mdi/js';
import type { PlanCure, PlanTrouble } from '@pendrix/core';

/** What of the plan wants mending, and what would mend it; it stays in sight at the foot. */
const { troubles } = defineProps<{ troubles: readonly PlanTrouble[] }>();
const emit = defineEmits<{ take: [cure: PlanCure] }>();
</script>

<template>
  <div class="foot scroll">
    <section v-for="t in troubles" :key="t.title" class="trouble" :class="t.kind">
      <h3><v-icon :icon="mdiAlertOutline" size="17" />{{ t.title }}</h3>
      <p>{{ t.message }}</p>
      <div v-for="c in t.cures" :key="c.title" class="cure">
        <p>
          <b>{{ c.title }}</b><span v-if="t.kind === 'differs'">{{ c.message }}</span>
        </p>
        <v-btn variant="flat" @click="emit('take', c)">Take it</v-btn>
      </div>
    </section>
  </div>
</template>

<style scoped>
/* what wants mending stays in sight, whatever the list above it does */
.foot {
  position: sticky;
  bottom: 0;
  flex: none;
  max-height: 13.75rem;
  overflow: auto;
}
.trouble {
  border-top: 2px solid var(--p-amber);
  background: var(--p-amber-ground);
  padding: 0.5rem 1rem 0.625rem;
  font-size: 0.875rem;
  line-height: 1.1875rem;
}
.trouble h3 {
  display: flex;
  gap: 0.375rem;
  align-items: center;
  color: var(--p-amber);
}
.trouble > p {
  color: var(--p-amber-text);
}
.cure p {
  color: var(--p-ink);
}
.cure {
  display: flex;
  gap: 0.625rem;
  align-items: center;
  justify-content: space-between;
  border-top: 1px solid var(--p-amber-rule, var(--p-hair));
  margin-top: 0.375rem;
  padding-top: 0.375rem;
}
.cure span {
  display: block;
}
</style>
