<script setup lang="ts">
import { ref } from 'vue'
import { behaviours } from '@/lib/words'
import BenchNav from '@/places/bench/BenchNav.vue'
import BeadGauge from './BeadGauge.vue'

const taken = ref<{ behaviour: string; angle_deg: number } | null>(null)
const nameOf = (behaviour: string) => behaviours.find((one) => one.value === behaviour)?.name ?? behaviour
</script>

<template>
  <div class="page">
    <BenchNav />
    <section class="sheet">
      <h2>Bead gauge</h2>
      <p>
        How steep a drop stands tells what is left of the layer: above 90° water beads, and it falls as the layer wears
        or is clogged. Photograph a drop from the side, at the height of the panel; mark its feet and its top. A sample
        is open to try it on.
      </p>
      <BeadGauge sample @take="taken = $event">Read it</BeadGauge>
      <p v-if="taken" role="status">
        <strong>{{ nameOf(taken.behaviour) }}, {{ taken.angle_deg }}°.</strong> In a sheet or a turn the reading goes
        into the record.
      </p>
    </section>
  </div>
</template>
