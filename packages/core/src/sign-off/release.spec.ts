import type { PersonId } from '../ids/ids.js'
import type { Role } from '../job/person.js'
import { isReleased, mayRelease } from './release.js'

const [writer, other] = ['w', 'o'] as PersonId[]
const by = (id: PersonId | undefined, role: Role = 'inspector') => ({ id: id!, role })

it.each([
  ['nobody asks for four eyes', { writtenBy: writer }, false, true],
  ['its writer alone has seen it', { writtenBy: writer }, true, false],
  ['another person released it', { writtenBy: writer, releasedBy: other }, true, true],
  ['it came with the program', {}, true, true],
])('where %s a sheet is in force: %s, %s → %s', (_when, sheet, fourEyes, expected) =>
  expect(isReleased(sheet, fourEyes)).toBe(expected),
)

it.each([
  [by(writer), { writtenBy: writer }, 'own-sheet'],
  [by(writer, 'office'), { writtenBy: writer }, 'own-sheet'],
  [by(other, 'installer'), { writtenBy: writer }, 'not-their-role'],
  [by(other, 'reviewer'), { writtenBy: writer }, 'may'],
  [by(other), { writtenBy: writer, releasedBy: other }, 'released-already'],
  [by(other), {}, 'released-already'],
] as const)('%j of a sheet %j: %s', (person, sheet, answer) => expect(mayRelease(person, sheet)).toBe(answer))
