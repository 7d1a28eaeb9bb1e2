<script setup lang="ts">
import { computed } from 'vue';
import { version } from '../../package.json';
import DialogCard from './DialogCard.vue';
import { keyTable, shownKeys, type KeyId } from './key-table.ts';

/** Every key, as the table has it. */
const open = defineModel<boolean>({ required: true });
const groups = computed(() => {
  const ids = Object.keys(keyTable) as KeyId[];
  return [...new Set(ids.map((id) => keyTable[id].place))].map((place) => ({
    place: place.replace(/^./, (c) => c.toUpperCase()),
    keys: ids
      .filter((id) => keyTable[id].place === place)
      .map((id) => ({ id, label: keyTable[id].label, ways: shownKeys(id) })),
  }));
});
</script>

<template>
  <DialogCard v-model="open" title="Keys" :width="760">
    <div class="groups">
      <section v-for="g in groups" :key="g.place">
        <h3>{{ g.place }}</h3>
        <dl class="lines">
          <div v-for="k in g.keys" :key="k.id">
            <dt>
              <template v-for="(way, i) in k.ways" :key="i"
                ><span v-if="i > 0" class="quiet">&nbsp;or&nbsp;</span
                ><template v-for="(chord, j) in way" :key="j"
                  ><span v-if="j > 0" class="quiet">&nbsp;then&nbsp;</span
                  ><template v-for="(key, n) in chord" :key="n"
                    ><span v-if="n > 0" class="quiet">&nbsp;+&nbsp;</span><kbd>{{ key }}</kbd></template
                  ></template
                ></template
              >
            </dt>
            <dd>{{ k.label }}</dd>
          </div>
        </dl>
      </section>
    </div>
    <p class="quiet">Pendrix {{ version }}</p>
  </DialogCard>
</template>

<style scoped>
.groups {
  columns: 2;
  column-gap: 2rem;
}
section {
  break-inside: avoid;
  padding-bottom: 0.625rem;
}
dt {
  white-space: nowrap;
}
dd {
  text-align: right;
}
@media (max-width: 700px) {
  .groups {
    columns: 1;
  }
}
</style>
