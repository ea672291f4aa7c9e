import fc from 'fast-check'
import { driverTorque, liftPlan, likeStrings, railMarks, splitStrings } from './index.js'

it('marks on a rail are a module and a gap apart, and the last module ends at the stated length', () => {
  const { marks, said, length } = railMarks({ moduleWidth: 1134, gap: 20, count: 3, firstOffset: 50 })
  expect(marks).toEqual([617, 1771, 2925])
  expect(length).toBe(2925 + 567)
  expect(railMarks({ moduleWidth: 1134, gap: 20, count: 1, firstOffset: 50, units: 'us' }).said).toEqual([
    '24 5/16 in',
  ])
  expect(said[0]).toBe('617 mm')
})

it('an array is split into the fewest strings within every limit, as evenly as can be, and no module is lost', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 1, max: 60 }), { minLength: 1, maxLength: 4 }),
      fc.integer({ min: 1, max: 12 }),
      fc.integer({ min: 0, max: 12 }),
      fc.boolean(),
      (sizes, minCount, more, mixPlanes) => {
        const maxCount = minCount + more
        const planes = sizes.map((modules, i) => ({ id: `p${i}`, modules }))
        const { strings, impossible } = splitStrings({
          planes,
          modulePower: 400,
          maxPower: 400 * maxCount,
          minCount,
          maxCount,
          mixPlanes,
        })
        for (const { count, planes: from } of strings) {
          expect(count).toBeGreaterThanOrEqual(minCount)
          expect(count).toBeLessThanOrEqual(maxCount)
          expect(from.reduce((sum, { modules }) => sum + modules, 0)).toBe(count)
          if (!mixPlanes) expect(from).toHaveLength(1)
        }
        for (const { id, modules } of planes) {
          const used = strings.flatMap(({ planes: from }) => from).filter((one) => one.id === id)
          if (impossible.includes(id)) expect(used).toEqual([])
          else expect(used.reduce((sum, one) => sum + one.modules, 0)).toBe(modules)
        }
        if (!mixPlanes && impossible.length === 0)
          expect(strings).toHaveLength(sizes.reduce((sum, modules) => sum + Math.ceil(modules / maxCount), 0))
      },
    ),
  )
})

it('a string stands out against the median of the like strings, and a lonely one proves nothing', () => {
  const strings = [
    { id: 'A', voc: 444, count: 12 },
    { id: 'B', voc: 443, count: 12 },
    { id: 'C', voc: 406.6, count: 12 },
  ]
  expect(likeStrings({ strings }).strings.map(({ verdict }) => verdict)).toEqual([
    'does-not-conform',
    'does-not-conform',
    'does-not-conform',
  ])
  expect(
    likeStrings({ strings: [...strings, { id: 'D', voc: 444.4, count: 12 }] }).strings.map(
      ({ verdict }) => verdict,
    ),
  ).toEqual(['conforms', 'conforms', 'does-not-conform', 'conforms'])
  expect(likeStrings({ strings: [strings[0]!] }).verdict).toBe('not-proven')
})

/** A driver is exact on paper, or good to a thousandth of a percent at best: between the two, rounding decides. */
const REAL_TOLERANCE = fc.oneof(fc.constant(0), fc.double({ min: 0.001, max: 20, noNaN: true }))

it('within the settings that a driver is given, its whole tolerance stays inside the window', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.1, max: 20, noNaN: true }),
      fc.double({ min: 0, max: 20, noNaN: true }),
      REAL_TOLERANCE,
      (min, width, tolerancePercent) => {
        const given = {
          required: { min, max: min + width },
          driver: { tolerancePercent, range: { min: 0, max: 100 } },
        }
        const { settings } = driverTorque(given)
        for (const set of settings ? [settings.min, settings.max] : [])
          expect(driverTorque({ ...given, set }).verdict).toBe('conforms')
        if (!settings) expect(driverTorque({ ...given, set: min + width / 2 }).verdict).not.toBe('conforms')
      },
    ),
  )
})

it.each([
  [25, false, 1, false],
  [25.1, false, 2, false],
  [31, true, 3, true],
  [60, false, 3, true],
])('%d kg, overhead %s: %d people, by machine %s', (mass, overhead, people, machine) => {
  expect(liftPlan({ items: [{ name: 'it', mass, overhead }] }).lifts[0]).toMatchObject({ people, machine })
})
