import { networkInterfaces } from 'node:os'
import { isLoopback } from '@plumb-mark/core'

/** Is this address one of the machine on which the server runs? */
export function isOwnMachine(host: string): boolean {
  if (isLoopback(host)) return true
  const own = Object.values(networkInterfaces()).flatMap((addresses) => addresses ?? [])
  return own.some(({ address }) => address === host)
}
