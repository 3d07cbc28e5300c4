<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, told, toldWithTag, type Schemas } from '@/api/client'
import NumberInput from '@/parts/NumberInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'

// The numbers behind the rules: working defaults, and what this workspace has found out for itself.
const queries = useQueryClient()
const all = ref<Schemas['HouseNumber'][]>([])
const typed = ref<Record<string, number | null>>({})
const tag = ref('')
const { busy, problem, attempt, fields: errors } = useDeed()
const saved = ref(false)
const groups = computed(() => {
  const by = new Map<string, Schemas['HouseNumber'][]>()
  for (const one of all.value) by.set(one.group, [...(by.get(one.group) ?? []), one])
  return [...by]
})
const differs = (one: Schemas['HouseNumber']) => typed.value[one.id] !== one.default
const own = computed(() => all.value.filter(differs).length)
async function load() {
  await attempt(async () => {
    const { data, tag: seen } = await toldWithTag(api.GET('/api/v1/numbers'))
    tag.value = seen
    all.value = data.numbers
    typed.value = Object.fromEntries(data.numbers.map((one) => [one.id, one.value]))
  })
}
void load()
async function save() {
  busy.value = true
  problem.value = null
  saved.value = false
  await attempt(async () => {
    await told(
      api.PUT('/api/v1/numbers', {
        params: { header: { 'If-Match': tag.value } },
        body: {
          numbers: Object.fromEntries(
            all.value.filter((one) => typed.value[one.id] != null).map((one) => [one.id, Number(typed.value[one.id])]),
          ),
        },
      }),
    )
    await load()
    saved.value = true
    await queries.invalidateQueries()
  })
}
</script>

<template>
  <form class="page numbers" novalidate @submit.prevent="save">
    <p class="quiet small"><RouterLink to="/workspace">Settings</RouterLink></p>
    <h1>Advanced settings</h1>
    <p class="quiet">
      Working defaults until you know better. Whatever is changed here moves matches, dates and plans; layers are
      reckoned anew by it, what was recorded stays.
      <template v-if="own">{{ own }} of them {{ own === 1 ? 'is' : 'are' }} your own.</template>
    </p>
    <div class="groups">
      <section v-for="[group, numbers] in groups" :key="group" class="sheet" :aria-label="group">
        <h2>{{ group }}</h2>
        <ul class="lines">
          <li v-for="one in numbers" :key="one.id" :class="{ own: differs(one) }">
            <label :for="one.id"
              >{{ one.says
              }}<span v-if="differs(one)" class="small quiet"
                >; as shipped {{ one.default }}
                <button
                  type="button"
                  class="words small"
                  :aria-label="`${one.says}: as shipped`"
                  @click="typed[one.id] = one.default"
                >
                  take it back
                </button></span
              ><span v-if="errors[one.id.replaceAll('.', '/')]" class="small refused" role="alert">
                {{ errors[one.id.replaceAll('.', '/')] }}</span
              ></label
            >
            <span class="value"
              ><NumberInput :id="one.id" v-model="typed[one.id]" :describedby="`${one.id}-unit`" />
              <span :id="`${one.id}-unit`" class="small quiet">{{ one.unit }}</span></span
            >
          </li>
        </ul>
      </section>
    </div>
    <ProblemNote :problem="problem" />
    <p v-if="saved" role="status">Saved. Dates follow within a minute.</p>
    <button type="submit" class="act" :disabled="busy">{{ busy ? 'Saving…' : 'Save the numbers' }}</button>
  </form>
</template>

<style scoped>
.groups {
  columns: 2 420px;
  column-gap: var(--s4);
  margin-bottom: var(--s4);
}

.sheet {
  break-inside: avoid;
  margin-bottom: var(--s4);
}

.value {
  flex: none;
  display: grid;
  grid-template-columns: 92px minmax(0, 104px);
  gap: var(--s2);
  align-items: center;
}

.own {
  box-shadow: inset 4px 0 0 var(--film);
  padding-left: var(--s3);
}

@media (max-width: 700px) {
  .lines li {
    flex-wrap: wrap;
  }
}
</style>
