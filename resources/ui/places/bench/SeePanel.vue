<script setup lang="ts">
import { computed } from 'vue'
import SoilDrawing from '@/film/SoilDrawing.vue'
import { soils } from '@/lib/words'
import Choices from '@/parts/Choices.vue'
import ReadWater from '@/places/turns/ReadWater.vue'
import ContaminantPick from './ContaminantPick.vue'
import type { Look } from './look'
import { wheelSoils } from './words'

// What one sees on the car, each thing with a drawing and how to tell.
const look = defineModel<Look>({ required: true })
const soil = computed({
  get: () => Math.max(look.value.upper, look.value.lower),
  set: (level) => Object.assign(look.value, { upper: level, lower: level }),
})
const water = (stage: 'arrival' | 'afterWash' | 'afterDecon') =>
  computed({ get: () => look.value[stage] ?? undefined, set: (next) => (look.value[stage] = next ?? null) })
const arrival = water('arrival')
const afterWash = water('afterWash')
const afterDecon = water('afterDecon')
const wheels = computed({
  get: () => look.value.wheels ?? -1,
  set: (next) => (look.value.wheels = next < 0 ? null : next),
})
const bare = wheelSoils.map(({ value, name }) => ({ value, name }))
</script>

<template>
  <section class="sheet grid">
    <h2>What do you see?</h2>
    <Choices v-model="soil" label="How dirty, at the dirtiest place you will touch?" :options="soils" :columns="3">
      <template #drawing="{ option }"><SoilDrawing :level="option.value" /></template>
    </Choices>
    <ElCheckbox v-model="look.grit" class="tight"
      ><span><strong>Grit</strong> — a fingertip feels sand in it</span></ElCheckbox
    >
    <ContaminantPick v-model="look.on" :columns="4" />
    <Choices
      v-model="wheels"
      label="Wheels"
      :options="[{ value: -1, name: 'Not looked at' }, ...bare]"
      :columns="4"
      compact
    />
    <div class="row">
      <ElCheckbox v-model="look.wheelIron" class="tight">Brake dust burnt in</ElCheckbox>
      <ElCheckbox v-model="look.looseEdges" class="tight">Edges of decals, film or trim lift</ElCheckbox>
      <ElCheckbox v-model="look.reset" class="tight">A reset: old wax or sealant comes off on purpose</ElCheckbox>
    </div>
    <ReadWater v-model="arrival" label="Water on the dirty paint" hint="Spray one panel and look." />
    <details :open="Boolean(afterWash || afterDecon)">
      <summary>Already washed? Read it again</summary>
      <ReadWater v-model="afterWash" label="On the clean paint" hint="This one tells about the layer." />
      <ReadWater
        v-model="afterDecon"
        label="After decontamination"
        hint="If the beads are back, it was only clogged."
      />
    </details>
  </section>
</template>

<style scoped>
.tight {
  margin: 0;
  flex-wrap: nowrap;
}

summary {
  cursor: pointer;
  min-height: 32px;
  font-weight: 600;
}
</style>
