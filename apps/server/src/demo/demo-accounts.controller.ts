import { Controller, Get, Module } from '@nestjs/common'
import type { DemoAccount } from '@plumb-mark/contract'
import { FiguresService } from '../figures/figures.service.js'
import { Anyone } from '../http/access.js'

/** Under this name stands what whoever wants to look round signs in with; an installation without the demo data has none. */
export const DEMO_ACCOUNTS = 'demo-accounts'

@Controller('api/demo')
export class DemoAccountsController {
  constructor(private readonly figures: FiguresService) {}

  /** Invented people with a password that everybody knows: only where the demo data was loaded. */
  @Anyone()
  @Get('accounts')
  async accounts(): Promise<DemoAccount[]> {
    return (await this.figures.read<DemoAccount[]>(DEMO_ACCOUNTS)) ?? []
  }
}

@Module({ controllers: [DemoAccountsController] })
export class DemoAccountsModule {}
