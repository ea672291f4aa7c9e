import { Site, sheet } from '../site.testing.js'

describe('the electrical proof of the transformers', () => {
  const of = sheet('U', 'meter', [{ id: 'p', kind: 'ct-proof', uncertainty: '40 VA' }])
  const cos = (degrees: number) => Math.cos((degrees * Math.PI) / 180)
  const sin = (degrees: number) => Math.sin((degrees * Math.PI) / 180)
  /** What a meter shows whose channel k carries the transformer of phase[k], turned where the sign says so. */
  const wired = (phases: number[], signs: number[], loads = [2000, 1000, 500]) => {
    const values: Record<string, { typed: string; value: number }> = {}
    const say = (id: string, value: number, unit: string) =>
      (values[id] = { typed: `${value} ${unit}`, value })
    phases.forEach((phase, k) => {
      const turn = -120 * k + 120 * (phase - 1)
      say(`v${k + 1}`, 230, 'V')
      say(`p${k + 1}`, loads[k]!, 'W')
      say(`r${k + 1}`, Math.round(signs[k]! * loads[phase - 1]! * cos(turn)), 'W')
      say(`q${k + 1}`, Math.round(signs[k]! * loads[phase - 1]! * sin(turn)), 'var')
    })
    return new Site().unit(of).record('U/p/unit', { values }).says('U/p/unit')
  }
  it.each<[string, Parameters<typeof wired>, string]>([
    [
      'as intended',
      [
        [1, 2, 3],
        [1, 1, 1],
      ],
      'conforms: each on its own phase, the right way round',
    ],
    [
      'two swapped and one turned round',
      [
        [2, 1, 3],
        [1, 1, -1],
      ],
      'does-not-conform: swap the transformers of channels 1 and 2; turn round the transformer of channel 3',
    ],
    [
      'all moved on by one',
      [
        [2, 3, 1],
        [1, 1, 1],
      ],
      'move it to phase 1',
    ],
    [
      'without any load nothing can be told',
      [
        [1, 2, 3],
        [1, 1, 1],
        [0, 0, 0],
      ],
      'not-proven',
    ],
  ])('%s', (_how, said, found) => expect(wired(...said)).toContain(found))
  it('half entered proves nothing', () =>
    expect(
      new Site()
        .unit(of)
        .record('U/p/unit', { values: { v1: { typed: '230 V', value: 230 } } })
        .says('U/p/unit'),
    ).toBe('not-proven: not complete'))
})

describe('meter and machines tell one story', () => {
  const of = sheet('U', 'meter', [
    { id: 'b', kind: 'power-balance', load: { min: '100 W', max: '6 kW' }, uncertainty: '60 W' },
  ])
  const told = (...moments: [number, number, number][]) =>
    new Site()
      .unit(of)
      .record('U/b/unit', {
        values: Object.fromEntries(
          moments.flatMap((moment, i) =>
            ['grid', 'solar', 'battery'].map((side, k) => [
              `${side}${i + 1}`,
              { typed: `${moment[k]} W`, value: moment[k] },
            ]),
          ),
        ),
      })
      .says('U/b/unit')
  it('over moments that differ', () =>
    expect(told([-1800, 2600, 0], [900, 0, 0], [0, 3400, -3000])).toBe('conforms: one story over 3 moments'))
  it('or a side reads the wrong way round', () =>
    expect(told([1800, 2600, 0], [-900, 0, 0], [0, 3400, -3000])).toBe(
      'does-not-conform: grid read the wrong way round',
    ))
  it('one moment alone leaves several stories', () => expect(told([900, 500, 0])).toContain('not-proven'))
})
