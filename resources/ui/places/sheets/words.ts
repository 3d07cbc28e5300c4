import { listInWords } from '@/lib/i18n'

/** How strong the sun is on the panel, by looking: global irradiance on level ground, W/m². */
export const suns = listInWords('suns', [
  { value: 0, name: 'Shade', says: 'No shadow of your hand' },
  { value: 250, name: 'Hazy', says: 'A soft shadow' },
  { value: 550, name: 'Sun', says: 'A clear shadow' },
  { value: 900, name: 'Hard sun', says: 'Sharp shadow, high summer noon' },
])

export const stages = listInWords('photo-stages', [
  { value: 'before' as const, name: 'Before' },
  { value: 'during' as const, name: 'During' },
  { value: 'after' as const, name: 'After' },
])
