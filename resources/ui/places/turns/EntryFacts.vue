<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import Drop from '@/film/Drop.vue'
import { dayAndTime } from '@/lib/dates'
import { useMe } from '@/lib/session'
import { useUnits } from '@/lib/units'
import {
  behaviours,
  kindsSaid,
  methods,
  numbers,
  parts,
  roles,
  scopes,
  seenSaid,
  soils,
  stages,
  counted,
  textiles,
  waters,
  zones,
} from '@/lib/words'

// One entry of the record. Beside a newer one, what it no longer says is struck through.
const props = defineProps<{ entry: Schemas['TurnEntry']; against?: Schemas['TurnEntry'] }>()
const units = useUnits()
const { zone } = useMe()
const order = Object.keys(stages)
const usual: Record<string, string> = { wheel: 'wheels', glass: 'glass', tyre: 'tyres', trim: 'trim' }
const partNames = Object.fromEntries(parts.map((part) => [part.value, part.name.toLowerCase()]))
const angles = Object.fromEntries(behaviours.map((known) => [known.value, known.angle]))

function facts(entry: Schemas['TurnEntry']): [string, string][] {
  return [
    [
      'Worked',
      dayAndTime(entry.worked_at, zone.value) + (entry.minutes ? `, ${counted(entry.minutes, 'minutes')}` : ''),
    ],
    ['Soil', `${soils[entry.soil]?.name ?? entry.soil}${entry.grit ? ', with grit' : ''}`],
    [
      'Method',
      [methods[entry.method]?.name, entry.clay ? 'clayed' : '', entry.purpose === 'reset' ? 'a reset' : '']
        .filter(Boolean)
        .join(', '),
    ],
    ['Water', waters[entry.water] ?? entry.water],
    ['Panel', entry.panel_c === null ? '—' : units.temperature(entry.panel_c)],
    [
      'Used',
      entry.products
        .map(
          (use) =>
            `${use.name} (${roles[use.role]?.toLowerCase()}${use.zone === (usual[use.role] ?? 'paint') ? '' : ', ' + zones[use.zone]?.toLowerCase()}${use.quantity_ml ? ', ' + units.volume(use.quantity_ml) : ''})`,
        )
        .join('; ') || 'nothing noted',
    ],
    ['Took in', entry.scope === 'usual' ? '' : (scopes[entry.scope] ?? entry.scope)],
    ['Planned', kindsSaid((entry.kinds ?? []).filter((kind) => kind !== 'wash'))],
    ['Left out', entry.left_out.map((one) => `${kindsSaid([one.kind])} (${one.why})`).join('; ')],
    [
      'Base',
      entry.inspection
        ? `looked over: ${seenSaid(entry.inspection.seen)}`
        : entry.looked_over
          ? 'looked over with a light'
          : '',
    ],
    ['Noticed', entry.note ?? '—'],
    ['Advised', entry.recommended ?? ''],
    ['Crew', (entry.crew ?? 1) > 1 ? (numbers[entry.crew ?? 1] ?? '') : ''],
    [
      'Towels',
      Object.entries(entry.textiles)
        .map(([what, n]) => counted(Number(n), (textiles[what] ?? what).toLowerCase()))
        .join(', '),
    ],
    ['Ran away', entry.water_l === null ? '' : units.volume(entry.water_l * 1000)],
    ['Kept off', entry.refused.map((one) => one.what).join('; ')],
  ]
}
const rows = computed(() => {
  const now = props.against ? Object.fromEntries(facts(props.against)) : null
  return facts(props.entry)
    .filter(([, value]) => value !== '')
    .map(([name, value]) => ({ name, value, gone: now !== null && now[name] !== value }))
})
const refused = computed(() =>
  props.entry.products.filter((use) => use.remarks.some((remark) => remark.severity === 'block')),
)
const readings = computed(() =>
  [...props.entry.readings]
    .sort((a, b) => order.indexOf(a.stage) - order.indexOf(b.stage))
    .map((reading) => ({
      ...reading,
      gone: props.against
        ? !props.against.readings.some(
            (row) =>
              row.stage === reading.stage &&
              row.zone === reading.zone &&
              row.part === reading.part &&
              row.behaviour === reading.behaviour,
          )
        : false,
    })),
)
</script>

<template>
  <div class="readings">
    <figure v-for="reading in readings" :key="reading.stage + reading.zone + reading.part">
      <Drop :angle="reading.angle_deg ?? angles[reading.behaviour] ?? 90" :width="72" />
      <figcaption>
        <component :is="reading.gone ? 's' : 'span'">{{
          behaviours.find((known) => known.value === reading.behaviour)?.name
        }}</component>
        <span class="small quiet"
          >{{ stages[reading.stage]
          }}<template v-if="reading.part !== 'whole'">, {{ partNames[reading.part] }}</template
          ><template v-if="reading.zone !== 'paint'">, {{ zones[reading.zone]?.toLowerCase() }}</template
          ><template v-if="reading.angle_deg"> · {{ Math.round(reading.angle_deg) }}°</template
          ><template v-if="reading.sheets_s !== null"> · sheet gone in {{ reading.sheets_s }} s</template></span
        >
      </figcaption>
    </figure>
  </div>
  <dl>
    <template v-for="row in rows" :key="row.name">
      <dt>{{ row.name }}</dt>
      <dd>
        <component :is="row.gone ? 's' : 'span'">{{ row.value }}</component>
      </dd>
    </template>
  </dl>
  <p v-for="use in refused" :key="use.product_id" class="refused small">
    {{ use.name }} was used although it was ruled out:
    {{
      use.remarks
        .filter((remark) => remark.severity === 'block')
        .map((remark) => remark.code)
        .join(', ')
    }}.
  </p>
</template>

<style scoped>
.readings {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s5);
}

figure {
  margin: var(--s3) 0;
}

figcaption {
  display: grid;
}

dl {
  display: grid;
  grid-template-columns: 80px 1fr;
  gap: 5px var(--s3);
  margin: var(--s2) 0 var(--s3);
}

dt {
  color: var(--ink-3);
}

dd {
  margin: 0;
}
</style>
