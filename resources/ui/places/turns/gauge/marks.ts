export type Part = 'left' | 'right' | 'top' | 'near' | 'mirror'
export type Point = [x: number, y: number]
export type Marks = Record<Part, Point | null>

export const parts: { name: Part; says: string }[] = [
  { name: 'left', says: 'Left foot' },
  { name: 'right', says: 'Right foot' },
  { name: 'top', says: 'Top' },
]

/** What may be marked besides: how far the camera looked down, and where the panel is in glossy paint. */
export const extras: typeof parts = [
  { name: 'near', says: 'Near edge' },
  { name: 'mirror', says: 'Mirrored top' },
]

export const blankDrop = (): Marks => ({ left: null, right: null, top: null, near: null, mirror: null })

/** The mark that is missing, else the same one again. */
export function next(drop: Marks, part: Part): Part {
  return parts.find((one) => drop[one.name] === null)?.name ?? part
}

/** A point moved by an arrow key; null for any other key. */
export function nudge([x, y]: Point, key: string, by: number): Point | null {
  switch (key) {
    case 'ArrowLeft':
      return [x - by, y]
    case 'ArrowRight':
      return [x + by, y]
    case 'ArrowUp':
      return [x, y - by]
    case 'ArrowDown':
      return [x, y + by]
    default:
      return null
  }
}
