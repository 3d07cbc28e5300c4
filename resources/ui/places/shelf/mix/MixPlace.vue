<script setup lang="ts">
import { answered, refused } from '@/lib/reckon'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced, useLocalStorage } from '@vueuse/core'
import { computed, onMounted, useTemplateRef } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import Vessel from '@/film/Vessel.vue'
import { readAmount, sayShare } from '@/lib/amount'
import { useMe } from '@/lib/session'
import { useUnits } from '@/lib/units'
import Choices from '@/parts/Choices.vue'
import Field from '@/parts/Field.vue'
import NumberInput from '@/parts/NumberInput.vue'
import OneOf from '@/parts/OneOf.vue'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import BenchNav from '@/places/bench/BenchNav.vue'
import { useGear, useLance } from './gear'
import LabelPrinter from './LabelPrinter.vue'
import ReverseMix from './ReverseMix.vue'

// A dilution as it stands on the label, said back, and drawn into the vessel one has in hand. Needs no vehicle.
const { units: system } = useMe()
const units = useUnits()
const { vessels, lances, error } = useGear()
const mix = useLocalStorage(
  'mix',
  {
    text: '',
    cap: 10 as number | null,
    pump: 2 as number | null,
    inMeans: '' as '' | 'total' | 'water',
    vesselId: '',
    fill: '',
    lanceId: '',
  },
  { mergeDefaults: true },
)
const first = useTemplateRef<HTMLElement>('first')
onMounted(() => first.value?.querySelector('input')?.focus())

const vessel = computed(() => vessels.value.find((one) => one.id === mix.value.vesselId) ?? vessels.value[0])
const fillMl = computed(() =>
  mix.value.fill.trim() === '' ? (vessel.value?.facts.ml ?? 1000) : readAmount(mix.value.fill, system.value),
)
const ask = computed(() => ({
  text: mix.value.text.trim(),
  cap_ml: Number(mix.value.cap) || null,
  pump_ml: Number(mix.value.pump) || null,
  in_means: mix.value.inMeans || null,
  fill_ml: fillMl.value,
}))
const asked = refDebounced(ask, 200)
const { data: read, error: readError } = useQuery({
  queryKey: ['ratio', asked],
  enabled: computed(() => asked.value.text !== '' && asked.value.fill_ml !== null),
  queryFn: () => told(api.POST('/api/v1/reckon/ratio', { body: [asked.value] })),
  placeholderData: keepPreviousData,
  staleTime: Infinity,
})
const said = computed(() => (mix.value.text.trim() !== '' && Array.isArray(read.value) ? read.value[0] : undefined))
const answer = computed(() => answered<Schemas['ReckonRatio']>(said.value))
const fault = computed(() => refused(said.value))
const share = computed(() => answer.value?.share ?? null)

/** With a lance the label's strength is meant at the panel. */
const lance = computed(() => lances.value.find((one) => one.id === mix.value.lanceId))
const { through, error: lanceError } = useLance(lance, share, fillMl)
const carry = computed(() => lance.value?.calibration?.carry ?? null)
const reachable = computed(() => !lance.value || through.value?.reachable !== false)
const inBottle = computed(() => (lance.value ? (through.value?.bottle_share ?? null) : share.value))
const product = computed(() => (lance.value ? (through.value?.product_ml ?? null) : (answer.value?.product_ml ?? null)))
const span = computed(() =>
  through.value?.calibrated === false && fillMl.value !== null
    ? [through.value.bottle_share_low, through.value.bottle_share_high].map(
        (one) => Math.min(1, one ?? 1) * (fillMl.value ?? 0),
      )
    : null,
)
const foams = computed(() => lance.value !== undefined || vessel.value?.kind === 'lance')
const holds = computed(() => vessel.value?.facts.ml ?? fillMl.value ?? 1000)
const ambiguousIn = computed(() => fault.value?.error === 'ambiguous' && /\bin\b/i.test(mix.value.text))
const vesselNames = computed(() =>
  Object.fromEntries(vessels.value.map((one) => [one.id, `${one.name}, ${units.volume(one.facts.ml ?? 0)}`])),
)
const lanceNames = computed(() => Object.fromEntries(lances.value.map((one) => [one.id, one.name])))
</script>

<template>
  <div class="page mix">
    <BenchNav />
    <ProblemNote :problem="error ?? readError ?? lanceError" />
    <div class="ask-and-tell">
      <section class="sheet grid">
        <h2>As the label says</h2>
        <div ref="first">
          <Field label="Dilution" hint="A ratio, a share, so much per gallon or per 10 l, neat"
            ><template #default="f"
              ><TextInput v-bind="f" v-model="mix.text" maxlength="80" autocomplete="off" /></template
          ></Field>
        </div>
        <p v-show="mix.text.trim()" class="read" aria-live="polite" :class="{ refused: fault }">
          {{ answer?.read_as ?? fault?.message ?? '' }}
        </p>
        <p v-if="!mix.text.trim()" class="try small">
          <span class="quiet">As labels have it; try</span>
          <button
            v-for="label in ['1:10', '2 %', '1 fl oz per gal', '2 caps per 10 l', '1 in 10']"
            :key="label"
            type="button"
            class="words small"
            @click="mix.text = label"
          >
            {{ label }}
          </button>
        </p>
        <Choices
          v-if="ambiguousIn || mix.inMeans"
          v-model="mix.inMeans"
          label="“In” means"
          :options="[
            { value: 'total', name: 'Parts of the whole', says: '1 in 10 is one part of ten' },
            { value: 'water', name: 'Parts of water', says: '1 in 10 is one part into ten of water' },
          ]"
          :columns="2"
        />
        <div v-if="/cap|pump/i.test(mix.text)" class="cols two">
          <Field label="A cap holds"
            ><template #default="f"><NumberInput v-bind="f" v-model="mix.cap" suffix="ml" /></template
          ></Field>
          <Field label="A pump gives"
            ><template #default="f"><NumberInput v-bind="f" v-model="mix.pump" :step="0.1" suffix="ml" /></template
          ></Field>
        </div>
        <div class="cols two">
          <Field label="Into"
            ><template #default="f"
              ><OneOf
                v-bind="f"
                :model-value="vessel?.id ?? ''"
                :options="vesselNames"
                @update:model-value="mix.vesselId = $event ?? ''" /></template
          ></Field>
          <Field
            label="Filled to"
            :hint="
              mix.fill.trim() && fillMl !== null ? `= ${units.volume(fillMl)}` : 'Full, unless you say: 8 oz, 1.5 l …'
            "
            :error="fillMl === null ? 'That is no amount: write 500, 8 oz, 1.5 l or 1/2 gal.' : undefined"
            ><template #default="f"><TextInput v-bind="f" v-model="mix.fill" maxlength="20" /></template
          ></Field>
        </div>
        <Field
          v-if="lances.length"
          label="Through a lance"
          hint="Then the label’s strength is meant at the panel, and the bottle is mixed stronger."
          ><template #default="f"
            ><OneOf
              v-bind="f"
              :model-value="mix.lanceId || null"
              :options="lanceNames"
              none="no, straight from the vessel"
              @update:model-value="mix.lanceId = $event ?? ''" /></template
        ></Field>
        <p v-if="!vessels.length" class="quiet">
          No vessels yet: <RouterLink to="/shelf/gear">put bottles, sprayers and buckets among the gear</RouterLink>,
          and they are drawn here with their fill lines.
        </p>
      </section>

      <section class="right" aria-live="polite">
        <template v-if="share !== null && fillMl !== null">
          <template v-if="span">
            <h2>Only a span is honest</h2>
            <p>
              {{ lance?.name }} has never been calibrated. For {{ sayShare(share) }} at the panel its bottle wants
              between <strong>{{ units.volume(span[0]!) }}</strong> and <strong>{{ units.volume(span[1]!) }}</strong> of
              product in {{ units.volume(fillMl) }}.
              <RouterLink to="/shelf/gear">Calibrate it once with plain water.</RouterLink>
            </p>
          </template>
          <template v-else-if="!reachable">
            <h2 class="refused">Out of reach</h2>
            <p>
              Even neat, {{ lance?.name }} brings no more than {{ sayShare(carry ?? 0) }} to the panel. Open its knob
              and calibrate again, or use a pump sprayer.
            </p>
          </template>
          <template v-else>
            <h2 class="sum">
              {{ units.volume(product ?? 0) }} of product, {{ units.volume(fillMl - (product ?? 0)) }} of water
            </h2>
            <p v-if="carry !== null" class="small">
              {{ sayShare(inBottle ?? 0) }} in the bottle becomes {{ sayShare(share) }} at the panel: of what lands
              there, {{ (carry * 100).toFixed(1) }} % comes out of the bottle.
            </p>
            <p v-else class="small">{{ sayShare(share) }}</p>
            <Vessel
              :kind="vessel?.kind ?? 'bottle'"
              :filled="Math.min(1, fillMl / holds)"
              :product="inBottle ?? 0"
              :water-first="foams"
              :product-says="
                foams ? `water to ${units.volume(fillMl - (product ?? 0))}` : `product to ${units.volume(product ?? 0)}`
              "
              :total-says="foams ? `product to ${units.volume(fillMl)}` : `water to ${units.volume(fillMl)}`"
            />
            <p v-if="fillMl > holds * 1.001" class="refused small">
              {{ vessel?.name }} holds only {{ units.volume(holds) }}: fill it {{ Math.ceil(fillMl / holds) }} times.
            </p>
            <p class="small quiet">
              {{ foams ? 'Water first, product last, or it froths over.' : '' }} Gloves and eye protection as its safety
              sheet says.
            </p>
          </template>
        </template>
        <p v-else class="quiet">Write a dilution as it stands on the label; the fill lines appear here.</p>
        <LabelPrinter :dilution="share === null ? '' : sayShare(inBottle ?? share)" />
        <ReverseMix :lance="lance" />
      </section>
    </div>
  </div>
</template>

<style scoped>
.try {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 var(--s2);
}

.read {
  margin: 0;
  min-height: 24px;
  font: 500 17px var(--book);
}

.sum {
  font-size: 24px;
}

p {
  margin: var(--s1) 0;
}
</style>
