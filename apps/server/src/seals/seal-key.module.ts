import { Module } from '@nestjs/common'
import { SealKey } from './seal-key.js'

@Module({ providers: [SealKey], exports: [SealKey] })
export class SealKeyModule {}
