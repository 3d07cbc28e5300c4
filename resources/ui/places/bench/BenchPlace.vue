<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import Field from '@/parts/Field.vue'
import OneOf from '@/parts/OneOf.vue'
import BenchDesk from './BenchDesk.vue'
import BenchNav from './BenchNav.vue'
import { useVehicleList } from './match'

// The bench: which vehicle lies on it. What is set stays per vehicle, and the address names it.
const route = useRoute()
const router = useRouter()
const vehicleId = computed({
  get: () => (typeof route.query.vehicle === 'string' && route.query.vehicle ? route.query.vehicle : null),
  set: (id) => void router.replace({ query: id ? { vehicle: id } : {} }),
})
const { data: vehicles } = useVehicleList()
const names = computed(() => Object.fromEntries((vehicles.value ?? []).map((row) => [row.id, row.name])))
</script>

<template>
  <div class="page bench">
    <BenchNav>
      <div class="who">
        <Field label="Which vehicle?"
          ><template #default="f"
            ><OneOf v-bind="f" v-model="vehicleId" :options="names" none="None of the book: describe it" /></template
        ></Field>
      </div>
    </BenchNav>
    <BenchDesk :key="vehicleId ?? 'described'" :vehicle-id="vehicleId" />
  </div>
</template>

<style scoped>
.who {
  flex: 0 1 380px;
  margin-left: auto;
}

@media (max-width: 980px) {
  .who {
    flex-basis: 100%;
    margin: 0;
  }
}
</style>
