<script setup lang="ts">
import { locale } from '@/lib/i18n'
import { useElementSize } from '@vueuse/core'
import { computed, ref, useTemplateRef, watch } from 'vue'
import type { Schemas } from '@/api/client'
import SurvivalPlot from '@/film/SurvivalPlot.vue'
import { families, methods } from '@/lib/words'
import Choices from '@/parts/Choices.vue'

// Layers told apart by what they are, how they went on, or how they were washed: two answers laid over each other.
type Group = Schemas['ProofGroup']
const props = defineProps<{ groups: Group[] }>()
const questions: Record<string, { name: string; says: string; answers: Record<string, string> }> = {
  family: {
    name: 'Family',
    says: 'Every layer of a family, whatever the product.',
    answers: Object.fromEntries(Object.entries(families).map(([key, family]) => [key, family.name])),
  },
  way: {
    name: 'Way on',
    says: 'How the layer was put on.',
    answers: {
      'wet-rinse': 'Sprayed wet, rinsed',
      'foam-rinse': 'Foamed, rinsed',
      'drying-aid': 'While drying',
      wipe: 'Wiped on',
    },
  },
  method: {
    name: 'Method',
    says: 'How the vehicle was mostly washed while the layer was on. Only weather and road are counted, so that a gentler wash shows; 1 is the middle life of the same product here.',
    answers: Object.fromEntries(Object.entries(methods).map(([key, method]) => [key, method.name])),
  },
  'drying-aid': {
    name: 'Drying aid',
    says: 'Whether a drying aid that feeds the layer was used in most washes. 1 is the middle life of the same product here.',
    answers: { mostly: 'With a drying aid', seldom: 'Seldom or never' },
  },
  prewash: {
    name: 'Pre-wash',
    says: 'Whether every third wash or more began with a strong alkaline cleaner. 1 is the middle life of the same product here.',
    answers: { strong: 'Often strong', gentle: 'Gentle' },
  },
}
const asked = computed(() =>
  Object.entries(questions)
    .filter(([kind]) => props.groups.filter((group) => group.kind === kind).length > 1)
    .map(([value, { name }]) => ({ value, name })),
)
const kind = ref<string | null>(null)
watch(asked, (options) => (kind.value ??= options[0]?.value ?? null), { immediate: true })
const question = computed(() => questions[kind.value ?? ''])
const answers = computed(() =>
  props.groups.filter((group) => group.kind === kind.value).sort((a, b) => b.layers - a.layers),
)
const chosen = ref<string[]>([])
watch(kind, () => (chosen.value = []))
const shown = computed(() => {
  const picked = answers.value.filter((group) => chosen.value.includes(group.answer))
  return picked.length ? picked : answers.value.slice(0, 2)
})
const named = (group: Group) => question.value?.answers[group.answer] ?? group.answer
function pick(group: Group) {
  chosen.value = chosen.value.includes(group.answer)
    ? chosen.value.filter((one) => one !== group.answer)
    : [...chosen.value, group.answer].slice(-2)
}
const number = (value: number) => value.toLocaleString(locale(), { maximumFractionDigits: 2 })
const said = (group: Group) =>
  group.too_few || group.median === null
    ? 'too few to say'
    : `half by ${number(group.median)}${group.unit === 'wear-weeks' ? ' wear-weeks' : ' of a middle life'}`
const curves = computed(() =>
  shown.value.map((group) => ({
    name: named(group),
    points: group.points,
    model: [],
    label: null,
    fewer: group.too_few,
  })),
)
const plot = useTemplateRef('plot')
const { width } = useElementSize(plot)
</script>

<template>
  <section v-if="asked.length" class="groups" aria-label="Told apart">
    <h2>Told apart</h2>
    <Choices v-model="kind" label="By" hide-label compact :options="asked" />
    <p class="small quiet">{{ question?.says }} Press two to lay them over each other.</p>
    <div class="columns">
      <ul class="plain">
        <li v-for="group in answers" :key="group.answer" :class="{ on: shown.includes(group) }">
          <svg width="34" height="10" aria-hidden="true">
            <path v-if="shown.includes(group)" d="M0 5h34" :class="shown.indexOf(group) === 0 ? 'first' : 'second'" />
          </svg>
          <button type="button" class="words" :aria-pressed="chosen.includes(group.answer)" @click="pick(group)">
            {{ named(group) }}
          </button>
          <span>{{ said(group) }}</span>
          <span class="small quiet">{{ group.failed }} of {{ group.layers }} failed</span>
        </li>
      </ul>
      <div ref="plot">
        <SurvivalPlot
          v-if="width > 80"
          :curves="curves"
          :width="Math.floor(width)"
          :unit="shown[0]?.unit === 'middle-lives' ? 'middle lives' : 'wear-weeks'"
          :label="`Share of layers that still held: ${shown.map(named).join(' and ')}`"
        />
      </div>
    </div>
  </section>
</template>

<style scoped>
.groups {
  margin-bottom: var(--s5);
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: var(--s5);
}

li {
  display: grid;
  grid-template-columns: 40px minmax(0, 1fr) auto auto;
  gap: var(--s3);
  align-items: center;
  border-top: 1px solid var(--line);
  min-height: 44px;
}

.words {
  justify-self: start;
  text-align: left;
}

.on {
  background: var(--film-mist);
}

path {
  stroke: var(--film-deep);
  stroke-width: 3;
}

.second {
  stroke: var(--ink-2);
  stroke-dasharray: 6 4;
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }

  li {
    grid-template-columns: 40px 1fr;
  }
}
</style>
