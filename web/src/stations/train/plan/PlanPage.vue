<script setup lang="ts">
import { computed, ref } from 'vue';
import { useElementSize, useSessionStorage } from '@vueuse/core';
import { mdiVectorSquare } from '@mdi/js';
import {
  applyEdit,
  arborPlan,
  arborsReport,
  direction,
  planPicture,
  trainsOf,
  type Arbor,
  type Drive,
  type Edit,
  type PlanCure,
} from '@pendrix/core';
import { useNotices } from '../../../stores/notices.ts';
import { useRecords } from '../../../records/records.ts';
import { useSaveExport } from '../../../ui/exporting.ts';
import { useOpenDrive, useReport } from '../../../ui/open-drive.ts';
import ToggleChoice from '../../../ui/ToggleChoice.vue';
import TwoColumns from '../../../ui/TwoColumns.vue';
import { useSpeed } from '../use-speed.ts';
import ArborDrawing from './ArborDrawing.vue';
import LayersDrawing from './LayersDrawing.vue';
import PlanSide from './PlanSide.vue';
import TreeScheme from './TreeScheme.vue';

/** Where the arbors stand: the plan at its true distances, the layers edge on, the tree, and what wants mending. */
const emit = defineEmits<{ tree: [] }>();
const { edit, id, tree: openTree, output, look } = useOpenDrive();
const report = useReport();
const notices = useNotices();
const records = useRecords();
const save = useSaveExport();
const tree = computed(() => openTree.value!);
const drive = computed(() => tree.value.drive);
const arbors = computed(() => arborsReport(drive.value));
const sides = useSessionStorage<'both' | 'front' | 'behind'>('pendrix.sides', 'both');
const chosen = ref<number | null>(null);
const { speed, speedShown, speeds, turning } = useSpeed(
  () => report.value,
  () => ({ ...tree.value, several: true }),
);
const pane = ref<HTMLElement | null>(null);
const { width, height } = useElementSize(pane);
/** Room for the layers at the right, where there is room at all. */
const layersWidth = computed(() =>
  width.value > 640 ? Math.max(150, 34 + 26 * arbors.value.plan.arbors.length + 8) : 0,
);
const picture = computed(() =>
  planPicture(
    drive.value,
    arbors.value.plan,
    output.value,
    sides.value,
    Math.max(240, width.value - layersWidth.value - (layersWidth.value > 0 ? 16 : 0)),
    Math.max(240, height.value),
  ),
);
const alt = computed(
  () =>
    `Arbor plan of ${drive.value.name}: ${arbors.value.plan.arbors.length} arbors. Arrow keys move the one that has the focus, P pins it, O takes its other place.`,
);
const names = computed(() => trainsOf(drive.value).map((t) => t.name));
const setArbor = (a: Arbor, set: Readonly<Record<string, string>>, label: string): Edit => ({
  do: 'arbor',
  train: names.value[a.set.train]!,
  stage: a.set.stage,
  set,
  label: `arbor ${a.name} ${label}`,
});
const rounded = (n: number): string => String(Number(n.toFixed(3)));
/** Would every distance still reach? What does not is where a pull stops. */
function reaches(e: Edit): boolean {
  const after = applyEdit(drive.value, e);
  if (!after.ok) return false;
  const short = (d: Drive): number => arborPlan(d).arbors.filter((a) => a.miss > 0).length;
  return short(after.value) <= short(drive.value);
}
function put(e: Edit, session?: string): void {
  if (reaches(e)) edit(e, session);
}
function move(at: number, x: number, y: number, session: string): void {
  const a = arbors.value.plan.arbors[at]!;
  const to = picture.value.toPlan(x, y);
  if (a.how === 'pinned')
    put(setArbor(a, { arborXMm: rounded(to.x), arborYMm: rounded(to.y) }, 'moved'), session);
  else if (a.swingsAbout !== null) {
    const about = arbors.value.plan.arbors[a.swingsAbout]!.at;
    put(setArbor(a, { arborDeg: rounded(direction(about, to)) }, 'swung'), session);
  }
}
const NUDGE_MM = 0.1;
const NUDGE_DEG = 0.5;
function nudge(at: number, dx: number, dy: number, coarse: boolean): void {
  const a = arbors.value.plan.arbors[at]!;
  const by = coarse ? 10 : 1;
  const session = `nudge-${at}`;
  if (a.how === 'pinned')
    put(
      setArbor(
        a,
        {
          arborXMm: rounded(a.at.x + dx * NUDGE_MM * by),
          arborYMm: rounded(a.at.y + dy * NUDGE_MM * by),
        },
        'moved',
      ),
      session,
    );
  else if (a.how === 'swings')
    // up and left turn it against the clock
    put(setArbor(a, { arborDeg: rounded((a.deg ?? 0) + (dy - dx) * NUDGE_DEG * by) }, 'swung'), session);
}
function pin(at: number): void {
  const a = arbors.value.plan.arbors[at]!;
  const free = a.how === 'pinned';
  edit(
    setArbor(
      a,
      free
        ? { arborXMm: '', arborYMm: '' }
        : { arborXMm: rounded(a.at.x), arborYMm: rounded(a.at.y), arborDeg: '' },
      free ? 'unpinned' : 'pinned',
    ),
  );
}
function other(at: number): void {
  const a = arbors.value.plan.arbors[at]!;
  if (a.how !== 'solved') return;
  const now = a.set.stage === null ? undefined : trainsOf(drive.value)[a.set.train]!.stages[a.set.stage];
  edit(setArbor(a, { arborOther: now?.arborOther ? '' : 'true' }, 'at its other place'));
}
function chooseWheel(wheel: number): void {
  const w = arbors.value.plan.wheels[wheel]!;
  chosen.value = w.arbor;
  const [first] = w.of;
  if (first && !w.of.some((o) => o.train === output.value)) look(names.value[first.train]!);
}
function take(cure: PlanCure): void {
  const refused = edit(cure.edit);
  if (refused || id.value === null) return;
  const at = id.value;
  notices.tell({
    message: `${cure.title}: done.`,
    tone: 'plain',
    act: { label: 'Undo', do: () => void records.undo({ kind: 'drive', id: at, whole: false }) },
  });
}
</script>

<template>
  <TwoColumns aside="Arbors" shares="minmax(0, 1fr) 380px">
    <header class="sub">
      <h2>Train</h2>
      <ToggleChoice
        label="View"
        value="plan"
        :options="[
          { value: 'tree', title: 'Tree' },
          { value: 'plan', title: 'Arbor plan' },
        ]"
        @choose="(v) => v === 'tree' && emit('tree')"
      />
      <v-spacer />
      <ToggleChoice
        label="Sides of the plate"
        :value="sides"
        :options="[
          { value: 'both', title: 'Both sides' },
          { value: 'front', title: 'Front' },
          { value: 'behind', title: 'Behind' },
        ]"
        @choose="(v) => (sides = v)"
      />
      <ToggleChoice
        label="Turning"
        :value="speedShown"
        :options="speeds.filter((s) => s.value < 20)"
        @choose="(s) => (speed = s)"
      />
      <v-menu location="bottom end">
        <template #activator="{ props }">
          <v-btn v-bind="props" variant="text" :prepend-icon="mdiVectorSquare">Save 1:1</v-btn>
        </template>
        <v-list>
          <v-list-item title="DXF, for a mill or a laser" @click="save(drive, 'dxf', { of: 'arbors' })" />
          <v-list-item
            title="SVG, to print and prick through"
            @click="save(drive, 'svg', { of: 'arbors' })"
          />
        </v-list>
      </v-menu>
    </header>
    <div ref="pane" class="plan ground">
      <ArborDrawing
        :picture="picture"
        :alt="alt"
        :chosen="chosen"
        :turning="turning"
        @choose="(a) => (chosen = a)"
        @move="move"
        @nudge="nudge"
        @pin="pin"
        @other="other"
        @wheel="chooseWheel"
      />
      <div v-if="layersWidth > 0" class="layers scroll" tabindex="0" aria-label="Layers">
        <p class="head"><b>Layers</b> edge on, not to scale</p>
        <LayersDrawing
          :layers="picture.layers"
          :width="layersWidth"
          @wheel="chooseWheel"
          @choose="(a) => (chosen = a)"
        />
        <ul class="legend">
          <li><i class="front" />front of the plate</li>
          <li><i class="back" />behind the plate</li>
          <li><i class="path" />path of {{ tree.outputs[output]!.name }}</li>
          <li v-if="picture.clashes.length > 0"><i class="clash" />clash</li>
        </ul>
      </div>
    </div>
    <TreeScheme :tree="tree" :arbors="arbors" :output="output" @look="look" @choose="(a) => (chosen = a)" />
    <template #aside>
      <PlanSide
        :tree="tree"
        :arbors="arbors"
        :output="output"
        :chosen="chosen"
        :edit="edit"
        @look="look"
        @choose="(a) => (chosen = a)"
        @take="take"
        @csv="save(drive, 'csv', { of: 'arbors' }, undefined)"
        @pin="pin"
        @other="other"
      />
    </template>
  </TwoColumns>
</template>

<style scoped src="../train.css"></style>
<style scoped>
.plan {
  flex: 1 1 26.5rem;
  min-height: 18.75rem;
  overflow: hidden;
  display: flex;
  contain: strict;
}
.plan > svg {
  flex: none;
}
.layers {
  padding: 1.25rem 0.75rem 0.625rem 0.25rem;
  overflow: auto;
  color: var(--p-scribe-text);
  font-size: 0.8125rem;
  flex: 1;
  min-width: 0;
}
.head {
  margin-bottom: 0.625rem;
  white-space: nowrap;
}
.head b {
  color: var(--p-scribe);
}
.legend {
  margin-top: 0.875rem;
  display: grid;
  gap: 0.25rem;
}
.legend li {
  display: flex;
  align-items: center;
  gap: 0.5rem;
}
.legend i {
  width: 1.5rem;
  border-top: 1.5px solid var(--p-scribe2);
}
.legend .back {
  border-top-style: dashed;
}
.legend .path {
  border-top: 2.5px solid var(--p-bright);
}
.legend .clash {
  width: 0.875rem;
  height: 0.875rem;
  margin: 0 0.3125rem;
  border: 2px solid var(--p-clash);
  border-radius: 50%;
}
</style>
