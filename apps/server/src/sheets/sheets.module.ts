import { Module } from '@nestjs/common'
import { SheetsController } from './sheets.controller.js'
import { ManualsController } from './manuals.controller.js'
import { ManualsService } from './manuals.service.js'
import { SheetZipService } from './sheet-zip.service.js'
import { SheetsService } from './sheets.service.js'

@Module({
  controllers: [SheetsController, ManualsController],
  providers: [SheetsService, ManualsService, SheetZipService],
  exports: [SheetsService, ManualsService],
})
export class SheetsModule {}
