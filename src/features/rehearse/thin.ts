/** Places of at most about `most` samples that keep the highest and lowest of each stretch: no peak is lost to the screen. */
export function thin(values: Float64Array, most: number): number[] {
  const stretch = Math.max(1, Math.ceil(values.length / (most / 2)))
  if (stretch === 1) return Array.from(values.keys())
  const places: number[] = []
  for (let from = 0; from < values.length; from += stretch) {
    let [low, high] = [from, from]
    for (let index = from; index < Math.min(values.length, from + stretch); index++) {
      if (values[index]! < values[low]!) low = index
      if (values[index]! > values[high]!) high = index
    }
    places.push(Math.min(low, high))
    if (low !== high) places.push(Math.max(low, high))
  }
  return places
}
