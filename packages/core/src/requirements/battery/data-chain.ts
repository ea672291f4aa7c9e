import { answered } from '../evidence-input.js'
import { list, object, oneOf, optional, refine, requireUniqueIds, text, join } from '../../shape/shape.js'
import { judged } from '../../verdict/verdict.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

/**
 * A chain of data leads from port to port: each from an outgoing to an incoming port, of a kind that the sheet allows, in one unbroken
 * line, with a terminator in the last open port where the sheet wants one.
 */
export const dataChain = defineKind(
  refine(
    requirementOf({
      ports: list(
        object({
          id: text(),
          label: text(),
          direction: oneOf(['in', 'out', 'both'] as const),
          box: text('the box that the port belongs to'),
        }),
      ),
      leads: list(text(), { about: 'kinds of lead that are allowed' }),
      otherLeads: optional(list(text(), { mayBeEmpty: true, about: 'kinds that are found by mistake' }), []),
      terminator: optional(oneOf(['last-open-port', 'none'] as const), 'last-open-port'),
    }),
    ({ ports }, path) => requireUniqueIds(ports, join(path, 'ports')),
  ),
  {
    minutes: 6,
    reads: () => [],
    expand: () => [wholeUnit],
    ask: ({ ports, leads, otherLeads }) => ({
      kind: 'record',
      form: 'chain',
      ports: ports.map(({ id, label, box, direction }) => ({
        id,
        label: `${box}: ${label}`,
        hint: direction,
      })),
      leads: [...leads, ...otherLeads],
    }),
    required: ({ leads, terminator }) =>
      `${leads.join(' or ')}, from out to in${terminator === 'none' ? '' : ', terminator in the last open port'}`,
    judge({ ports, leads: allowed, terminator }, _subject, evidence) {
      const answer = answered(evidence, 'chain')
      if (!answer) return undefined
      const port = (id: string) => ports.find((one) => one.id === id)!
      const boxes = [...new Set(ports.map(({ box }) => box))]
      const joined = reach(
        boxes[0]!,
        answer.leads.map(({ from, to }) => [port(from).box, port(to).box] as const),
      )
      const used = new Set(answer.leads.flatMap(({ from, to }) => [from, to]))
      const left = new Set(answer.leads.map(({ from }) => port(from).box))
      // The chain ends in the box that no lead leaves; its free outgoing port is the last open one.
      const lastOpen = ports.find(
        ({ id, direction, box }) => !used.has(id) && direction !== 'in' && joined.has(box) && !left.has(box),
      )
      const name = (id: string) => `${port(id).box} ${port(id).label}`
      const faults = [
        ...answer.leads.flatMap(({ from, to, lead }) => [
          ...(allowed.includes(lead) ? [] : [`${lead} between ${name(from)} and ${name(to)}`]),
          ...(port(from).direction === 'in' || port(to).direction === 'out'
            ? [`from ${name(from)} to ${name(to)}: it must go from an outgoing to an incoming port`]
            : []),
        ]),
        ...boxes.filter((box) => !joined.has(box)).map((box) => `${box} is not in the chain`),
        ...offTheLine(answer.leads.map(({ from, to }) => [port(from), port(to)] as const)),
        ...(terminator === 'last-open-port' && !(lastOpen && answer.terminators.includes(lastOpen.id))
          ? [lastOpen ? `no terminator in ${name(lastOpen.id)}` : 'no open port for the terminator']
          : []),
        ...answer.terminators
          .filter((id) => terminator === 'none' || id !== lastOpen?.id)
          .map((id) => `a terminator in ${name(id)}, where none belongs`),
      ]
      return {
        verdict: judged(faults.length === 0),
        working: faults.length === 0 ? [`${boxes.length} boxes in one chain`] : faults,
        notes: [],
        finding: faults[0] ?? 'one unbroken chain',
      }
    },
  },
)

function reach(from: string, joins: readonly (readonly [string, string])[]): Set<string> {
  const found = new Set([from])
  for (let grew = true; grew;) {
    grew = false
    for (const [a, b] of joins) {
      if (found.has(a) === found.has(b)) continue
      found.add(a).add(b)
      grew = true
    }
  }
  return found
}

interface Port {
  id: string
  label: string
  direction: 'in' | 'out' | 'both'
  box: string
}

/** What keeps leads from being one line: a port with two leads, a lead from a box to itself, a box where the line branches, a ring. */
function offTheLine(leads: readonly (readonly [Port, Port])[]): string[] {
  const ends = leads.flat()
  const twice = ends.filter(({ id }, i) => ends.findIndex((one) => one.id === id) < i)
  const toItself = leads.filter(([from, to]) => from.box === to.box)
  const outOf = leads.map(([from]) => from).filter(({ direction }) => direction === 'out')
  const into = leads.map(([, to]) => to).filter(({ direction }) => direction === 'in')
  const boxes = [...new Set(ends.map(({ box }) => box))]
  const times = (ports: readonly Port[], box: string) => ports.filter((one) => one.box === box).length
  const branching = boxes.filter(
    (box) => times(ends, box) > 2 || times(outOf, box) > 1 || times(into, box) > 1,
  )
  const closed = leads.length >= boxes.length && boxes.length > 1
  return [
    ...twice.map(({ box, label }) => `${box} ${label} carries two leads`),
    ...toItself.map(([{ box }]) => `a lead goes from ${box} back to itself`),
    ...branching.map((box) => `the chain branches at ${box}`),
    ...(closed && branching.length === 0 ? ['the leads close to a ring'] : []),
  ]
}
