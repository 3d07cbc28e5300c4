<script setup lang="ts">
import Contaminant from '@/film/Contaminant.vue'
import { contaminants, type ContaminantName } from './words'

// Any of the things that sit on a car, each drawn, with how to tell.
defineProps<{ columns: number; hideLabel?: boolean }>()
const on = defineModel<ContaminantName[]>({ required: true })
</script>

<template>
  <fieldset>
    <legend :class="{ 'hidden-text': hideLabel }">What sits on it?</legend>
    <div class="many" :style="{ '--columns': columns }">
      <label v-for="one in contaminants" :key="one.value" class="one" :class="{ on: on.includes(one.value) }">
        <input v-model="on" type="checkbox" :value="one.value" />
        <Contaminant :name="one.value" />
        <strong>{{ one.name }}</strong>
        <span class="says">{{ one.says }}</span>
      </label>
    </div>
  </fieldset>
</template>

<style scoped>
.many {
  display: grid;
  grid-template-columns: repeat(var(--columns), minmax(0, 1fr));
  gap: var(--s2);
}

.one {
  position: relative;
  display: grid;
  gap: 3px;
  align-content: start;
  padding: var(--s2);
  border: 1px solid var(--line-strong);
  border-radius: var(--edge);
  background: var(--sheet);
  cursor: pointer;
  line-height: 1.3;
}

.one input {
  position: absolute;
  inset: 0;
  opacity: 0;
  margin: 0;
  cursor: pointer;
}

.one.on {
  border-color: var(--film);
  box-shadow: inset 0 -4px 0 var(--film);
  background: var(--film-mist);
}

.one:has(:focus-visible) {
  outline: 2px solid var(--focus);
  outline-offset: 2px;
}

.says {
  font-size: 12.5px;
  color: var(--ink-2);
}

@media (max-width: 700px) {
  .many {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
}
</style>
