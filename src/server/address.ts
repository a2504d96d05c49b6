import { BlockList, isIP } from 'node:net'

/** The header in which the front tells the application where a request came from. What a client sends under that name is thrown away. */
export const ADDRESS_HEADER = 'x-gale-address'

/** An address as it is compared and written: without the wrapping of an IPv4 address in an IPv6 one. */
const plain = (address: string): string => address.trim().replace(/^::ffff:(?=\d+\.)/i, '')

/** The machines that pass requests on for others, as configured: addresses and networks, by commas.
 *  @throws Error with the word that is no address */
export function readProxies(text: string): BlockList {
  const list = new BlockList()
  for (const word of text
    .split(',')
    .map((part) => part.trim())
    .filter((part) => part !== '')) {
    const [address = '', bits] = word.split('/')
    const family = isIP(address) === 6 ? 'ipv6' : 'ipv4'
    if (isIP(address) === 0 || (bits !== undefined && !/^\d{1,3}$/.test(bits)))
      throw new Error(`GALE_PROXIES: “${word}” is no address and no network such as 10.0.0.0/8.`)
    if (bits === undefined) list.addAddress(address, family)
    else list.addSubnet(address, Number(bits), family)
  }
  return list
}

const isProxy = (proxies: BlockList, address: string): boolean =>
  isIP(address) !== 0 && proxies.check(address, isIP(address) === 6 ? 'ipv6' : 'ipv4')

/** Where a request came from: the other end of its connection, or, where that is a proxy of ours, the last address that proxy wrote down. Anybody
 *  can write anything into `X-Forwarded-For`; only what our own proxies added counts. */
export function clientAddress(peer: string | undefined, forwardedFor: string | undefined, proxies: BlockList): string {
  let address = plain(peer ?? 'unknown')
  const chain = (forwardedFor ?? '').split(',').map(plain)
  while (isProxy(proxies, address)) {
    const before = chain.pop()
    if (before === undefined || isIP(before) === 0) return address
    address = before
  }
  return address
}

/** Whether a request came from this machine itself. */
export const isLocal = (address: string | null): boolean => address === '127.0.0.1' || address === '::1'
