<script setup lang="ts">
import { computed, ref } from 'vue';
import {
  madeOf,
  adjustersFor,
  readOutcomes,
  withOutcome,
  type Edit,
  type Outcome,
  type Refusal,
} from '@pendrix/core';
import ReadField from '../../ui/ReadField.vue';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import { useSeveralEdits } from '../../ui/several-edits.ts';

/** From a symptom through its checks, the cheapest first, to the cure; what came out is kept with the drive. */
const { edit } = useOpenDrive();
const report = useReport();
const take = useSeveralEdits();
const asked = ref(madeOf(report.value).faults[0]!.id);
const shown = computed(() => madeOf(report.value).fault(asked.value)!);
const kept = computed(() => report.value.drive.bench?.faults);
const outcomes = computed(() => readOutcomes(kept.value));
const of = (id: string) => outcomes.value.get(`${shown.value.fault.id}.${id}`);
/** the first that was not looked at yet */
const next = computed(() => shown.value.checks.find((c) => !of(c.id))?.id ?? null);
const found = computed(() => shown.value.checks.find((c) => of(c.id)?.outcome === 'so') ?? null);
const counted = (id: string): number =>
  [...outcomes.value.keys()].filter((k) => k.startsWith(`${id}.`)).length;
const adjusters = computed(() => report.value.drive.bench?.adjusters);
/** those of the user's own that are felt by this symptom */
const own = computed(() =>
  adjustersFor(
    adjusters.value,
    [shown.value.fault.title, ...shown.value.checks.map((c) => c.look)].join(' '),
  ),
);
const bench = (): readonly Edit[] =>
  report.value.drive.bench === undefined ? [{ do: 'addDuty', duty: 'bench' }] : [];
function setAdjusters(text: string, session: string): Refusal | null {
  for (const e of bench()) {
    const refused = edit(e, session);
    if (refused) return refused;
  }
  return edit({ do: 'duty', duty: 'bench', at: 0, key: 'adjusters', text }, session);
}
function put(id: string, outcome: Outcome | null): void {
  const day = new Date().toISOString().slice(0, 10);
  const text = withOutcome(kept.value, `${shown.value.fault.id}.${id}`, outcome, day);
  const edits: Edit[] = [...bench(), { do: 'duty', duty: 'bench', at: 0, key: 'faults', text }];
  take(edits);
}
</script>

<template>
  <div class="scroll main madeOf(report).faults" tabindex="0" role="region" aria-label="Faults">
    <nav aria-label="What is wrong">
      <button
        v-for="f in madeOf(report).faults"
        :key="f.id"
        type="button"
        :aria-pressed="f.id === asked"
        :class="{ on: f.id === asked }"
        @click="asked = f.id"
      >
        {{ f.title }}<small v-if="counted(f.id) > 0">{{ counted(f.id) }} tried</small>
      </button>
    </nav>
    <section :aria-label="shown.fault.title">
      <h3>{{ shown.fault.title }}</h3>
      <ul v-if="own.length > 0" class="own-map" aria-label="Your own adjusters">
        <li v-for="a in own" :key="a.name + a.felt">
          <b>{{ a.name }}</b> ({{ a.felt }}): {{ a.act }}
        </li>
      </ul>
      <p class="quiet says">The cheapest first. Say how each came out; it stays with the drive.</p>
      <ol>
        <li
          v-for="c in shown.checks"
          :key="c.id"
          :class="{ next: c.id === next && !found, so: of(c.id)?.outcome === 'so' }"
        >
          <p>
            <b>{{ c.look }}</b> <span v-if="c.own" class="own">{{ c.own }}</span>
          </p>
          <p v-if="of(c.id)?.outcome === 'so'" class="cure">{{ c.cure }}</p>
          <p class="keys">
            <template v-if="of(c.id)">
              <span class="quiet"
                >{{ of(c.id)!.outcome === 'so' ? 'it was so' : 'it was not' }}, {{ of(c.id)!.day }}</span
              >
              <v-btn variant="text" @click="put(c.id, null)">Ask again</v-btn>
            </template>
            <template v-else>
              <v-btn variant="text" @click="put(c.id, 'so')">It is so</v-btn>
              <v-btn variant="text" @click="put(c.id, 'not')">It is not</v-btn>
            </template>
          </p>
        </li>
      </ol>
      <p v-if="!found && !next" class="says">
        None of these was so. Turn it by hand with the motor off, all the way round, and feel each shaft by
        itself.
      </p>
      <ReadField
        class="map"
        label="Which adjuster does what, in your own words"
        :value="adjusters ?? ''"
        placeholder="wall screws: stiff → release; jack: rattles → up"
        hint="one after the other with ;"
        :commit="setAdjusters"
      />
      <p class="caution">
        Power off before hands go in; what hangs comes down when a train is opened. Local rules and a
        qualified person come first.
      </p>
    </section>
  </div>
</template>

<style scoped src="./make.css"></style>
<style scoped>
.faults {
  display: grid;
  grid-template-columns: 15rem minmax(0, 1fr);
  align-content: start;
}
nav {
  border-right: 1px solid var(--p-hair);
  min-height: 100%;
}
nav button {
  display: block;
  width: 100%;
  text-align: left;
  padding: 0.4375rem 0.75rem 0.4375rem 1.25rem;
  font-size: 0.875rem;
  border-bottom: 1px solid var(--p-row);
}
nav .on {
  background: var(--p-surface);
  box-shadow: inset 3px 0 var(--p-blue);
  font-weight: 650;
}
nav small {
  display: block;
  color: var(--p-quiet);
  font-weight: 400;
}
section {
  padding: 0.75rem 1.25rem;
}
ol {
  padding-left: 1.375rem;
}
li {
  padding: 0.375rem 0.5rem;
  border-bottom: 1px solid var(--p-row);
  font-size: 0.875rem;
  line-height: 1.25rem;
}
.next {
  background: var(--p-tint);
}
.so {
  background: var(--p-even-ground);
}
.map {
  --field-width: 25rem;
  padding-top: 0.5rem;
}
.own-map {
  list-style: none;
  padding: 0.25rem 0.5rem;
  background: var(--p-tint);
}
.own {
  color: var(--p-blue);
}
.cure {
  font-weight: 650;
  color: var(--p-even);
}
</style>
