<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { behaviours } from '@/lib/words'
import { bodyPath, dropPath, nicksPath, timeScale } from './geometry'

// One layer's life along time: what is left is its thickness, washes nick it, readings stand on it as drops,
// ahead of today it frays into the spread, and a bracket marks when to renew it.
const props = defineProps<{
  ribbon: Schemas['Ribbon']
  from: string
  to: string
  today: string
  width: number
  height?: number
}>()

const H = computed(() => props.height ?? 54)
const floor = computed(() => H.value - 15)
const tall = computed(() => H.value - 29)
const x = computed(() => timeScale(props.from, props.to, props.width))
const now = computed(() => x.value(props.today))

// One path for all that looks alike: hundreds of ribbons must stand at once, and nodes cost more than their outlines.
const drawn = computed(() => {
  const bodies: Record<string, string> = {}
  let nicks = ''
  let edges = ''
  for (const segment of props.ribbon.segments) {
    bodies[segment.family] =
      (bodies[segment.family] ?? '') + bodyPath(segment.points, x.value, floor.value, tall.value, 0, now.value)
    nicks += nicksPath(segment.points, x.value, floor.value, tall.value)
    const first = segment.points[0]
    const start = first ? x.value(first.at) : 0
    // A new layer stands up with a firm leading edge.
    if (first && start > 1) edges += `M${start} ${floor.value}V${floor.value - first.left * tall.value - 2}`
  }
  return { bodies, nicks, edges }
})

const fray = computed(() => {
  const { spread, left } = props.ribbon
  if (!spread || left === null) return null
  const top = floor.value - left * tall.value
  const [early, middle, late] = [spread.p10, spread.p50, spread.p90].map((at) => (at ? x.value(at) : props.width * 4))
  if (early === undefined || middle === undefined || late === undefined) return null
  const wedge = (end: number) => `M${now.value} ${floor.value}V${top}L${end} ${floor.value}z`
  // Loose fibres between the early and the late end.
  const fibres = [0.15, 0.35, 0.55, 0.75, 0.95]
    .map((share) => {
      const end = early + (late - early) * share
      return `M${now.value} ${top}Q${now.value + (end - now.value) * 0.55} ${top + (floor.value - top) * 0.42} ${end} ${floor.value}`
    })
    .join('')
  return { early: wedge(early), middle: wedge(middle), late: wedge(late), fibres }
})

const ahead = computed(() => props.ribbon.outermost?.family)

const angles: Record<string, number> = Object.fromEntries(behaviours.map((known) => [known.value, known.angle]))

const spans = computed(() =>
  props.ribbon.segments.map((segment) =>
    segment.points.map((point) => ({ at: Date.parse(point.at), left: point.left })),
  ),
)

/** Where the upper edge lies at a moment. */
function topAt(moment: number): number {
  for (const points of spans.value) {
    const first = points[0]
    const last = points.at(-1)
    if (!first || !last || moment < first.at || moment > last.at) continue
    const next = points.find((point, i) => i > 0 && point.at >= moment)
    if (next) return floor.value - next.left * tall.value
  }
  return floor.value
}

const drops = computed(() => {
  const paths = { clean: '', dirty: '' }
  for (const reading of props.ribbon.readings) {
    const moment = Date.parse(reading.at)
    const y = Math.max(13, topAt(moment)) - 2
    const angle = reading.angle_deg ?? angles[reading.behaviour] ?? 90
    paths[reading.stage === 'arrival' ? 'dirty' : 'clean'] += dropPath(
      x.value(moment),
      y,
      angle,
      props.width < 500 ? 3.6 : 5,
    )
  }
  return paths
})

const bracket = computed(() => {
  const { from_at: open, due_at: due, late_at: late, state } = props.ribbon
  if (!due || state === 'failed' || state === 'suspect') return null
  const clamp = (value: number) => Math.min(props.width - 1, Math.max(1, value))
  const [a, b, c] = [open ?? due, due, late ?? due].map((at) => x.value(at))
  if (a === undefined || b === undefined || c === undefined || a > props.width) return null
  const y = H.value - 9
  const left = a >= 0 ? `M${clamp(a)} ${y - 4}V${y}` : `M1 ${y}`
  const right = c <= props.width ? `V${y - 4}` : ''
  const tick = b >= 0 && b <= props.width ? `M${b} ${y}l-4 7h8z` : ''
  return { line: `${left}H${clamp(c)}${right}`, tick }
})
</script>

<template>
  <svg class="ribbon" :width="width" :height="H" :viewBox="`0 0 ${width} ${H}`" aria-hidden="true">
    <path class="base" :class="ribbon.base?.family ?? 'bare'" :d="`M0 ${floor + 2}H${width}`" />
    <template v-if="fray">
      <path class="late" :class="ahead" :d="fray.late" />
      <path class="middle" :class="ahead" :d="fray.middle" />
      <path class="early" :class="ahead" :d="fray.early" />
      <path class="fibres" :class="ahead" :d="fray.fibres" />
    </template>
    <path v-for="(body, family) in drawn.bodies" :key="family" class="body" :class="family" :d="body" />
    <path v-if="drawn.nicks" class="nicks" :d="drawn.nicks" />
    <path v-if="drawn.edges" class="edge" :d="drawn.edges" />
    <path v-if="drops.dirty" class="drop dirty" :d="drops.dirty" />
    <path v-if="drops.clean" class="drop" :d="drops.clean" />
    <template v-if="bracket">
      <path class="bracket" :d="bracket.line" />
      <path class="tick" :d="bracket.tick" />
    </template>
  </svg>
</template>

<style scoped>
.ribbon {
  display: block;
  overflow: hidden;
}

.ribbon {
  --of: var(--film);
}

.wax {
  --of: color-mix(in oklab, var(--film) 55%, #b58b2c);
}

.polymer {
  --of: color-mix(in oklab, var(--film) 60%, #3f6fae);
}

.ceramic,
.film,
.wrap {
  --of: var(--base);
}

.body {
  fill: var(--of);
}

.nicks {
  fill: var(--paper);
}

.edge {
  stroke: var(--film-deep);
  stroke-width: 2;
}

.early {
  fill: var(--of);
  opacity: 0.5;
}

.middle {
  fill: var(--of);
  opacity: 0.26;
}

.late {
  fill: var(--of);
  opacity: 0.14;
}

.fibres {
  fill: none;
  stroke: var(--of, var(--film));
  stroke-width: 0.8;
  opacity: 0.6;
}

.base {
  stroke: var(--base);
  stroke-width: 4;
}

.base.wax {
  stroke-dasharray: 7 2;
}

.base.polymer {
  stroke-dasharray: 2 2;
}

.base.silica-spray {
  stroke-dasharray: 12 2 2 2;
}

.base.wrap,
.base.film {
  stroke-dasharray: none;
  stroke-width: 6;
}

.base.bare {
  stroke: var(--line-strong);
  stroke-width: 1.5;
  stroke-dasharray: 2 5;
}

.drop {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.3;
}

.drop.dirty {
  fill: none;
  stroke: var(--ink-3);
  stroke-dasharray: 2 1.5;
}

.bracket {
  fill: none;
  stroke: var(--due);
  stroke-width: 2;
}

.tick {
  fill: var(--due);
}
</style>
