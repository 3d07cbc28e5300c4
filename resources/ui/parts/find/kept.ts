/** Where the row somebody has gone to stands now; the first is chosen where it is gone, or nobody has gone anywhere. */
export function kept(at: number, before: readonly { to: string }[], now: readonly { to: string }[]): number {
  const held = at > 0 ? before[at]?.to : undefined
  return Math.max(
    0,
    now.findIndex((one) => one.to === held),
  )
}
