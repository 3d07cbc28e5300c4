import { inWords, within } from '@/lib/i18n'
import { zones } from '@/lib/words'

export const layerKinds: Record<string, string> = inWords('layer-kinds', { base: 'Base', topper: 'Topper' })

const photoStages: Record<string, string> = inWords('photo-stages', {
  before: 'Before',
  during: 'During',
  after: 'After',
})

/** When a photo was taken, and of what: "Before, paint". */
export const photoSays = (photo: { stage: string; zone: string }): string =>
  `${photoStages[photo.stage] ?? photo.stage}, ${within(zones[photo.zone] ?? photo.zone)}`
