import { Module } from '@nestjs/common'
import { AgainController } from './again.controller.js'
import { AgainService } from './again.service.js'

@Module({ controllers: [AgainController], providers: [AgainService], exports: [AgainService] })
export class AgainModule {}
