<script setup lang="ts">
import Drop from '@/film/Drop.vue'
import { behaviours, type BehaviourName } from '@/lib/words'
import Choices from '@/parts/Choices.vue'

// How the water stands, by looking: the drawings carry the true angles.
const props = defineProps<{ label: string; hint?: string; slim?: boolean }>()
const value = defineModel<BehaviourName | undefined>()
const options = behaviours.map(({ value: key, name, says }) => ({ value: key, name, ...(props.slim ? {} : { says }) }))
const angle = (key: string) => behaviours.find((known) => known.value === key)?.angle ?? 90
</script>

<template>
  <div>
    <Choices v-model="value" :label="label" :options="options" :columns="5">
      <template #drawing="{ option }"><Drop :angle="angle(option.value)" :width="slim ? 44 : 64" /></template>
    </Choices>
    <p class="under small quiet" :class="{ slim }">
      {{ hint }}
      <button v-if="value" type="button" class="words small" @click="value = undefined">not read</button>
    </p>
  </div>
</template>

<style scoped>
.under {
  margin: 4px 0 0;
  min-height: 26px;
}

.slim {
  min-height: 0;
  margin: 0;
}

.words {
  min-height: 24px;
}
</style>
