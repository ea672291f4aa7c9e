import { Site, sheet } from '../requirements/site.testing.js'

const BOX = sheet('U', 'meter', [{ id: 'o', kind: 'observation', question: 'Is it on?', photo: true }])
const photo = (id: string) => ({ id, sha256: id })

it('a photo taken of what is answered already belongs to that answer, and proves it', () => {
  const site = new Site()
    .unit(BOX)
    .write({ kind: 'observation', body: { point: 'U/o/unit', seen: true } as never })
  const { id, at } = site.last
  expect(site.check('U/o/unit').outcome.verdict).toBe('not-proven')
  const added = (...photos: object[]) => ({
    kind: 'photos-added' as const,
    body: { entryId: id, photos } as never,
  })
  site.write(added(photo('a')), added(photo('a'), photo('b')))
  const { outcome, history } = site.check('U/o/unit')
  expect(outcome.verdict).toBe('conforms')
  // Shown once each, on the answer as it was given: no other time, and no other answer.
  expect(
    history.map(({ id: own, at: when, body }) => [own, when, body.photos?.map((one) => one.id)]),
  ).toEqual([[id, at, ['a', 'b']]])
})
it('told before its answer is here, it waits for it', () => {
  const late = { point: 'U/o/unit', seen: true }
  const site = new Site().unit(BOX)
  site.write({ kind: 'photos-added', body: { entryId: 'e3', photos: [photo('a')] } as never })
  site.write({ kind: 'observation', body: late as never })
  expect(site.last.id).toBe('e3')
  expect(site.check('U/o/unit').outcome.verdict).toBe('conforms')
})
