<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed } from 'vue'
import { api, told } from '@/api/client'
import { ifThere, rounded } from '@/lib/numbers'
import { useUnits } from '@/lib/units'
import { methods, soils, waters, zones } from '@/lib/words'
import Choices from '@/parts/Choices.vue'
import Field from '@/parts/Field.vue'
import DayInput from '@/parts/DayInput.vue'
import NumberInput from '@/parts/NumberInput.vue'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { otherZones, rolesInOrder, type Draft } from './draft'
import ProductPick from './ProductPick.vue'
import ReadWater from './ReadWater.vue'
import WaterRead from './WaterRead.vue'
import WaterTalk from './WaterTalk.vue'
import SoilDrawing from '@/film/SoilDrawing.vue'

const props = defineProps<{ vehicleId: string; fields: Record<string, string> }>()
const draft = defineModel<Draft>({ required: true })
const units = useUnits()

const panel = computed({
  get: () => ifThere(draft.value.panelC, units.temperatureOut),
  set: (typed) => (draft.value.panelC = ifThere(typed, (of) => rounded(units.temperatureIn(of)))),
})
const settledPanel = refDebounced(
  computed(() => draft.value.panelC),
  400,
)
const { data: shelf, error } = useQuery({
  queryKey: ['shelf', () => props.vehicleId, () => draft.value.water, () => draft.value.purpose, settledPanel],
  queryFn: () =>
    told(
      api.GET('/api/v1/vehicles/{vehicle}/shelf', {
        params: {
          path: { vehicle: props.vehicleId },
          query: {
            water: draft.value.water,
            purpose: draft.value.purpose,
            ...(settledPanel.value === null ? {} : { panel_c: settledPanel.value }),
          },
        },
      }),
    ),
  placeholderData: (before) => before,
})
const shelves = computed(() => rolesInOrder.flatMap((role) => shelf.value?.data.find((row) => row.role === role) ?? []))
const deconned = computed(() =>
  Boolean(
    draft.value.products.iron ?? draft.value.products.tar ?? draft.value.products['clay-lube'] ?? draft.value.clay,
  ),
)

const { data: vehicle } = useQuery({
  queryKey: ['vehicle', () => props.vehicleId],
  queryFn: () => told(api.GET('/api/v1/vehicles/{vehicle}', { params: { path: { vehicle: props.vehicleId } } })),
})
// What lies on the paint now decides what its water should do.
const outermost = computed(() => {
  const on = (vehicle.value?.layers ?? []).filter((layer) => layer.zone === 'paint' && !layer.ended_on)
  return on.find((layer) => layer.kind === 'topper') ?? on.find((layer) => layer.kind === 'base')
})

const methodOptions = Object.entries(methods).map(([value, method]) => ({ value, ...method }))
const waterOptions = Object.entries(waters).map(([value, name]) => ({ value: value as Draft['water'], name }))

function pick(role: string, zone: string, id: string | undefined) {
  draft.value.products[role] = id ? { id, zone } : undefined
}
</script>

<template>
  <section class="sheet grid">
    <h2>Arrive and look</h2>
    <div class="cols three">
      <Field label="When" :error="fields.worked_at">
        <template #default="{ id, describedby }"
          ><DayInput :id="id" v-model="draft.workedAt" :describedby="describedby" time required
        /></template>
      </Field>
      <Field label="Minutes on it" optional :error="fields.minutes">
        <template #default="{ id, describedby }"
          ><NumberInput :id="id" v-model="draft.minutes" :describedby="describedby"
        /></template>
      </Field>
      <Field label="Panel temperature" optional :error="fields.panel_c">
        <template #default="{ id, describedby }"
          ><NumberInput
            :id="id"
            v-model="panel"
            :step="0.5"
            :suffix="units.temperatureUnit.value"
            :describedby="describedby"
            signed
        /></template>
      </Field>
    </div>
    <Choices v-model="draft.soil" label="How dirty?" :options="soils" :columns="6" :error="fields.soil">
      <template #drawing="{ option }"><SoilDrawing :level="option.value" /></template>
    </Choices>
    <ElCheckbox v-model="draft.grit">There is grit in it</ElCheckbox>
    <WaterRead
      v-model="draft.readings.arrival"
      label="Water on the dirty paint"
      hint="Tells about dirt on the layer, never that a coating is dead."
    />
  </section>

  <section class="sheet grid">
    <h2>Wash</h2>
    <Choices
      v-model="draft.method"
      label="How was it washed?"
      :options="methodOptions"
      :columns="3"
      :error="fields.method"
    />
    <Choices v-model="draft.water" label="Water there" :options="waterOptions" compact />
    <div class="row">
      <ElCheckbox v-model="draft.clay">Clayed</ElCheckbox>
      <ElCheckbox v-model="draft.purpose" true-value="reset" false-value="maintain"
        >A reset: old wax or sealant is stripped on purpose</ElCheckbox
      >
    </div>
  </section>

  <section class="sheet">
    <h2>From the shelf</h2>
    <p class="quiet small">Ranked for what lies on this vehicle, this water and this panel.</p>
    <ProblemNote :problem="error" />
    <ProductPick
      v-for="role in shelves"
      :key="role.role"
      :shelf="role"
      :open="role.role === 'soap' || role.role === 'topper' || role.role === 'drying-aid'"
      :model-value="draft.products[role.role]?.id"
      @update:model-value="pick(role.role, role.zone, $event)"
    />
    <p v-if="shelf && !shelves.length">
      The shelf is empty. <RouterLink to="/shelf/new">Put the first bottle on it</RouterLink>; the turn can be saved
      without.
    </p>
  </section>

  <section class="sheet grid">
    <h2>Read the water again</h2>
    <WaterRead
      v-model="draft.readings.after_wash"
      label="Water on the clean paint"
      hint="Before any topper. This is the reading that tells about the layer."
    />
    <WaterRead
      v-if="deconned || draft.readings.after_decon"
      v-model="draft.readings.after_decon"
      label="After decontamination"
      hint="If the beads are back, a topper is a choice, not a need."
    />
    <WaterRead
      v-if="draft.products.topper || draft.readings.after_topper"
      v-model="draft.readings.after_topper"
      label="With the new topper on"
      hint="Once it is rinsed or wiped."
    />
    <WaterTalk
      :reads="draft.readings"
      :designed="outermost?.designed ?? 'beads'"
      :topper="outermost?.kind === 'topper'"
    >
      <p class="quiet small">What was read gets its answer here.</p>
    </WaterTalk>
    <details>
      <summary>Wheels, glass or trim read as well</summary>
      <ReadWater
        v-for="one in otherZones"
        :key="one"
        v-model="draft.zones[one]"
        :label="`Water on the ${zones[one]?.toLowerCase()}`"
        slim
      />
    </details>
    <ElCheckbox v-model="draft.lookedOver">The base was looked over with a light, panel by panel</ElCheckbox>
  </section>

  <section class="sheet grid">
    <Field label="What was noticed" optional :error="fields.note">
      <template #default="{ id }">
        <TextInput
          :id="id"
          v-model="draft.note"
          :rows="3"
          maxlength="2000"
          placeholder="Chips, loose edges, wishes of the owner"
          type="textarea"
        />
      </template>
    </Field>
  </section>
</template>

<style scoped>
summary {
  cursor: pointer;
  padding: 10px 0;
  text-decoration: underline;
  text-underline-offset: 3px;
}
</style>
