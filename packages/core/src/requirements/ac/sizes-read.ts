import type { NetworkConductor } from '../../ac/one-line.js'
import { pointId } from '../../ids/check-id.js'
import { mm2 } from '../../quantity/figure.js'
import { nominalSize } from '../../quantity/nominal-size.js'
import { msg, type Message } from '../../quantity/message.js'
import type { JudgementContext } from '../judgement-context.js'

/** A size of conductor that was read at a terminal. */
interface SizeRead {
  unit: string
  terminal: string
  size: number
}

/** Asks for the size of the conductor at each terminal; the fields that are needed of it. */
interface AsksForSizes {
  kind: string
  id: string
  point?: string | undefined
  window?: string | undefined
}

/** The sizes that were read at the AC terminals of the units in which a cable ends; earth conductors are another matter. */
function sizesRead({ from, to }: NetworkConductor, context: JudgementContext): SizeRead[] {
  const { units, network } = context.asBuilt
  const ends = network.parts.flatMap(({ id, unitId }) => (id === from || id === to ? (unitId ?? []) : []))
  return units
    .filter(({ id }) => ends.includes(id))
    .flatMap(({ id, label, sheetId }) => {
      const terminals = (context.sheetOf(id)?.terminals ?? []).filter(({ side }) => side === 'ac')
      const asking = ((context.sheet(sheetId)?.requirements ?? []) as readonly AsksForSizes[]).filter(
        ({ kind, window }) => kind === 'limits' && window === 'conductor',
      )
      return asking.flatMap((one) =>
        terminals.flatMap((terminal): SizeRead[] => {
          const read = context.reading(pointId(id, one.point ?? one.id, terminal.id))
          return read?.relation === '=' ? [{ unit: label, terminal: terminal.label, size: read.value }] : []
        }),
      )
    })
}

const sameSize = (a: number, b: number): boolean => (nominalSize(a) ?? a) === (nominalSize(b) ?? b)

/**
 * A conductor is one thing, drawn in the one-line and read at its terminals: where the two name different sizes one of them is wrong. Undefined
 * where they agree, where nothing was read, and where the unit has another AC cable of the size that was read.
 */
export function contradictedSize(cable: NetworkConductor, context: JudgementContext): Message | undefined {
  const { size, phases } = cable
  if (size === undefined || phases === 'dc') return undefined
  const { parts, conductors } = context.asBuilt.network
  const drawnAt = (ids: readonly string[]) =>
    conductors.flatMap((one) =>
      one.phases !== 'dc' && one.size !== undefined && (ids.includes(one.from) || ids.includes(one.to))
        ? [one.size]
        : [],
    )
  const ofUnits = parts.filter(({ id }) => id === cable.from || id === cable.to).map(({ unitId }) => unitId)
  const own = parts
    .filter(({ unitId }) => unitId !== undefined && ofUnits.includes(unitId))
    .map(({ id }) => id)
  const other = sizesRead(cable, context).find(
    (read) => !drawnAt(own).some((drawn) => sameSize(drawn, read.size)),
  )
  return (
    other &&
    msg`the diagram says ${mm2(size)}, and ${mm2(other.size)} was read at terminal ${other.terminal} of ${other.unit}`
  )
}
