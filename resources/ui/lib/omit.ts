/** A row without the fields that can only be read: what is sent back holds only what may be set. */
export function omit<Row extends object, Key extends keyof Row>(row: Row, keys: readonly Key[]): Omit<Row, Key> {
  const left = new Set<PropertyKey>(keys)
  return Object.fromEntries(Object.entries(row).filter(([name]) => !left.has(name))) as Omit<Row, Key>
}
