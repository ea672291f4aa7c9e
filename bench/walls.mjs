/** A repeatable stream of numbers from 0 to 1. */
export function stream(seed = 20261109) {
  let state = seed
  return () => (state = (state * 1103515245 + 12345) % 2147483648) / 2147483648
}

/** A wall of n items, most of them units, in rows; long enough that their density stays the same. */
export function wallOf(n) {
  const next = stream()
  const columns = Math.max(1, Math.ceil(n / 3))
  const items = Array.from({ length: n }, (_, i) => {
    const place = {
      x: 200 + (i % columns) * 900 + Math.round(next() * 200),
      y: 300 + Math.floor(i / columns) * 1000 + Math.round(next() * 150),
    }
    if (i % 4 === 3)
      return {
        id: `o${i}`,
        kind: 'obstruction',
        class: i % 8 === 3 ? 'pipe' : 'window',
        ...place,
        w: 80,
        h: 400,
      }
    return {
      id: `u${i}`,
      kind: 'unit',
      ...place,
      w: 450,
      h: 600,
      clear: { left: 150, right: 150, top: 200, bottom: 200 },
      neighbour: { rule: i % 2 ? 'sum' : 'larger' },
    }
  })
  return { wall: { height: 3400, leftCorner: true }, items }
}

/** Units and obstructions on a long wall; `wrong` of the units hang too near an obstruction. */
export function wrongWall(units, obstructions, wrong) {
  const items = []
  for (let i = 0; i < units; i++)
    items.push({
      id: `u${i}`,
      kind: 'unit',
      x: 300 + i * 1100,
      y: 1000,
      w: 500,
      h: 600,
      clear: { left: 200, right: 200, top: 300, bottom: 400 },
    })
  for (let i = 0; i < wrong; i++)
    items.push({
      id: `o${i}`,
      kind: 'obstruction',
      class: 'pipe',
      x: 300 + i * 1100 + 560,
      y: 1100,
      w: 40,
      h: 200,
    })
  for (let i = wrong; i < obstructions; i++)
    items.push({
      id: `o${i}`,
      kind: 'obstruction',
      class: 'box',
      x: 300 + ((i * 37) % (units * 11)) * 100,
      y: 2250,
      w: 120,
      h: 100,
    })
  return { wall: { width: 300 + units * 1100 + 400, height: 2600, leftCorner: true }, items }
}
