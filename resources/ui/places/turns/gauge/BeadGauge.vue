<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref, useTemplateRef } from 'vue'
import Field from '@/parts/Field.vue'
import NumberInput from '@/parts/NumberInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { scaled } from '@/places/sheets/photo'
import GaugeAnswer from './GaugeAnswer.vue'
import MarkLoupe from './MarkLoupe.vue'
import { samples } from './samples'
import { useGauge } from './gauge'
import { blankDrop, extras, next, nudge, parts, type Marks, type Part, type Point } from './marks'

// The contact angle off a photo from the side: mark each drop's two feet and its top. Several drops are known better than one.
/** Whoever only looks in has a sample open to try it on. */
const props = defineProps<{ sample?: boolean }>()
const emit = defineEmits<{ take: [reading: { behaviour: string; angle_deg: number }] }>()
const picture = ref<{ url: string; w: number; h: number } | null>(null)
const drops = ref<Marks[]>([blankDrop()])
const active = ref<{ drop: number; part: Part }>({ drop: 0, part: 'left' })
const failed = ref(false)
const zoom = ref(1)
const board = useTemplateRef<SVGSVGElement>('board')

const whole = computed(() => drops.value.filter((drop) => parts.every((part) => drop[part.name] !== null)))
const widthMm = ref<number | null>(null)
const { answer, error } = useGauge(whole, widthMm)
/** The further marks wait until a drop stands. */
const offered = (drop: Marks) => (whole.value.includes(drop) ? [...parts, ...extras] : parts)
// Zoomed, the picture follows the mark in hand.
const view = computed(() => {
  const size = picture.value
  if (!size) return '0 0 1 1'
  const [w, h] = [size.w / zoom.value, size.h / zoom.value]
  const at = drops.value[active.value.drop]?.[active.value.part] ?? ([size.w / 2, size.h / 2] as Point)
  const x = Math.min(size.w - w, Math.max(0, at[0] - w / 2))
  const y = Math.min(size.h - h, Math.max(0, at[1] - h / 2))
  return `${x} ${y} ${w} ${h}`
})

let asked = ''
async function open(url: string) {
  const image = new Image()
  image.src = asked = url
  await image.decode()
  // Another was chosen meanwhile.
  if (asked !== url) return
  picture.value = { url, w: image.naturalWidth, h: image.naturalHeight }
  drops.value = [blankDrop()]
  active.value = { drop: 0, part: 'left' }
  zoom.value = 1
}
let made: string | null = null
async function choose(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  failed.value = false
  try {
    const blob = await scaled(file)
    if (made) URL.revokeObjectURL(made)
    made = URL.createObjectURL(blob)
    await open(made)
  } catch {
    failed.value = true
  }
}
onMounted(() => props.sample && samples[0] && open(samples[0].url))
onUnmounted(() => made && URL.revokeObjectURL(made))

/** Where on the picture a finger or mouse is, in its pixels. */
function pointOf(event: PointerEvent): Point | null {
  const matrix = board.value?.getScreenCTM()
  if (!matrix) return null
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse())
  return [Math.round(at.x * 10) / 10, Math.round(at.y * 10) / 10]
}
function put(event: PointerEvent) {
  const at = pointOf(event)
  const drop = drops.value[active.value.drop]
  if (!at || !drop) return
  const fresh = drop[active.value.part] === null
  drop[active.value.part] = at
  if (fresh) active.value = { ...active.value, part: next(drop, active.value.part) }
}
let held: { drop: number; part: Part } | null = null
function grab(event: PointerEvent, drop: number, part: Part) {
  held = active.value = { drop, part }
  board.value?.setPointerCapture(event.pointerId)
}
function drag(event: PointerEvent) {
  const at = held && pointOf(event)
  const drop = held && drops.value[held.drop]
  if (at && held && drop) drop[held.part] = at
}
function key(event: KeyboardEvent) {
  const size = picture.value
  const drop = drops.value[active.value.drop]
  if (!size || !drop) return
  const moved = nudge(drop[active.value.part] ?? [size.w / 2, size.h / 2], event.key, event.shiftKey ? 10 : 1)
  if (!moved) return
  event.preventDefault()
  drop[active.value.part] = moved
}
function another() {
  drops.value = [...drops.value, blankDrop()]
  active.value = { drop: drops.value.length - 1, part: 'left' }
}
</script>

<template>
  <div class="grid gauge">
    <div class="row">
      <label class="beside file"
        >Choose a photo<input type="file" accept="image/*" capture="environment" @change="choose"
      /></label>
      <span class="small quiet">or try one:</span>
      <button v-for="one in samples" :key="one.name" type="button" class="words" @click="open(one.url)">
        {{ one.name }}
      </button>
    </div>
    <p v-if="failed" class="refused" role="alert">That is no picture this device can read.</p>
    <template v-if="picture">
      <div class="row" role="group" aria-label="Which mark">
        <template v-for="(drop, i) in drops" :key="i">
          <button
            v-for="part in offered(drop)"
            :key="part.name"
            type="button"
            class="beside mark"
            :aria-pressed="active.drop === i && active.part === part.name"
            @click="active = { drop: i, part: part.name }"
            @keydown="key"
          >
            {{ drops.length > 1 ? `${i + 1} ` : '' }}{{ part.says }}{{ drop[part.name] ? ' ✓' : '' }}
          </button>
        </template>
        <button v-if="whole.length === drops.length" type="button" class="beside mark" @click="another">
          Another drop
        </button>
      </div>
      <p class="small quiet">
        Tap where it is; drag to move it; the arrow keys move the chosen mark by a pixel, with Shift by ten.
        <template v-if="whole.length"
          >If the picture looks down on the drop, mark the nearest point of its foot; in glossy paint the top of its
          mirror image tells where the panel is. Both may be left out.</template
        >
      </p>
      <div class="plate">
        <svg
          ref="board"
          :viewBox="view"
          class="board"
          role="application"
          aria-label="The photo. Arrow keys move the chosen mark."
          tabindex="0"
          @pointerdown="put"
          @pointermove="drag"
          @pointerup="held = null"
          @keydown="key"
        >
          <image :href="picture.url" :width="picture.w" :height="picture.h" />
          <g v-for="(drop, i) in drops" :key="i">
            <path
              v-if="drop.left && drop.right"
              :d="`M${drop.left[0]} ${drop.left[1]}L${drop.right[0]} ${drop.right[1]}`"
              class="foot"
            />
            <template v-for="part in [...parts, ...extras]" :key="part.name">
              <circle
                v-if="drop[part.name]"
                :cx="drop[part.name]?.[0]"
                :cy="drop[part.name]?.[1]"
                :r="11 / zoom"
                :class="{ on: active.drop === i && active.part === part.name }"
                @pointerdown.stop="grab($event, i, part.name)"
              />
            </template>
          </g>
        </svg>
        <MarkLoupe :picture="picture" :at="drops[active.drop]?.[active.part] ?? null" />
      </div>
      <div class="row zoom">
        <span id="zoom">Closer</span>
        <ElSlider v-model="zoom" :min="1" :max="5" :step="0.5" :show-tooltip="false" aria-label="Zoom" />
      </div>
      <Field
        label="How wide is the first drop?"
        hint="Where it touches the panel, by a ruler. Its own weight flattens a drop over 3 mm; with its width that is reckoned."
        optional
        ><template #default="f"><NumberInput v-bind="f" v-model="widthMm" suffix="mm" :step="0.5" /></template
      ></Field>
      <ProblemNote :problem="error" />
      <GaugeAnswer v-if="answer" :answer="answer" @take="emit('take', $event)"
        ><slot>Take this reading</slot></GaugeAnswer
      >
    </template>
  </div>
</template>

<style scoped>
.file {
  overflow: hidden;
}

.mark {
  min-height: 44px;
}

.mark[aria-pressed='true'] {
  border-color: var(--film);
  background: var(--film-mist);
}

.plate {
  position: relative;
}

.board {
  display: block;
  width: 100%;
  max-height: 56vh;
  touch-action: none;
  background: var(--film-mist);
  cursor: crosshair;
}

circle {
  fill: rgb(255 255 255 / 20%);
  stroke: #fff;
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}

.on {
  stroke: #ffd24a;
  stroke-width: 3;
}

.foot {
  stroke: #fff;
  stroke-dasharray: 6 4;
  vector-effect: non-scaling-stroke;
}
</style>
