<script setup lang="ts">
import { useDriveway } from './driveway'

// How this phone works along: whether a step begins by itself, whether it speaks, how large everything is.
defineProps<{ sound: boolean; voice: string | null }>()
defineEmits<{ sound: [] }>()
const { goesOn, handsFree, gloves } = useDriveway()
</script>

<template>
  <details class="how">
    <summary>{{ $t('how-to-work.this-phone') }}</summary>
    <div class="ways">
      <button type="button" class="beside" :aria-pressed="goesOn" @click="goesOn = !goesOn">
        {{ $t('how-to-work.goes-on') }}
      </button>
      <button type="button" class="beside" :aria-pressed="handsFree" @click="handsFree = !handsFree">
        {{ $t('how-to-work.hands-free') }}
      </button>
      <button type="button" class="beside" :aria-pressed="gloves" @click="gloves = !gloves">
        {{ $t('how-to-work.gloves') }}
      </button>
      <button type="button" class="beside" :aria-pressed="sound" @click="$emit('sound')">
        {{ $t('how-to-work.sound') }}
      </button>
    </div>
    <p class="small quiet">
      {{
        handsFree ? (voice ? $t('how-to-work.speaks', { voice }) : $t('how-to-work.no-voice')) : $t('how-to-work.says')
      }}
    </p>
  </details>
</template>

<style scoped>
.ways {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: var(--s2);
  margin: var(--s2) 0;
}

.ways .beside {
  min-height: 56px;
}

.ways [aria-pressed='true'] {
  box-shadow: inset 0 -4px 0 var(--film);
}

summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
  text-decoration: underline;
}
</style>
