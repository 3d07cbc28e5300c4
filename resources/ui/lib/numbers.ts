/** What becomes of a value that may not be there. */
export const ifThere = <A, B>(value: A | null | undefined, make: (value: A) => B): B | null =>
  value === null || value === undefined ? null : make(value)

/** No more digits than somebody would type. */
export const rounded = (value: number, digits = 1): number => Number(value.toFixed(digits))

/** A number that a device may have kept as it was typed. */
export const asNumber = (kept: unknown): number | null => {
  const number = kept === null || kept === undefined || kept === '' ? NaN : Number(kept)
  return Number.isNaN(number) ? null : number
}
