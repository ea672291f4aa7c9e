import type { AsBuilt } from '../../as-built/as-built.js'
import { object, text, type Shape } from '../../shape/shape.js'
import type { EntryWith } from '../entry-with.js'
import type { Draft } from '../state.js'
import {
  ADMITTED,
  INSPECTORS,
  admitted,
  entryKind,
  find,
  firstRefusal,
  known,
  put,
  putBack,
  refuse,
  without,
  type Step,
} from './entry-kind.js'

interface Tie {
  id: string
  from: string
  to: string
}
interface Graph<P, T> {
  parts: P[]
  ties: T[]
}

/** What tells one graph of parts and ties from another: bonding has bonds, the one-line model has conductors. */
interface Wording<P extends { id: string }, T extends Tie> {
  part: { holds: Shape<P>; placed: string; removed: string; says: string }
  tie: { holds: Shape<T>; placed: string; removed: (id: string) => Step; says: string; toItself: string }
  read(asBuilt: AsBuilt): Graph<P, T>
  write(draft: Draft, graph: Graph<P, T>, entry: EntryWith<unknown>): void
}

/** The four kinds of entry of a graph: a part and a tie each are placed and removed; a part takes its ties with it. */
export function partsAndTies<P extends { id: string }, T extends Tie>({
  part,
  tie,
  read,
  write,
}: Wording<P, T>) {
  const of = (draft: Draft) => read(draft.asBuilt)
  const endsAt =
    (id: string) =>
    ({ from, to }: Tie) =>
      from === id || to === id

  return {
    partPlaced: entryKind<P>({
      schema: part.holds,
      label: `${part.says} placed`,
      writtenBy: INSPECTORS,
      validatesAgainst: 'state',
      admit: admitted,
      apply: (draft, one, entry) => write(draft, { ...of(draft), parts: put(of(draft).parts, one) }, entry),
      undo: ({ id }, before) =>
        putBack(part.placed, find(read(before).parts, id), { kind: part.removed, body: { partId: id } }),
    }),

    partRemoved: entryKind({
      schema: object({ partId: text() }),
      label: `${part.says} removed`,
      writtenBy: INSPECTORS,
      validatesAgainst: 'state',
      admit: admitted,
      apply(draft, { partId }, entry) {
        const { parts, ties } = of(draft)
        const ends = endsAt(partId)
        write(draft, { parts: without(parts, partId), ties: ties.filter((one) => !ends(one)) }, entry)
      },
      undo({ partId }, before): Step[] {
        const { parts, ties } = read(before)
        const was = find(parts, partId)
        if (!was) return []
        return [
          { kind: part.placed, body: was },
          ...ties.filter(endsAt(partId)).map((one) => ({ kind: tie.placed, body: one })),
        ]
      },
    }),

    tiePlaced: entryKind<T>({
      schema: tie.holds,
      label: `${tie.says} placed`,
      writtenBy: INSPECTORS,
      validatesAgainst: 'state',
      admit({ from, to }, { state }) {
        const { parts } = read(state.asBuilt)
        return firstRefusal(
          known(parts, from, 'part'),
          known(parts, to, 'part'),
          from === to ? refuse('to-itself', tie.toItself) : ADMITTED,
        )
      },
      apply: (draft, one, entry) => write(draft, { ...of(draft), ties: put(of(draft).ties, one) }, entry),
      undo: ({ id }, before) => putBack(tie.placed, find(read(before).ties, id), tie.removed(id)),
    }),

    /** The removal of a tie names it in a field of its own in each graph. */
    tieRemoved: <B extends object>(schema: Shape<B>, idIn: (body: B) => string) =>
      entryKind<B>({
        schema,
        label: `${tie.says} removed`,
        writtenBy: INSPECTORS,
        validatesAgainst: 'state',
        admit: admitted,
        apply: (draft, body, entry) =>
          write(draft, { ...of(draft), ties: without(of(draft).ties, idIn(body)) }, entry),
        undo: (body, before) => putBack(tie.placed, find(read(before).ties, idIn(body))),
      }),
  }
}
