<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { useUnits } from '@/lib/units'
import { kindsSaid, numbers } from '@/lib/words'

// One stop of the round: where, when, how long, what the gate asks, and its place in the order.
const props = defineProps<{ stop: Schemas['RoundStop']; first: boolean; last: boolean }>()
defineEmits<{ earlier: []; later: []; out: [] }>()
const units = useUnits()
const besides = computed(() => (props.stop.kinds ?? []).filter((kind) => kind !== 'wash'))
</script>

<template>
  <div class="who">
    <strong
      ><RouterLink :to="`/vehicles/${stop.vehicle_id}`">{{ stop.name }}</RouterLink></strong
    >
    <span class="small"
      >{{ stop.site?.name ?? 'no place' }}{{ stop.site?.shade ? ', in shade' : ''
      }}{{ stop.site?.hours ? `, ${stop.site.hours}` : '' }}</span
    >
    <span v-if="stop.site?.access" class="small quiet">{{ stop.site.access }}</span>
    <span class="small"
      ><strong>{{ stop.begins }}</strong> to {{ stop.ends
      }}<template v-if="stop.leg_min">, after {{ stop.leg_min }} min on the road</template></span
    >
    <span v-for="one in stop.gate.filter((rule) => rule.grave)" :key="one.says" class="small refused">{{
      one.says
    }}</span>
    <span class="small quiet">
      about {{ stop.minutes }} min{{ stop.people > 1 ? ` for ${numbers[stop.people]}` : ''
      }}<template v-if="stop.nine_in_ten">, nine times in ten within {{ stop.nine_in_ten }}</template
      >{{ stop.treated_l > 0 ? `, ${units.volume(stop.treated_l * 1000)} of treated water` : '' }}</span
    >
    <span v-if="besides.length" class="small">with {{ kindsSaid(besides) }}</span>
    <span v-if="stop.problem" class="small refused"
      >Can’t be laid out as things stand: {{ stop.problem }} The minutes are those of a better day.</span
    >
    <span class="row ways">
      <RouterLink :to="`/vehicles/${stop.vehicle_id}/look`" class="words small">Walk round</RouterLink>
      <button
        type="button"
        class="words small"
        :disabled="first"
        :aria-label="`${stop.name} earlier`"
        @click="$emit('earlier')"
      >
        earlier
      </button>
      <button
        type="button"
        class="words small"
        :disabled="last"
        :aria-label="`${stop.name} later`"
        @click="$emit('later')"
      >
        later
      </button>
      <button type="button" class="words small" :aria-label="`Leave out ${stop.name}`" @click="$emit('out')">
        leave out
      </button>
    </span>
  </div>
</template>

<style scoped>
.who {
  display: grid;
  align-content: start;
  line-height: 1.4;
}

.ways {
  gap: 2px var(--s3);
}
</style>
