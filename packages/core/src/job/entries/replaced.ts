import { replacedShape } from '../kept-whole.js'
import {
  ADMITTED,
  INSPECTORS,
  entryKind,
  find,
  firstRefusal,
  known,
  momentOf,
  put,
  refuse,
  type Step,
} from './entry-kind.js'
import { normaliseLabel } from '../../quantity/phrases.js'

/**
 * A unit is replaced. It keeps its place, its name and its connections, and is another from here on: what was proved on the old one is void,
 * what hangs on it is asked again, and the record tells both apart for ever by their serials.
 */
export const replaced = entryKind({
  schema: replacedShape,
  label: 'replaced',
  writtenBy: INSPECTORS,
  validatesAgainst: 'state',
  admit({ unitId, deviceId, serialOut, serialIn }, { state: { asBuilt } }) {
    const taken = [
      ...asBuilt.units.filter(({ id }) => deviceId !== undefined || id !== unitId),
      ...asBuilt.array.devices.filter(({ id }) => id !== deviceId),
    ].find(({ serial }) => serial !== undefined && normaliseLabel(serial) === normaliseLabel(serialIn))
    return firstRefusal(
      known(asBuilt.units, unitId, 'unit'),
      deviceId === undefined ? ADMITTED : known(asBuilt.array.devices, deviceId, 'device'),
      normaliseLabel(serialOut) === normaliseLabel(serialIn)
        ? refuse('same-serial', 'the serial taken out is the one put in: then nothing was replaced')
        : ADMITTED,
      taken ? refuse('serial-taken', `the serial ${serialIn} stands on another unit of this job`) : ADMITTED,
    )
  },
  apply(draft, body, entry) {
    const { unitId, deviceId, serialIn } = body
    const { asBuilt } = draft
    const moment = momentOf(entry)
    draft.replacements = [...draft.replacements, { ...entry, kind: 'replaced', body }]
    if (deviceId !== undefined) {
      const device = find(asBuilt.array.devices, deviceId)
      if (!device) return
      const devices = put(asBuilt.array.devices, { ...device, serial: serialIn, proposed: undefined })
      draft.asBuilt = { ...asBuilt, array: { ...asBuilt.array, devices } }
      draft.lastChanged.array = moment
      return
    }
    const unit = find(asBuilt.units, unitId)
    if (!unit) return
    draft.asBuilt = { ...asBuilt, units: put(asBuilt.units, { ...unit, serial: serialIn }) }
    draft.lastChanged.units = moment
  },
  undo({ unitId, deviceId, serialOut, serialIn }, before): Step[] {
    const was = deviceId === undefined ? find(before.units, unitId) : find(before.array.devices, deviceId)
    // Without the serial of the old one there is none to put back: what is in place now has to be said.
    if (!was || serialOut.trim() === '') return []
    // The old one is put back: that is a replacement too, and stays in the record as one.
    return [
      {
        kind: 'replaced',
        body: {
          unitId,
          ...(deviceId !== undefined && { deviceId }),
          serialOut: serialIn,
          serialIn: serialOut,
          reason: 'taken back',
          whereabouts: 'put back in its place',
        },
      },
    ]
  },
})
