<script setup lang="ts">
import type { LayersPicture } from '@pendrix/core';

/** The layers edge on, not to scale: columns are arbors, rows are layers. */
const { layers, width } = defineProps<{ layers: LayersPicture; width: number }>();
const emit = defineEmits<{ wheel: [wheel: number]; choose: [arbor: number] }>();
</script>

<template>
  <svg
    class="scribed"
    :width="width"
    :height="layers.height"
    :viewBox="`0 0 ${width} ${layers.height}`"
    role="img"
    aria-label="Layers of the arbors, edge on"
  >
    <g v-for="r in layers.rows" :key="r.layer">
      <path class="row" :d="`M28 ${r.y}H${width - 6}`" />
      <text class="lt" x="2" :y="r.y + 4.5">{{ r.name }}</text>
    </g>
    <rect
      class="plate"
      x="2"
      :y="layers.plate[0]"
      :width="width - 8"
      :height="layers.plate[1] - layers.plate[0]"
    />
    <path v-for="(a, i) in layers.arbors" :key="`a${i}`" class="arbor" :d="`M${a.x} ${a.y1}V${a.y2}`" />
    <path
      v-for="(m, i) in layers.meshes"
      :key="`m${i}`"
      class="mesh"
      :class="{ lit: m.lit }"
      :d="`M${m.x1} ${m.y}H${m.x2}`"
    />
    <g
      v-for="b in layers.boxes"
      :key="`b${b.wheel}`"
      class="box"
      :class="{ lit: b.lit }"
      @click="emit('wheel', b.wheel)"
    >
      <rect :x="b.x - 11.5" :y="b.y - 8.5" width="23" height="17" />
      <text :x="b.x" :y="b.y + 4.5" text-anchor="middle">{{ b.text }}</text>
    </g>
    <path
      v-for="(c, i) in layers.clashes"
      :key="`c${i}`"
      class="clash"
      :d="`M${c.x - 7} ${c.y - 7}l14 14M${c.x + 7} ${c.y - 7}l-14 14M${c.x - 9} ${c.y}h18`"
    />
    <text
      v-for="c in layers.columns"
      :key="`n${c.arbor}`"
      class="name"
      :x="c.x"
      :y="layers.height - 4"
      text-anchor="middle"
      @click="emit('choose', c.arbor)"
    >
      {{ c.name }}
    </text>
  </svg>
</template>

<style scoped>
svg {
  display: block;
}
.row {
  stroke: var(--p-scribe3);
  stroke-width: 0.8;
}
.plate {
  fill: var(--p-scribe3);
}
.arbor {
  stroke: var(--p-scribe);
  stroke-width: 2;
}
.mesh {
  stroke: var(--p-scribe2);
  stroke-width: 1.4;
}
.mesh.lit {
  stroke: var(--p-bright);
  stroke-width: 2.4;
}
.box {
  cursor: pointer;
}
.box rect {
  fill: var(--p-ground);
  stroke: var(--p-scribe2);
}
.scribed .box text {
  font: 600 12.5px var(--mono);
  fill: var(--p-scribe);
  stroke: none;
}
.box.lit rect {
  fill: var(--p-bright);
}
.scribed .box.lit text {
  fill: var(--p-ground);
}
.clash {
  stroke: var(--p-clash);
  stroke-width: 2;
}
.name {
  font: 700 13px var(--text);
  fill: var(--p-scribe);
  cursor: pointer;
}
</style>
