<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { mdiStop } from '@mdi/js';
import {
  branchesAsked,
  branchEdits,
  freeTrainNames,
  refusalMessage,
  type BranchRow,
  type Edit,
  type Path,
  type Refusal,
  type TreeReport,
} from '@pendrix/core';
import ChoiceField from '../../ui/ChoiceField.vue';
import ReadField from '../../ui/ReadField.vue';
import { useSettled } from '../../ui/settled.ts';
import { useWheels } from '../../ui/use-wheels.ts';

/** Two branches that leave one shaft, looked for at once: the fewest wheels, a common one where there can be. */
const { path, tree, edit } = defineProps<{
  path: Path;
  tree: TreeReport;
  edit: (edit: Edit, session?: string) => Refusal | null;
}>();
const emit = defineEmits<{ used: [names: readonly [string, string]] }>();
const { rows, busy, failed, search, stop } = useWheels('branches');
const asked = computed(() => branchesAsked(path.drive));
const refusal = computed(() => (asked.value.ok ? null : refusalMessage(asked.value.refusal)));
const { settled } = useSettled(() => asked.value.ok && path.drive);
watch(
  settled,
  (now) => {
    if (now) void search(now);
  },
  { immediate: true },
);
const shafts = computed(() => tree.outputs[path.train]!.hangs);
const at = ref('');
const from = computed(() => shafts.value.find((s) => s.title === at.value) ?? shafts.value[0]!);
const names = ref<[string, string]>(['', '']);
const free = computed(() => freeTrainNames(tree.drive, 2));
const named = (i: 0 | 1): string => names.value[i].trim() || free.value[i]!;
const setName =
  (i: 0 | 1) =>
  (text: string): Refusal | null => {
    names.value = i === 0 ? [text, names.value[1]] : [names.value[0], text];
    return null;
  };

/** Both are hung on the shaft in one step. */
const failure = ref<Refusal | null>(null);
const failureSaid = computed(() => failure.value && refusalMessage(failure.value));
function use(row: BranchRow): void {
  const session = `branches-${Date.now()}`;
  const both = [named(0), named(1)] as const;
  failure.value = null;
  for (const e of branchEdits(row, from.value.from, both)) failure.value ??= edit(e, session);
  if (!failure.value) emit('used', both);
}
</script>

<template>
  <div class="two">
    <div class="fields">
      <ChoiceField
        label="Both leave"
        across
        :value="from.title"
        :options="shafts.map((s) => ({ value: s.title, title: s.title, subtitle: s.message }))"
        @choose="(v) => (at = v)"
      />
      <ReadField label="First is called" :value="names[0]" :placeholder="named(0)" :commit="setName(0)" />
      <ReadField label="Second" :value="names[1]" :placeholder="named(1)" :commit="setName(1)" />
    </div>
    <p v-if="refusal" class="quiet">
      <b>{{ refusal.message }}</b> {{ refusal.cure }} Write both ratios at the left: turns of the shaft for
      one of either output.
    </p>
    <p v-else-if="failed" class="tone-misses">The search failed. Ask for fewer wheels.</p>
    <p v-else-if="busy" class="quiet" role="status">
      Searching…
      <v-btn variant="text" :prepend-icon="mdiStop" @click="stop">Stop</v-btn>
    </p>
    <p v-if="failureSaid" class="tone-misses" role="alert">
      <b>{{ failureSaid.message }}</b> {{ failureSaid.cure }}
    </p>
    <div v-if="rows && !refusal" class="scroll list" tabindex="0" aria-label="Two branches that were found">
      <table v-if="rows.length > 0">
        <thead>
          <tr>
            <th scope="col" class="r">Wheels</th>
            <th scope="col">First</th>
            <th scope="col">Second</th>
            <th scope="col">Off by</th>
            <th scope="col" class="r">Teeth</th>
            <th scope="col"><span class="sr-only">take it</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(r, i) in rows" :key="i">
            <td class="r mono">
              <b>{{ r.wheels }}</b>
            </td>
            <td class="mono">{{ r.words[0] }}</td>
            <td class="mono">
              {{ r.words[1] }}<span class="quiet">{{ r.shared }}</span>
            </td>
            <td>
              {{ r.off[0] }}<span class="line">{{ r.off[1] }}</span>
            </td>
            <td class="r mono">{{ r.teeth }}</td>
            <td><v-btn @click="use(r)">Use</v-btn></td>
          </tr>
        </tbody>
      </table>
      <p v-else-if="!busy" class="quiet">
        No two branches of one or two pairs each make both ratios within that. Allow an error, or more teeth.
      </p>
    </div>
  </div>
</template>

<style scoped>
.two {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
  padding: 0.75rem 1rem 0 1.25rem;
  gap: 0.625rem;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
  --field-width: 8.125rem;
}
.list {
  flex: 1;
  min-height: 0;
  overflow: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 0.875rem;
}
th {
  text-align: left;
  font-size: 0.8125rem;
  font-weight: 400;
  color: var(--p-quiet);
  padding: 0.25rem 0.75rem 0.375rem 0;
}
td {
  border-top: 1px solid var(--p-row);
  padding: 0.25rem 0.75rem 0.25rem 0;
}
.r {
  text-align: right;
}
td .quiet,
.line {
  display: block;
  font: 400 0.8125rem/1.0625rem var(--text);
}
</style>
