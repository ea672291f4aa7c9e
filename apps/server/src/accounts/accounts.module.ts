import { Module } from '@nestjs/common'
import { APP_GUARD } from '@nestjs/core'
import { ThrottlerModule } from '@nestjs/throttler'
import { AccessGuard } from './access.guard.js'
import { AccountsController } from './accounts.controller.js'
import { AccountsService } from './accounts.service.js'

/** Tries at signing in, from one address, before a minute's rest. */
export const SIGN_IN_TRIES = 12

@Module({
  imports: [ThrottlerModule.forRoot([{ ttl: 60_000, limit: SIGN_IN_TRIES }])],
  controllers: [AccountsController],
  providers: [AccountsService, { provide: APP_GUARD, useClass: AccessGuard }],
  exports: [AccountsService],
})
export class AccountsModule {}
