/** Names by value, as a list of things to choose from. */
export const asOptions = <K extends string>(names: Record<K, string>): { value: K; name: string }[] =>
  (Object.keys(names) as K[]).map((value) => ({ value, name: names[value] }))
