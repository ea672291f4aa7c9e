import { Module } from '@nestjs/common'
import { APP_GUARD, APP_INTERCEPTOR } from '@nestjs/core'
import { AccessGuard } from './access.guard.js'
import { AccountsController } from './accounts.controller.js'
import { PeopleController } from './people.controller.js'
import { PeopleService } from './people.service.js'
import { AccountsService } from './accounts.service.js'
import { FirstWord } from './first-word.js'
import { KnownDevice } from './known-device.js'
import { LiveInterceptor } from './live.interceptor.js'
import { SessionCookie } from './session-cookie.js'

@Module({
  controllers: [AccountsController, PeopleController],
  providers: [
    AccountsService,
    PeopleService,
    SessionCookie,
    KnownDevice,
    FirstWord,
    { provide: APP_GUARD, useClass: AccessGuard },
    { provide: APP_INTERCEPTOR, useClass: LiveInterceptor },
  ],
  exports: [AccountsService, SessionCookie],
})
export class AccountsModule {}
