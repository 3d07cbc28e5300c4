/** A device as a person would call it, from what its browser says of itself; everything more is for machines to read. */
export function deviceSaid(agent: string): string {
  if (/iPad|Tablet/i.test(agent)) return 'A tablet'
  if (/Mobi|Android|iPhone/i.test(agent)) return 'A phone'
  return agent.startsWith('Mozilla/') ? 'A computer' : 'A script'
}
