import { Inject, Injectable } from '@nestjs/common'
import { SETTINGS, type Settings } from '../settings.js'
import { inNetwork, isPrivateAddress, isPrivateNetwork } from '@plumb-mark/core'
import { Refused } from '../http/refused.js'
import { FiguresService } from '../figures/figures.service.js'

const NAME = 'allowed-networks'
const LOOPBACK = '127.0.0.0/8'

/**
 * In which networks devices may be asked: those that the office allows, and never one that strangers can reach. The machine of the server
 * itself is among them only where the office says so, or while the simulated devices run on it.
 */
@Injectable()
export class NetworksService {
  constructor(
    private readonly figures: FiguresService,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  async allowed(): Promise<string[]> {
    return (await this.figures.read<string[]>(NAME)) ?? (this.settings.simulatedDevices ? [LOOPBACK] : [])
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
    await this.figures.keep(NAME, networks)
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
