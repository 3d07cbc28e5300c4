/** What one may find on a car, and how to tell. */
export const contaminants = [
  { value: 'insects', name: 'Insects', says: 'Dried on the front and mirrors; hard, in splashes' },
  { value: 'bird-lime', name: 'Bird lime', says: 'White and dark, often with a ring etched round it' },
  { value: 'sap', name: 'Sap', says: 'Clear or amber, sticky, stands up from the paint' },
  { value: 'tar', name: 'Tar', says: 'Black specks behind the wheels; smears brown' },
  { value: 'iron', name: 'Iron specks', says: 'Tiny rusty dots with a dark heart, most on flat panels' },
  { value: 'salt', name: 'Salt', says: 'White edge low down and in the arches, tastes of the sea' },
  { value: 'rough', name: 'Rough feel', says: 'A fingertip in a thin bag feels sand on washed paint' },
] as const

export type ContaminantName = (typeof contaminants)[number]['value']

export const wheelSoils = [
  { value: 0, name: 'Clean', says: 'Weekly wheels' },
  { value: 1, name: 'Dusty', says: 'Wipes off with a finger' },
  { value: 2, name: 'Filmed', says: 'Grey all over' },
  { value: 3, name: 'Brown', says: 'Brown in the corners' },
  { value: 4, name: 'Baked', says: 'Does not wipe off' },
  { value: 5, name: 'Crusted', says: 'Hides the finish' },
]

export const spots: Record<string, string> = {
  none: 'nothing that shows',
  faint: 'faint marks',
  visible: 'marks one sees',
  heavy: 'heavy marks',
}

export const decisions: Record<string, string> = {
  apply: 'Put it on',
  'read-first': 'Read first',
  'decon-first': 'Decontaminate first',
  optional: 'A choice',
  none: 'None today',
  'not-today': 'Due, not today',
}

export const towelNames: Record<string, string> = {
  large: 'large, for horizontals',
  medium: 'medium, for verticals',
  catch: 'small, for drips',
  sills: 'for sills',
  wheels: 'for wheels',
}
