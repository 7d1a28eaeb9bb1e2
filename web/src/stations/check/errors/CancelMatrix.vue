<script setup lang="ts">
import { computed } from 'vue';
import type { Samples } from '@pendrix/core';
import RichText from '../../../ui/RichText.vue';

/** Which shafts stand the same way at every place of a wanted count. */
const { samples, divisions } = defineProps<{ samples: Samples; divisions: number | null }>();
const emit = defineEmits<{ choose: [divisions: number] }>();
const chosen = computed(() => samples.rows.find((r) => r.divisions === divisions) ?? samples.rows[0]);
const dots = (n: number): { x: number; y: number }[] =>
  Array.from({ length: n }, (_, i) => ({
    x: 10 + 7 * Math.sin((2 * Math.PI * i) / n),
    y: 10 - 7 * Math.cos((2 * Math.PI * i) / n),
  }));
</script>

<template>
  <section aria-label="Which shafts cancel">
    <header class="sub">
      <h2>Which shafts cancel</h2>
      <span class="q">turns a gap; dots, where it stands</span>
    </header>
    <div class="scroll wide" tabindex="0" role="region" aria-label="Shafts by count">
      <table class="matrix">
        <thead>
          <tr>
            <th scope="col">Wanted</th>
            <th v-for="h in samples.heads" :key="h.id" scope="col">
              <b>{{ h.title }}</b> <RichText :text="h.turns" /><span class="q">{{ h.place }}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="row in samples.rows"
            :key="row.divisions"
            :class="{ chosen: row.divisions === divisions }"
          >
            <th scope="row">
              <button type="button" @click="emit('choose', row.divisions)">{{ row.divisions }}</button>
            </th>
            <td v-for="(c, i) in row.cells" :key="samples.heads[i]!.id" :class="{ cancels: c.cancels }">
              <span class="cell">
                <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
                  <circle class="ring" :class="{ many: c.places === null }" cx="10" cy="10" r="7" />
                  <circle
                    v-for="(d, n) in dots(c.places ?? 0)"
                    :key="n"
                    class="dot"
                    :cx="d.x"
                    :cy="d.y"
                    r="2"
                  />
                </svg>
                <RichText :text="c.perPlace" />
                <span v-if="c.cancels">cancels</span>
                <span v-else-if="c.places === 2" class="two">2 places</span>
              </span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="chosen" class="say">
      <b>{{ chosen.divisions }}:</b> {{ chosen.message }}.
    </p>
  </section>
</template>

<style scoped>
.wide {
  overflow: auto;
  max-height: 264px;
}
.matrix {
  width: 100%;
  border-collapse: collapse;
  font-size: 14px;
}
.matrix :is(th, td) {
  text-align: left;
  font-weight: 400;
  padding: 2px 6px;
  border-bottom: 1px solid var(--p-row);
  white-space: nowrap;
}
.matrix :is(th, td):first-child {
  padding-left: 16px;
}
.matrix thead th {
  font-size: 13px;
  line-height: 16px;
  vertical-align: bottom;
}
.matrix b {
  font-weight: 650;
}
.matrix button {
  font: 650 14px/24px var(--mono);
  min-width: 32px;
  text-align: left;
}
.q {
  display: block;
  color: var(--p-quiet);
  font-size: 12.5px;
}
.sub .q {
  display: inline;
  margin-left: 10px;
  font-size: 14px;
}
.chosen {
  background: var(--p-tint);
  box-shadow: inset 3px 0 var(--p-blue);
}
.cell {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
.cell > * {
  flex: none;
  white-space: nowrap;
}
.cancels {
  background: var(--p-even-ground);
  color: var(--p-even);
  font-weight: 650;
}
.ring {
  fill: none;
  stroke: var(--p-quiet);
}
.many {
  stroke-dasharray: 2 1.6;
  stroke-width: 2.6;
}
.dot {
  fill: var(--p-blue);
}
.cancels .dot {
  fill: var(--p-even);
}
.two {
  color: var(--p-blue);
}
/* where it is narrow, the two dots tell it, and it is heard */
@media (max-width: 1180px) {
  .two {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
}
.say {
  padding: 8px 16px 10px;
  font-size: 14px;
  line-height: 19px;
}
</style>
