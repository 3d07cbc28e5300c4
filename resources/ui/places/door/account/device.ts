/** A device as a person would call it, from what its browser says of itself. */
export function deviceSaid(agent: string): string {
  const what = /iPad|Tablet/i.test(agent) ? 'A tablet' : /Mobi|Android|iPhone/i.test(agent) ? 'A phone' : 'A computer'
  const of = agent === '' ? '' : ` (${agent.replace(/^Mozilla\/5\.0 /, '').slice(0, 60)})`
  return `${what}${of}`
}
