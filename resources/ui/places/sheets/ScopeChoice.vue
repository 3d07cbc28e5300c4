<script setup lang="ts">
import { computed } from 'vue'
import { scopes } from '@/lib/words'
import type { Kept } from '@/offline/store'

// Every scope with its minutes, where they are known, and what that saves.
const props = defineProps<{ kept: Kept }>()
const emit = defineEmits<{ take: [scope: string] }>()
const scope = computed(() => props.kept.sheet.facts.scope ?? 'usual')
const choices = computed(() =>
  Object.entries(scopes).flatMap(([name, says]) => {
    const now = props.kept.sheet.plan.finish
    const finish = name === scope.value ? now : props.kept.otherwise[`scope:${name}`]?.finish
    return finish == null ? [] : [{ name, says, finish, saves: (now ?? finish) - finish }]
  }),
)
</script>

<template>
  <fieldset v-if="choices.length > 1" class="scope">
    <legend>{{ $t('scope-choice.what-it-takes-in') }}</legend>
    <div class="row">
      <button
        v-for="one in choices"
        :key="one.name"
        type="button"
        class="beside"
        :aria-pressed="one.name === scope"
        @click="one.name === scope || emit('take', one.name)"
      >
        <span>{{ one.says }}</span>
        <span class="small">
          {{ $t('scope-choice.min', { finish: one.finish })
          }}<template v-if="one.saves > 0">{{ $t('scope-choice.saves', { saves: one.saves }) }}</template
          ><template v-else-if="one.saves < 0">{{ $t('scope-choice.more', { x: -one.saves }) }}</template>
        </span>
      </button>
    </div>
  </fieldset>
</template>

<style scoped>
.scope button {
  display: grid;
  align-content: center;
  gap: 2px;
  padding-block: var(--s2);
  text-align: left;
  min-height: 52px;
}

.scope button[aria-pressed='true'] {
  background: var(--ink);
  color: var(--sheet);
}
</style>
