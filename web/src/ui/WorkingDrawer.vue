<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue';
import { mdiClose, mdiContentCopy } from '@mdi/js';
import { workingAsText, type Report, type TreeReport } from '@pendrix/core';
import { useCopy } from './copy.ts';
import { useWorking } from '../stores/working.ts';
import RichText from './RichText.vue';
import IconButton from './IconButton.vue';

/** The working of one figure, line by line, live. */
const { report, tree } = defineProps<{ report: Report; tree: TreeReport | null }>();
const working = useWorking();
const copy = useCopy();
const head = ref<HTMLElement | null>(null);

const figure = computed(() =>
  working.key === null ? null : (tree?.figure(working.key) ?? report.figure(working.key)),
);
const lines = computed(() => figure.value?.working() ?? []);

watch(
  () => working.key,
  async (key) => {
    if (key === null) return;
    await nextTick();
    head.value?.focus();
  },
);
// A figure that is gone, with its stage or its count, takes its working with it.
watch(figure, (now) => {
  if (!now && working.key !== null) working.close();
});

const copyWorking = async (): Promise<void> => {
  if (figure.value)
    await copy(workingAsText(figure.value), 'The working is', 'Select the lines and copy them by hand.');
};
</script>

<template>
  <aside
    v-if="figure"
    class="drawer"
    :aria-label="`Working: ${figure.label}`"
    @keydown.escape.stop="working.close()"
  >
    <header>
      <h3 ref="head" tabindex="-1">
        Working <span class="q">{{ figure.label }}</span>
      </h3>
      <v-btn variant="text" :prepend-icon="mdiContentCopy" @click="copyWorking">Copy as text</v-btn>
      <IconButton label="Close the working" :icon="mdiClose" @click="working.close()" />
    </header>
    <ol class="scroll" tabindex="0" aria-label="Lines of the working">
      <li v-for="(line, i) in lines" :key="i" :class="{ last: i === lines.length - 1 }">
        <span class="why">{{ line.label }}</span>
        <RichText class="what mono" :text="line.text" />
        <span class="exact">{{ line.exact ? 'exact' : '' }}</span>
      </li>
    </ol>
  </aside>
</template>

<style scoped>
.drawer {
  position: absolute;
  right: 0;
  bottom: 0;
  width: min(31.25rem, 100%);
  max-height: min(27.5rem, 62%);
  background: var(--p-paper);
  border-top: 3px solid var(--p-blue);
  border-left: 1px solid var(--p-hair);
  z-index: 20;
  display: flex;
  flex-direction: column;
}
header {
  height: 2.5rem;
  flex: none;
  display: flex;
  align-items: center;
  gap: 0.5rem;
  padding: 0 0.5rem 0 1.25rem;
  border-bottom: 1px solid var(--p-hair);
}
h3 {
  margin-right: auto;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  min-width: 0;
}
h3:focus-visible {
  outline: none;
}
.q {
  font-weight: 400;
  color: var(--p-quiet);
  font-size: 0.875rem;
  margin-left: 0.375rem;
}
ol {
  padding: 0.25rem 1.25rem 0.625rem;
}
li {
  display: flex;
  align-items: center;
  min-height: 2.125rem;
  border-bottom: 1px dotted var(--p-dotted);
  gap: 0.5rem;
  padding: 0.1875rem 0;
}
.why {
  width: 7.375rem;
  flex: none;
  font-size: 0.875rem;
  line-height: 1.0625rem;
  color: var(--p-quiet);
}
.what {
  flex: 1;
  min-width: 0;
  font-size: 0.875rem;
  line-height: 1.25rem;
  letter-spacing: -0.02em;
  word-spacing: -0.28em;
  overflow-wrap: anywhere;
}
.what :deep(.u) {
  word-spacing: 0;
}
.what :deep(.u) {
  font-size: 0.875rem;
  margin-left: 0.5rem;
}
.what :deep(.u.tight) {
  margin-left: 0;
}
.exact {
  width: 2.5rem;
  text-align: right;
}
.last {
  border-bottom: 0;
  border-top: 1.5px solid var(--p-ink);
  margin-top: -1px;
  min-height: 2.5rem;
}
.last .what {
  font-size: 1.0625rem;
  line-height: 1.5rem;
}
.last .why {
  color: var(--p-ink);
  font-weight: 600;
}
</style>
