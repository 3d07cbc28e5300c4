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
      <p class="quiet">Photograph a drop from the side, at the height of the panel; mark its feet and its top.</p>
      <BeadGauge @take="taken = $event">Read it</BeadGauge>
      <p v-if="taken" role="status">
        <strong>{{ nameOf(taken.behaviour) }}, {{ taken.angle_deg }}°.</strong> In a sheet or a turn the reading goes
        into the record.
      </p>
    </section>
  </div>
</template>
