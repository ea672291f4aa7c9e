/**
 * A long trace as far as a screen can show it: in each of `columns` equal spans of time the lowest and the highest value, in the order in
 * which they came, with the first and the last sample of all. What peaks, peaks in the drawing too. A short trace comes back as it is.
 */
export function reducedForDrawing(
  t: ArrayLike<number>,
  values: ArrayLike<number>,
  columns: number,
): { t: number; value: number }[] {
  const count = t.length
  if (count <= 2 * columns + 2)
    return Array.from({ length: count }, (_, i) => ({ t: t[i]!, value: values[i]! }))
  const begin = t[0]!
  const span = (t[count - 1]! - begin) / columns
  const drawn: number[] = [0]
  let i = 1
  for (let column = 1; column <= columns; column++) {
    const end = column === columns ? Infinity : begin + column * span
    let [low, high] = [-1, -1]
    for (; i < count - 1 && t[i]! < end; i++) {
      const value = values[i]!
      if (low < 0 || value < values[low]!) low = i
      if (high < 0 || value > values[high]!) high = i
    }
    if (low < 0) continue
    drawn.push(...(low === high ? [low] : low < high ? [low, high] : [high, low]))
  }
  drawn.push(count - 1)
  return drawn.map((at) => ({ t: t[at]!, value: values[at]! }))
}
