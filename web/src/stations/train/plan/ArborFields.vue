<script setup lang="ts">
import { computed } from 'vue';
import {
  layerName,
  MAX_LAYER,
  trainsOf,
  type Arbor,
  type ArborsReport,
  type Edit,
  type Refusal,
  type TreeReport,
} from '@pendrix/core';
import ChoiceField from '../../../ui/ChoiceField.vue';
import ReadField from '../../../ui/ReadField.vue';

/** What the plan sets of one arbor: the layer of its pair, its axis, bore and distance, and how it comes to its place. */
const { tree, arbors, arbor, edit } = defineProps<{
  tree: TreeReport;
  arbors: ArborsReport;
  arbor: Arbor;
  edit: (edit: Edit, session?: string) => Refusal | null;
}>();
const emit = defineEmits<{ pin: []; other: [] }>();
const names = computed(() => trainsOf(tree.drive).map((t) => t.name));
/** The stage that turns the chosen arbor, with what the plan sets of it. */
const stage = computed(() => {
  const { train, stage: at } = arbor.set;
  return at === null ? null : (trainsOf(tree.drive)[train]!.stages[at] ?? null);
});
/** That stage, or the source whose arbor it is. */
const held = computed(() => stage.value ?? trainsOf(tree.drive)[arbor.set.train]!.source);
const set =
  (key: string, what: string) =>
  (text: string, session?: string): Refusal | null => {
    const at = arbor;
    return edit(
      {
        do: 'arbor',
        train: names.value[at.set.train]!,
        stage: at.set.stage,
        set: { [key]: text },
        label: `arbor ${at.name}: ${what} ${text}`.trim(),
      },
      session,
    );
  };
const LAYERS = [1, -1].flatMap((sign) =>
  Array.from({ length: MAX_LAYER }, (_, i) => ({
    value: String(sign * (i + 1)),
    title: layerName(sign * (i + 1)),
  })),
);
const layerNow = computed(() => {
  const at = arbor.set;
  const mesh = arbors.plan.meshes.find((m) => m.train === at.train && m.stage === at.stage);
  return mesh ? String(arbors.plan.wheels[mesh.driven]!.layer) : '1';
});
const bore = computed(() => {
  const { outBoreMm, boreMm } = (held.value ?? {}) as { outBoreMm?: number; boreMm?: number };
  return outBoreMm ?? boreMm;
});
</script>

<template>
  <section class="chosen" :aria-label="`Arbor ${arbor.name}`">
    <h3>
      Arbor {{ arbor.name }}<span class="q"> {{ arbors.rows[arbor.id]!.how }}</span>
    </h3>
    <div class="fields">
      <ChoiceField
        v-if="stage"
        label="Layer of its pair"
        across
        :value="layerNow"
        :options="LAYERS"
        @choose="(v) => set('layer', 'layer')(v)"
      />
      <ReadField
        label="Axis"
        :value="held?.axis ?? ''"
        placeholder="its own"
        hint="arbors of one name stand on one axis: tubes, hands"
        :commit="set('axis', 'axis')"
      />
      <ReadField
        label="Bore"
        unit="mm"
        :value="bore === undefined ? '' : String(bore)"
        placeholder="4"
        :commit="set(stage ? 'outBoreMm' : 'boreMm', 'bore')"
      />
      <ReadField
        v-if="stage"
        label="Distance"
        unit="mm"
        :value="stage.distanceMm ?? ''"
        placeholder="as the teeth want"
        :commit="set('distanceMm', 'distance')"
      />
    </div>
    <div class="keys">
      <v-btn @click="emit('pin')">{{ arbor.how === 'pinned' ? 'Unpin' : 'Pin it here' }} <kbd>P</kbd></v-btn>
      <v-btn v-if="arbor.how === 'solved'" @click="emit('other')">The other place <kbd>O</kbd></v-btn>
    </div>
    <p class="q small">
      {{
        arbor.how === 'solved'
          ? 'It stands where two distances meet.'
          : arbor.how === 'pinned'
            ? 'Pull it, or move it by the arrows: 0.1 mm, with Shift 1 mm.'
            : 'Pull it along its arc, or turn it by the arrows: 0.5°, with Shift 5°.'
      }}
    </p>
  </section>
</template>

<style scoped>
.q {
  color: var(--p-quiet);
  font-weight: 400;
}
.small {
  font-size: 0.8125rem;
}
.chosen {
  padding: 0.625rem 1rem 0.75rem;
  border-top: 1px solid var(--p-hair);
  display: grid;
  gap: 0.5rem;
}
.fields {
  display: grid;
  gap: 0.25rem;
}
.keys {
  display: flex;
  gap: 0.5rem;
}
</style>
