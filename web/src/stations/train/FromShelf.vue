<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import {
  left,
  pairOfParts,
  partKindOf,
  partLabel,
  shelfGroups,
  stageOfPart,
  wheelSearch,
  type ShelfPart,
  type Stage,
} from '@pendrix/core';
import { useShelf } from '../../stores/shelf.ts';
import ChoiceField from '../../ui/ChoiceField.vue';
import DialogCard from '../../ui/DialogCard.vue';

/** A stage from the shelf: a part as it is, or two wheels that mesh. What is taken follows its lines. */
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ take: [stage: Stage] }>();
const shelf = useShelf();

const wholes = computed(() => shelf.parts.filter((p) => stageOfPart(p) !== null));
const wheels = computed(() => shelf.parts.filter((p) => partKindOf(p).wheel !== undefined));
const driver = ref('');
const driven = ref('');
watch(open, () => {
  driver.value = '';
  driven.value = '';
});
const freeMessage = (p: ShelfPart): string => {
  const { free } = left(p, shelf.uses.get(p.id) ?? []);
  return free === 0 ? 'none free' : `${free} of ${p.own} free`;
};
const wheelTitle = (p: ShelfPart): string => {
  const wheel = partKindOf(p).wheel!(p);
  const { size: by, unit } = wheelSearch(wheel.pair)!;
  const size = wheel.sizeMm === null ? '' : `, ${by} ${wheel.sizeMm}${unit ? ` ${unit}` : ''}`;
  return `${partLabel(p)} ${partKindOf(p).title.toLowerCase()}${size}: ${freeMessage(p)}`;
};
const options = (list: readonly ShelfPart[]) => [
  { value: '', title: 'choose a wheel' },
  ...list.map((p) => ({ value: p.id, title: wheelTitle(p) })),
];
const first = computed(() => shelf.byId.get(driver.value));
const mates = computed(() =>
  first.value ? wheels.value.filter((p) => pairOfParts(first.value!, p) !== null) : [],
);
const pair = computed(() => {
  const second = shelf.byId.get(driven.value);
  return first.value && second ? pairOfParts(first.value, second) : null;
});
function take(stage: Stage | null): void {
  if (stage) emit('take', stage);
}
</script>

<template>
  <DialogCard v-model="open" title="From the shelf">
    <div class="from-shelf">
      <p v-if="shelf.parts.length === 0" class="quiet">
        Nothing is on the shelf yet. Put there what you own, and it can be taken from there into any train.
      </p>
      <template v-if="wheels.length > 0">
        <h3>Two wheels</h3>
        <ChoiceField
          label="Driver"
          :value="driver"
          :options="options(wheels)"
          @choose="(v) => ((driver = v), (driven = ''))"
        />
        <ChoiceField label="Driven" :value="driven" :options="options(mates)" @choose="(v) => (driven = v)" />
        <v-btn class="take" variant="flat" :disabled="!pair" @click="take(pair)">Take the pair</v-btn>
      </template>
      <template v-if="wholes.length > 0">
        <h3>A part as it is</h3>
        <v-list>
          <v-list-item
            v-for="p in wholes"
            :key="p.id"
            :title="partLabel(p)"
            :subtitle="`${shelfGroups[partKindOf(p).group]}, ${freeMessage(p)}`"
            @click="take(stageOfPart(p))"
          />
        </v-list>
      </template>
    </div>
  </DialogCard>
</template>

<style scoped>
.from-shelf {
  --field-width: 20rem;
  display: grid;
  gap: 0.5rem;
}
.take {
  justify-self: end;
}
</style>
