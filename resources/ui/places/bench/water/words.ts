export const points: Record<string, string> = {
  tap: 'At the tap',
  ro: 'After the membrane',
  treated: 'After the resin',
  tank: 'In the tank',
}
