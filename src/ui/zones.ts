/** All time zones the browser knows, its own first, with the words for each. */
export const knownZones = (): readonly (readonly [zone: string, words: string])[] => {
  const here = Intl.DateTimeFormat().resolvedOptions().timeZone
  const all = Intl.supportedValuesOf('timeZone').filter((zone) => zone !== here)
  return [here, ...all].map((zone) => [zone, zone.replaceAll('_', ' ')])
}
