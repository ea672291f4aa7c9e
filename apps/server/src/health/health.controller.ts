import { Controller, Get } from '@nestjs/common'
import { DataSource } from 'typeorm'
import { Anyone } from '../accounts/access.js'
import { VERSION } from './version.js'

/** For whoever watches the machine: alive, able to answer, and which version; nothing about jobs or people. */
@Controller('health')
export class HealthController {
  constructor(private readonly db: DataSource) {}

  @Anyone()
  @Get()
  async health(): Promise<{ live: true; ready: boolean; version: string }> {
    const ready = await this.db.query('SELECT 1').then(
      () => true,
      () => false,
    )
    return { live: true, ready, version: VERSION }
  }
}
