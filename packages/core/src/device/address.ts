import { BadInput } from '../shape/bad-input.js'

const V4 = /^(?:25[0-5]|2[0-4]\d|1\d\d|[1-9]?\d)(?:\.(?:25[0-5]|2[0-4]\d|1\d\d|[1-9]?\d)){3}$/
const NETWORK = /^([\d.]+)\/(\d{1,2})$/
const BITS = 32

/**
 * Networks that nobody outside can reach: loopback and the private ones. Link-local ones are left out: what answers there on a machine in
 * a data centre hands out that machine's own credentials. Source: RFC 1918, RFC 1122, RFC 3927.
 */
const PRIVATE = ['127.0.0.0/8', '10.0.0.0/8', '172.16.0.0/12', '192.168.0.0/16']
const LOOPBACK = '127.0.0.0/8'
const LINK_LOCAL = '169.254.0.0/16'

/** As many addresses as one search calls. */
export const MOST_ADDRESSES = 1024

function asNumber(host: string): number | undefined {
  if (!V4.test(host)) return undefined
  return host.split('.').reduce((sum, part) => sum * 256 + Number(part), 0)
}

function parts(network: string): { start: number; size: number } | undefined {
  const [, base = '', length = ''] = NETWORK.exec(network) ?? []
  const address = asNumber(base)
  if (address === undefined || Number(length) > BITS) return undefined
  const size = 2 ** (BITS - Number(length))
  return { start: address - (address % size), size }
}

/** Does an address, in figures, lie in a network written as 192.168.1.0/24? What cannot be read lies nowhere. */
export function inNetwork(host: string, network: string): boolean {
  const address = asNumber(host)
  const range = parts(network)
  return (
    address !== undefined &&
    range !== undefined &&
    address >= range.start &&
    address < range.start + range.size
  )
}

/** Is this an IPv4 address that nobody outside can reach? */
export const isPrivateAddress = (host: string): boolean => PRIVATE.some((network) => inNetwork(host, network))

/** Every record of before may name a link-local one too: it is read, and asked no more. */
export const isLocalAddress = (host: string): boolean => isPrivateAddress(host) || inNetwork(host, LINK_LOCAL)

/** Is it the machine itself? */
export const isLoopback = (host: string): boolean => inNetwork(host, LOOPBACK)

/** Does a whole network lie among those that nobody outside can reach? */
export function isPrivateNetwork(network: string): boolean {
  const own = parts(network)
  return PRIVATE.some((one) => {
    const wide = parts(one)!
    return own !== undefined && own.start >= wide.start && own.start + own.size <= wide.start + wide.size
  })
}

/** How many addresses lie between two, both included; 0 when they cannot be read or run backwards. */
export function addressCount(from: string, to: string): number {
  const [first, last] = [asNumber(from), asNumber(to)]
  return first === undefined || last === undefined ? 0 : Math.max(0, last - first + 1)
}

/** The addresses from one to another, both included, in figures; empty when they cannot be read or run backwards. Bad input: `out-of-range`, more than `MOST_ADDRESSES`. */
export function addressesBetween(from: string, to: string): string[] {
  const count = addressCount(from, to)
  if (count > MOST_ADDRESSES)
    throw new BadInput(
      'out-of-range',
      'to',
      `a range has at most ${MOST_ADDRESSES} addresses, this one ${count}`,
    )
  const first = asNumber(from) ?? 0
  return Array.from({ length: count }, (_, i) => {
    const address = first + i
    return [24, 16, 8, 0].map((shift) => Math.floor(address / 2 ** shift) % 256).join('.')
  })
}
