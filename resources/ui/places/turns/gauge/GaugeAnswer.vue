<script setup lang="ts">
import type { Schemas } from '@/api/client'
import { behaviours } from '@/lib/words'

// What the marked drops say together, how well that is known, and why the picture may not tell.
defineProps<{ answer: Schemas['ReckonGauge'] }>()
const emit = defineEmits<{ take: [reading: { behaviour: string; angle_deg: number }] }>()
const nameOf = (behaviour: string) => behaviours.find((one) => one.value === behaviour)?.name.toLowerCase() ?? behaviour
</script>

<template>
  <div class="answer" role="status">
    <strong>{{ answer.angle_deg.toFixed(0) }}° ± {{ answer.uncertainty_deg.toFixed(1) }}°</strong>
    {{ nameOf(answer.behaviour)
    }}<template v-if="answer.or_else">, or as well {{ nameOf(answer.or_else) }}: mark another drop</template>.
    <span v-if="answer.drops.length > 1" class="small quiet">{{
      answer.drops.map((drop) => `${drop.angle_deg.toFixed(0)}°`).join(', ')
    }}</span>
    <button
      type="button"
      class="act"
      @click="emit('take', { behaviour: answer.behaviour, angle_deg: Math.round(answer.angle_deg * 10) / 10 })"
    >
      <slot />
    </button>
    <span v-for="doubt in answer.doubts" :key="doubt" class="small doubt">{{ doubt }}</span>
  </div>
</template>

<style scoped>
.answer {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s3);
  align-items: center;
  font-size: 18px;
}

.doubt {
  flex-basis: 100%;
  color: var(--refused);
}

.answer strong {
  font: 600 28px var(--book);
}
</style>
