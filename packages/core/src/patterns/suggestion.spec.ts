import { suggestionFor } from './suggestion.js'

it.each([
  ['clause', 'close-up', 'look-earlier'],
  ['clause', 'fix', 'note-in-sheet'],
  ['model', 'close-up', 'note-in-sheet'],
  ['installer', 'close-up', 'train'],
  ['season', '', 'look-at-the-season'],
] as const)('by %s at %s: %s, and nothing unless it stands out', (by, stage, suggestion) => {
  expect(suggestionFor({ says: 'stands-out', stage }, by)).toBe(suggestion)
  for (const says of ['as-expected', 'seldom', 'too-few'] as const)
    expect(suggestionFor({ says, stage }, by)).toBeUndefined()
})
