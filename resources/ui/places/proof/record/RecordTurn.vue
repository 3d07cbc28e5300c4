<script setup lang="ts">
import type { Schemas } from '@/api/client'
import Drop from '@/film/Drop.vue'
import { shortDay } from '@/lib/dates'
import { inWords } from '@/lib/i18n'
import { photoSays } from './words'
import { behaviours, kindsSaid, roles, seenSaid, stages, waters, zones } from '@/lib/words'

// One turn of a record: how the water stood, what was used, what was noticed, how it looked.
defineProps<{
  turn: Schemas['RecordTurn']
  /** Where its pictures are. */
  at: string
}>()
const angles: Record<string, number> = Object.fromEntries(behaviours.map((known) => [known.value, known.angle]))
const soils: Record<number, string> = inWords('soil-of-a-turn', {
  0: 'clean',
  1: 'light dust',
  2: 'road film',
  3: 'road grime',
  4: 'heavy dirt',
  5: 'caked dirt',
})
const stood = (behaviour: string) => behaviours.find((one) => one.value === behaviour)?.name ?? behaviour
</script>

<template>
  <article class="sheet">
    <h3>
      {{ shortDay(turn.on, 'UTC') }}<span v-if="turn.by" class="quiet"> · {{ turn.by }}</span>
    </h3>
    <p>
      {{ turn.method }}, {{ soils[turn.soil] }}<template v-if="turn.grit"> {{ $t('record-turn.with-grit') }}</template
      >, {{ waters[turn.water] ?? turn.water
      }}<template v-if="turn.water_l">, {{ Math.round(turn.water_l) }} l</template
      ><template v-if="turn.minutes">{{ $t('record-turn.min', { minutes: turn.minutes }) }}</template
      >.
    </p>
    <ul v-if="turn.readings.length" class="drops">
      <li v-for="reading in turn.readings" :key="reading.stage + reading.zone + reading.part">
        <Drop :angle="reading.angle_deg ?? angles[reading.behaviour] ?? 90" />
        <strong class="small">{{ stood(reading.behaviour) }}</strong>
        <span class="small quiet"
          >{{ stages[reading.stage] ?? reading.stage
          }}<template v-if="reading.zone !== 'paint'">, {{ zones[reading.zone] ?? reading.zone }}</template></span
        >
      </li>
    </ul>
    <p v-for="one in turn.says" :key="one">{{ one }}</p>
    <ul v-if="turn.products.length" class="lines small">
      <li v-for="use in turn.products" :key="use.name + use.zone">
        <span
          ><strong>{{ use.name }}</strong> {{ roles[use.role] }}, {{ zones[use.zone] ?? use.zone }}</span
        >
        <span
          >{{ use.ml ? `${Math.round(use.ml)} ml` : ''
          }}<template v-if="use.batch"> {{ $t('record-turn.batch', { batch: use.batch }) }}</template></span
        >
      </li>
    </ul>
    <p v-if="turn.seen.length">{{ $t('record-turn.the-base-was-looked-over', { seenSaid: seenSaid(turn.seen) }) }}</p>
    <p v-if="turn.left.length">{{ $t('record-turn.left-for-another-visit', { kindsSaid: kindsSaid(turn.left) }) }}</p>
    <p v-if="turn.note" class="note">{{ turn.note }}</p>
    <div v-if="turn.photos.length" class="photos">
      <figure v-for="photo in turn.photos" :key="photo.id">
        <img
          :src="`${at}/photos/${photo.id}`"
          :width="photo.width"
          :height="photo.height"
          loading="lazy"
          :alt="photoSays(photo)"
        />
        <figcaption class="small quiet">
          {{ photoSays(photo) }}<template v-if="photo.note">: {{ photo.note }}</template>
        </figcaption>
      </figure>
    </div>
    <p v-if="turn.corrected" class="small quiet">
      {{ $t('record-turn.corrected-later') }}<template v-if="turn.reason">: {{ turn.reason }}</template
      >{{ $t('record-turn.what-stood-before-is-kept') }}
    </p>
  </article>
</template>

<style scoped>
article {
  margin-bottom: var(--s3);
}

h3,
p {
  margin: 0 0 4px;
}

.drops {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: var(--s2) var(--s4);
  margin: var(--s2) 0;
  padding: 0;
}

.drops li {
  display: grid;
  justify-items: center;
}

.note {
  font-weight: 600;
}

.photos {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: var(--s3);
}

figure {
  margin: 0;
}

img {
  width: 100%;
  height: auto;
  border-radius: var(--edge);
}
</style>
