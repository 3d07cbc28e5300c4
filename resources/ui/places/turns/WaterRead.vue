<script setup lang="ts">
import { computed, ref } from 'vue'
import { parts, type PartName } from '@/lib/words'
import Field from '@/parts/Field.vue'
import NumberInput from '@/parts/NumberInput.vue'
import ReadWater from './ReadWater.vue'
import type { StageRead } from './talk'

// One stage: the whole in a tap; who goes round reads roof, sides and low panels apart, and times a sheet of water.
defineProps<{ label: string; hint?: string }>()
const read = defineModel<StageRead | undefined>()
const round = ref(false)
const apart = computed(() => round.value || parts.some(({ value }) => read.value?.[value]))
function set(part: 'whole' | PartName, behaviour: StageRead['whole']) {
  read.value = { ...read.value, [part]: behaviour }
}
const seconds = computed({
  get: () => read.value?.sheets_s ?? null,
  set: (typed) => (read.value = { ...read.value, sheets_s: typed }),
})
</script>

<template>
  <div class="grid read">
    <ReadWater
      :model-value="read?.whole"
      :label="label"
      :hint="hint"
      @update:model-value="set('whole', $event ?? undefined)"
    />
    <button v-if="!apart" type="button" class="words small" @click="round = true">
      {{ $t('water-read.go-round-roof-sides-and-low') }}
    </button>
    <div v-else class="grid apart">
      <ReadWater
        v-for="part in parts"
        :key="part.value"
        :model-value="read?.[part.value]"
        :label="part.name"
        slim
        @update:model-value="set(part.value, $event ?? undefined)"
      />
      <Field
        :label="$t('water-read.a-sheet-of-water-left-after')"
        optional
        :hint="$t('water-read.a-gentle-flow-over-a-smooth')"
        ><template #default="f"><NumberInput v-bind="f" v-model="seconds" suffix="s" /></template
      ></Field>
    </div>
  </div>
</template>

<style scoped>
.read {
  gap: var(--s2);
}

.words {
  justify-self: start;
  min-height: 44px;
}

.apart {
  border-left: 2px solid var(--line);
  padding-left: var(--s3);
}
</style>
