import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import { inNetwork, isPrivateAddress, isPrivateNetwork } from '@plumb-mark/core'
import { Refused } from '../http/refused.js'
import { FigureRow } from '../office/figure.entity.js'

const NAME = 'allowed-networks'
const LOOPBACK = ['127.0.0.0/8']

/** In which networks devices may be asked: loopback, until the office allows more, and never one that strangers can reach. */
@Injectable()
export class NetworksService {
  constructor(private readonly db: DataSource) {}

  async allowed(): Promise<string[]> {
    const row = await this.db.getRepository(FigureRow).findOneBy({ name: NAME })
    return row ? (JSON.parse(row.value) as string[]) : LOOPBACK
  }

  async allow(networks: readonly string[]): Promise<string[]> {
    networks.forEach((network, i) => {
      if (!isPrivateNetwork(network))
        throw new Refused(
          400,
          'not-private',
          `“${network}” is no private network: write it as 192.168.1.0/24`,
          `networks[${i}]`,
        )
    })
    await this.db.getRepository(FigureRow).upsert({ name: NAME, value: JSON.stringify(networks) }, ['name'])
    return [...networks]
  }

  async requireAllowed(...hosts: readonly string[]): Promise<void> {
    const networks = await this.allowed()
    const stranger = hosts.find(
      (host) => !isPrivateAddress(host) || !networks.some((network) => inNetwork(host, network)),
    )
    if (stranger !== undefined)
      throw new Refused(
        403,
        'network-not-allowed',
        `${stranger} lies in no network that the office has allowed: ask the office to add it`,
        'host',
      )
  }
}
