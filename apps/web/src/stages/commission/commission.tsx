import { DevicesStrip } from '../../devices/devices-strip.js'
import { ByKind } from '../by-kind.js'
import { ReadFields } from './read-fields.js'
import { RollCall } from './roll-call.js'
import { SettingsTable } from './settings-table.js'
import { TraceTest } from './trace-test.js'

const PARTS = {
  settings: SettingsTable,
  'trace-test': TraceTest,
  production: ReadFields,
  'roll-call': RollCall,
  reserve: ReadFields,
}

/** Settings side by side, tests with their traces, and the counts and figures of the finished plant, read live where a device answers. */
export function Commission() {
  return (
    <>
      <DevicesStrip />
      <ByKind stage="commission" parts={PARTS} />
    </>
  )
}
