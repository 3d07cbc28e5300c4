<script setup lang="ts">
import { onUnmounted, ref, watchEffect } from 'vue'
import { zones } from '@/lib/words'
import Choices from '@/parts/Choices.vue'
import type { KeptPhoto } from '@/offline/store'
import { scaled } from './photo'
import { stages } from './words'

// Taken or chosen, scaled on the device; kept here until it has been sent.
const props = defineProps<{ photos: KeptPhoto[]; stage: 'before' | 'during' | 'after' }>()
const emit = defineEmits<{ photo: [photo: { zone: string; stage: KeptPhoto['stage']; takenAt: string; blob: Blob }] }>()
const zone = ref('paint')
const stage = ref<KeptPhoto['stage'] | null>(props.stage)
const failed = ref(false)
const zoneOptions = Object.entries(zones).map(([value, name]) => ({ value, name }))
const urls = ref<{ id: string; url: string; says: string }[]>([])
watchEffect(() => {
  urls.value.forEach((one) => URL.revokeObjectURL(one.url))
  urls.value = props.photos.map((photo) => ({
    id: photo.id,
    url: URL.createObjectURL(photo.blob),
    says: `${zones[photo.zone] ?? photo.zone}, ${photo.stage}`,
  }))
})
onUnmounted(() => urls.value.forEach((one) => URL.revokeObjectURL(one.url)))

async function take(event: Event) {
  const input = event.target as HTMLInputElement
  failed.value = false
  for (const file of input.files ?? []) {
    try {
      const blob = await scaled(file)
      emit('photo', { zone: zone.value, stage: stage.value ?? 'during', takenAt: new Date().toISOString(), blob })
    } catch {
      failed.value = true
    }
  }
  input.value = ''
}
</script>

<template>
  <div class="grid">
    <Choices v-model="stage" :label="$t('photo-take.when')" :options="stages" :columns="3" compact />
    <Choices v-model="zone" :label="$t('photo-take.what-of-it')" :options="zoneOptions" :columns="3" compact />
    <div class="row">
      <label class="act file"
        >{{ $t('photo-take.take-a-photo') }}<input type="file" accept="image/*" capture="environment" @change="take"
      /></label>
      <label class="beside file"
        >{{ $t('photo-take.choose-one') }}<input type="file" accept="image/*" multiple @change="take"
      /></label>
    </div>
    <p v-if="failed" role="alert" class="refused">{{ $t('photo-take.that-is-no-picture-this') }}</p>
    <ul v-if="urls.length" class="taken">
      <li v-for="one in urls" :key="one.id">
        <img :src="one.url" :alt="one.says" /> <span class="small">{{ one.says }}</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.file {
  min-height: 58px;
  flex: 1;
}

.taken {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: var(--s2);
}

.taken li {
  display: grid;
}

img {
  width: 100%;
  aspect-ratio: 3 / 2;
  object-fit: cover;
  border-radius: var(--edge);
}
</style>
