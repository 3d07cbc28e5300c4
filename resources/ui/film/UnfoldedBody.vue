<script setup lang="ts">
import { computed } from 'vue'
import { boxOf } from './panels'

// The body unfolded flat, nose up: what this step works on is filled, what is done is hatched. Tap a panel to mark it.
const props = defineProps<{ panels: { id: string; name: string }[]; here: string[]; done: string[]; label: string }>()
const emit = defineEmits<{ toggle: [id: string] }>()
const drawn = computed(() =>
  props.panels.flatMap((panel) => {
    const box = boxOf(panel.id)
    if (!box) return []
    const [x, y, w, h] = box
    return [{ ...panel, x, y, w, h, here: props.here.includes(panel.id), done: props.done.includes(panel.id) }]
  }),
)
</script>

<template>
  <figure class="unfolded">
    <svg viewBox="0 0 200 256" role="group" :aria-label="label">
      <defs>
        <pattern id="worked" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="6" height="6" fill="var(--film-wash)" />
          <path d="M0 0V6" stroke="var(--film)" stroke-width="2.4" />
        </pattern>
      </defs>
      <path d="M100 0v256" class="axis" />
      <g
        v-for="panel in drawn"
        :key="panel.id"
        :role="panel.here ? 'checkbox' : undefined"
        :tabindex="panel.here ? 0 : undefined"
        :aria-checked="panel.here ? panel.done : undefined"
        :aria-label="panel.here ? panel.name : undefined"
        :class="{ here: panel.here, done: panel.done }"
        @click="panel.here && emit('toggle', panel.id)"
        @keydown.space.prevent="panel.here && emit('toggle', panel.id)"
        @keydown.enter.prevent="panel.here && emit('toggle', panel.id)"
      >
        <rect :x="panel.x" :y="panel.y" :width="panel.w" :height="panel.h" rx="4" />
        <path v-if="panel.done" :d="`M${panel.x + panel.w / 2 - 7} ${panel.y + panel.h / 2}l5 5 9-10`" class="tick" />
      </g>
    </svg>
    <figcaption v-if="$slots.default" class="small quiet"><slot /></figcaption>
  </figure>
</template>

<style scoped>
.unfolded {
  margin: 0;
}

svg {
  display: block;
  width: 100%;
  max-height: 264px;
}

.axis {
  stroke: var(--line);
  stroke-dasharray: 2 4;
}

rect {
  fill: var(--sheet);
  stroke: var(--line-strong);
  stroke-width: 1.2;
}

.here {
  cursor: pointer;
}

.here rect {
  fill: var(--film-wash);
  stroke: var(--film-deep);
  stroke-width: 2;
}

.done rect {
  fill: url('#worked');
}

.tick {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3;
}

g:focus-visible {
  outline: none;
}

g:focus-visible rect {
  stroke: var(--focus);
  stroke-width: 4;
}
</style>
