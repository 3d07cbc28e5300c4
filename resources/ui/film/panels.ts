/** Where each panel lies on a body that is unfolded flat, in a field of 200 by 260: nose up, left side left. */
export type Box = [x: number, y: number, w: number, h: number]

const side = (left: boolean, y: number, h: number, inner = 44, w = 34): Box => [left ? inner - w : 200 - inner, y, w, h]

const shared: Record<string, Box> = {
  'bumper-front': [52, 2, 96, 20],
  bonnet: [56, 26, 88, 48],
  roof: [60, 104, 80, 62],
  hood: [60, 120, 80, 46],
  pillars: [66, 80, 68, 20],
  boot: [58, 190, 84, 36],
  tailgate: [58, 190, 84, 36],
  'bumper-rear': [52, 230, 96, 22],
  'roof-front': [58, 44, 84, 82],
  'roof-rear': [58, 130, 84, 82],
  front: [56, 20, 88, 20],
  rear: [56, 216, 88, 34],
  ramp: [56, 216, 88, 34],
}

const sides: Record<string, [y: number, h: number, inner?: number, w?: number]> = {
  wing: [30, 44],
  'door-front': [78, 44],
  'door-middle': [126, 22],
  'door-rear': [126, 40],
  quarter: [170, 46],
  bed: [170, 46],
  sill: [30, 186, 8, 8],
  'side-upper-front': [24, 66, 56, 22],
  'side-upper-middle': [94, 56, 56, 22],
  'side-upper-rear': [154, 66, 56, 22],
  'side-lower-front': [24, 66, 32, 20],
  'side-lower-middle': [94, 56, 32, 20],
  'side-lower-rear': [154, 66, 32, 20],
}

/** Null for a panel this drawing doesn't know. */
export function boxOf(id: string): Box | null {
  const known = shared[id]
  if (known) return known
  const at = id.lastIndexOf('-')
  const place = sides[id.slice(0, at)]
  if (!place) return null
  const left = id.slice(at + 1) === 'left'
  const [y, h, inner, w] = place
  return side(left, y, h, inner, w)
}
