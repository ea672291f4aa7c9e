import { answered } from '../evidence-input.js'
import { list, object, refine, requireUniqueIds, text, join } from '../../shape/shape.js'
import type { PhotoRef } from '../../answer/photo-ref.js'
import { joinAnd, plural } from '../../quantity/phrases.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

/** Photos that the maker or the office asks for, each of one place or screen: a photo that stands for two of them shows one at best. */
export const photoList = defineKind(
  refine(requirementOf({ wanted: list(object({ id: text(), label: text() })) }), ({ wanted }, path) =>
    requireUniqueIds(wanted, join(path, 'wanted')),
  ),
  {
    minutes: 4,
    reads: () => [],
    expand: () => [wholeUnit],
    ask: ({ wanted }) => ({ kind: 'record', form: 'photos', wanted }),
    required: ({ wanted }) => wanted.map(({ label }) => label).join(', '),
    judge({ wanted }, _subject, evidence) {
      const answer = answered(evidence, 'photos')
      if (!answer) return undefined
      const missing = wanted.filter(({ id }) => !answer.taken[id])
      const twice = wanted.filter(({ id }) => usesOf(answer.taken[id], answer.taken) > 1)
      if (missing.length === 0 && twice.length > 0) {
        const places = joinAnd(twice.map(({ label }) => label))
        return {
          verdict: 'not-proven',
          working: [`one photo for ${places}`],
          notes: [],
          finding: `one photo for ${places}`,
          wanting: `photograph each of ${places} by itself`,
        }
      }
      return {
        verdict: missing.length === 0 ? 'conforms' : 'not-proven',
        working: wanted.map(({ id, label }) => `${label}: ${answer.taken[id] ? 'taken' : 'not taken'}`),
        notes: [],
        finding:
          missing.length === 0
            ? plural(wanted.length, 'photo')
            : `${missing.length} of ${wanted.length} not taken`,
        wanting: `photograph ${missing.map(({ label }) => label).join(', ')}`,
      }
    },
  },
)

/** The same picture is the same whatever it is called. */
const usesOf = (photo: PhotoRef | undefined, taken: Readonly<Record<string, PhotoRef>>): number =>
  photo ? Object.values(taken).filter((one) => one.id === photo.id || one.sha256 === photo.sha256).length : 0
