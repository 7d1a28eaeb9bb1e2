<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue';
import { mdiCheck, mdiClose, mdiContentDuplicate, mdiSigma } from '@mdi/js';
import {
  compareReports,
  creepMessage,
  foundMessage,
  pairsText,
  smallPicture,
  type FindRow,
  type FoundRow,
  type Report,
} from '@pendrix/core';
import { useFinding } from '../../stores/finding.ts';
import CompareTable from '../../ui/CompareTable.vue';
import FactorLedger from '../../ui/FactorLedger.vue';
import RichText from '../../ui/RichText.vue';
import TrainDrawing from '../../ui/TrainDrawing.vue';
import IconButton from '../../ui/IconButton.vue';

/** One answer opened: drawn, beside the present train, with its ledger, its working and the other trains of its ratio. */
const { row, present, found } = defineProps<{
  row: FindRow;
  /** the drive as it is, and as it would be */
  present: Report;
  found: Report;
}>();
const emit = defineEmits<{ close: []; use: []; copy: []; other: [row: FoundRow] }>();
const finding = useFinding();

const WIDTH = 319;
const HEIGHT = 150;
const MAX_OTHERS = 12;
const drawing = computed(() => smallPicture(found.drive, WIDTH, HEIGHT, found.counts[0] ?? 0));
const rows = computed(() => compareReports(present, found));
const working = computed(() => [
  ...found.built.steps.working(),
  ...(found.verdict[2]?.figure?.working() ?? []),
]);
const workingOpen = ref(false);
const creep = computed(() => creepMessage(row.row));

const others = shallowRef<readonly FoundRow[] | null>(null);
const asking = ref(false);
let asked = 0;
watch(
  () => row.key,
  () => {
    others.value = null;
    asking.value = false;
    asked++;
  },
);
async function showOthers(): Promise<void> {
  const mine = ++asked;
  asking.value = true;
  const all = await finding.others(row.row, MAX_OTHERS);
  if (mine !== asked) return;
  asking.value = false;
  others.value = all;
}
</script>

<template>
  <section class="opened" aria-label="Opened train" @keydown.escape.stop="emit('close')">
    <header class="sub">
      <h2>Opened, {{ row.teeth }} teeth</h2>
      <v-spacer />
      <v-btn
        variant="text"
        :prepend-icon="mdiSigma"
        :aria-expanded="workingOpen"
        @click="workingOpen = !workingOpen"
        >Working</v-btn
      >
      <IconButton label="Close" :icon="mdiClose" @click="emit('close')" />
    </header>
    <div class="scroll" tabindex="0" role="region" aria-label="What it is">
      <div class="drawn on-ground">
        <TrainDrawing :drawing="drawing" :alt="`The train ${pairsText(row.row)}`" small />
      </div>
      <ol v-if="workingOpen" class="working">
        <li v-for="(line, i) in working" :key="i">
          <span class="quiet">{{ line.label }}</span>
          <span
            ><RichText class="mono" :text="line.text" />
            <span v-if="line.exact" class="exact">exact</span></span
          >
        </li>
      </ol>
      <CompareTable :rows="rows" a-name="present" b-name="this one" />
      <h3>Factor ledger</h3>
      <div class="book"><FactorLedger :ledger="found.built.ledger" :width="WIDTH - 28" /></div>
      <h3>Other trains of this ratio</h3>
      <p v-if="others === null" class="others">
        <v-btn :disabled="asking" @click="showOthers">{{ asking ? 'Looking' : 'Show them' }}</v-btn>
      </p>
      <p v-else-if="others.length < 2" class="others quiet">There is no other with as many stages.</p>
      <ul v-else class="others">
        <li v-for="o in others" :key="pairsText(o)">
          <button type="button" class="mono" @click="emit('other', o)">{{ pairsText(o) }}</button>
          <span class="quiet">{{ o.teeth }} teeth</span>
        </li>
      </ul>
    </div>
    <footer>
      <p>
        <b>{{ foundMessage(row.row) }}, {{ row.owned }} of {{ row.wheels }} owned.</b> {{ creep
        }}{{ row.idle ? ` It is the same ratio ${row.idle}.` : '' }}
      </p>
      <div class="keys">
        <v-btn variant="flat" :prepend-icon="mdiCheck" @click="emit('use')">Use it</v-btn>
        <v-btn :prepend-icon="mdiContentDuplicate" @click="emit('copy')">Try in a copy</v-btn>
      </div>
      <p class="quiet">The present train stays as it is until then.</p>
    </footer>
  </section>
</template>

<style scoped>
.opened {
  display: flex;
  flex-direction: column;
  min-height: 0;
  flex: 1 1 0;
}
.sub {
  padding: 0 0.5rem 0 0.875rem;
  gap: 0.25rem;
}
.scroll {
  flex: 1 1 0;
  min-height: 0;
  overflow: hidden auto;
}
.drawn {
  background: var(--p-ground);
  display: flex;
  justify-content: center;
}
h3 {
  padding: 0.625rem 0.875rem 0.25rem;
}
.book {
  padding: 0 0.875rem;
  overflow-x: auto;
}
.working {
  padding: 0.375rem 0.875rem;
  font-size: 0.8125rem;
  background: var(--p-paper);
  border-bottom: 1px solid var(--p-hair);
}
.working li {
  display: flex;
  flex-direction: column;
  padding: 0.25rem 0;
  border-bottom: 1px dotted var(--p-dotted);
  overflow-wrap: anywhere;
}
.others {
  padding: 0.25rem 0.875rem 0.75rem;
  font-size: 0.875rem;
}
.others li {
  display: flex;
  justify-content: space-between;
  min-height: 1.75rem;
  align-items: center;
}
.others button.mono {
  color: var(--p-blue);
  min-height: 1.75rem;
  text-align: left;
  letter-spacing: -0.04em;
}
footer {
  flex: none;
  border-top: 2px solid var(--p-amber);
  background: var(--p-amber-ground);
  padding: 0.5625rem 0.875rem 0.625rem;
  font-size: 0.875rem;
  line-height: 1.1875rem;
}
footer .quiet {
  color: var(--p-amber-text);
}
.keys {
  display: flex;
  gap: 0.5rem;
  margin: 0.5rem 0;
}
</style>
