import { Terminals } from '../terminals.js'
import { StringByCount } from './string-by-count.js'
import { Strings } from './strings.js'
import { TesterImport } from './tester-import.js'

/** Strings as measured against what is expected, how they are entered at once, and the terminals of the DC side. */
export function DirectCurrent() {
  return (
    <>
      <Strings />
      <StringByCount />
      <TesterImport />
      <Terminals side="dc" />
    </>
  )
}
