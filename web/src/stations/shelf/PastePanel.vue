<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue';
import { useVirtualList } from '@vueuse/core';
import { mdiClose, mdiPlus, mdiTrashCanOutline } from '@mdi/js';
import { counted, grouped, refusalMessage, type ShelfPart } from '@pendrix/core';
import type { TableColumn, TableLine } from '@pendrix/core/files/index';
import { useShelf } from '../../stores/shelf.ts';
import { readShelfTable } from '../../ui/files.ts';
import { useSettled } from '../../ui/settled.ts';
import MarkIcon from '../../ui/MarkIcon.vue';
import IconButton from '../../ui/IconButton.vue';
import { sized } from '../../ui/rem.ts';

/** A table from a spreadsheet, read line by line. Nothing is taken until it is told to be; what cannot be read stays and says why. */
const text = defineModel<string>({ required: true });
const emit = defineEmits<{ close: []; taken: [message: string] }>();
const shelf = useShelf();
const lines = shallowRef<readonly TableLine[]>([]);
const { settled } = useSettled(() => text.value);

let reading = 0;
watch(
  [settled, () => shelf.parts],
  async ([given]) => {
    const mine = ++reading;
    const read = given.trim() === '' ? [] : await readShelfTable(given, shelf.parts);
    if (mine === reading) lines.value = read;
  },
  { immediate: true },
);

const good = computed(() => lines.value.filter((l) => l.part));
const bad = computed(() => lines.value.filter((l) => !l.part));
const shown = computed(() => [...lines.value]);
const { list, containerProps, wrapperProps } = useVirtualList(shown, { itemHeight: sized(24), overscan: 8 });
const COLUMNS: readonly TableColumn[] = ['name', 'teeth', 'size', 'bore', 'own', 'price'];
const cell = (line: TableLine, column: TableColumn): string =>
  column === 'name' ? line.cells.name || line.cells.kind : line.cells[column];

/** What is worth saying of lines that were read: what they add to, what they leave unknown. */
const remarks = computed(() => {
  const adds = good.value.filter((l) => l.addsTo);
  const open = good.value.filter((l) => l.unknown.includes('bore') && l.cells.bore !== '');
  return [
    adds.length === 0
      ? ''
      : adds.length === 1
        ? `Line ${adds[0]!.line} adds to what you own of a part that is there.`
        : `Of these ${counted(adds.length, 'line')} add to what you own of parts that are there.`,
    open.length === 0 ? '' : `Line ${open[0]!.line} has no bore, so it stays unknown.`,
  ].filter(Boolean);
});

function take(): void {
  const more = new Map<string, number>();
  const fresh: ShelfPart[] = [];
  for (const { part, addsTo } of good.value) {
    if (!part) continue;
    if (addsTo) more.set(addsTo, (more.get(addsTo) ?? 0) + part.own);
    else fresh.push(part);
  }
  const message = `add ${counted(good.value.length, 'line')}`;
  const left = bad.value.map((l) => l.line);
  shelf.take(fresh, more, message);
  keepOnly(left);
  emit('taken', message);
}

/** Leaves those lines of the text that could not be read. */
function keepOnly(numbers: readonly number[]): void {
  const all = text.value.split(/\r?\n/);
  const head = lines.value[0] && lines.value[0].line > 1 ? all.slice(0, 1) : [];
  text.value = numbers.length === 0 ? '' : [...head, ...numbers.map((n) => all[n - 1] ?? '')].join('\n');
}
const throwAway = (): void => {
  const numbers = good.value.map((l) => l.line);
  keepOnly(numbers);
};
</script>

<template>
  <section class="paste" aria-label="Paste from a spreadsheet" @keydown.escape.stop="emit('close')">
    <header class="sub">
      <h2>Paste from a spreadsheet</h2>
      <v-spacer />
      <IconButton label="Close" :icon="mdiClose" @click="emit('close')" />
    </header>
    <div class="area">
      <v-textarea
        v-model="text"
        autofocus
        rows="7"
        aria-label="Lines from a spreadsheet or a CSV file"
        spellcheck="false"
        placeholder="Paste lines here: part, teeth, size, bore, own, € each. Commas, semicolons or tabs; a first line may name the columns."
      />
    </div>
    <template v-if="lines.length > 0">
      <div class="line head">
        <span></span><span>part</span><span class="num">teeth</span><span class="num">size</span
        ><span class="num">bore</span><span class="num">own</span><span class="num">€ each</span>
      </div>
      <div
        v-bind="containerProps"
        class="lines-box"
        tabindex="0"
        role="region"
        aria-label="Lines as they were read"
      >
        <div v-bind="wrapperProps">
          <div v-for="{ data: l } in list" :key="l.line" class="line" :class="{ bad: !l.part }">
            <span class="no">{{ l.line }}</span>
            <span v-for="c in COLUMNS" :key="c" :class="{ num: c !== 'name', wrong: l.bad === c }">{{
              cell(l, c)
            }}</span>
          </div>
        </div>
      </div>
      <div class="message" role="status">
        <p class="tally">
          <span class="tone-even"
            ><MarkIcon name="dot" :size="9" /> {{ grouped(String(good.length)) }} read</span
          >
          <span v-if="bad.length > 0" class="tone-misses"
            ><MarkIcon name="misses" :size="11" /> {{ grouped(String(bad.length)) }} not</span
          >
        </p>
        <p v-for="l in bad.slice(0, 20)" :key="l.line" class="why">
          <b class="badge">{{ l.line }}</b><span
            ><b>{{ refusalMessage(l.refusal!).message }}</b> {{ refusalMessage(l.refusal!).cure }}</span
          >
        </p>
        <p v-if="bad.length > 20" class="quiet">and {{ bad.length - 20 }} more like these</p>
        <p v-for="r in remarks" :key="r" class="quiet">{{ r }}</p>
      </div>
      <footer>
        <p v-if="bad.length > 0">What cannot be read stays here until you put it right.</p>
        <div class="keys">
          <v-btn variant="flat" :prepend-icon="mdiPlus" :disabled="good.length === 0" @click="take"
            >Add {{ grouped(String(good.length)) }} {{ good.length === 1 ? 'line' : 'lines' }}</v-btn
          >
          <v-btn v-if="bad.length > 0" :prepend-icon="mdiTrashCanOutline" @click="throwAway"
            >Throw {{ grouped(String(bad.length)) }} away</v-btn
          >
        </div>
      </footer>
    </template>
  </section>
</template>

<style scoped>
.paste {
  display: flex;
  flex-direction: column;
  min-height: 0;
  flex: 1 1 0;
}
.area {
  flex: none;
  padding: 0.625rem 0.875rem;
  border-bottom: 1px solid var(--p-hair);
}
textarea {
  width: 100%;
  height: 4.75rem;
  resize: vertical;
  border: 1px solid var(--p-field);
  border-radius: 2px;
  background: var(--p-surface);
  color: var(--p-ink);
  padding: 0.375rem 0.5rem;
  font: 400 0.8125rem/1.125rem var(--mono);
  white-space: pre;
}
textarea::placeholder {
  color: var(--p-quiet);
  white-space: normal;
  font-family: var(--text);
}
textarea:focus-visible {
  outline: 2px solid var(--p-blue);
}
.line {
  display: grid;
  grid-template-columns: 1.875rem minmax(0, 1fr) 2.875rem 2rem 2.125rem 2rem 2.875rem;
  column-gap: 0.375rem;
  height: 1.5rem;
  line-height: 1.5rem;
  padding: 0 0.875rem 0 0;
  font-size: 0.8125rem;
}
.line > span {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.line.head .num {
  font-family: var(--text);
}
.line.head {
  flex: none;
  color: var(--p-quiet);
  margin-top: 0.375rem;
}
.num,
.no {
  text-align: right;
  font-family: var(--mono);
  letter-spacing: -0.02em;
}
.no {
  color: var(--p-quiet);
}
.lines-box {
  flex: 1 1 7.5rem;
  min-height: 4.5rem;
  border-bottom: 1px solid var(--p-hair);
}
.line.bad {
  background: var(--p-red-ground);
  box-shadow: inset 3px 0 0 var(--p-red);
}
.line.bad .no,
.wrong {
  color: var(--p-red);
  font-weight: 650;
}
.wrong {
  text-decoration: underline;
  text-underline-offset: 3px;
}
.message {
  flex: 0 1 auto;
  overflow-y: auto;
  min-height: 2.5rem;
  padding: 0.5rem 0.875rem;
  font-size: 0.875rem;
  line-height: 1.1875rem;
}
.tally span {
  display: inline-flex;
  align-items: center;
  gap: 0.375rem;
}
.tally {
  display: flex;
  gap: 1rem;
  font-weight: 600;
  padding-bottom: 0.375rem;
}
.why {
  display: flex;
  gap: 0.625rem;
  padding: 0.375rem 0;
  border-top: 1px solid var(--p-row);
}
.why span b {
  color: var(--p-red);
}
.badge {
  flex: none;
  min-width: 1.625rem;
  height: 1.25rem;
  padding: 0 0.375rem;
  border-radius: 2px;
  background: var(--p-red);
  color: var(--p-surface);
  font: 600 0.8125rem/1.25rem var(--mono);
  text-align: center;
}
footer {
  flex: none;
  padding: 0.625rem 0.875rem;
  border-top: 1px solid var(--p-hair);
  background: var(--p-even-ground);
  font-size: 0.875rem;
}
.keys {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  padding-top: 0.5rem;
}
</style>
