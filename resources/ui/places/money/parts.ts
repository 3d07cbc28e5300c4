/** What a cost is cut into, in the order it is shown. */
export const costParts = [
  ['time', 'Time'],
  ['travel', 'Travel'],
  ['products', 'Products'],
  ['towels', 'Towels'],
  ['water', 'Water'],
  ['resin', 'Resin'],
] as const
