<script setup lang="ts">
import { computed } from 'vue';
import type { Refusal } from '@pendrix/core';
import type { Asking } from '@pendrix/core/start/index';
import ReadField from '../../ui/ReadField.vue';
import RichText from '../../ui/RichText.vue';

/** One question: its answer as it is typed or one of a few, what it means at once, and "I do not know". */
const { asking, answer } = defineProps<{
  asking: Asking;
  answer: (text: string, session?: string) => Refusal | null;
}>();
const chosen = computed(() => asking.value.split(/,\s*/));
const typed = computed(() => !asking.options || asking.typed);
/** What stands in for an answer that nobody gave. */
const taken = computed(() => {
  if (asking.taken === null) return '';
  const what =
    asking.options && !asking.typed ? 'taken until you say' : `${asking.taken} ${asking.unit ?? ''} is taken`;
  return asking.means.length > 0 ? `; ${what}` : what;
});
function pick(value: string): void {
  const now = chosen.value.filter((v) => v !== '');
  answer(
    !asking.several
      ? value
      : (now.includes(value) ? now.filter((v) => v !== value) : [...now, value]).join(', '),
  );
}
</script>

<template>
  <div class="question" role="group" :aria-label="asking.title">
    <div class="asked">
      <b>{{ asking.title }}</b><small>{{ asking.hint }}</small>
    </div>
    <div class="answer">
      <div class="in-line">
        <ReadField
          v-if="typed"
          class="typed"
          :class="{ long: asking.unit === undefined || asking.example.length > 6 }"
          :label="asking.title"
          :labelled="false"
          :value="asking.value"
          :unit="asking.unit ?? ''"
          :placeholder="asking.taken ?? asking.example"
          :commit="(text, session) => answer(text, session)"
        />
        <button
          v-for="o in asking.options ?? []"
          :key="o.value"
          type="button"
          class="pick"
          :aria-pressed="chosen.includes(o.value)"
          @click="pick(o.value)"
        >
          {{ o.title }}
        </button>
        <button
          v-if="asking.canSkip && typed && asking.taken === null"
          type="button"
          class="skip"
          @click="answer('')"
        >
          I do not know
        </button>
        <span class="means quiet"> <RichText :text="asking.means" />{{ taken }} </span>
      </div>
    </div>
  </div>
</template>

<style scoped>
.question {
  display: grid;
  grid-template-columns: 8.625rem minmax(0, 1fr);
  align-items: center;
  min-height: 3.25rem;
  padding: 0.375rem 0;
  border-bottom: 1px solid var(--p-row);
}
.asked b,
.asked small {
  display: block;
}
.asked small {
  font-size: 0.8125rem;
  line-height: 1rem;
  color: var(--p-quiet);
}
.answer {
  font-size: 0.8125rem;
  line-height: 1.0625rem;
}
.in-line {
  gap: 0.375rem 0.5rem;
}
.typed {
  --field-width: 5.75rem;
}
.typed.long {
  --field-width: 11.25rem;
}
.typed:has(:deep(.refusal)) {
  flex: 1 1 100%;
}
.pick {
  border: 1px solid var(--p-field);
  border-radius: 2px;
  background: var(--p-surface);
  min-height: 2rem;
  padding: 0 0.625rem;
  font-size: 0.875rem;
}
.pick[aria-pressed='true'] {
  border-color: var(--p-blue);
  box-shadow: inset 0 0 0 1px var(--p-blue);
  background: var(--p-tint);
  color: var(--p-blue);
  font-weight: 600;
}
.skip {
  color: var(--p-blue);
  font-weight: 600;
  min-height: 1.5rem;
  white-space: nowrap;
}
@media (max-width: 600px) {
  .question {
    grid-template-columns: minmax(0, 1fr);
    gap: 0.25rem;
  }
}
</style>
