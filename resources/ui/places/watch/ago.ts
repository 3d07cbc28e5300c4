const STEPS: [string, number, number][] = [
  ['day', 86_400, 2 * 86_400],
  ['hour', 3_600, 2 * 3_600],
  ['minute', 60, 2 * 60],
]

/** So many seconds in words, as coarse as one would say it: 90 s, 12 minutes, 3 hours, 5 days. */
export function ago(seconds: number): string {
  for (const [name, each, from] of STEPS) {
    if (seconds >= from) return `${Math.floor(seconds / each)} ${name}s`
  }
  return `${Math.max(0, Math.round(seconds))} s`
}
