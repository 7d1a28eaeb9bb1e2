<script setup lang="ts">
import { onScopeDispose, shallowRef, watch } from 'vue';
import {
  besideOf,
  variantsOf,
  type Beside,
  type ChooseColumn,
  type ChooseRequest,
  type Variant,
} from '@pendrix/core/choose/index';
import MarkIcon from '../../ui/MarkIcon.vue';

/** What of a drive one thing would change: each judged by itself, one a frame, so that the page is not held up. */
const { request, column } = defineProps<{ request: ChooseRequest; column: ChooseColumn }>();
const emit = defineEmits<{ copy: [beside: Beside] }>();
const list = shallowRef<readonly Beside[]>([]);
let timer: ReturnType<typeof setTimeout> | undefined;

function go(variants: readonly Variant[], at: number, told: readonly Beside[]): void {
  const next = variants[at];
  if (!next) return;
  timer = setTimeout(() => {
    list.value = [...told, besideOf(request, column.judged, next)];
    go(variants, at + 1, list.value);
  });
}
watch(
  () => [request, column] as const,
  () => {
    clearTimeout(timer);
    list.value = [];
    go(variantsOf(request, column.drive), 0, []);
  },
  { immediate: true },
);
onScopeDispose(() => clearTimeout(timer));
</script>

<template>
  <section v-if="list.length > 0" class="beside" aria-label="Differs in one thing">
    <h3>{{ column.title }}, with one thing changed</h3>
    <ul>
      <li v-for="b in list" :key="b.change">
        <b>{{ b.change }}</b>
        <span v-for="g in b.gains" :key="g" class="told tone-even"
          ><MarkIcon name="enough" :size="11" /> {{ g }}</span
        >
        <span v-for="c in b.costs" :key="c" class="told tone-rounded"
          ><MarkIcon name="diamond" :size="11" /> {{ c }}</span
        >
        <span v-if="!b.worth" class="quiet">{{
          b.costs.length === 0
            ? 'the same in all that counts: not worth changing for'
            : 'nothing is better for it'
        }}</span>
        <button
          type="button"
          class="copy"
          :aria-label="`Try in a copy: ${b.change}`"
          @click="emit('copy', b)"
        >
          Try in a copy
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.beside {
  padding: 0.625rem 1rem 0.75rem;
  font-size: 0.875rem;
  border-top: 1px solid var(--p-hair);
}
ul {
  list-style: none;
  padding: 0;
  margin: 0.25rem 0 0;
}
li {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0.125rem 0.875rem;
  padding: 0.25rem 0;
  border-bottom: 1px solid var(--p-row);
}
/* a mark stands in its line */
.told {
  display: inline-flex;
  align-items: center;
  gap: 0.25rem;
}
li b {
  font-weight: 600;
}
.copy {
  margin-left: auto;
  color: var(--p-blue);
  font-weight: 600;
  min-height: 1.5rem;
}
</style>
