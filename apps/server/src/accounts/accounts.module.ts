import { Module } from '@nestjs/common'
import { APP_GUARD } from '@nestjs/core'
import { AccessGuard } from './access.guard.js'
import { AccountsController } from './accounts.controller.js'
import { PeopleController } from './people.controller.js'
import { PeopleService } from './people.service.js'
import { AccountsService } from './accounts.service.js'

@Module({
  controllers: [AccountsController, PeopleController],
  providers: [AccountsService, PeopleService, { provide: APP_GUARD, useClass: AccessGuard }],
  exports: [AccountsService],
})
export class AccountsModule {}
