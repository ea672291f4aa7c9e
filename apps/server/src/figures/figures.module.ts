import { Global, Module } from '@nestjs/common'
import { FiguresService } from './figures.service.js'

@Global()
@Module({ providers: [FiguresService], exports: [FiguresService] })
export class FiguresModule {}
