import { isPrivateAddress } from '../../device/address.js'
import { connectionShape } from '../../as-built/connection.js'
import type { ConnectionId } from '../../ids/ids.js'
import { object, text } from '../../shape/shape.js'
import {
  ADMITTED,
  BUILDERS,
  entryKind,
  find,
  firstRefusal,
  known,
  put,
  putBack,
  refuse,
  without,
} from './entry-kind.js'

/** Says where a unit can be asked; nothing is asked by it, and nothing judged. */
export const deviceConnected = entryKind({
  schema: connectionShape,
  label: 'device connected',
  writtenBy: BUILDERS,
  validatesAgainst: 'state',
  admit({ id, unitId, host, port, address }, { state: { asBuilt } }) {
    const taken = asBuilt.connections.find(
      (one) => one.id !== id && one.host === host && one.port === port && one.address === address,
    )
    return firstRefusal(
      known(asBuilt.units, unitId, 'unit'),
      isPrivateAddress(host)
        ? ADMITTED
        : refuse('out-of-range', 'a link-local address is never asked: give the device one of its network'),
      taken ? refuse('address-taken', 'another unit of this job is asked at this address already') : ADMITTED,
    )
  },
  apply(draft, connection) {
    const { connections } = draft.asBuilt
    draft.asBuilt = { ...draft.asBuilt, connections: put(connections, connection) }
  },
  undo: ({ id }, { connections }) =>
    putBack('device-connected', find(connections, id), { kind: 'device-disconnected', body: { id } }),
})

export const deviceDisconnected = entryKind({
  schema: object({ id: text<ConnectionId>() }),
  label: 'device disconnected',
  writtenBy: BUILDERS,
  validatesAgainst: 'state',
  admit: ({ id }, { state }) => known(state.asBuilt.connections, id, 'connection'),
  apply(draft, { id }) {
    draft.asBuilt = { ...draft.asBuilt, connections: without(draft.asBuilt.connections, id) }
  },
  undo: ({ id }, { connections }) => putBack('device-connected', find(connections, id)),
})
