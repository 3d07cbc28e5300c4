<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed, ref, toRef } from 'vue'
import { useRouter } from 'vue-router'
import { useMe } from '@/lib/session'
import { kindsSaid } from '@/lib/words'
import ProblemNote from '@/parts/ProblemNote.vue'
import ScopePick from '@/parts/ScopePick.vue'
import DoseList from './DoseList.vue'
import DescribeVehicle from './DescribeVehicle.vue'
import { described, keepAsDraft, lookAt, takeByHand, tryOut, useLook } from './look'
import { useMatch } from './match'
import MatchAnswer from './MatchAnswer.vue'
import PlacePanel from './PlacePanel.vue'
import SeePanel from './SeePanel.vue'
import { sideName, useSchools } from './schools'
import WhatIf from './WhatIf.vue'
import { useWork } from './work'

// What one sees, where and when on the left; the match answers on the right as one changes things.
const props = defineProps<{ vehicleId: string | null }>()
const router = useRouter()
const { zone } = useMe()
const look = useLook(props.vehicleId ?? 'described', zone.value)
// An hour set yesterday says nothing about today.
if (look.value.at < lookAt(zone.value).at.slice(0, 10)) look.value.at = lookAt(zone.value).at
const described_ = useLocalStorage('described-vehicle', described, { mergeDefaults: true })
const comparing = ref(false)
const mixing = ref(false)
const { schools } = useSchools()
const { vehicle, site, place, expected, forecast, weather, weatherError, ask, match } = useMatch(
  look,
  toRef(props, 'vehicleId'),
  described_,
  zone,
  comparing,
)
const answer = computed(() => match.data.value)
const { work, problem, busy, goesOn } = useWork(toRef(props, 'vehicleId'), ask, look)
const scope = computed({
  get: () => look.value.scope ?? expected.value?.scope ?? 'usual',
  set: (next) => (look.value.scope = next),
})
const planned = computed(() => (expected.value?.kinds ?? []).filter((kind) => kind !== 'wash'))
const tries = computed(() => Object.entries(look.value.tries))

function begin() {
  look.value = lookAt(zone.value)
}
async function take() {
  if (!answer.value || props.vehicleId === null) return
  keepAsDraft(props.vehicleId, look.value, place.value, answer.value, zone.value)
  await router.push(`/vehicles/${props.vehicleId}/turn`)
}
</script>

<template>
  <div>
    <ProblemNote :problem="weatherError" />
    <div class="ask-and-tell">
      <div class="grid">
        <section v-if="vehicleId === null" class="sheet grid">
          <h2>Describe it</h2>
          <DescribeVehicle v-model="described_" />
        </section>
        <SeePanel v-model="look" />
        <!-- What is typed goes on top of what is expected: not before that is known. -->
        <PlacePanel
          v-if="weather"
          v-model="look"
          :place="place"
          :weather="weather"
          :forecast="forecast"
          :site-name="site?.name ?? null"
          :tone="vehicleId ? (vehicle?.tone ?? 'mid') : described_.tone"
          :site-id="site?.id ?? null"
          :panel-reckoned="answer && !answer.now.panel_measured ? answer.now.panel_c : null"
        />
        <section class="sheet grid" aria-label="What for?">
          <h2>What for?</h2>
          <ScopePick v-model="scope" />
          <p v-if="planned.length" class="small">
            Planned for that day: <strong>{{ kindsSaid(planned) }}</strong> beside the wash.
          </p>
        </section>
      </div>
      <section class="right" aria-label="The match" :aria-busy="match.isFetching.value">
        <ProblemNote :problem="match.error.value ?? problem">
          <RouterLink v-if="goesOn" :to="`/sheets/${goesOn}`">Go on with it</RouterLink>
        </ProblemNote>
        <template v-if="answer">
          <p v-if="vehicle && vehicleId" class="small quiet which">
            <RouterLink :to="`/vehicles/${vehicleId}`">{{ vehicle.name }}</RouterLink>{{
              site ? ` at ${site.name}` : ''
            }}
            <button type="button" class="words small" @click="begin">Look afresh</button>
          </p>
          <p v-if="tries.length" class="small row trying">
            Trying:
            <strong v-for="[school, side] in tries" :key="school">{{ sideName(schools, school, String(side)) }}</strong>
            <button type="button" class="words small" @click="look.tries = {}">back to your schools</button>
          </p>
          <MatchAnswer
            :match="answer"
            :soil="answer.cameWith"
            :taken="look.taken"
            @dry="(way) => tryOut(look, 'drying', way)"
            @take="(id) => takeByHand(look, id)"
          >
            <div class="row">
              <button v-if="vehicleId && answer.possible" type="button" class="act take" :disabled="busy" @click="work">
                Work it from a sheet
              </button>
              <button v-if="vehicleId && answer.possible" type="button" class="beside take" @click="take">
                Take it into a turn
              </button>
              <RouterLink v-else-if="!vehicleId" to="/start" class="beside">Put a vehicle into the book</RouterLink>
              <button type="button" class="beside" :aria-expanded="comparing" @click="comparing = !comparing">
                What would change if …
              </button>
              <button
                v-if="answer.possible"
                type="button"
                class="beside"
                :aria-expanded="mixing"
                @click="mixing = !mixing"
              >
                What to mix
              </button>
            </div>
            <DoseList v-if="mixing && ask && answer.possible" :ask="ask" />
            <template v-if="comparing">
              <WhatIf
                v-if="answer.otherwise"
                :others="answer.otherwise"
                :schools="schools"
                @try="(school, side) => tryOut(look, school, side)"
              />
              <p v-else class="quiet small" role="status">Working it out…</p>
            </template>
          </MatchAnswer>
        </template>
        <p v-else-if="!match.error.value" class="quiet" role="status">Looking…</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.ask-and-tell {
  --asked: 500px;
}

.which,
.trying {
  margin: 0 0 var(--s2);
}

.words.small {
  min-height: 24px;
}

@media (max-width: 980px) {
  .take {
    width: 100%;
    min-height: 54px;
  }
}
</style>
