import { changeByKnownLoad } from './known-load.js'

const at = (active: number, reactive = 0) => ({ voltage: 230, active, reactive })

it('what ran before is taken away: only what was switched is left', () => {
  expect(changeByKnownLoad([at(500), at(-900)], [at(2500), at(-1900, 30)], [2000, 0])).toEqual([
    { voltage: 230, active: 2000, reactive: 0, load: 2000 },
    { voltage: 230, active: -1000, reactive: 30, load: 0 },
  ])
})
it('a channel that was not read at both moments leaves it open', () => {
  expect(changeByKnownLoad([at(1), undefined], [at(1), at(2)], [0, 0])).toBeUndefined()
  expect(changeByKnownLoad([at(1)], [at(1), at(2)], [])).toBeUndefined()
})
