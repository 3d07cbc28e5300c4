<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { ref } from 'vue'
import { useProgrammes } from '@/lib/lists'
import { api, told } from '@/api/client'
import ProblemNote from '@/parts/ProblemNote.vue'
import CrewCard from './CrewCard.vue'
import DaysOf from './DaysOf.vue'
import FeedList from './FeedList.vue'
import ProgrammeCard from './ProgrammeCard.vue'

// What the plan has to fit into: who works when, rhythms with a name, days on which nobody works.
const { data: crews, error } = useQuery({ queryKey: ['crews'], queryFn: () => told(api.GET('/api/v1/crews')) })
const { programmes } = useProgrammes()
const newCrew = ref(false)
const newProgramme = ref(false)
</script>

<template>
  <div class="page narrow grid">
    <p class="quiet small"><RouterLink to="/weeks">Weeks</RouterLink></p>
    <h1>Who works when</h1>
    <ProblemNote :problem="error" />
    <p class="quiet">What is changed here counts from the next planning on; what stands stays until then.</p>
    <CrewCard v-for="crew in crews?.data ?? []" :key="crew.id + crew.version" :crew="crew" />
    <CrewCard v-if="newCrew || (crews && !crews.data.length)" :crew="null" @done="newCrew = false" />
    <button v-else type="button" class="beside add" @click="newCrew = true">Another crew</button>
    <DaysOf />
    <FeedList :crews="crews?.data ?? []" />
    <h2>Rhythms</h2>
    <p class="quiet">A vehicle follows one until it has its own; choose it where the vehicle’s habits are changed.</p>
    <ProgrammeCard v-for="one in programmes ?? []" :key="one.id + one.version" :programme="one" />
    <ProgrammeCard v-if="newProgramme" :programme="null" @done="newProgramme = false" />
    <button v-else type="button" class="beside add" @click="newProgramme = true">Another rhythm</button>
  </div>
</template>

<style scoped>
.add {
  justify-self: start;
}

h2 {
  margin-bottom: 0;
}
</style>
