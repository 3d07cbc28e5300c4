<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { shortDay } from '@/lib/dates'
import { families, tones } from '@/lib/words'

// A cut through the zone: what lies on what. Not to scale, and it says so.
const props = defineProps<{
  zone: string
  tone: string
  layers: Schemas['Layer'][]
  left: number | null
  matte?: boolean
}>()

type Stratum = { key: string; name: string; note: string; fill: string; height: number; film?: boolean }

const strata = computed<Stratum[]>(() => {
  const on = props.layers.filter((layer) => !layer.ended_on)
  const base = on.find((layer) => layer.kind === 'base')
  const topper = on.find((layer) => layer.kind === 'topper')
  const list: Stratum[] = []
  const named = (layer: Schemas['Layer']) => layer.name ?? families[layer.family]?.name ?? layer.family
  if (topper) {
    const left = Math.max(0.12, props.left ?? 1)
    list.push({
      key: topper.id,
      name: named(topper),
      note: `topper since ${shortDay(topper.on, 'UTC')}`,
      fill: 'var(--film)',
      height: 8 + 26 * left,
      film: true,
    })
  }
  if (base)
    list.push({
      key: base.id,
      name: named(base),
      note: `${families[base.family]?.name.toLowerCase()} since ${shortDay(base.on, 'UTC')}`,
      fill: 'var(--base)',
      height: 34,
    })
  if (props.zone === 'paint') {
    list.push({
      key: 'clear',
      name: props.matte ? 'Matte finish' : 'Clear coat',
      note: '',
      fill: 'var(--film-wash)',
      height: 18,
    })
    list.push({ key: 'colour', name: 'Colour', note: '', fill: tones[props.tone]?.colour ?? '#888', height: 14 })
  }
  list.push({
    key: 'body',
    name: props.zone === 'paint' ? 'Panel' : 'Surface',
    note: '',
    fill: 'var(--line-strong)',
    height: 16,
  })
  return list
})

const placed = computed(() => {
  let y = 16
  return strata.value.map((stratum) => {
    const at = y
    y += Math.max(stratum.height, stratum.note ? 34 : 16) + 2
    return { ...stratum, y: at }
  })
})
const height = computed(() => (placed.value.at(-1)?.y ?? 0) + 26)
</script>

<template>
  <figure>
    <svg
      :viewBox="`0 0 360 ${height}`"
      role="img"
      :aria-label="'From the outside in: ' + strata.map((stratum) => stratum.name).join(', ')"
    >
      <g v-for="stratum in placed" :key="stratum.key">
        <path
          v-if="stratum.film"
          :d="`M0 ${stratum.y + 5}q22 -9 44 -3t44 0t52 -2V${stratum.y + stratum.height}H0z`"
          :fill="stratum.fill"
        />
        <rect v-else x="0" :y="stratum.y" width="140" :height="stratum.height" :fill="stratum.fill" />
        <path :d="`M142 ${stratum.y + stratum.height / 2}H154`" stroke="var(--line-strong)" />
        <text x="160" :y="stratum.y + stratum.height / 2 + (stratum.note ? -2 : 4)" class="name">
          {{ stratum.name }}
        </text>
        <text v-if="stratum.note" x="160" :y="stratum.y + stratum.height / 2 + 12" class="note">
          {{ stratum.note }}
        </text>
      </g>
    </svg>
    <figcaption class="small quiet">Not to scale.</figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}

svg {
  width: 100%;
  max-width: 420px;
}

.name {
  font: 600 13px var(--text);
  fill: var(--ink);
}

.note {
  font: 400 12px var(--text);
  fill: var(--ink-3);
}
</style>
