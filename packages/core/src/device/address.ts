const V4 = /^(?:25[0-5]|2[0-4]\d|1\d\d|[1-9]?\d)(?:\.(?:25[0-5]|2[0-4]\d|1\d\d|[1-9]?\d)){3}$/
const NETWORK = /^([\d.]+)\/(\d{1,2})$/
const BITS = 32

/** Networks that nobody outside can reach: loopback, the private ones, link-local. Source: RFC 1918, RFC 3927, RFC 1122. */
const PRIVATE = ['127.0.0.0/8', '10.0.0.0/8', '172.16.0.0/12', '192.168.0.0/16', '169.254.0.0/16']

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

/** Does a whole network lie among those that nobody outside can reach? */
export function isPrivateNetwork(network: string): boolean {
  const own = parts(network)
  return PRIVATE.some((one) => {
    const wide = parts(one)!
    return own !== undefined && own.start >= wide.start && own.start + own.size <= wide.start + wide.size
  })
}

/** The addresses from one to another, both included, in figures; empty when they cannot be read or run backwards. */
export function addressesBetween(from: string, to: string): string[] {
  const [first, last] = [asNumber(from), asNumber(to)]
  if (first === undefined || last === undefined || last < first) return []
  return Array.from({ length: last - first + 1 }, (_, i) => {
    const address = first + i
    return [24, 16, 8, 0].map((shift) => Math.floor(address / 2 ** shift) % 256).join('.')
  })
}
