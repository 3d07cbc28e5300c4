<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { ifThere, rounded } from '@/lib/numbers'
import { fromWallClock } from '@/lib/dates'
import { useMe } from '@/lib/session'
import { useUnits } from '@/lib/units'
import { waters } from '@/lib/words'
import Choices from '@/parts/Choices.vue'
import Field from '@/parts/Field.vue'
import DayInput from '@/parts/DayInput.vue'
import NumberInput from '@/parts/NumberInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { useDevices } from './devices'
import type { Look } from './look'

// Where and when: the site's own water and the hour's own weather, until one knows better.
const props = defineProps<{
  place: Schemas['BenchPlace']
  weather: Schemas['BenchWeather'] | undefined
  forecast: Schemas['WeatherHour'] | undefined
  siteName: string | null
  panelReckoned: number | null
  tone: string
  siteId: string | null
}>()
const look = defineModel<Look>({ required: true })
const units = useUnits()
const { zone } = useMe()

function set(change: Partial<Schemas['BenchPlace']>) {
  look.value.place = { ...look.value.place, ...change }
}
function blow(change: Partial<Schemas['BenchWeather']>) {
  if (props.weather) look.value.byHand = { ...props.weather, ...change }
}
const water = computed({ get: () => props.place.water ?? 'tap', set: (next) => set({ water: next }) })
const flag = (name: 'pressure' | 'power' | 'shade' | 'bay') =>
  computed({ get: () => Boolean(props.place[name]), set: (next) => set({ [name]: next }) })
const flags = [
  { name: 'shade', says: 'In shade', value: flag('shade') },
  { name: 'bay', says: 'Under a roof, warm', value: flag('bay') },
  { name: 'pressure', says: 'Pressure washer', value: flag('pressure') },
  { name: 'power', says: 'Power for air', value: flag('power') },
] as const
const tds = (name: 'tap_tds_mg_l' | 'treated_tds_mg_l') =>
  computed({ get: () => props.place[name] ?? null, set: (typed) => set({ [name]: typed }) })
const tap = tds('tap_tds_mg_l')
const treated = tds('treated_tds_mg_l')
/** One fact of the hour's weather; emptied, it stays as it was. */
const hour = (
  out: (of: Schemas['BenchWeather']) => number,
  back: (typed: number) => Partial<Schemas['BenchWeather']>,
) =>
  computed({
    get: () => ifThere(props.weather, out),
    set: (typed: number | null) => ifThere(typed, (of) => blow(back(of))),
  })
const air = hour(
  (of) => units.temperatureOut(of.air_c),
  (typed) => ({ air_c: rounded(units.temperatureIn(typed)) }),
)
const rh = hour(
  (of) => Math.round(of.rh * 100),
  (typed) => ({ rh: typed / 100 }),
)
const wind = hour(
  (of) => units.speedOut(of.wind_m_s),
  (typed) => ({ wind_m_s: rounded(units.speedIn(typed), 2) }),
)
const sun = hour(
  (of) => of.sun_w_m2,
  // The forecast's clouds belong to the forecast's sun.
  (typed) => ({ sun_w_m2: typed, cloud: null }),
)
const rain = computed({ get: () => Boolean(props.weather?.rain), set: (next) => blow({ rain: next }) })
const panel = computed({
  get: () => ifThere(look.value.panelC, units.temperatureOut),
  set: (typed) => (look.value.panelC = ifThere(typed, (of) => rounded(units.temperatureIn(of)))),
})
const { dip, aim, problem } = useDevices(
  () => props.siteId,
  () => props.tone,
)
async function holdPen() {
  const tds = await dip('tap')
  if (tds !== null) set({ tap_tds_mg_l: tds })
}
async function holdThermometer() {
  const c = await aim(Boolean(props.place.shade || props.place.bay), fromWallClock(zone.value, look.value.at))
  if (c !== null) look.value.panelC = c
}
const waterOptions = Object.entries(waters).map(([value, name]) => ({
  value: value as 'tap' | 'treated' | 'none',
  name,
}))
const source = computed(() =>
  look.value.byHand
    ? 'By hand.'
    : props.forecast
      ? props.forecast.sureness === 0
        ? 'The forecast does not answer; this is what the season usually brings. Say what it is.'
        : `Forecast for this hour${props.forecast.sureness < 0.75 ? `, give or take ${Math.round(props.forecast.air_off_k * 2)} degrees` : ''}.`
      : '…',
)
</script>

<template>
  <section class="sheet grid">
    <h2>Where and when?</h2>
    <Choices v-model="water" :label="siteName ? `Water at ${siteName}` : 'Water'" :options="waterOptions" compact />
    <div class="cols two">
      <Field label="Tap water"
        ><template #default="f"><NumberInput v-bind="f" v-model="tap" suffix="mg/l" /></template
      ></Field>
      <Field v-if="water === 'treated'" label="Treated water"
        ><template #default="f"><NumberInput v-bind="f" v-model="treated" suffix="mg/l" /></template
      ></Field>
    </div>
    <div class="row flags">
      <ElCheckbox v-for="one in flags" :key="one.name" v-model="one.value.value">{{ one.says }}</ElCheckbox>
    </div>
    <div class="cols two">
      <Field label="At"
        ><template #default="f"><DayInput v-bind="f" v-model="look.at" time required /></template
      ></Field>
      <Field
        label="Panel"
        :hint="
          look.panelC === null && panelReckoned !== null
            ? `Reckoned: ${units.temperature(panelReckoned)}`
            : 'As the thermometer shows'
        "
        ><template #default="f"
          ><NumberInput
            v-bind="f"
            v-model="panel"
            :step="0.5"
            :suffix="units.temperatureUnit.value"
            placeholder="not measured"
            signed /></template
      ></Field>
    </div>
    <div class="cols four weather">
      <Field label="Air"
        ><template #default="f"
          ><NumberInput v-bind="f" v-model="air" :step="0.5" :suffix="units.temperatureUnit.value" signed /></template
      ></Field>
      <Field label="Humidity"
        ><template #default="f"><NumberInput v-bind="f" v-model="rh" suffix="%" /></template
      ></Field>
      <Field label="Wind"
        ><template #default="f"
          ><NumberInput v-bind="f" v-model="wind" :step="0.5" :suffix="units.speedUnit.value" /></template
      ></Field>
      <Field label="Sun"
        ><template #default="f"><NumberInput v-bind="f" v-model="sun" :step="10" suffix="W/m²" /></template
      ></Field>
    </div>
    <p class="row small devices">
      <button type="button" class="words small" @click="holdPen">Hold the pen in the tap water</button>
      <button type="button" class="words small" @click="holdThermometer">Aim the thermometer</button>
    </p>
    <ProblemNote :problem="problem" />
    <p class="row small quiet end">
      <ElCheckbox v-model="rain">It rains</ElCheckbox>
      <span>{{ source }}</span>
      <button v-if="look.byHand" type="button" class="words small" @click="look.byHand = null">As forecast</button>
      <button v-if="look.place" type="button" class="words small" @click="look.place = null">As the site has it</button>
    </p>
  </section>
</template>

<style scoped>
.flags {
  gap: 0;
}

.weather {
  gap: var(--s2);
}

.end,
.devices {
  margin: 0;
}

.words {
  min-height: 24px;
}

@media (max-width: 700px) {
  .cols.two,
  .weather {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
