<script setup lang="ts">
import { computed, ref } from 'vue';
import { mdiArrowULeftTop, mdiRestart } from '@mdi/js';
import {
  madeOf,
  adjustersFor,
  feelWords,
  readSize,
  stageInputs,
  turnText,
  type Feel,
  type Refusal,
} from '@pendrix/core';
import ChoiceField from '../../ui/ChoiceField.vue';
import CheckField from '../../ui/CheckField.vue';
import FoldPanel from '../../ui/FoldPanel.vue';
import InputFields from '../../ui/InputFields.vue';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import ReadField from '../../ui/ReadField.vue';
import { useSeveralEdits } from '../../ui/several-edits.ts';

/** Setting a mesh: turn the screw, say what is felt, and the next turn is proposed. The log stays with the drive. */
const { edit } = useOpenDrive();
const report = useReport();
const take = useSeveralEdits();
const drive = computed(() => report.value.drive);
const choices = computed(() => madeOf(report.value).meshes);
const asked = ref<string | null>(null);
const at = computed(() => {
  const all = choices.value;
  return (all.find((c) => String(c.stage) === asked.value) ?? all.at(-1))?.stage ?? null;
});
const mesh = computed(() => (at.value === null ? null : madeOf(report.value).mesh(at.value)));
const specs = computed(() =>
  at.value === null
    ? []
    : stageInputs(drive.value.train.stages[at.value]!).filter((i) =>
        ['meshScrewMm', 'meshWanted'].includes(i.key),
      ),
);
const set = (key: string, text: string, session?: string): Refusal | null =>
  at.value === null ? null : edit({ do: 'stage', at: at.value, key, text }, session);
const rocks = ref(false);
const unsnugged = ref(false);
/** turned by another amount than was proposed */
const turned = ref<number | null>(null);
const proposed = computed(() => {
  const next = mesh.value?.state.next;
  return next?.do === 'turn' ? next.turns : null;
});
const setTurned = (text: string): Refusal | null => {
  if (text.trim() === '') {
    turned.value = null;
    return null;
  }
  const sign = /^[-−]/.test(text.trim()) ? -1 : 1;
  const read = readSize(text.trim().replace(/^[-+−]/, ''), { min: 0, max: 4, unit: 'turns', example: '1/8' });
  if (!read.ok) return read.refusal;
  turned.value = sign * read.value;
  return null;
};
function feel(felt: Feel): void {
  if (!mesh.value) return;
  edit(
    mesh.value.entry(felt, {
      ...(turned.value !== null && { turns: turned.value }),
      ...(rocks.value && { rocks: true }),
      ...(unsnugged.value && { loose: true }),
    }),
  );
  rocks.value = false;
  unsnugged.value = false;
  turned.value = null;
}
const FEELS_SHOWN: readonly Feel[] = ['binds', 'stiff', 'smooth', 'slight', 'rattles'];
/** the bracket, in turns about where it stands */
const scale = computed(() => {
  const { tight, loose, stands, next } = mesh.value!.state;
  const all = [tight, loose, stands, next.do === 'turn' ? next.to : stands].filter(
    (v): v is number => v !== null,
  );
  const [low, high] = [Math.min(...all), Math.max(...all)];
  const room = Math.max(0.0625, (high - low) * 0.35);
  return { low: low - room, high: high + room };
});
/** of the user's own map, what goes with what was last felt */
const own = computed(() => adjustersFor(drive.value.bench?.adjusters, mesh.value?.rows.at(-1)?.felt ?? ''));
const x = (turns: number): number => (404 * (turns - scale.value.low)) / (scale.value.high - scale.value.low);
</script>

<template>
  <header class="sub">
    <h2>Setting a mesh</h2>
    <span class="q">turn, feel, say it</span>
  </header>
  <div v-if="!mesh || at === null" class="none">
    <p class="quiet">
      A worm or a pair of wheels in the train: then its distance can be set here by feel, turn by turn.
    </p>
  </div>
  <template v-else>
    <div class="bar">
      <ChoiceField
        v-if="choices.length > 1"
        label="Mesh"
        :value="String(at)"
        :options="choices.map((c) => ({ value: String(c.stage), title: c.title }))"
        @choose="(v) => (asked = v)"
      />
      <b v-else>{{ choices[0]!.title }}</b>
      <InputFields across :specs="specs" :data="drive.train.stages[at]!" :set="set" />
    </div>
    <table v-if="mesh.rows.length > 0">
      <caption class="sr-only">
        What was turned and felt
      </caption>
      <thead>
        <tr>
          <th scope="col"><span class="sr-only">number</span></th>
          <th scope="col">Screw turned</th>
          <th scope="col">stands at</th>
          <th scope="col">Felt</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(r, i) in mesh.rows" :key="i">
          <td>{{ i + 1 }}</td>
          <td>{{ r.turned }}</td>
          <td>{{ r.stands }}</td>
          <td :class="r.side">{{ r.felt }}</td>
        </tr>
      </tbody>
    </table>
    <figure v-if="mesh.rows.length > 1">
      <figcaption>
        <b>{{
          mesh.state.tight !== null && mesh.state.loose !== null
            ? 'The bracket closes'
            : 'Looking for the other side'
        }}</b>
        <span class="quiet">turns of the screw, out opens</span>
      </figcaption>
      <svg viewBox="0 0 404 62" role="img" :aria-label="`Stands at ${turnText(mesh.state.stands)} turns`">
        <rect
          v-if="mesh.state.tight !== null"
          class="tight"
          x="0"
          y="8"
          :width="x(mesh.state.tight)"
          height="22"
        />
        <rect
          v-if="mesh.state.loose !== null"
          class="loose"
          :x="x(mesh.state.loose)"
          y="8"
          :width="404 - x(mesh.state.loose)"
          height="22"
        />
        <path class="axis" d="M0 30H404" />
        <template v-if="mesh.state.tight !== null">
          <path class="edge red" :d="`M${x(mesh.state.tight)} 4V34`" />
          <text :x="x(mesh.state.tight)" y="48" text-anchor="middle">{{ turnText(mesh.state.tight) }}</text>
        </template>
        <template v-if="mesh.state.loose !== null">
          <path class="edge amber" :d="`M${x(mesh.state.loose)} 4V34`" />
          <text :x="x(mesh.state.loose)" y="48" text-anchor="middle">{{ turnText(mesh.state.loose) }}</text>
        </template>
        <path class="here" :d="`M${x(mesh.state.stands)} 30l-6 -12h12z`" />
      </svg>
    </figure>
    <div class="next" :class="mesh.state.next.do">
      <p>
        {{ mesh.moves === 0 ? 'First' : `Next, after ${mesh.moves} ${mesh.moves === 1 ? 'move' : 'moves'}` }}
      </p>
      <h3 role="status">{{ mesh.next.title }}</h3>
      <p>{{ mesh.next.message }}</p>
      <p v-for="a in own" :key="a.name + a.felt">
        Your map: <b>{{ a.name }}</b> ({{ a.felt }}): {{ a.act }}.
      </p>
      <template v-if="mesh.state.next.do !== 'done'">
        <div class="feels" role="group" aria-label="What you feel">
          <button v-for="f in FEELS_SHOWN" :key="f" type="button" @click="feel(f)">
            {{ feelWords[f].replace(', no rattle', '') }}
          </button>
        </div>
        <div class="more">
          <CheckField label="it rattles when rocked" :value="rocks" @set="(v: boolean) => (rocks = v)" />
          <CheckField label="screws not snugged" :value="unsnugged" @set="(v: boolean) => (unsnugged = v)" />
          <ReadField
            v-if="mesh.state.next.do !== 'lock'"
            label="Turned instead"
            :value="turned === null ? '' : turnText(turned)"
            :placeholder="proposed === null ? '0' : turnText(proposed)"
            :commit="setTurned"
          />
        </div>
      </template>
    </div>
    <div class="keys">
      <v-btn v-if="mesh.back" variant="text" :prepend-icon="mdiArrowULeftTop" @click="edit(mesh.back)"
        >Take the last back</v-btn
      >
      <v-btn v-if="mesh.again.length > 0" variant="text" :prepend-icon="mdiRestart" @click="take(mesh.again)"
        >Put away, begin anew</v-btn
      >
    </div>
    <FoldPanel v-if="mesh.past.length > 0" class="past" title="Past meshes" :note="String(mesh.past.length)">
      <ol>
        <li v-for="(p, i) in mesh.past" :key="i">{{ p }}</li>
      </ol>
    </FoldPanel>
  </template>
</template>

<style scoped src="./mesh.css"></style>
