import { Site, sheet } from '../requirements/site.testing.js'
import { overtakenOf } from './overtaken.js'

const BOX = sheet('U', 'meter', [{ id: 'o', kind: 'observation', question: 'Is it on?' }])
/** Answers to one question, each by somebody so many minutes after eight. */
function answered(...all: [who: string, minute: number, struck?: boolean][]) {
  const site = new Site().unit(BOX)
  for (const [who, minute, struck] of all) {
    site.write({ kind: 'observation', body: { point: 'U/o/unit', seen: true } as never })
    const entry = site.last
    Object.assign(entry, {
      by: { id: who, name: who, role: 'inspector' },
      at: new Date(Date.UTC(2026, 5, 1, 9, minute)).toISOString(),
    })
    if (struck)
      site.write({ kind: 'evidence-struck', body: { entryId: entry.id, reason: 'mistyped' } as never })
  }
  return overtakenOf('ida', site.inspection.checks).map(({ theirs }) => theirs.by.id)
}

it.each([
  [
    'somebody answered a moment later',
    [
      ['ida', 0],
      ['otto', 2],
    ],
    ['otto'],
  ],
  [
    'somebody answered a moment before',
    [
      ['otto', 0],
      ['ida', 2],
    ],
    [],
  ],
  [
    'one answered again oneself',
    [
      ['ida', 0],
      ['otto', 2],
      ['ida', 3],
    ],
    [],
  ],
  [
    'somebody came an hour later, to look again',
    [
      ['ida', 0],
      ['otto', 60],
    ],
    [],
  ],
  [
    'the other answer was struck out',
    [
      ['ida', 0],
      ['otto', 2, true],
    ],
    [],
  ],
  [
    'nobody else was there',
    [
      ['ida', 0],
      ['ida', 1],
    ],
    [],
  ],
] as const)('where %s', (_what, all, told) =>
  expect(answered(...(all as unknown as [string, number, boolean?][]))).toEqual(told),
)
