import { Site, sheet } from '../requirements/site.testing.js'
import type { UnitKind } from '../sheet/terms.js'
import { stagesOf } from './stages-of.js'

const seal = { id: 'seal', kind: 'observation', title: 'Seal', stage: 'close-up', question: 'Is it whole?' }
const site = (kind: UnitKind) => new Site().unit(sheet('U', kind, [seal]), { label: 'Box' })

it('a stage is there where something is asked, or may be drawn', () => {
  expect(stagesOf(site('string-inverter').inspection)).toEqual([
    'identify',
    'place-and-mount',
    'roof',
    'earthing',
    'dc',
    'ac',
    'close-up',
  ])
})
it.each(['gateway', 'battery', 'meter', 'installation'] as const)('a job of a %s alone has no roof', (kind) =>
  expect(stagesOf(site(kind).inspection)).not.toContain('roof'),
)
it('a job without units yet may have one, and what is drawn already stays in sight', () => {
  expect(stagesOf(new Site().inspection)).toContain('roof')
  const plane = {
    kind: 'plane-built' as const,
    body: {
      id: 'p',
      label: 'P',
      unitId: 'U',
      rows: 1,
      columns: 1,
      orientation: 'portrait' as const,
      gap: 20,
      empty: [],
    },
  }
  expect(stagesOf(site('battery').write(plane).inspection)).toContain('roof')
})
