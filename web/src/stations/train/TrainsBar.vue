<script setup lang="ts">
import { computed, ref } from 'vue';
import { mdiPencilOutline, mdiTrashCanOutline } from '@mdi/js';
import {
  plainText,
  refusalMessage,
  type Edit,
  type Hang,
  type Refusal,
  type TreeReport,
} from '@pendrix/core';
import ChoiceField from '../../ui/ChoiceField.vue';
import MarkIcon from '../../ui/MarkIcon.vue';
import IconButton from '../../ui/IconButton.vue';
import ReadField from '../../ui/ReadField.vue';

/** The outputs of a drive side by side, each with its steps; the one that is looked at can be named, hung elsewhere and taken away. */
const { tree, output, edit } = defineProps<{
  tree: TreeReport;
  output: number;
  edit: (edit: Edit, session?: string) => Refusal | null;
}>();
const emit = defineEmits<{ look: [train: string] }>();
const now = computed(() => tree.outputs[output]!);
const steps = (at: number) => tree.outputs[at]!.verdict[0]!;
/** How it stands: by its steps, or where it has none by the first that it is judged by. */
const graded = (at: number) => tree.outputs[at]!.verdict.find((c) => c.graded)?.graded ?? null;
const OWN = 'own';
/** Every shaft of every train it does not carry itself. */
const places = computed(() => [
  { value: OWN, title: 'a source of its own' },
  ...tree.outputs
    .filter((o) => o.at !== output)
    .flatMap((o) => o.own)
    .map((s) => ({ value: JSON.stringify(s.from), title: s.title })),
]);
const place = computed(() => (now.value.from ? JSON.stringify(now.value.from) : OWN));
const refusal = ref<Refusal | null>(null);
const said = computed(() => refusal.value && refusalMessage(refusal.value));
function rename(to: string): Refusal | null {
  const refused = edit({ do: 'renameTrain', name: now.value.name, to });
  if (!refused) emit('look', to.trim().replace(/\s+/g, ' '));
  return refused;
}
function hang(value: string): void {
  const from = value === OWN ? null : (JSON.parse(value) as Hang);
  refusal.value = edit({ do: 'hangTrain', name: now.value.name, from });
}
function remove(): void {
  refusal.value = edit({ do: 'removeTrain', name: now.value.name });
}
</script>

<template>
  <div class="trains">
    <div class="all scroll" role="group" aria-label="Outputs">
      <v-btn
        v-for="o in tree.outputs"
        :key="o.at"
        class="one"
        :variant="o.at === output ? 'flat' : 'outlined'"
        :aria-pressed="o.at === output"
        :title="o.begins"
        @click="emit('look', o.name)"
        ><b>{{ o.name }}</b
        ><span v-if="steps(o.at).figure && tree.outputs.length < 4" class="mono steps">{{
          plainText(steps(o.at).figure!.text)
        }}</span
        ><MarkIcon
          v-if="graded(o.at) && o.at !== output"
          :class="`tone-${graded(o.at)!.grade}`"
          :name="graded(o.at)!.grade"
          :size="12"
        /><span v-if="graded(o.at)" class="sr-only">{{ graded(o.at)!.word }}</span></v-btn
      >
    </div>
    <v-menu location="bottom end" :close-on-content-click="false">
      <template #activator="{ props }">
        <IconButton v-bind="props" :label="`Name and beginning of ${now.name}`" :icon="mdiPencilOutline" />
      </template>
      <v-card class="about">
        <h3>{{ now.name }}</h3>
        <ReadField label="Name" :value="now.name" :commit="rename" />
        <ChoiceField v-if="output > 0" label="Begins at" :value="place" :options="places" @choose="hang" />
        <p v-else class="quiet">The first train has a source of its own.</p>
        <p v-if="said" class="tone-misses" role="alert">
          <b>{{ said.message }}</b> {{ said.cure }}
        </p>
        <v-btn variant="text" :prepend-icon="mdiTrashCanOutline" @click="remove"
          >Take {{ now.name }} away</v-btn
        >
      </v-card>
    </v-menu>
  </div>
</template>

<style scoped>
.trains {
  display: flex;
  align-items: center;
  gap: 0.375rem;
  padding: 0 1rem 0 1.25rem;
  min-height: 2.75rem;
  border-bottom: 1px solid var(--p-hair);
}
.all {
  display: flex;
  gap: 0.375rem;
  flex: 1;
  min-width: 0;
  padding-block: 0.3125rem;
  overflow-x: auto;
}
.one {
  flex: none;
}
.one :deep(.v-btn__content) {
  gap: 0.5rem;
}
.steps {
  font-size: 0.8125rem;
}
.about {
  padding: 0.875rem 1.125rem;
  display: grid;
  gap: 0.625rem;
  width: 21.25rem;
}
</style>
